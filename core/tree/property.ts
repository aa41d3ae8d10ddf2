import type { FieldKind } from '../site'
import type { Value } from './types'

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
