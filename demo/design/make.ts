import type { Condition } from '../../core/conditions'
import { newElement } from '../../core/elements'
import { type Edit, applyEdit, changesBetween } from '../../core/layouts'
import type { Id } from '../../core/site'
import {
  type Column,
  type FieldValue,
  type Layout,
  type LayoutElement,
  type LayoutRegion,
  type Place,
  type Row,
  STEPS,
  type Step,
  type StyleValue,
  type Styles,
  type Value,
  type Variation,
  elementsOf,
  walk,
} from '../../core/tree'

type Looks = Record<string, StyleValue | { wide?: StyleValue; medium?: StyleValue; narrow?: StyleValue }>

const styles = (looks: Looks): Styles =>
  Object.fromEntries(Object.entries(looks).map(([name, v]) => [name, typeof v === 'object' ? v : { wide: v }]))

/** Nodes are written without ids; the layout numbers them. */
export function element(type: string, props: Record<string, Value> = {}, looks: Looks = {}): LayoutElement {
  const made = newElement(type, () => '')
  return { ...made, props, styles: { ...made.styles, ...styles(looks) } }
}

/** An element that holds rows in places, each with its title. */
export function holding(holder: LayoutElement, ...places: [title: string, ...rows: Row[]][]): LayoutElement {
  const children = places.map(([title, ...rows]): Place => ({
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

export function row(name: string, looks: Looks, ...children: Column[]): Row {
  return { kind: 'row', id: '', name, props: {}, styles: styles(looks), children }
}

export function withPicture(target: Row, picture: Value): Row {
  return { ...target, props: { backgroundPicture: picture } }
}

/** A row that says something besides its looks. */
export function rowWith(target: Row, props: Record<string, Value>): Row {
  return { ...target, props: { ...target.props, ...props } }
}

function number<N extends Row | Column | LayoutElement | Place>(node: N, next: () => string): N {
  const id = next()
  if (node.kind === 'element' && !node.children) return { ...node, id }
  return { ...node, id, children: node.children!.map((c) => number(c as Row, next)) } as N
}

export function layout(id: string, name: string, region: LayoutRegion, ...rows: Row[]): Layout {
  let count = 0
  const next = () => `${id}-${++count}`
  return { kind: 'layout', format: 2, id, name, region, defaults: {}, children: rows.map((r) => number(r, next)) }
}

export function field(name: string, more: Partial<FieldValue> = {}): FieldValue {
  return { kind: 'field', of: 'page', field: name, ...more }
}

/** Items of a list, numbered in their order. */
export const items = (...props: Record<string, Value>[]): Value => props.map((p, i) => ({ id: `i${i + 1}`, props: p }))

/** One paragraph of text and fields. */
export function line(...parts: (string | FieldValue)[]): Value {
  const content = parts.map((p) =>
    typeof p === 'string' ? { type: 'text', text: p } : { type: 'field', attrs: { value: p } },
  )
  return { type: 'doc', content: [{ type: 'paragraph', content }] }
}

/** What a variation says of a look, at the width steps at which it says anything. */
type OtherLooks = Partial<Record<Step, StyleValue | null>>

/** What is found in a base: by what a row is called, or by the type of an element, the first of its kind. */
export class Base {
  private made = 0

  constructor(
    private readonly tree: Layout,
    private readonly id: Id,
  ) {}

  row(name: string): Row {
    const found = [...walk(this.tree)].find((n): n is Row => n.kind === 'row' && n.name === name)
    if (!found) throw new Error(`${this.tree.name} has no row ${name}`)
    return found
  }

  element(type: string): LayoutElement {
    const found = elementsOf(this.tree).find((e) => e.type === type)
    if (!found) throw new Error(`${this.tree.name} has no ${type}`)
    return found
  }

  /** Something of the variation's own, numbered as such. */
  own<N extends Row | Column | LayoutElement>(node: N): N {
    return number(node, () => `${this.id}-${++this.made}`)
  }

  /** Looks of one thing; null takes away what the base says. */
  looks({ id }: { id: Id }, looks: Record<string, StyleValue | null | OtherLooks>): Edit[] {
    return Object.entries(looks).flatMap(([property, value]) => {
      const stepped: OtherLooks = typeof value === 'object' && value !== null ? value : { wide: value }
      return STEPS.filter((step) => step in stepped).map((step): Edit => ({
        kind: 'setStyle',
        id,
        property,
        step,
        value: stepped[step]!,
      }))
    })
  }

  /** Values of one thing; undefined takes away what the base says. */
  says({ id }: { id: Id }, props: Record<string, Value | undefined>): Edit[] {
    return Object.entries(props).map(([property, value]): Edit =>
      value === undefined
        ? { kind: 'setProperty', id, property, unset: true }
        : { kind: 'setProperty', id, property, value },
    )
  }
}

/** A layout that follows another, and says differently what these edits make of it. */
export function variation(id: Id, name: string, base: Layout, change: (base: Base) => Edit[]): Variation {
  const { kind, format, region } = base
  const tree = { ...base, id }
  const result = applyEdit(tree, { kind: 'batch', label: name, edits: change(new Base(base, id)) })
  if (!result.ok) throw new Error(result.problem.sentence)
  return { kind, format, id, name, region, follows: { base: base.id, changes: changesBetween(tree, result.document) } }
}
