import { create } from 'mutative'
import { type Problem, ProblemError, fail } from '../problems'
import { checkLayout } from './check'
import { copyOf } from './copy'
import { type Edit, type EditKind, withStep } from './edits'
import { type Parent, find, findParent, mayHold, pathTo } from './tree'
import type { Layout, Styles, TreeNode } from './types'

export type EditResult = { ok: true; layout: Layout; inverse: Edit } | { ok: false; problem: Problem }

type EditOf<K extends EditKind> = Extract<Edit, { kind: K }>

/** Changes the draft of a layout in place and gives the edit that takes it back. */
type Applier<K extends EditKind> = (layout: Layout, edit: EditOf<K>) => Edit

function nodeIn(layout: Layout, id: string) {
  return find(layout, id) ?? fail('node-unknown', { id })
}

function parentIn(layout: Layout, id: string, child: TreeNode): Parent {
  const parent = findParent(layout, id) ?? fail('node-unknown', { id })
  if (!mayHold(parent.kind, child.kind)) fail('wrong-place', { child: child.kind, parent: parent.kind })
  return parent
}

function place(parent: Parent, index: number, node: TreeNode): void {
  const last = parent.children.length
  if (!Number.isInteger(index) || index < 0 || index > last) fail('index-out', { index, last })
  ;(parent.children as TreeNode[]).splice(index, 0, node)
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
  insert(layout, { parent, index, node }) {
    place(parentIn(layout, parent, node), index, copyOf(node))
    return { kind: 'remove', id: node.id }
  },
  remove(layout, { id }) {
    const { parent, index, node } = nodeIn(layout, id)
    parent.children.splice(index, 1)
    return { kind: 'insert', parent: parent.id, index, node: copyOf(node) }
  },
  move(layout, { id, parent, index }) {
    const from = nodeIn(layout, id)
    if (pathTo(layout, parent).some((n) => n.id === id)) fail('into-itself')
    const target = parentIn(layout, parent, from.node)
    const node = copyOf(from.node)
    from.parent.children.splice(from.index, 1)
    place(target, index, node)
    return { kind: 'move', id, parent: from.parent.id, index: from.index }
  },
  setProperty(layout, { id, property, value, unset }) {
    const { props } = nodeIn(layout, id).node
    const before = copyOf(own(props, property))
    if (unset) delete props[property]
    else if (value === undefined) fail('edit-shape', { why: 'a property needs a value, or unset' })
    else props[property] = value
    return {
      kind: 'setProperty',
      id,
      property,
      ...(before === undefined ? { unset: true as const } : { value: before }),
    }
  },
  setStyle(layout, edit) {
    return { ...edit, value: writeStyle(nodeIn(layout, edit.id).node.styles, edit) }
  },
  setDefault(layout, edit) {
    const styles = own(layout.defaults, edit.of) ?? (layout.defaults[edit.of] = {})
    const value = writeStyle(styles, edit)
    if (Object.keys(styles).length === 0) delete layout.defaults[edit.of]
    return { ...edit, value }
  },
  setSpans(layout, { row, spans }) {
    const { node } = nodeIn(layout, row)
    if (node.kind !== 'row') return fail('edit-shape', { why: 'only a row has spans' })
    if (node.children.length !== spans.length) fail('edit-shape', { why: 'there must be one span for each column' })
    const before = node.children.map((c) => c.span)
    node.children.forEach((column, i) => (column.span = spans[i]!))
    return { kind: 'setSpans', row, spans: before }
  },
  rename(layout, { id, name }) {
    const target = id === layout.id ? layout : nodeIn(layout, id).node
    const before = target.name ?? ''
    if (name || target.kind === 'layout') target.name = name
    else delete target.name
    return { kind: 'rename', id, name: before }
  },
  batch(layout, { label, edits }) {
    const inverses = edits.map((edit) => applyOne(layout, edit))
    return { kind: 'batch', label, edits: inverses.reverse() }
  },
}

function applyOne(layout: Layout, edit: Edit): Edit {
  const apply = (Object.hasOwn(APPLY, edit.kind) ? APPLY[edit.kind] : undefined) as Applier<EditKind> | undefined
  return apply ? apply(layout, edit) : fail('edit-unknown', { kind: String((edit as Edit).kind) })
}

function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b)
}

/**
 * Applies one edit. The layout given is never changed; a refused edit says why by value, and one that changes
 * nothing gives the very same layout. The result always keeps every invariant of `checkLayout`.
 */
export function applyEdit(layout: Layout, edit: Edit): EditResult {
  try {
    let inverse: Edit | undefined
    const next = create(layout, (draft) => {
      inverse = applyOne(draft, edit)
    })
    if (next === layout || same(next, layout)) return { ok: true, layout, inverse: inverse! }
    const [first] = checkLayout(next)
    return first ? { ok: false, problem: first } : { ok: true, layout: next, inverse: inverse! }
  } catch (error) {
    if (error instanceof ProblemError) return { ok: false, problem: error.problem }
    throw error
  }
}

/** Applies edits in order; stops at the first that is refused and says which (`at`). */
export function applyAll(
  layout: Layout,
  edits: readonly Edit[],
): { ok: true; layout: Layout; inverses: Edit[] } | { ok: false; problem: Problem; at: number } {
  const inverses: Edit[] = []
  let current = layout
  for (const [at, edit] of edits.entries()) {
    const result = applyEdit(current, edit)
    if (!result.ok) return { ...result, at }
    current = result.layout
    inverses.push(result.inverse)
  }
  return { ok: true, layout: current, inverses }
}
