import { refuse } from '../shape'
import { FIELD_KINDS, type Field, type FieldKind, fieldSpec } from './kinds'
import type { ReadContext } from './spec'
import { wordsOf } from './values'

/**
 * What a value comes to in a field of another kind: read so where the kind of a field was changed, and where words come
 * in from a file. Nothing that is stored is changed by it.
 */

/** Whether a field can hold a value as it is. */
export function isHeld(field: Field, value: unknown): boolean {
  const { shape, holds } = fieldSpec(field.kind)
  return refuse(shape, value) === null && (holds?.(value, field) ?? true)
}

/** A value as a field can hold it; null where it comes to nothing there. */
export function converted(field: Field, value: unknown, context: ReadContext = {}): unknown {
  if (value === null || value === undefined || value === '') return null
  const next = fieldSpec(field.kind).convert(value, field, context)
  return next !== null && next !== undefined && isHeld(field, next) ? next : null
}

/** The kind of field that suits all values of a column, where a new one is made of it. */
export function guessKind(values: readonly string[]): FieldKind {
  const words = values.map((v) => v.trim()).filter(Boolean)
  if (words.length === 0) return 'text'
  const guesses = FIELD_KINDS.flatMap((kind) => {
    const { guess } = fieldSpec(kind)
    return guess ? [{ kind, ...guess }] : []
  })
  return guesses.sort((a, b) => a.rank - b.rank).find(({ fits }) => fits(words))?.kind ?? 'text'
}

/** What would become of what entries hold in a field, were it of another kind. */
export interface Conversion {
  /** As many stay as they are, or read so, or come to nothing while it is so. */
  stay: number
  read: number
  lost: number
  examples: { value: string; reads: string | null }[]
}

/** Looks through the values of a field as they would be in `field`; examples are of what would change. */
export function conversionOf(
  values: Iterable<unknown>,
  before: Field,
  field: Field,
  context: ReadContext = {},
): Conversion {
  const found: Conversion = { stay: 0, read: 0, lost: 0, examples: [] }
  for (const value of values) {
    if (value === null || value === undefined || value === '') continue
    const next = isHeld(field, value) ? value : converted(field, value, context)
    const how = next === value ? 'stay' : next === null ? 'lost' : 'read'
    found[how]++
    // Some of those that would be lost are always among them.
    const many = found.examples.filter((e) => (e.reads === null) === (next === null)).length
    if (how !== 'stay' && many < 3)
      found.examples.push({ value: wordsOf(value, before), reads: next === null ? null : wordsOf(next, field) })
  }
  return found
}
