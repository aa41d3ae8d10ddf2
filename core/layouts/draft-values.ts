import { fail } from '../problems'
import { refuse } from '../shape'
import {
  type Column,
  type Item,
  type Layout,
  type LayoutElement,
  type Row,
  type WidthStep,
  type Stepped,
  type StyleValue,
  type Styles,
  type TreeNode,
  type Value,
  type Within,
  childrenOf,
  find,
  mayHold,
  valueShape,
} from '../tree'
import type { LayoutDraft } from './draft'
import type { Edit } from './edits/types'

/** What an edit names in the draft of a layout, and what is written there; what is not there is refused. */

export function nodeIn(draft: LayoutDraft, id: string): TreeNode {
  return draft.node(id) ?? fail('node-unknown', { id })
}

/** Where a node may be put; `index` counts among what stands there now. */
export function checkPlace(draft: LayoutDraft, id: string, index: number, child: TreeNode): void {
  const parent = draft.holder(id) ?? fail('node-unknown', { id })
  if (!mayHold(parent.kind, child.kind)) fail('wrong-place', { child: child.kind, parent: parent.kind })
  const last = childrenOf(parent).length
  if (!Number.isInteger(index) || index < 0 || index > last) fail('index-out', { index, last })
}

/** Names come from outside: only what the record itself holds is read, never what it inherits. */
export function own<T>(record: Record<string, T>, name: string): T | undefined {
  if (name === '__proto__') fail('edit-shape', { why: `${name} is not a property` })
  return Object.hasOwn(record, name) ? record[name] : undefined
}

type LooksEdit = Extract<Edit, { kind: 'setStyle' | 'setDefault' }>

/** The same record with another value for a name; without it where the value is undefined. */
export function withValue<T>(record: Record<string, T>, name: string, value: T | undefined): Record<string, T> {
  if (value !== undefined) return { ...record, [name]: value }
  const { [name]: _, ...others } = record
  return others
}

/** Looks with one step of a property written, and what stood there before. */
export function withStyle(styles: Styles, edit: LooksEdit): [styles: Styles, before: StyleValue | null] {
  const stepped = own(styles, edit.property)
  const next = withStep(stepped, edit.step, edit.value)
  return [withValue(styles, edit.property, next), stepped?.[edit.step] ?? null]
}

/** The same in a record of looks, in which there are no empty ones. */
export function withStyleAt(
  record: Record<string, Styles>,
  key: string,
  edit: LooksEdit,
): [record: Record<string, Styles>, before: StyleValue | null] {
  const [styles, before] = withStyle(own(record, key) ?? {}, edit)
  return [withValue(record, key, Object.keys(styles).length > 0 ? styles : undefined), before]
}

export function elementIn(draft: LayoutDraft, id: string): LayoutElement {
  const node = nodeIn(draft, id)
  return node.kind === 'element' ? node : fail('edit-shape', { why: 'only elements have parts and states' })
}

/** The row or the column with this id: what gives looks to what is in it. */
export function boxIn(draft: LayoutDraft, id: string): Row | Column {
  const node = nodeIn(draft, id)
  return node.kind === 'row' || node.kind === 'column'
    ? node
    : fail('edit-shape', { why: 'only rows and columns give looks to what is in them' })
}

/** The items that a property of something holds; none where it is not set. */
export function itemsIn(draft: LayoutDraft, id: string, property: string): readonly Item[] {
  const value = own(nodeIn(draft, id).props, property)
  if (value === undefined) return []
  return Array.isArray(value) ? value : fail('edit-shape', { why: `${property} holds no list` })
}

export function itemIndex(items: readonly Item[], id: string): number {
  const index = items.findIndex((i) => i.id === id)
  return index < 0 ? fail('node-unknown', { id }) : index
}

/** A property without items is not set: so taking back the first one gives the same again. */
export function writeItems(draft: LayoutDraft, id: string, property: string, items: Item[]): void {
  const node = draft.writable(id)
  node.props = withValue(node.props, property, items.length > 0 ? items : undefined)
}

/** The values of something, or of one of the items that a property of it holds. */
export function propsAt(draft: LayoutDraft, id: string, within: Within | undefined): Record<string, Value> {
  const { props } = nodeIn(draft, id)
  if (!within) return props
  const items = itemsIn(draft, id, within.items)
  return items[itemIndex(items, within.item)]!.props
}

export function writePropsAt(
  draft: LayoutDraft,
  id: string,
  within: Within | undefined,
  props: Record<string, Value>,
): void {
  if (!within) {
    draft.writable(id).props = props
    return
  }
  const items = [...itemsIn(draft, id, within.items)]
  const at = itemIndex(items, within.item)
  items[at] = { ...items[at]!, props }
  writeItems(draft, id, within.items, items)
}

export function checkItemIndex(index: number, last: number): void {
  if (index > last) fail('index-out', { index, last })
}

/** A value out of JSON that was put together from what came from outside. */
export function parsed(json: string): Value {
  let value: unknown
  try {
    value = JSON.parse(json)
  } catch {
    fail('edit-shape', { why: 'what changed leads to no value' })
  }
  const why = refuse(valueShape, value)
  if (why !== null) fail('edit-shape', { why })
  return value as Value
}

/** One step of a property, kept apart so that both style edits read alike. */
export function withStep(stepped: Stepped | undefined, step: WidthStep, value: StyleValue | null): Stepped | undefined {
  const next: Stepped = { ...stepped }
  if (value === null) delete next[step]
  else next[step] = value
  return Object.keys(next).length > 0 ? next : undefined
}

/** The value of something, or of one of the items that a property of it holds; undefined where none is set. */
export function valueIn(
  layout: Layout,
  { id, property, within }: { id: string; property: string; within?: Within },
): Value | undefined {
  const props = find(layout, id)?.node.props
  if (!props || !within) return props?.[property]
  const items = props[within.items]
  return Array.isArray(items) ? items.find((i) => i.id === within.item)?.props[property] : undefined
}

/** A value as an edit sets it: what is missing cannot be sent as JSON. */
export const orUnset = (value: Value | undefined) => (value === undefined ? { unset: true as const } : { value })
