import { type Value, isFieldValue } from '../tree'
import { isRichDoc, richText } from '../site'
import type { Names } from './spec'

/** A value in a few words for the plan: a field by its label, a text by its beginning. */
export function describe(value: Value | undefined, names: Names): string {
  if (isFieldValue(value)) return names.field(value) ?? 'a field that no longer exists'
  const text = isRichDoc(value) ? richText(value) : typeof value === 'string' ? value : ''
  return text.length > 60 ? text.slice(0, 59) + '…' : text
}
