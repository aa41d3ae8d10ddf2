import { type LayoutElement, copyOf, emptyPlace } from '../tree'
import type { Id } from '../model'
import { fail } from '../problems'
import { elementSpec } from './list'

/** A new element of a type with its default looks; properties not set have the defaults of its spec. */
export function newElement(type: string, newId: () => Id): LayoutElement {
  const spec = elementSpec(type) ?? fail('element-unknown', { type })
  const { places, begins = {}, styles = {}, holds } = spec
  const element: LayoutElement = {
    kind: 'element',
    id: newId(),
    type,
    props: copyOf(begins),
    styles: copyOf(styles),
  }
  if (places) element.children = Array.from({ length: places.least }, () => emptyPlace(newId, type))
  const [first] = element.children ?? []
  const inside = (holds ?? []).map((held) => ({ ...newElement(held.type, newId), props: copyOf(held.props) }))
  if (first && inside.length > 0) first.children[0]!.children[0]!.children = inside
  return element
}
