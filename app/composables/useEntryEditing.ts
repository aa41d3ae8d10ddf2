import { type Entry, type EntryContest, entryOfParts, mergeEntries, partsOfEntry } from '#core/model'
import { checkEntry, freeSlug } from '#core/catalogue'
import { slugOf } from '#core/addresses'
import type { EntryAnswer, OpenEntryAnswer, StaleEntryAnswer, StatesAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
const textOf = (entry: Entry | null): string => JSON.stringify(entry)

/** After so many milliseconds without a key what is written is kept by the server too. */
const PAUSE = 700
/** As often what others store meanwhile is taken along without asking. */
const MOST_TRIES = 5

export type Keeping = 'stored' | 'keeping' | 'kept' | 'waiting'

/**
 * An entry under a hand: what is written is kept at once, in this browser and as the writer's working copy on the
 * server, and holds for everybody once it is stored. What others store meanwhile is merged with it, field by field.
 */
export function useEntryEditing(id: string) {
  const site = useSite()
  const notices = useNotices()
  const here = useKept<{ entry: Entry; revision: number }>(`working-copy.${id}`)
  const entry = ref<Entry | null>(null)
  /** As it was stored at `revision`, on which what is written was begun. */
  const stored = shallowRef<Entry | null>(null)
  const revision = ref(0)
  const failed = ref('')
  const busy = ref(false)
  const keeping = ref<Keeping>('stored')
  const contests = shallowRef<EntryContest[]>([])

  const changed = computed(() => entry.value !== null && textOf(entry.value) !== textOf(stored.value))
  const problem = computed(() => (entry.value ? checkEntry(entry.value, site.catalogue!)[0] : undefined))

  function take(answer: EntryAnswer, writing?: Entry): void {
    stored.value = answer.entry
    revision.value = answer.revision
    entry.value = copyOf(writing ?? answer.entry)
    contests.value = []
  }

  const stateAt = async (at: number): Promise<Entry> =>
    (await useApi<{ entry: Entry }>('GET', `/entries/${encodeURIComponent(id)}/states/${at}`)).entry

  async function open(): Promise<void> {
    failed.value = ''
    try {
      const answer = await useApi<OpenEntryAnswer>('GET', `/entries/${encodeURIComponent(id)}`)
      const left = (await here.take()) ?? answer.working
      take(answer)
      if (!left || textOf(left.entry) === textOf(answer.entry)) return
      if (left.revision === answer.revision) entry.value = copyOf(left.entry)
      else await mergeWith(left.entry, answer, await stateAt(left.revision).catch(() => null))
      notices.say('What you wrote here before is here again; it is not stored yet.', {
        label: 'Take what is stored',
        run: () => void drop(),
      })
    } catch (error) {
      failed.value = (error as Error).message
    }
  }

  /** Puts what is written on top of what is stored now; where both changed the same, mine stands and both are shown. */
  async function mergeWith(mine: Entry, current: EntryAnswer, base: Entry | null): Promise<boolean> {
    const merged = mergeEntries(base ?? current.entry, mine, current.entry)
    take(current, merged.entry)
    contests.value = merged.contests
    return merged.contests.length === 0
  }

  /** What is written goes: the entry is as it is stored. */
  async function drop(): Promise<void> {
    entry.value = copyOf(stored.value)
    contests.value = []
    clearTimeout(timer)
    await here.keep(null)
    await notices.attempt(() => sendWorking(null))
  }

  const sendWorking = (working: { entry: Entry; revision: number } | null) =>
    useApi('PUT', `/entries/${encodeURIComponent(id)}/working`, { working })

  let timer: ReturnType<typeof setTimeout> | undefined
  async function keep(): Promise<void> {
    if (!entry.value || !changed.value) return
    const sent = { entry: copyOf(entry.value), revision: revision.value }
    keeping.value = 'keeping'
    try {
      await sendWorking(sent)
      if (keeping.value === 'keeping') keeping.value = 'kept'
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      // It is kept in this browser; the server is asked again with the next key, or in a while.
      keeping.value = 'waiting'
      timer = setTimeout(() => void keep(), 5000)
    }
  }
  watch(
    entry,
    (now) => {
      if (!now) return
      void here.keep(changed.value ? { entry: now, revision: revision.value } : null)
      clearTimeout(timer)
      if (changed.value) {
        keeping.value = 'keeping'
        timer = setTimeout(() => void keep(), PAUSE)
      } else keeping.value = 'stored'
    },
    { deep: true },
  )
  onBeforeUnmount(() => {
    clearTimeout(timer)
    if (changed.value) void keep()
  })

  async function storeOnce(): Promise<'stored' | 'again' | 'asked'> {
    const sent = textOf(entry.value)
    try {
      const answer = await site.putEntry(JSON.parse(sent) as Entry, revision.value)
      // What was written while it was being stored stays, on top of what is stored now.
      const written = textOf(entry.value) === sent ? undefined : copyOf(entry.value!)
      take(answer, written)
      return 'stored'
    } catch (error) {
      if (!(error instanceof Refusal) || error.problem.code !== 'stale-revision') throw error
      const { current, base } = error.body as StaleEntryAnswer
      return (await mergeWith(JSON.parse(sent) as Entry, current, base)) ? 'again' : 'asked'
    }
  }

  /** Makes what is written hold; what others stored meanwhile is taken along. */
  async function store(): Promise<boolean> {
    if (!entry.value || problem.value || busy.value || contests.value.length > 0) return false
    busy.value = true
    let merged = false
    const done = await notices.attempt(async () => {
      for (let i = 0; i < MOST_TRIES; i++) {
        const how = await storeOnce()
        if (how === 'asked') return false
        if (how === 'stored') return true
        merged = true
      }
      return false
    })
    busy.value = false
    if (!done) return false
    const words = merged ? 'Stored, together with what others have stored meanwhile.' : 'Stored.'
    notices.say(changed.value ? `${words} What you wrote since is not stored yet.` : words)
    await notices.attempt(site.load)
    return true
  }

  /** One of what both have changed is settled. */
  function settle(contest: EntryContest, takeTheirs: boolean): void {
    contests.value = contests.value.filter((c) => c !== contest)
    if (takeTheirs)
      entry.value = entryOfParts({ ...partsOfEntry(entry.value!), [contest.what]: copyOf(contest.theirs) })
  }

  /** The title, with which the address goes as long as the entry was never out and nobody has given it another. */
  function setTitle(title: string): void {
    const now = entry.value!
    const own = slugOf(now.title) || 'untitled'
    const follows = !stored.value!.published && (now.slug === own || now.slug.replace(/-\d+$/, '') === own)
    entry.value = { ...now, title, ...(follows && { slug: freeSlug({ ...now, title }, title, site.catalogue!) }) }
  }

  const states = async (): Promise<StatesAnswer['states']> =>
    (await useApi<StatesAnswer>('GET', `/entries/${encodeURIComponent(id)}/states`)).states

  return {
    entry,
    stored,
    revision,
    failed,
    busy,
    keeping,
    contests,
    changed,
    problem,
    open,
    store,
    drop,
    settle,
    setTitle,
    states,
    stateAt,
  }
}
