import { BUILT_IN_IDS } from './built-in'
import { KEY } from '../shape'
import { RESERVED_PARTS, slugOf } from '../addresses'
import { blankType, firstFree } from './blank'
import type { Field, FieldKind, Id, PageType, Taxonomy } from './types'

/** What the kinds of fields are called, in the order in which one chooses among them. */
export const FIELD_KINDS: Readonly<Record<FieldKind, { label: string; about: string }>> = {
  text: { label: 'Line of text', about: 'A few words.' },
  rich: { label: 'Running text', about: 'Paragraphs with headings, lists and links.' },
  number: { label: 'Number', about: 'With a unit where it has one.' },
  money: { label: 'Money', about: 'In the currency of the site.' },
  date: { label: 'Date', about: 'A day.' },
  moment: { label: 'Date and time', about: 'In the time zone of the site.' },
  'yes-no': { label: 'Yes or no', about: 'One of the two.' },
  choice: { label: 'One choice', about: 'Of those that you list.' },
  choices: { label: 'Several choices', about: 'Of those that you list.' },
  picture: { label: 'Picture', about: 'One picture.' },
  pictures: { label: 'Pictures', about: 'Several, in order.' },
  documents: { label: 'Documents', about: 'Files by name and address.' },
  offers: {
    label: 'Sorts to choose among',
    about: 'Sizes or days in which it is sold, each at a price and in a number.',
  },
  link: { label: 'Link', about: 'An address.' },
  position: { label: 'Position', about: 'Two numbers, on a plan.' },
  person: { label: 'Person', about: 'One of the people.' },
  entry: { label: 'Entry', about: 'An entry of some page type.' },
}

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
  const choices = kind === 'choice' || kind === 'choices' ? { choices: [] } : {}
  return { id: freeId(label, new Set([...taken, ...BUILT_IN_IDS])), label, kind, ...choices }
}

export const newTaxonomy = (
  name: string,
  plural: string,
  taken: ReadonlySet<Id>,
  parts: ReadonlySet<string>,
): Taxonomy => ({ id: freeId(name, taken), name, plural, slug: freePart(plural, parts), pages: true })
