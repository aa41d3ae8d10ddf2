import equal from 'fast-deep-equal'
import { type Edited, type Standing, besideIn, indexIn, spliced } from '../edits'
import { type Problem, ProblemError, fail, problem } from '../problems'
import { isRecord, refuse, shown } from '../shape'
import { checkEdited } from './check'
import {
  childrenOf,
  copyOf,
  countNodes,
  type Column,
  type Fill,
  type Layout,
  type LayoutElement,
  type Row,
  MOST_NODES,
} from '../tree'
import { settingKey } from './changes'
import { LayoutDraft } from './draft'
import {
  boxIn,
  checkItemIndex,
  checkPlace,
  elementIn,
  itemIndex,
  itemsIn,
  nodeIn,
  own,
  parsed,
  propsAt,
  withStyle,
  withStyleAt,
  withValue,
  writeItems,
  writePropsAt,
} from './draft-values'
import type { Edit, EditKind } from './edits'
import { MOST_EDITS, editShape } from './shapes'

export type EditResult = Edited<Layout, Edit>

type EditOf<K extends EditKind> = Extract<Edit, { kind: K }>

/** Changes the draft of a layout and gives the edit that takes it back. */
type Applier<K extends EditKind> = (draft: LayoutDraft, edit: EditOf<K>) => Edit

/** What is done to a variation as one is done to its document; see `applyToDocument`. */
const followsNone = ({ layout }: LayoutDraft): Edit => fail('follows-none', { name: layout.name })

/** What places say stands in one order, however it came to be said. */
const byKey = (a: Fill, b: Fill): number => (settingKey(a) < settingKey(b) ? -1 : 1)

const APPLY: { [K in EditKind]: Applier<K> } = {
  insert(draft, { parent, node, ...place }) {
    const index = indexAmong(draft, parent, place)
    checkPlace(draft, parent, index, node)
    draft.putAt(parent, index, copyOf(node))
    return { kind: 'remove', id: node.id }
  },
  remove(draft, { id }) {
    nodeIn(draft, id)
    const place = draft.placeOf(id)
    return { kind: 'insert', ...place, node: draft.take(id) }
  },
  move(draft, { id, parent, ...place }) {
    const node = nodeIn(draft, id)
    if (draft.isWithin(parent, id)) fail('into-itself')
    const from = draft.placeOf(id)
    if (!draft.holder(parent)) fail('node-unknown', { id: parent })
    draft.take(id)
    const index = indexAmong(draft, parent, place)
    checkPlace(draft, parent, index, node)
    draft.putAt(parent, index, node)
    return { kind: 'move', id, ...from }
  },
  setProperty(draft, { id, property, within, value, unset }) {
    if (!unset && value === undefined) fail('edit-shape', { why: 'a property needs a value, or unset' })
    const props = propsAt(draft, id, within)
    const before = own(props, property)
    writePropsAt(draft, id, within, withValue(props, property, unset ? undefined : copyOf(value!)))
    const was = before === undefined ? { unset: true as const } : { value: before }
    return { kind: 'setProperty', id, property, ...(within && { within }), ...was }
  },
  spliceProperty(draft, edit) {
    const { id, property, within } = edit
    const before = own(propsAt(draft, id, within), property)
    const after = spliced(JSON.stringify(before) ?? '', edit)
    if (after === null) fail('text-moved')
    return APPLY.setProperty(draft, {
      kind: 'setProperty',
      id,
      property,
      ...(within && { within }),
      value: parsed(after!),
    })
  },
  insertItem(draft, { id, property, item, ...place }) {
    const items = [...itemsIn(draft, id, property)]
    const index = indexIn(items, place)
    if (items.some((i) => i.id === item.id)) fail('id-taken', { id: item.id })
    checkItemIndex(index, items.length)
    items.splice(index, 0, copyOf(item))
    writeItems(draft, id, property, items)
    return { kind: 'removeItem', id, property, item: item.id }
  },
  removeItem(draft, { id, property, item }) {
    const items = [...itemsIn(draft, id, property)]
    const index = itemIndex(items, item)
    const [gone] = items.splice(index, 1)
    writeItems(draft, id, property, items)
    return { kind: 'insertItem', id, property, index, item: gone! }
  },
  moveItem(draft, { id, property, item, ...place }) {
    const items = [...itemsIn(draft, id, property)]
    const from = itemIndex(items, item)
    const [moved] = items.splice(from, 1)
    const index = indexIn(items, place)
    checkItemIndex(index, items.length)
    items.splice(index, 0, moved!)
    writeItems(draft, id, property, items)
    return { kind: 'moveItem', id, property, item, index: from }
  },
  setStyle(draft, edit) {
    const { id, at } = edit
    if (at === undefined) {
      const [styles, value] = withStyle(nodeIn(draft, id).styles, edit)
      draft.writable(id).styles = styles
      return { ...edit, value }
    }
    const [looks, value] = withStyleAt(elementIn(draft, id).looks ?? {}, at, edit)
    const element = draft.writable(id) as LayoutElement
    if (Object.keys(looks).length === 0) delete element.looks
    else element.looks = looks
    return { ...edit, value }
  },
  hidePart(draft, { id, part, hidden }) {
    const before = elementIn(draft, id).hides ?? []
    const element = draft.writable(id) as LayoutElement
    const others = before.filter((p) => p !== part)
    const hides = hidden ? [...others, part].sort() : others
    if (hides.length === 0) delete element.hides
    else element.hides = hides
    return { kind: 'hidePart', id, part, hidden: before.includes(part) }
  },
  setFill(draft, { id, fill, unset }) {
    const before = elementIn(draft, id).fills ?? []
    const key = settingKey(fill)
    const at = before.findIndex((f) => settingKey(f) === key)
    const fills = before.filter((_, i) => i !== at)
    if (!unset) fills.push(copyOf(fill))
    const element = draft.writable(id) as LayoutElement
    if (fills.length > 0) element.fills = fills.sort(byKey)
    else delete element.fills
    return at < 0 ? { kind: 'setFill', id, fill, unset: true } : { kind: 'setFill', id, fill: before[at]! }
  },
  setLook(draft, { id, look }) {
    const { look: before = '' } = nodeIn(draft, id)
    const node = draft.writable(id)
    if (look) node.look = look
    else delete node.look
    return { kind: 'setLook', id, look: before }
  },
  setOpen(draft, { id, property, open }) {
    const { open: before = [] } = nodeIn(draft, id)
    const node = draft.writable(id)
    const others = before.filter((p) => p !== property)
    const all = open ? [...others, property].sort() : others
    if (all.length > 0) node.open = all
    else delete node.open
    return { kind: 'setOpen', id, property, open: before.includes(property) }
  },
  setDefault(draft, edit) {
    if (edit.box === undefined) {
      const [defaults, value] = withStyleAt(draft.layout.defaults, edit.of, edit)
      draft.writableLayout().defaults = defaults
      return { ...edit, value }
    }
    const [gives, value] = withStyleAt(boxIn(draft, edit.box).gives ?? {}, edit.of, edit)
    const box = draft.writable(edit.box) as Row | Column
    if (Object.keys(gives).length > 0) box.gives = gives
    else delete box.gives
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
  setWhen(draft, { id, when }) {
    const { when: before = [] } = nodeIn(draft, id)
    const node = draft.writable(id)
    if (when.length > 0) node.when = copyOf(when)
    else delete node.when
    return { kind: 'setWhen', id, when: before }
  },
  rename(draft, { id, name }) {
    const isLayout = id === draft.layout.id
    const before = (isLayout ? draft.layout : nodeIn(draft, id)).name ?? ''
    const target = isLayout ? draft.writableLayout() : draft.writable(id)
    if (name || isLayout) target.name = name
    else delete target.name
    return { kind: 'rename', id, name: before }
  },
  describe(draft, { about }) {
    const { about: before = '' } = draft.layout
    const layout = draft.writableLayout()
    if (about) layout.about = about
    else delete layout.about
    return { kind: 'describe', about: before }
  },
  own: followsNone,
  follow: followsNone,
  standAlone: followsNone,
  become: followsNone,
  batch(draft, { label, edits }) {
    const inverses = edits.map((edit) => applyOne(draft, edit))
    return { kind: 'batch', label, edits: inverses.reverse() }
  },
}

/** Where something is put in what holds it, as that stands by now. */
const indexAmong = (draft: LayoutDraft, parent: string, place: Standing): number => {
  const holder = draft.holder(parent)
  return holder ? indexIn(childrenOf(holder), place) : place.index
}

function applyOne(draft: LayoutDraft, edit: Edit): Edit {
  return (APPLY[edit.kind] as Applier<EditKind>)(draft, edit)
}

/** The same edit with the neighbours said behind which it puts things, as the layout stands. */
export function besides(layout: Layout, edit: Edit): Edit {
  return isPlacing(edit) ? placed(new LayoutDraft(layout), edit) : edit
}

const isPlacing = (edit: Edit): boolean => (edit.kind === 'batch' ? edit.edits.some(isPlacing) : PLACING.has(edit.kind))
const PLACING: ReadonlySet<EditKind> = new Set(['insert', 'move', 'insertItem', 'moveItem'])

function placed(draft: LayoutDraft, edit: Edit): Edit {
  if (edit.kind === 'batch')
    return {
      ...edit,
      edits: edit.edits.map((one) => {
        const said = placed(draft, one)
        tryOne(draft, said)
        return said
      }),
    }
  if (edit.kind === 'insert' || edit.kind === 'move') {
    const holder = draft.holder(edit.parent)
    const moved = edit.kind === 'move' ? edit.id : null
    return holder
      ? besideIn(
          childrenOf(holder).filter((c) => c.id !== moved),
          edit,
        )
      : edit
  }
  if (edit.kind !== 'insertItem' && edit.kind !== 'moveItem') return edit
  const items = draft.node(edit.id)?.props[edit.property]
  const moved = edit.kind === 'moveItem' ? edit.item : null
  return Array.isArray(items)
    ? besideIn(
        items.filter((i) => i.id !== moved),
        edit,
      )
    : edit
}

/** What is refused is refused when it is applied; here it only changes nothing. */
function tryOne(draft: LayoutDraft, edit: Edit): void {
  try {
    applyOne(draft, edit)
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error
  }
}

/** Makes an edit on a draft, without asking whether what comes of it keeps the rules; throws a problem when it cannot. */
export const applyTo = (draft: LayoutDraft, edit: Edit): void => void applyOne(draft, edit)

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
  const kind = isRecord(edit) ? shown(edit.kind) : ''
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

/** What an edit makes of a layout, whether it keeps the rules or not; throws a problem when it cannot be made. */
export function attempt(layout: Layout, edit: Edit): { draft: LayoutDraft; inverse: Edit } {
  const draft = new LayoutDraft(layout)
  return { draft, inverse: applyOne(draft, edit) }
}

/** As `applyEdit`, for an edit whose shape is known: one that was applied before, or an inverse. */
export function applyJudged(layout: Layout, edit: Edit): EditResult {
  try {
    const { draft, inverse } = attempt(layout, edit)
    // Judged first: what is compared must be a layout, or comparing might fail.
    const broken = checkEdited(draft)
    if (broken) return { ok: false, problem: broken }
    return { ok: true, document: equal(draft.layout, layout) ? layout : draft.done(), inverse }
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
