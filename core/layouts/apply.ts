import equal from 'fast-deep-equal'
import type { Edited, Editing } from '../edits'
import { type Problem, ProblemError, fail, problem } from '../problems'
import { isRecord, refuse } from '../shape'
import { checkRules } from './check'
import { copyOf, countNodes, mayHold, type Layout, type Styles, type TreeNode } from '../tree'
import { LayoutDraft } from './draft'
import { type Edit, type EditKind, withStep } from './edits'
import { MOST_EDITS, editShape } from './shapes'
import { MOST_NODES } from '../tree'

export type EditResult = Edited<Layout, Edit>

type EditOf<K extends EditKind> = Extract<Edit, { kind: K }>

/** Changes the draft of a layout and gives the edit that takes it back. */
type Applier<K extends EditKind> = (draft: LayoutDraft, edit: EditOf<K>) => Edit

function nodeIn(draft: LayoutDraft, id: string): TreeNode {
  return draft.node(id) ?? fail('node-unknown', { id })
}

/** Where a node may be put; `index` counts among what stands there now. */
function checkPlace(draft: LayoutDraft, id: string, index: number, child: TreeNode): void {
  const parent = draft.holder(id) ?? fail('node-unknown', { id })
  if (!mayHold(parent.kind, child.kind)) fail('wrong-place', { child: child.kind, parent: parent.kind })
  const last = parent.children.length
  if (!Number.isInteger(index) || index < 0 || index > last) fail('index-out', { index, last })
}

/** Names come from outside: only what the record itself holds is read, never what it inherits. */
function own<T>(record: Record<string, T>, name: string): T | undefined {
  if (name === '__proto__') fail('edit-shape', { why: `${name} is not a property` })
  return Object.hasOwn(record, name) ? record[name] : undefined
}

/** Writes one step of a look property and gives what stood there before. */
function writeStyle(styles: Styles, edit: EditOf<'setStyle'> | EditOf<'setDefault'>) {
  const stepped = own(styles, edit.property)
  const before = stepped?.[edit.step] ?? null
  const next = withStep(stepped, edit.step, edit.value)
  if (next) styles[edit.property] = next
  else delete styles[edit.property]
  return before
}

const APPLY: { [K in EditKind]: Applier<K> } = {
  insert(draft, { parent, index, node }) {
    checkPlace(draft, parent, index, node)
    const taken = draft.taken(node)
    if (taken !== undefined) fail('id-taken', { id: taken })
    draft.put(parent, index, copyOf(node))
    return { kind: 'remove', id: node.id }
  },
  remove(draft, { id }) {
    nodeIn(draft, id)
    const place = draft.placeOf(id)
    return { kind: 'insert', ...place, node: draft.take(id) }
  },
  move(draft, { id, parent, index }) {
    const node = nodeIn(draft, id)
    if (draft.isWithin(parent, id)) fail('into-itself')
    const from = draft.placeOf(id)
    if (!draft.holder(parent)) fail('node-unknown', { id: parent })
    draft.take(id)
    checkPlace(draft, parent, index, node)
    draft.put(parent, index, node)
    return { kind: 'move', id, ...from }
  },
  setProperty(draft, { id, property, value, unset }) {
    const before = own(nodeIn(draft, id).props, property)
    const { props } = draft.writable(id)
    if (unset) delete props[property]
    else if (value === undefined) fail('edit-shape', { why: 'a property needs a value, or unset' })
    else props[property] = copyOf(value)
    return {
      kind: 'setProperty',
      id,
      property,
      ...(before === undefined ? { unset: true as const } : { value: before }),
    }
  },
  setStyle(draft, edit) {
    nodeIn(draft, edit.id)
    return { ...edit, value: writeStyle(draft.writable(edit.id).styles, edit) }
  },
  setDefault(draft, edit) {
    const { defaults } = draft.writableLayout()
    const styles = { ...own(defaults, edit.of) }
    const value = writeStyle(styles, edit)
    if (Object.keys(styles).length === 0) delete defaults[edit.of]
    else defaults[edit.of] = styles
    return { ...edit, value }
  },
  setSpans(draft, { row, spans }) {
    const node = nodeIn(draft, row)
    if (node.kind !== 'row') return fail('edit-shape', { why: 'only a row has spans' })
    if (node.children.length !== spans.length) fail('edit-shape', { why: 'there must be one span for each column' })
    const before = node.children.map((c) => c.span)
    for (const [i, { id }] of [...node.children].entries()) {
      const column = draft.writable(id)
      if (column.kind === 'column') column.span = spans[i]!
    }
    return { kind: 'setSpans', row, spans: before }
  },
  rename(draft, { id, name }) {
    const isLayout = id === draft.layout.id
    const before = (isLayout ? draft.layout : nodeIn(draft, id)).name ?? ''
    const target = isLayout ? draft.writableLayout() : draft.writable(id)
    if (name || isLayout) target.name = name
    else delete target.name
    return { kind: 'rename', id, name: before }
  },
  batch(draft, { label, edits }) {
    const inverses = edits.map((edit) => applyOne(draft, edit))
    return { kind: 'batch', label, edits: inverses.reverse() }
  },
}

function applyOne(draft: LayoutDraft, edit: Edit): Edit {
  return (APPLY[edit.kind] as Applier<EditKind>)(draft, edit)
}

/** How many single things an edit does, what stands in batches counted one by one. */
export function countEdits(edit: Edit): number {
  return edit.kind === 'batch' ? edit.edits.reduce((n, e) => n + countEdits(e), 1) : 1
}

/** How many rows, columns and elements an edit brings in. */
function countInserted(edit: Edit): number {
  if (edit.kind === 'batch') return edit.edits.reduce((n, e) => n + countInserted(e), 0)
  return edit.kind === 'insert' ? 1 + countNodes(edit.node) : 0
}

/** Why an edit cannot be applied to anything: its shape, or its size. Null when it can. Takes anything. */
export function refuseEdit(edit: unknown): Problem | null {
  const kind = isRecord(edit) ? String(edit.kind) : ''
  if (!Object.hasOwn(APPLY, kind)) return problem('edit-unknown', { kind })
  const why = refuse(editShape, edit)
  if (why !== null) return problem('edit-shape', { why })
  if (countEdits(edit as Edit) > MOST_EDITS)
    return problem('edit-shape', { why: `it does more than ${MOST_EDITS} things` })
  // More may come in than stay only where as many go.
  const count = countInserted(edit as Edit)
  return count > 2 * MOST_NODES ? problem('too-large', { most: MOST_NODES, count }) : null
}

/**
 * Applies one edit. The layout given is never changed; a refused edit says why by value, and one that changes
 * nothing gives the very same layout. The result always keeps every rule of `checkLayout`.
 */
export function applyEdit(layout: Layout, edit: Edit): EditResult {
  const refused = refuseEdit(edit)
  return refused ? { ok: false, problem: refused } : applyJudged(layout, edit)
}

/** As `applyEdit`, for an edit whose shape is known: one that was applied before, or an inverse. */
export function applyJudged(layout: Layout, edit: Edit): EditResult {
  try {
    const draft = new LayoutDraft(layout)
    const inverse = applyOne(draft, edit)
    if (equal(draft.layout, layout)) return { ok: true, document: layout, inverse }
    const [first] = checkRules(draft.layout)
    return first ? { ok: false, problem: first } : { ok: true, document: draft.layout, inverse }
  } catch (error) {
    if (error instanceof ProblemError) return { ok: false, problem: error.problem }
    throw error
  }
}

/** Applies edits in order; stops at the first that is refused and says which (`at`). */
export function applyAll(
  layout: Layout,
  edits: readonly Edit[],
): { ok: true; document: Layout; inverses: Edit[] } | { ok: false; problem: Problem; at: number } {
  const inverses: Edit[] = []
  let current = layout
  for (const [at, edit] of edits.entries()) {
    const result = applyEdit(current, edit)
    if (!result.ok) return { ...result, at }
    current = result.document
    inverses.push(result.inverse)
  }
  return { ok: true, document: current, inverses }
}

function sameTarget(a: Edit, b: Edit): boolean {
  if (a.kind !== b.kind) return false
  if (a.kind === 'setProperty' && b.kind === 'setProperty') return a.id === b.id && a.property === b.property
  if (a.kind === 'setStyle' && b.kind === 'setStyle') {
    return a.id === b.id && a.property === b.property && a.step === b.step
  }
  return false
}

/** How layouts are edited. */
export const LAYOUT_EDITING: Editing<Layout, Edit> = { apply: applyEdit, applyJudged, sameTarget }
