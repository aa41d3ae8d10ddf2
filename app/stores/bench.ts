import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { nanoid } from 'nanoid'
import {
  type Edit,
  EditSession,
  type LogRecord,
  type Pending,
  type Unkept,
  describeEdit,
  historyOf,
  pendingShape,
  sameTarget,
} from '#core/layouts'
import { type Layout, type Step, find } from '#core/tree'
import { type Problem, problem } from '#core/problems'
import { list, refuse } from '#core/shape'
import type { Id } from '#core/site'
import type { EditsAnswer, FarAnswer, LayoutAnswer, StaleAnswer } from '#shared/api/types'
import { useDesign } from './design'
import { useNotices } from './notices'
import { useSession } from './session'

/** `waiting` sends again by itself; `stopped` waits for somebody to do what its reason says. */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'stopped'

const RETRY = 3000
const SEND_TOGETHER = 120
/** Edits of the same thing closer together than this, in milliseconds, are one step of undo. */
const ONE_GO = 1500
const unsentShape = list(pendingShape, 10_000)

/** Refusals that are about the edits sent, and not about who sends them or where they go. */
const ABOUT_EDITS = new Set([400, 409, 413, 422])

/**
 * The layout on the bench: the document, the edits made to it, and what of them the server has. Every edit is
 * applied here at once, kept in the browser until the server has it, and sent in order.
 */
export const useBench = defineStore('bench', () => {
  const design = useDesign()
  const notices = useNotices()
  const session = useSession()
  const layout = shallowRef<Layout | null>(null)
  const records = shallowRef<readonly LogRecord[]>([])
  const selected = ref<Id | null>(null)
  const step = ref<Step>('wide')
  const saving = ref<SaveState>('saved')
  /** Why nothing is sent at the moment, in a sentence. */
  const stopped = ref('')
  /** Edits that could not be kept, with the reason. */
  const aside = shallowRef<readonly Unkept[]>([])

  let editing: EditSession | null = null
  let kept = useKept<Pending[]>('unsent')
  let lastAt = Number.NEGATIVE_INFINITY
  let sending: Promise<void> | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  const history = computed(() => historyOf(records.value))
  const label = (edit: Edit | undefined) => (edit && layout.value ? describeEdit(edit, layout.value) : null)
  const undoable = computed(() => label(history.value.undo.at(-1)?.label))
  const redoable = computed(() => label(history.value.redo.at(-1)?.label))

  /** Takes over what the session has come to, and keeps in this browser what the server does not have. */
  function sync(): void {
    if (!editing) return
    layout.value = editing.layout
    records.value = editing.records
    aside.value = editing.unkept
    if (selected.value && selected.value !== editing.layout.id && !find(editing.layout, selected.value))
      selected.value = null
    design.noteLayout({ layout: editing.layout, revision: editing.revision })
    void kept.keep(editing.pending.length > 0 ? [...editing.pending] : null)
  }

  /** What was left unsent here; what cannot be read is left where it is and told. */
  async function takeUnsent(): Promise<Pending[]> {
    const left = await kept.take()
    const why = left === null ? null : refuse(unsentShape, left)
    if (why) notices.fail(new Error(`Edits that were kept in this browser cannot be read: ${why}. They were not sent.`))
    return left === null || why ? [] : left
  }

  async function open(id: Id): Promise<void> {
    await sending
    const answer = await useApi<LayoutAnswer>('GET', `/layouts/${id}`)
    kept = useKept<Pending[]>(`unsent.${id}`)
    const unsent = await takeUnsent()
    selected.value = null
    stopped.value = ''
    saving.value = 'saved'
    lastAt = Number.NEGATIVE_INFINITY
    editing = new EditSession(answer, unsent)
    sync()
    if (editing.pending.length > 0) schedule(0)
  }

  /** The run that an edit made now goes on with: edits of one thing in one go, told by this window's own clock. */
  function runOf(id: Id, edit: Edit): Id {
    const now = performance.now()
    const last = editing!.records.at(-1)
    const goesOn = now - lastAt < ONE_GO && last?.does === 'edit' && sameTarget(last.edit, edit)
    lastAt = now
    return goesOn ? (last.run ?? last.id) : id
  }

  /** Applies an edit here and sends it. Gives false, and says why, when it is refused. */
  function apply(edit: Edit | null, does: Pending['does'] = 'edit', of?: number): boolean {
    if (!edit || !editing) return false
    const id = nanoid(12)
    const made: Pending = { id, edit, does, ...(of === undefined ? { run: runOf(id, edit) } : { of }) }
    const refused = session.mayDesign ? editing.apply(made, Date.now()) : problem('role-lacking', { role: 'designer' })
    if (refused) {
      notices.fail(new Error(refused.sentence))
      return false
    }
    if (editing.layout === layout.value) return true
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
    sending ??= sendAll(editing!).finally(() => (sending = null))
  }

  async function sendAll(mine: EditSession): Promise<void> {
    for (let next = mine.nextToSend(); next; next = mine.nextToSend()) {
      try {
        const answer = await useApi<EditsAnswer>('POST', `/layouts/${mine.layout.id}/edits`, next)
        mine.taken(answer.revision, answer.records)
      } catch (error) {
        if (!takeRefusal(mine, error, next.edits)) return
      }
      if (mine === editing) sync()
    }
    if (mine !== editing) return
    saving.value = 'saved'
    stopped.value = ''
    void design.loadReleases().catch(() => {})
  }

  /** Takes a refusal over; gives whether sending goes on. */
  function takeRefusal(mine: EditSession, error: unknown, sent: Pending[]): boolean {
    const { problem: why, body } = error as Refusal
    if (why.code === 'stale-revision') {
      const answer = body as StaleAnswer | FarAnswer
      const others =
        'state' in answer
          ? (mine.begunAnew(answer.state, answer.taken), true)
          : mine.overtaken(answer.revision, answer.between)
      if (others) notices.say('This layout was changed in another window meanwhile.')
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

  function close(): void {
    if (editing && editing.pending.length > 0) send()
    selected.value = null
  }

  return {
    layout,
    selected,
    step,
    saving,
    stopped,
    aside,
    undoable,
    redoable,
    open,
    close,
    apply,
    undo,
    redo,
    tryAgain,
    understood,
  }
})
