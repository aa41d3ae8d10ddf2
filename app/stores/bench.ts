import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { nodeName } from '#core/elements'
import { type Drop, moveAllTo, standingFor, type Sample, hasSample } from '#core/editor'
import { type Edit, describeEdit, layoutEditing, pathNamed, placeOfPath } from '#core/layouts'
import { type LayoutDocument, type WidthStep, type TreeNode, childrenOf, find } from '#core/tree'
import type { Id, Page } from '#core/model'
import type { LayoutAnswer, LivePerson } from '#shared/api/types'
import { useDesign } from './design'
import { useSession } from './session'

/** How something chosen stands to what was chosen before: instead of it, beside it, or with all in between. */
export type Choosing = 'alone' | 'also' | 'through'

/** What is done to what is drawn of pieces: see the store of pieces, which says it. Each gives whether it was done. */
export interface InPieces {
  apply(edit: Edit): boolean
  undo(): boolean
  redo(): boolean
}

/** The layout on the bench, and what of it is in hand. */
export const useBench = defineStore('bench', () => {
  const design = useDesign()
  const session = useSession()
  /** All that is in hand, what was chosen last at the end. */
  const chosen = ref<Id[]>([])
  const selected = computed<Id | null>({
    get: () => chosen.value.at(-1) ?? null,
    set: (id) => (chosen.value = id ? [id] : []),
  })
  const step = ref<WidthStep>('wide')
  /** Who else has this layout open, and what of it they have in hand. */
  const people = shallowRef<readonly LivePerson[]>([])
  /** What is told to those who do not see it. */
  const said = ref('')

  const inPieces = shallowRef<InPieces | null>(null)

  const editing = layoutEditing(() => design.trees)
  const edits = useDocumentEdits<LayoutDocument, Edit>({
    editing,
    noun: 'layout',
    changed(layout, revision) {
      if (looking.value === null) design.noteLayout({ layout, revision })
      keepChosen()
    },
    saved: () => void design.loadReleases().catch(() => {}),
  })
  const { document, records, history, saving, stopped, aside, contests, tryAgain, understood, settle } = edits
  /** An earlier state that is looked at, and the revision that it was; null for the layout as it is. */
  const looking = shallowRef<{ layout: LayoutDocument; revision: number } | null>(null)
  /** The layout as it is looked at, as it is stored; */
  const shown = computed(() => looking.value?.layout ?? document.value)
  /** and the tree that is edited of it. */
  const drawn = computed(() => shown.value && design.trees.of(shown.value))
  const layout = computed(() => drawn.value && drawn.value.made)
  /** The same with its pieces written out: what is seen on the page. */
  const tree = computed(() => drawn.value && drawn.value.tree)
  /** Places of pieces that draw nothing, or of whose own words some wait. */
  const places = computed(() => drawn.value?.places ?? [])
  /** Where something stands, on the plan or, by its path, in a piece as it is drawn. */
  const standing = (id: Id) => (layout.value && find(layout.value, id)) ?? (tree.value && find(tree.value, id)) ?? null

  /** What is gone is not in hand any more. */
  function keepChosen(): void {
    const there = chosen.value.filter((id) => id === layout.value?.id || standing(id))
    if (there.length < chosen.value.length) chosen.value = there
  }
  const mayEdit = computed(() => session.mayDesign && looking.value === null)

  /** Applies an edit of the layout as it is; an earlier state that is looked at is not edited. */
  function apply(edit: Edit | null): boolean {
    if (looking.value !== null || !edit) return false
    return pathNamed(edit) === null ? edits.apply(edit) : (inPieces.value?.apply(edit) ?? false)
  }

  /** Shows the layout as it was at a revision, on the plan and on the page; null for as it is. */
  function lookAt(past: { layout: LayoutDocument; revision: number } | null): void {
    looking.value = past
    const known = document.value && design.layoutById.get(document.value.id)
    if (known) design.noteLayout({ layout: past?.layout ?? document.value!, revision: known.revision })
    keepChosen()
  }

  /** Takes the layout back to an earlier state, as an edit like any other. */
  function takeBackTo(edit: Edit): void {
    lookAt(null)
    if (edits.apply(edit)) said.value = 'Taken back'
  }

  const label = (edit: Edit | undefined) => (edit && layout.value ? describeEdit(edit, layout.value) : null)
  const undoable = computed(() => label(history.value.undo.at(-1)?.label))
  const redoable = computed(() => label(history.value.redo.at(-1)?.label))
  const nodes = computed(() => chosen.value.map((id) => standing(id)?.node).filter((n): n is TreeNode => !!n))

  /** The page that the layout is looked at with. */
  const page = shallowRef<Page | null>(null)
  /** What a page that lists entries is looked at with. */
  const sample = ref<Sample>('real')
  watch(page, (now) => now && !hasSample(now, sample.value) && (sample.value = 'real'))
  /** Whether a card is looked at in a grid of real entries. */
  const inGrid = ref(false)
  /** Rows whose columns are put away on the plan. */
  const folded = ref(new Set<Id>())
  function fold(id: Id): void {
    if (!folded.value.delete(id)) folded.value.add(id)
  }

  /** Kinds of sides (`padding`) that are changed all four at once, for as long as this thing is in hand. */
  const joined = ref<ReadonlySet<string>>(new Set())
  watch(selected, () => (joined.value = new Set()))
  function join(sides: string, together: boolean): void {
    joined.value = new Set([...joined.value].filter((s) => s !== sides).concat(together ? sides : []))
  }
  /** What stands on the plan for what is in hand: for what is of a piece, that piece. */
  const heldFor = (id: Id): Id => (layout.value ? standingFor(design.trees, layout.value, id) : id)
  const held = computed(() => selected.value && heldFor(selected.value))
  /** The one thing on the plan that the Tab key comes to. */
  const focusable = computed(
    () =>
      (selected.value && (placeOfPath(selected.value)?.place ?? selected.value)) ??
      layout.value?.children[0]?.id ??
      null,
  )

  /** What stands between two things of one holder, in the direction from the first to the second; else the second alone. */
  function between(from: Id, to: Id): Id[] {
    const [a, b] = [standing(from), standing(to)]
    if (!a || !b || a.parent.id !== b.parent.id) return [to]
    const range = childrenOf(a.parent).slice(Math.min(a.index, b.index), Math.max(a.index, b.index) + 1)
    const ids = range.map((n) => n.id)
    return a.index <= b.index ? ids : ids.reverse()
  }

  function choose(id: Id | null, how: Choosing = 'alone'): void {
    if (!id || !selected.value || how === 'alone' || !layout.value) selected.value = id
    else if (how === 'also')
      chosen.value = chosen.value.includes(id) ? chosen.value.filter((c) => c !== id) : [...chosen.value, id]
    else {
      const range = between(selected.value, id)
      chosen.value = [...chosen.value.filter((c) => !range.includes(c)), ...range]
    }
    tellChosen()
  }

  function tellChosen(): void {
    const [node] = nodes.value.slice(-1)
    const what = node ? `${nodeName(node)}${placeWords(node)}` : `${layout.value?.name ?? ''}, the layout itself`
    said.value = chosen.value.length > 1 ? `${chosen.value.length} things in hand, the last ${what}` : what
  }

  /** Takes what is under the pointer on the page: of a piece first the whole, and what is in it once that is in hand. */
  function chooseOnPage(id: Id | null, how: Choosing): void {
    const at = id === null ? null : placeOfPath(id)
    const within = at && selected.value && (placeOfPath(selected.value)?.place ?? selected.value) === at.place
    choose(at && !within ? at.place : id, how)
  }

  /** Where something stands among its like: ", 2 of 5 in column 1". */
  function placeWords(node: TreeNode): string {
    const at = standing(node.id)
    if (!at) return ''
    const count = childrenOf(at.parent).length
    const row = at.parent.kind === 'column' ? standing(at.parent.id) : null
    const column = row ? ` in column ${row.index + 1}` : ''
    return `, ${at.index + 1} of ${count}${column}`
  }

  /** Says what came of something done to what is in hand. */
  function tell(what: string): void {
    const [node] = nodes.value.slice(-1)
    said.value = node ? `${what}: ${nodeName(node)}${placeWords(node)}` : what
  }

  const { carried, landing, letGo } = useCarrying(
    () => layout.value,
    ({ parent, index }, node) => {
      if (!apply({ kind: 'insert', parent, index, node })) return
      selected.value = node.id
      tell('Added')
    },
  )

  /** Lets something go at a place, with all else that is in hand when it is one of it. */
  function drop(id: Id, to: Drop): void {
    const moved = chosen.value.includes(id) ? chosen.value : [id]
    if (apply(moveAllTo(layout.value!, moved, to.parent, to.index))) tell('Moved')
  }

  function undo(): void {
    const what = undoable.value
    if (inPieces.value?.undo()) return void (said.value = 'Undone in the piece')
    edits.undo()
    said.value = what ? `Undone: ${what}` : 'Nothing to undo'
  }
  function redo(): void {
    const what = redoable.value
    if (inPieces.value?.redo()) return void (said.value = 'Done again in the piece')
    edits.redo()
    said.value = what ? `Done again: ${what}` : 'Nothing to redo'
  }

  const { earlier, log, hasEarlier, loadEarlier } = useFullLog(records, () => document.value?.id)

  const fetchLayout = (id: Id) => useApi<LayoutAnswer>('GET', `/layouts/${encodeURIComponent(id)}`)

  /** Asks for a layout before there is a bench to open it on; not while something is on its way that it would lack. */
  function askEarly(id: Id): Promise<LayoutAnswer> | undefined {
    if (edits.saving.value !== 'saved') return undefined
    const answer = fetchLayout(id)
    answer.catch(() => {})
    return answer
  }

  async function open(id: Id, early?: Promise<LayoutAnswer>): Promise<void> {
    selected.value = null
    earlier.value = []
    await edits.begin(`unsent.${id}`, `/layouts/${id}/edits`, async () => {
      const { layout: document, revision, log } = await (early ?? fetchLayout(id))
      early = undefined
      return { document, revision, log }
    })
  }

  function close(): void {
    if (looking.value) lookAt(null)
    edits.close()
    selected.value = null
  }

  return {
    layout,
    editing,
    shown,
    current: document,
    log,
    hasEarlier,
    loadEarlier,
    looking,
    mayEdit,
    lookAt,
    takeBackTo,
    contests,
    settle,
    hear: edits.hear,
    refresh: edits.refresh,
    chosen,
    selected,
    joined,
    join,
    nodes,
    inPieces,
    tree,
    places,
    standing,
    held,
    heldFor,
    chooseOnPage,
    focusable,
    page,
    sample,
    inGrid,
    folded,
    fold,
    step,
    people,
    said,
    saving,
    stopped,
    aside,
    undoable,
    redoable,
    open,
    askEarly,
    close,
    choose,
    tell,
    drop,
    carried,
    landing,
    letGo,
    apply,
    endRun: edits.endRun,
    undo,
    redo,
    tryAgain,
    understood,
  }
})
