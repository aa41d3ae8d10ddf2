import type { Condition } from '../conditions'
import { newElement } from '../elements'
import type {
  Column,
  FieldValue,
  Layout,
  LayoutElement,
  LayoutRegion,
  Slot,
  Row,
  StyleValue,
  Styles,
  Value,
} from '../tree'

/** Layouts written down by hand: nodes without ids, which the layout numbers. */

export type Looks = Record<string, StyleValue | { wide?: StyleValue; medium?: StyleValue; narrow?: StyleValue }>

const styles = (looks: Looks): Styles =>
  Object.fromEntries(Object.entries(looks).map(([name, v]) => [name, typeof v === 'object' ? v : { wide: v }]))

export function element(type: string, props: Record<string, Value> = {}, looks: Looks = {}): LayoutElement {
  const made = newElement(type, () => '')
  return { ...made, props, styles: { ...made.styles, ...styles(looks) } }
}

/** An element that holds rows in places, each with its title. */
export function holding(holder: LayoutElement, ...places: [title: string, ...rows: Row[]][]): LayoutElement {
  const children = places.map(([title, ...rows]): Slot => ({
    kind: 'place',
    id: '',
    type: holder.type,
    props: { title },
    styles: {},
    children: rows,
  }))
  return { ...holder, children }
}

/** A thing that is shown only when all of it holds. */
export const when = <N extends Row | Column | LayoutElement>(node: N, ...conditions: Condition[]): N => ({
  ...node,
  when: conditions,
})

export function column(span: number, looks: Looks, ...children: (LayoutElement | Row)[]): Column {
  return { kind: 'column', id: '', span, props: {}, styles: styles(looks), children }
}

/** A row with a name; one without is called a row. */
export function row(name: string, looks: Looks, ...children: Column[]): Row {
  return { kind: 'row', id: '', ...(name && { name }), props: {}, styles: styles(looks), children }
}

export function withPicture(target: Row, picture: Value): Row {
  return { ...target, props: { backgroundPicture: picture } }
}

/** A row that says something besides its looks. */
export function rowWith(target: Row, props: Record<string, Value>): Row {
  return { ...target, props: { ...target.props, ...props } }
}

/** Gives ids to a node and to all that is in it, in the order of the page. */
export function numbered<N extends Row | Column | LayoutElement | Slot>(node: N, next: () => string): N {
  const id = next()
  if (node.kind === 'element' && !node.children) return { ...node, id }
  return { ...node, id, children: node.children!.map((c) => numbered(c as Row, next)) } as N
}

export function layout(id: string, name: string, region: LayoutRegion, ...rows: Row[]): Layout {
  let count = 0
  const next = () => `${id}-${++count}`
  return { kind: 'layout', format: 2, id, name, region, defaults: {}, children: rows.map((r) => numbered(r, next)) }
}

export function field(name: string, more: Partial<FieldValue> = {}): FieldValue {
  return { kind: 'field', of: 'page', field: name, ...more }
}

/** A field of the site itself. */
export const ofSite = (name: 'name' | 'tagline', more: Partial<FieldValue> = {}): FieldValue => ({
  kind: 'field',
  of: 'site',
  field: name,
  ...more,
})

/** Items of a list, numbered in their order. */
export const items = (...props: Record<string, Value>[]): Value => props.map((p, i) => ({ id: `i${i + 1}`, props: p }))

/** One paragraph of text and fields. */
export function line(...parts: (string | FieldValue)[]): Value {
  const content = parts.map((p) =>
    typeof p === 'string' ? { type: 'text', text: p } : { type: 'field', attrs: { value: p } },
  )
  return { type: 'doc', content: [{ type: 'paragraph', content }] }
}
