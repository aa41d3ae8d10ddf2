import type { Catalogue } from '../catalogue'
import type { Entry, Id, PageType } from '../model'
import { type Field, several, type ExportContext, type ReferredKind, fieldSpec } from '../fields'
import { type Formats, richHtml } from '../drawing'

/** Entries as they go out: one row for each, in words, under names that come in again. */

/** The text of an entry as HTML, as visitors get it. */
export function contentHtml(entry: Entry, catalogue: Catalogue, formats: Formats): string {
  return richHtml(entry.content, catalogue, formats)
}

const plain = (name: string): string => name.trim().toLowerCase()

/** How many things of a site have each name, by kinds; counted once for each state of it. */
const COUNTS = new WeakMap<object, Map<string, ReadonlyMap<string, number>>>()

function countsOf(kind: string, { state }: Catalogue, names: () => Iterable<string>): ReadonlyMap<string, number> {
  let kinds = COUNTS.get(state)
  if (!kinds) COUNTS.set(state, (kinds = new Map()))
  let counts = kinds.get(kind)
  if (!counts) {
    const made = new Map<string, number>()
    for (const name of names()) made.set(plain(name), (made.get(plain(name)) ?? 0) + 1)
    kinds.set(kind, (counts = made))
  }
  return counts
}

/** What something is called where nothing else of its kind is called so, else its id: it comes in again as itself. */
const unless = (name: string | undefined, id: Id, counts: ReadonlyMap<string, number>): string =>
  name === undefined ? '' : plain(name) !== '' && counts.get(plain(name)) === 1 ? name : id

function personName(id: Id, catalogue: Catalogue): string {
  const { people } = catalogue
  const counts = countsOf('person', catalogue, () => [...people.values()].flatMap((p) => [p.name, p.slug]))
  return unless(people.get(id)?.name, id, counts)
}

function entrySlug(id: Id, catalogue: Catalogue): string {
  const { entries } = catalogue
  const names = () =>
    [...entries.values()].flatMap((e) => (plain(e.title) === plain(e.slug) ? [e.slug] : [e.slug, e.title]))
  return unless(entries.get(id)?.slug, id, countsOf('entry', catalogue, names))
}

function pictureName(id: Id, catalogue: Catalogue): string {
  const { pictures } = catalogue
  const names = () => [...pictures.values()].flatMap((p) => [p.fileName, p.fileName.replace(/\.\w+$/, ''), p.alt])
  return unless(pictures.get(id)?.fileName, id, countsOf('picture', catalogue, names))
}

/** What an entry says, by the names of columns: those of its own first, then its taxonomies and fields by their ids. */
export function rowOfEntry(
  entry: Entry,
  type: PageType,
  catalogue: Catalogue,
  formats: Formats,
): Record<string, string> {
  const { terms } = catalogue
  const named = (taxonomy: string) =>
    several(
      entry.terms
        .flatMap((id) => terms.get(id) ?? [])
        .filter((t) => t.taxonomy === taxonomy)
        .map((t) => t.title),
    )
  const row: Record<string, string> = {
    id: entry.id,
    title: entry.title,
    slug: entry.slug,
    summary: entry.summary,
    content: contentHtml(entry, catalogue, formats),
    picture: entry.picture ? pictureName(entry.picture, catalogue) : '',
    person: entry.person ? personName(entry.person, catalogue) : '',
    parent: entry.parent ? entrySlug(entry.parent, catalogue) : '',
    date: entry.date ?? '',
    published: entry.published ? 'yes' : 'no',
  }
  for (const id of type.taxonomies) if (catalogue.taxonomies.has(id)) row[id] = named(id)
  const context = exportContext(catalogue, formats)
  for (const field of type.fields) {
    const value = entry.fields[field.id]
    const name = row[field.id] === undefined ? field.id : `field ${field.id}`
    row[name] = cellOf(value, field, context)
  }
  return row
}

/** What values go out with: names that come in again as the same things. */
const exportContext = (catalogue: Catalogue, formats: Formats): ExportContext => ({
  html: (doc) => richHtml(doc, catalogue, formats),
  nameOf: (kind, id) => NAMES[kind](id, catalogue),
})

const NAMES: Readonly<Record<ReferredKind, (id: Id, catalogue: Catalogue) => string>> = {
  person: personName,
  entry: entrySlug,
  picture: pictureName,
}

/** The value of a field as words in one cell. */
const cellOf = (value: unknown, field: Field, context: ExportContext): string =>
  value === null || value === undefined ? '' : fieldSpec(field.kind).toCell(value, field, context)

/** A value as JSON has it: numbers as numbers, yes and no as true and false, several things as a list. */
export const jsonOf = (value: unknown, field: Field, cell: string): unknown =>
  value === null || value === undefined || value === '' ? null : fieldSpec(field.kind).toJson(value, field, cell)

/** Signs with which spreadsheets take a cell for a sum (OWASP, CSV injection): also full-width, and behind a delimiter. */
const SUM = /^'*[\s;,]*[=+\-@\t\r＝＋－＠]/

/** A cell that no spreadsheet takes for a sum: what would begin one has a quotation mark before it. */
export const safeCell = (cell: string): string =>
  SUM.test(cell) && !/^[-+]?\d[\d.,e-]*$/.test(cell) ? `'${cell}` : cell

/** The same cell as it was before: see `safeCell`. */
export const unsafeCell = (cell: string): string => (cell.startsWith("'") && SUM.test(cell) ? cell.slice(1) : cell)
