import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { nanoid } from 'nanoid'
import {
  type Edit,
  type Layout,
  type LogRecord,
  type Pending,
  type Step,
  applyEdit,
  describeEdit,
  find,
  historyOf,
  rebase,
} from '#core/layouts'
import { type Problem, problem } from '#core/problems'
import type { Id } from '#core/site'
import type { EditsAnswer, LayoutAnswer, StaleAnswer } from '#shared/api/types'
import { useDesign } from './design'
import { useNotices } from './notices'
import { useSession } from './session'

export type SaveState = 'saved' | 'saving' | 'waiting'

const RETRY = 3000
const SEND_TOGETHER = 120
const storeKey = (id: Id) => `outer-frame:unsent:${id}`

/**
 * The layout on the bench: the document, the edits made to it, and what of them the server has. Every edit is
 * applied here at once, kept in the browser until the server has it, and sent in order.
 */
export const useBench = defineStore('bench', () => {
  const design = useDesign()
  const notices = useNotices()
  const session = useSession()
  const layout = shallowRef<Layout | null>(null)
  const selected = ref<Id | null>(null)
  const step = ref<Step>('wide')
  const saving = ref<SaveState>('saved')
  /** Edits that could not be kept because of what another window did; shown with the reason. */
  const aside = ref<{ edit: Edit; problem: Problem }[]>([])

  let base: Layout | null = null
  let revision = 0
  const records = shallowRef<LogRecord[]>([])
  const pending = shallowRef<Pending[]>([])
  let sending = false
  let timer: ReturnType<typeof setTimeout> | undefined

  const history = computed(() => historyOf(records.value))
  const undoable = computed(() => (layout.value ? label(history.value.undo.at(-1)?.label) : null))
  const redoable = computed(() => (layout.value ? label(history.value.redo.at(-1)?.label) : null))
  const label = (edit: Edit | undefined) => (edit && layout.value ? describeEdit(edit, layout.value) : null)

  function setLayout(next: Layout): void {
    layout.value = next
    if (selected.value && selected.value !== next.id && !find(next, selected.value)) selected.value = null
    design.noteLayout({ layout: next, revision })
  }

  function keepUnsent(): void {
    if (!layout.value) return
    const key = storeKey(layout.value.id)
    if (pending.value.length === 0) localStorage.removeItem(key)
    else localStorage.setItem(key, JSON.stringify(pending.value))
  }

  function takeUnsent(id: Id): Pending[] {
    try {
      return JSON.parse(localStorage.getItem(storeKey(id)) ?? '[]') as Pending[]
    } catch {
      return []
    }
  }

  /** Makes the log of what is pending anew, after the base has changed; undo refers to edits by revision. */
  function recount(log: LogRecord[], mine: readonly Pending[]): void {
    const moved = new Map<number, number>()
    const old = new Map(records.value.map((r) => [r.id, r.revision]))
    let current = base!
    const made: LogRecord[] = []
    for (const p of mine) {
      const result = applyEdit(current, p.edit)
      if (!result.ok) continue
      const now = revision + made.length + 1
      if (old.has(p.id)) moved.set(old.get(p.id)!, now)
      const of = p.of !== undefined ? (moved.get(p.of) ?? p.of) : undefined
      made.push({ ...p, ...(of !== undefined && { of }), inverse: result.inverse, revision: now, at: Date.now() })
      current = result.layout
    }
    pending.value = made.map(({ id, edit, does, of }) => ({ id, edit, does, ...(of !== undefined && { of }) }))
    records.value = [...log, ...made]
    setLayout(current)
  }

  async function open(id: Id): Promise<void> {
    const answer = await useApi<LayoutAnswer>('GET', `/layouts/${id}`)
    base = answer.layout
    revision = answer.revision
    records.value = answer.log
    aside.value = []
    selected.value = null
    const known = new Set(answer.log.map((r) => r.id))
    layout.value = answer.layout
    resume(
      answer.log,
      takeUnsent(id).filter((p) => !known.has(p.id)),
    )
  }

  /** Puts pending edits onto the base; those that no longer apply are set aside with the reason. */
  function resume(log: LogRecord[], mine: readonly Pending[]): void {
    const result = rebase(base!, [], mine)
    aside.value = [...aside.value, ...result.aside.map(({ pending: p, problem }) => ({ edit: p.edit, problem }))]
    recount(log, result.pending)
    keepUnsent()
    if (result.pending.length > 0) schedule(0)
  }

  /** Applies an edit here and sends it. Gives false, and says why, when it is refused. */
  function apply(edit: Edit | null, does: Pending['does'] = 'edit', of?: number): boolean {
    if (!edit || !layout.value) return false
    if (!session.mayDesign) {
      notices.fail(new Error(problem('role-lacking', { role: 'designer' }).sentence))
      return false
    }
    const result = applyEdit(layout.value, edit)
    if (!result.ok) {
      notices.fail(new Error(result.problem.sentence))
      return false
    }
    if (result.layout === layout.value) return true
    const made: Pending = { id: nanoid(12), edit, does, ...(of !== undefined && { of }) }
    const record = { ...made, inverse: result.inverse, revision: revision + pending.value.length + 1, at: Date.now() }
    pending.value = [...pending.value, made]
    records.value = [...records.value, record]
    setLayout(result.layout)
    keepUnsent()
    schedule(SEND_TOGETHER)
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
    saving.value = saving.value === 'waiting' ? 'waiting' : 'saving'
    clearTimeout(timer)
    timer = setTimeout(() => void send(), delay)
  }

  async function send(): Promise<void> {
    if (sending || pending.value.length === 0 || !layout.value) return
    sending = true
    const { id } = layout.value
    const batch = pending.value.slice(0, 200)
    try {
      const answer = await useApi<EditsAnswer>('POST', `/layouts/${id}/edits`, { revision, edits: batch })
      if (layout.value?.id === id) taken(answer)
    } catch (error) {
      if (layout.value?.id === id) refused(error, batch)
    } finally {
      sending = false
    }
    if (pending.value.length > 0 && saving.value !== 'waiting') await send()
  }

  function taken(answer: EditsAnswer): void {
    for (const { edit } of answer.records) {
      const result = applyEdit(base!, edit)
      if (result.ok) base = result.layout
    }
    revision = answer.revision
    const done = new Set(answer.records.map((r) => r.id))
    pending.value = pending.value.filter((p) => !done.has(p.id))
    records.value = records.value.map((r) => answer.records.find((a) => a.id === r.id) ?? r)
    keepUnsent()
    design.noteLayout({ layout: layout.value!, revision })
    saving.value = pending.value.length > 0 ? 'saving' : 'saved'
    if (saving.value === 'saved') void design.loadReleases().catch(() => {})
  }

  function refused(error: unknown, batch: readonly Pending[]): void {
    const refusal = error as Refusal
    const status = refusal.problem?.status ?? 0
    if (refusal.problem?.code === 'stale-revision') {
      const { between, revision: now } = refusal.body as StaleAnswer
      const before = rebase(base!, between, [])
      base = before.layout
      revision = now
      const known = new Set(between.map((b) => b.id))
      const log = [...records.value.filter((r) => !pending.value.some((p) => p.id === r.id)), ...between]
      const mine = new Set(pending.value.map((p) => p.id))
      if (between.some((b) => !mine.has(b.id)))
        notices.say('This layout was changed in another window. Both changes are kept.')
      resume(
        log,
        pending.value.filter((p) => !known.has(p.id)),
      )
    } else if (status >= 400 && status < 500 && status !== 401 && status !== 429) {
      // The server knows a reason the bench did not: what was sent is set aside, the rest goes on.
      aside.value = [...aside.value, ...batch.map((p) => ({ edit: p.edit, problem: refusal.problem }))]
      const sent = new Set(batch.map((p) => p.id))
      resume(
        records.value.filter((r) => r.revision <= revision),
        pending.value.filter((p) => !sent.has(p.id)),
      )
    } else {
      saving.value = 'waiting'
      setTimeout(() => {
        if (saving.value !== 'waiting') return
        saving.value = 'saving'
        void send()
      }, RETRY)
    }
  }

  function close(): void {
    void send()
    selected.value = null
  }

  return { layout, selected, step, saving, aside, undoable, redoable, open, close, apply, undo, redo }
})
