import type { FieldKind } from '../fields'
import type { Item, Value } from './types'

interface Ask<D> {
  label: string
  default: D
  /** One line under the field in the property sheet. */
  hint?: string
  /** Asked only where another property of the same thing says one of these; what it holds otherwise stays. */
  asked?: { by: string; is: readonly (string | boolean)[] }
  /** An element, or an item of a list, without this value has nothing to show; a starter leaves it out. */
  essential?: true
}

/** What several things are asked for: what one is called, what each of its values accepts, and how many there may be. */
interface ItemsAsk {
  kind: 'items'
  one: string
  of: Readonly<Record<string, ValueProperty>>
  /** The value by which an item is known in lists. */
  named: string
  most: number
}

/** What a property of an element accepts. A text may always come from a field; `dynamic` ones may too. */
export type Property =
  /** `lines` says that it has several. */
  | (Ask<Value> & { kind: 'text'; most: number; lines?: true })
  | (Ask<Value> & { kind: 'rich' })
  /** `open` says that it may be left open while designing: nothing is drawn for visitors then, and the checks tell. */
  | (Ask<Value> & { kind: 'link'; dynamic: boolean; open?: true })
  | (Ask<Value> & { kind: 'picture'; dynamic: boolean })
  | (Ask<Value> & { kind: 'field'; kinds?: readonly FieldKind[] })
  | (Ask<string> & { kind: 'choice'; options: readonly { value: string; label: string }[] })
  | (Ask<number> & { kind: 'number'; min: number; max: number })
  | (Ask<boolean> & { kind: 'yes-no' })
  | (Ask<string | null> & { kind: 'menu' })
  | (Ask<string | null> & { kind: 'type' })
  | (Ask<string | null> & { kind: 'card' })
  /** A shared piece, by its id. */
  | (Ask<string | null> & { kind: 'piece' })
  /** A field of the entries that something lists, by its id; of those that suit what it is for. */
  | (Ask<string | null> & {
      kind: 'entry-field'
      for: 'filter' | 'sort' | 'group' | 'show' | 'terms' | 'place' | 'sum'
    })
  /** What the field that a neighbouring property names is asked for: written out as the field holds it, or another field. */
  | (Ask<Value> & { kind: 'entry-value'; by: string; dynamic: true })
  /** The name of an icon, or the field that holds one. */
  | (Ask<Value> & { kind: 'icon'; dynamic: true })
  /** A named look of the house style, for this kind of element. */
  | (Ask<string> & { kind: 'look'; for: string })
  /** Several things of one kind, each with its own values. */
  | (Ask<Item[]> & ItemsAsk)

export type PropertyKind = Property['kind']

/** A property that holds one value: what items are made of. */
export type ValueProperty = Exclude<Property, { kind: 'items' }>
