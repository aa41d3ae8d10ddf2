import type { Id } from '../shape'
import { type FieldKind, fieldSpec } from './kinds'
import type { ReferredKind } from './directory'

/** What values of fields refer to by id. */

/** Whether the value of a field of a kind refers to something. */
export function refersTo(kind: FieldKind, value: unknown, what: ReferredKind, id: Id): boolean {
  if (fieldSpec(kind).refers !== what) return false
  return Array.isArray(value) ? value.includes(id) : value === id
}

/** The ids that the value of a field names, of what its kind refers to. */
export function referredIn(kind: FieldKind, value: unknown): Id[] {
  if (fieldSpec(kind).refers === null) return []
  return (Array.isArray(value) ? value : [value]).filter((id): id is Id => typeof id === 'string')
}

/** The value with other ids in the place of those that it names. */
export function renamedIn(kind: FieldKind, value: unknown, what: ReferredKind, rename: (id: Id) => Id): unknown {
  if (fieldSpec(kind).refers !== what) return value
  if (Array.isArray(value)) return value.map((id) => rename(String(id)))
  return typeof value === 'string' ? rename(value) : value
}
