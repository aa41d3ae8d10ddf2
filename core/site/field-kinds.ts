import { KEY } from '../shape'
import { slugOf } from './addresses'
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
  link: { label: 'Link', about: 'An address.' },
  position: { label: 'Position', about: 'Two numbers, on a plan.' },
  person: { label: 'Person', about: 'One of the people.' },
  entry: { label: 'Entry', about: 'An entry of some page type.' },
}

/** An id made from words that is not among those taken: readable, and kept for life. */
export function freeId(words: string, taken: ReadonlySet<Id>): Id {
  const plain = slugOf(words)
    .replace(/[^a-z0-9-]/g, '')
    .replace(/^-+|-+$/g, '')
    .slice(0, 30)
  const base = KEY.test(plain) ? plain : 'thing'
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`
    if (!taken.has(id)) return id
  }
}

/** A page type as it begins: with an archive at an address made from its name. */
export function newPageType(
  name: string,
  plural: string,
  taken: ReadonlySet<Id>,
  slugs: ReadonlySet<string>,
): PageType {
  return {
    id: freeId(name, taken),
    name,
    plural,
    slug: freeId(plural, slugs),
    archive: true,
    dated: false,
    tree: false,
    personLabel: 'Author',
    taxonomies: [],
    fields: [],
  }
}

export function newField(label: string, kind: FieldKind, taken: ReadonlySet<Id>): Field {
  const choices = kind === 'choice' || kind === 'choices' ? { choices: [] } : {}
  return { id: freeId(label, taken), label, kind, ...choices }
}

export function newTaxonomy(
  name: string,
  plural: string,
  taken: ReadonlySet<Id>,
  slugs: ReadonlySet<string>,
): Taxonomy {
  return { id: freeId(name, taken), name, plural, slug: freeId(plural, slugs), pages: true }
}
