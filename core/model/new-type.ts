import { BUILT_IN_IDS } from './built-in'
import { type Field, type FieldKind, hasChoices } from '../fields'
import { KEY } from '../shape'
import { RESERVED_PARTS, slugOf } from '../addresses'
import { blankType, firstFree } from './blank'
import type { Id, PageType, Taxonomy } from './types'

/** An id made from words that is not among those taken: readable, and kept for life. */
export function freeId(words: string, taken: ReadonlySet<Id>): Id {
  const plain = slugOf(words)
    .replace(/[^a-z0-9-]/g, '')
    .replace(/^-+/, '')
  return firstFree(KEY.test(plain) ? plain : 'thing', 34, (id) => taken.has(id))
}

/** The first part of addresses, made from words: not among those taken, nor one of the site's own. */
export const freePart = (words: string, taken: ReadonlySet<string>): string =>
  firstFree(slugOf(words) || 'things', 80, (part) => taken.has(part) || RESERVED_PARTS.has(part))

/** A page type as it begins: with an archive at an address made from its name. */
export const newPageType = (
  name: string,
  plural: string,
  taken: ReadonlySet<Id>,
  parts: ReadonlySet<string>,
): PageType => blankType(freeId(name, taken), name, plural, freePart(plural, parts))

export function newField(label: string, kind: FieldKind, taken: ReadonlySet<Id>): Field {
  return {
    id: freeId(label, new Set([...taken, ...BUILT_IN_IDS])),
    label,
    kind,
    ...(hasChoices(kind) && { choices: [] }),
  }
}

export const newTaxonomy = (
  name: string,
  plural: string,
  taken: ReadonlySet<Id>,
  parts: ReadonlySet<string>,
): Taxonomy => ({ id: freeId(name, taken), name, plural, slug: freePart(plural, parts), pages: true })
