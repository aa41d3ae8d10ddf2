import { type LayoutElement, copyOf } from '../tree'
import type { Id } from '../site'
import { fail } from '../problems'
import { elementSpec } from './list'

/** A new element of a type with its default looks; properties not set have the defaults of its spec. */
export function newElement(type: string, id: Id): LayoutElement {
  const spec = elementSpec(type) ?? fail('element-unknown', { type })
  return { kind: 'element', id, type, props: {}, styles: copyOf(spec.styles ?? {}) }
}
