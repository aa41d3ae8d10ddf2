import { type Edit, applyEdit, changesBetween } from '../../core/layouts'
import type { Id } from '../../core/model'
import { numbered } from '../../core/starters'
import {
  type Column,
  type Layout,
  type LayoutElement,
  type Row,
  STEPS,
  type WidthStep,
  type StyleValue,
  type Value,
  type Variation,
  elementsOf,
  walk,
} from '../../core/tree'

export {
  column,
  element,
  field,
  holding,
  items,
  layout,
  line,
  row,
  rowWith,
  when,
  withPicture,
} from '../../core/starters'

/** What a variation says of a look, at the width steps at which it says anything. */
type OtherLooks = Partial<Record<WidthStep, StyleValue | null>>

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

  /** Where a shared piece stands. */
  place(piece: Id): LayoutElement {
    const found = elementsOf(this.tree).find((e) => e.type === 'piece' && e.props.piece === piece)
    if (!found) throw new Error(`${this.tree.name} does not show ${piece}`)
    return found
  }

  /** Something of the variation's own, numbered as such. */
  own<N extends Row | Column | LayoutElement>(node: N): N {
    return numbered(node, () => `${this.id}-${++this.made}`)
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
