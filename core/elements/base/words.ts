import { type Item, type Value, isFieldValue } from '../../tree'
import { isRichDoc, richText } from '../../rich'
import type { Names } from './spec'

/** A value in a few words for the plan: a field by its label, a text by its beginning. */
export function describe(value: Value | undefined, names: Names): string {
  if (isFieldValue(value)) return names.field(value) ?? 'a field that no longer exists'
  const text = isRichDoc(value) ? richText(value) : typeof value === 'string' ? value : ''
  return text.length > 60 ? text.slice(0, 59) + '…' : text
}

/** The items of a value; none where it holds none. */
export const itemsOf = (value: Value | undefined): Item[] => (Array.isArray(value) ? value : [])

/** The first of several items in a few words, by one of their values. */
export const describeItems = (value: Value | undefined, by: string, names: Names): string =>
  itemsOf(value)
    .map(({ props }) => describe(props[by], names))
    .filter(Boolean)
    .slice(0, 3)
    .join(', ')
