import type { LayoutElement, LayoutRegion, Styles, Value } from '../layouts/types'
import type { FieldKind } from '../site'
import type { Compile } from '../render/compile'
import type { Piece } from '../render/piece'

interface Ask<D> {
  label: string
  default: D
  /** One line under the field in the property sheet. */
  hint?: string
}

/** What a property of an element accepts. A text may always come from a field; `dynamic` ones may too. */
export type Property =
  | (Ask<Value> & { kind: 'text'; most: number })
  | (Ask<Value> & { kind: 'rich' })
  | (Ask<Value> & { kind: 'link'; dynamic: boolean })
  | (Ask<Value> & { kind: 'picture'; dynamic: boolean })
  | (Ask<Value> & { kind: 'field'; kinds?: readonly FieldKind[] })
  | (Ask<string> & { kind: 'choice'; options: readonly { value: string; label: string }[] })
  | (Ask<number> & { kind: 'number'; min: number; max: number })
  | (Ask<boolean> & { kind: 'yes-no' })
  | (Ask<string | null> & { kind: 'menu' })
  | (Ask<string | null> & { kind: 'type' })
  | (Ask<string | null> & { kind: 'card' })

export type PropertyKind = Property['kind']

/** Looks up names for the labels of the plan; null for what no longer exists. */
export interface Names {
  field(value: Value): string | null
  menu(id: string): string | null
  type(id: string): string | null
}

/**
 * All there is to know about one element. The palette, the property sheet, the checks, the defaults, the
 * drawing and the docs derive from it; to add an element is to write one of these and name it in the list.
 */
export interface ElementSpec {
  type: string
  name: string
  /** What it is for, in one sentence. */
  about: string
  group: 'Words' | 'Pictures' | 'Site' | 'Entry' | 'Space'
  /** Where it may stand; everywhere when not given. */
  regions?: readonly LayoutRegion[]
  /** At most one of them in a layout. */
  once?: boolean
  props: Record<string, Property>
  /** Looks it has when it is new. */
  styles?: Styles
  /** CSS that all of them share, in parts; each part is written once into pages that show any of its users. */
  css: readonly string[]
  /** What the plan says about it after its name; empty for nothing. */
  summary(props: Record<string, Value>, names: Names): string
  draw(element: LayoutElement, compile: Compile): Piece
}

/** A property as it is set, or its default. What was taken away on purpose (null) is not put back. */
export function prop(element: LayoutElement, spec: ElementSpec, name: string): Value {
  const own = element.props[name]
  return own === undefined ? spec.props[name]!.default : own
}
