import { nanoid } from 'nanoid'
import {
  EditSession,
  type Contest,
  type Editing,
  type LogRecord,
  type Pending,
  type ServerDocument,
  type Unkept,
  historyOf,
  pendingEnvelope,
} from '#core/edits'
import { type Problem, problem } from '#core/problems'
import { list, refuse } from '#core/shape'
import type { EditsAnswer, FarAnswer, StaleAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** `waiting` sends again by itself; `stopped` waits for somebody to do what its reason says. */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'stopped'

const RETRY = 3000
const SEND_TOGETHER = 120
/** Edits of the same thing closer together than this, in milliseconds, are one step of undo. */
const ONE_GO = 1500
const unsentShape = list(pendingEnvelope, 10_000)

/** Refusals that are about the edits sent, and not about who sends them or where they go. */
const ABOUT_EDITS = new Set([400, 409, 413, 422])

interface Options<D, E> {
  editing: Editing<D, E>
  /** What it is called in a sentence: "This layout was changed ...". */
  noun: string
  /** Told whenever the document or what is known of it has changed. */
  changed(document: D, revision: number): void
  /** Told when all there is is with the server. */
  saved(): void
}

/**
 * A document under a hand in this window, whatever its kind: every edit is applied here at once, kept in the browser
 * until the server has it, and sent in order. What to do with each answer is said by `EditSession`.
 */
export function useDocumentEdits<D, E>(options: Options<D, E>) {
  const notices = useNotices()
  const session = useSession()
  const document = shallowRef<D | null>(null)
  const records = shallowRef<readonly LogRecord<E>[]>([])
  const saving = ref<SaveState>('saved')
  /** Why nothing is sent at the moment, in a sentence. */
  const stopped = ref('')
  /** Edits that could not be kept, with the reason. */
  const aside = shallowRef<readonly Unkept<E>[]>([])
  /** What both hands have set at once. */
  const contests = shallowRef<readonly Contest<E>[]>([])
  const history = computed(() => historyOf(records.value, session.user?.name))

  let editing: EditSession<D, E> | null = null
  let address = ''
  let kept = useKept<Pending<E>[]>('unsent')
  let lastAt = Number.NEGATIVE_INFINITY
  let sending: Promise<void> | null = null
  let ask: (() => Promise<ServerDocument<D, E>>) | null = null
  /** What the document goes by has changed while something was on its way. */
  let outdated = false
  let timer: ReturnType<typeof setTimeout> | undefined

  /** Takes over what the session has come to, and keeps in this browser what the server does not have. */
  function sync(): void {
    if (!editing) return
    document.value = editing.document
    records.value = editing.records
    aside.value = editing.unkept
    contests.value = editing.contests
    options.changed(editing.document, editing.revision)
    const { unsent } = editing
    void kept.keep(unsent.length > 0 ? unsent : null)
  }

  /** What was left unsent here; what cannot be read is left where it is and told. */
  async function takeUnsent(): Promise<Pending<E>[]> {
    const left = await kept.take()
    const why = left === null ? null : refuse(unsentShape, left)
    if (why) notices.fail(new Error(`Edits that were kept in this browser cannot be read: ${why}. They were not sent.`))
    return left === null || why ? [] : left
  }

  /** Begins with a document: `ask` tells it, `name` is under what its unsent edits are kept, `to` where they go. */
  async function begin(name: string, to: string, asked: () => Promise<ServerDocument<D, E>>): Promise<void> {
    // What was under the hand before takes nothing more: an edit of it now would be of a session that is given up.
    clearTimeout(timer)
    editing = null
    document.value = null
    await sending
    ask = asked
    const told = await ask()
    kept = useKept<Pending<E>[]>(name)
    address = to
    const unsent = await takeUnsent()
    stopped.value = ''
    saving.value = 'saved'
    lastAt = Number.NEGATIVE_INFINITY
    editing = new EditSession(options.editing, told, unsent)
    sync()
    if (editing.pending.length > 0) schedule(0)
  }

  /** The run that an edit made now goes on with: edits of one thing in one go, told by this window's own clock. */
  function runOf(id: string, edit: E): string {
    const now = performance.now()
    const { last } = editing!
    const quick = now - lastAt < ONE_GO && last?.does === 'edit'
    lastAt = now
    return quick && setSame(last.edit, edit) ? (last.run ?? last.id) : id
  }

  /** What comes next is a step of its own, however soon it comes and whatever it sets. */
  function endRun(): void {
    lastAt = Number.NEGATIVE_INFINITY
  }

  function setSame(a: E, b: E): boolean {
    const [these, those] = [options.editing.targets(a), options.editing.targets(b)]
    return these.length > 0 && these.length === those.length && these.every((t, i) => t === those[i])
  }

  /** Applies an edit here and sends it. Gives false, and says why, when it is refused. */
  function apply(edit: E | null, does: Pending<E>['does'] = 'edit', of?: number): boolean {
    if (!edit || !editing) return false
    const id = nanoid(12)
    const made: Pending<E> = { id, edit, does, ...(of === undefined ? { run: runOf(id, edit) } : { of }) }
    const refused = session.mayDesign ? editing.apply(made, Date.now()) : problem('role-lacking', { role: 'designer' })
    if (refused) {
      notices.fail(new Error(refused.sentence))
      return false
    }
    if (editing.document === document.value) return true
    sync()
    if (saving.value !== 'waiting' && saving.value !== 'stopped') schedule(SEND_TOGETHER)
    return true
  }

  function undo(): void {
    const last = history.value.undo.at(-1)
    if (last) apply(last.edit, 'undo', last.of)
  }
  function redo(): void {
    const last = history.value.redo.at(-1)
    if (last) apply(last.edit, 'redo', last.of)
  }

  function schedule(delay: number): void {
    saving.value = 'saving'
    clearTimeout(timer)
    timer = setTimeout(send, delay)
  }

  /** Sends all there is, one after the other, until it is with the server or the reason is told why not. */
  function send(): void {
    if (editing) sending ??= sendAll(editing, address).finally(() => (sending = null))
  }

  async function sendAll(mine: EditSession<D, E>, to: string): Promise<void> {
    for (let next = mine.nextToSend(); next; next = mine.nextToSend()) {
      try {
        const answer = await useApi<EditsAnswer<E>>('POST', to, next)
        mine.taken(answer.revision, answer.records)
      } catch (error) {
        if (!takeRefusal(mine, error, next.edits)) return
      }
      if (mine === editing) sync()
    }
    if (mine !== editing) return
    saving.value = 'saved'
    stopped.value = ''
    options.saved()
    if (!outdated) return
    outdated = false
    void catchUp(true)
  }

  /** Takes a refusal over; gives whether sending goes on. */
  function takeRefusal(mine: EditSession<D, E>, error: unknown, sent: Pending<E>[]): boolean {
    const { problem: why, body } = error as Refusal
    if (why.code === 'stale-revision') {
      const answer = body as StaleAnswer<E> | FarAnswer<D, E>
      const others =
        'state' in answer
          ? (mine.begunAnew(answer.state, answer.taken), true)
          : mine.overtaken(answer.revision, answer.between)
      if (others && mine.contests.length === 0)
        notices.say(`This ${options.noun} was changed in another window meanwhile.`)
      return true
    }
    if (ABOUT_EDITS.has(why.status)) {
      mine.refused(why, sent)
      return true
    }
    if (mine === editing) wait(why)
    return false
  }

  /** The server is away or busy: it is asked again by itself. Else somebody must do what the reason says. */
  function wait(why: Problem): void {
    const passes = why.status === 0 || why.status === 429 || why.status >= 500
    saving.value = passes ? 'waiting' : 'stopped'
    stopped.value = why.sentence
    clearTimeout(timer)
    // Whoever signs in again in another window need not say so here.
    const soon = passes || why.status === 401
    timer = setTimeout(() => saving.value !== 'saved' && send(), soon ? RETRY : 10 * RETRY)
  }

  /** Sends at once, whatever it waited for. */
  function tryAgain(): void {
    saving.value = 'saving'
    clearTimeout(timer)
    send()
  }

  function understood(): void {
    if (editing) editing.unkept = []
    aside.value = []
  }

  /** One of what both hands have set is settled: what was set here stays, or what the others had set takes its place. */
  function settle(contest: Contest<E>, takeTheirs: boolean): void {
    if (!editing) return
    editing.contests = editing.contests.filter((c) => c !== contest)
    contests.value = editing.contests
    if (takeTheirs) apply(contest.theirs)
  }

  /** Others did something meanwhile, as the server tells of itself; only with nothing of one's own on the way. */
  function hear(revision: number, between: readonly LogRecord<E>[]): void {
    if (!editing || editing.pending.length > 0 || sending || revision <= editing.revision) return
    if (between[0]?.revision !== editing.revision + 1) return void catchUp()
    editing.overtaken(revision, between)
    sync()
  }

  /**
   * Takes over the document as the server has it, where that has gone on and nothing is on its way; `anyway` also at
   * the revision that is known here.
   */
  async function catchUp(anyway = false): Promise<void> {
    const mine = editing
    // The server may be away: it tells again when it is back.
    const told = await ask!().catch((error: unknown) => {
      if (error instanceof Refusal) return null
      throw error
    })
    if (!told || mine !== editing || !mine || mine.pending.length > 0) return
    if (told.revision < mine.revision || (told.revision === mine.revision && !anyway)) return
    mine.begunAnew(told, [])
    sync()
  }

  /** What the document goes by is another: it is taken anew, as soon as nothing of one's own is on its way. */
  function refresh(): void {
    if (!editing || editing.pending.length > 0 || sending) outdated = true
    else void catchUp(true)
  }

  function close(): void {
    if (editing && editing.pending.length > 0) send()
  }

  return {
    document,
    records,
    history,
    saving,
    stopped,
    aside,
    contests,
    begin,
    apply,
    endRun,
    undo,
    redo,
    tryAgain,
    understood,
    settle,
    hear,
    refresh,
    close,
  }
}

/** A document under a hand, as far as a room that holds it goes by it. */
export interface EditedStore {
  document: object | null
  history: { undo: readonly unknown[]; redo: readonly unknown[] }
  saving: SaveState
  stopped: string
  aside: readonly Unkept<unknown>[]
  open(): Promise<void>
  close(): void
  undo(): void
  redo(): void
  tryAgain(): void
  understood(): void
}
