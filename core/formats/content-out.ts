import { type Catalogue, type Entry, type PageType, wordsOf } from '../site'
import { type Formats, richHtml } from '../drawing'

/** Entries as they go out: one row for each, in words, under names that come in again. */

/** The text of an entry as HTML, as visitors get it. */
export function contentHtml(entry: Entry, catalogue: Catalogue, formats: Formats): string {
  return richHtml(entry.content, catalogue, formats)
}

/** What an entry says, by the names of columns: those of its own first, then its taxonomies and fields by their ids. */
export function rowOfEntry(
  entry: Entry,
  type: PageType,
  catalogue: Catalogue,
  formats: Formats,
): Record<string, string> {
  const { people, pictures, terms } = catalogue
  const named = (taxonomy: string) =>
    entry.terms
      .flatMap((id) => terms.get(id) ?? [])
      .filter((t) => t.taxonomy === taxonomy)
      .map((t) => t.title)
      .join('; ')
  const row: Record<string, string> = {
    id: entry.id,
    title: entry.title,
    slug: entry.slug,
    summary: entry.summary,
    content: contentHtml(entry, catalogue, formats),
    picture: (entry.picture && pictures.get(entry.picture)?.fileName) ?? '',
    person: (entry.person && people.get(entry.person)?.name) ?? '',
    parent: (entry.parent && catalogue.entries.get(entry.parent)?.slug) ?? '',
    date: entry.date ?? '',
    published: entry.published ? 'yes' : 'no',
  }
  for (const id of type.taxonomies) if (catalogue.taxonomies.has(id)) row[id] = named(id)
  for (const field of type.fields) {
    const value = entry.fields[field.id]
    const name = row[field.id] === undefined ? field.id : `field ${field.id}`
    row[name] = fieldWords(value, field.kind, catalogue, formats) ?? cellWords(value, field)
  }
  return row
}

function fieldWords(value: unknown, kind: string, catalogue: Catalogue, formats: Formats): string | null {
  const { people, pictures, entries } = catalogue
  if (value === null || value === undefined) return ''
  if (kind === 'rich') return richHtml(value, catalogue, formats)
  if (kind === 'person') return people.get(String(value))?.name ?? ''
  if (kind === 'entry') return entries.get(String(value))?.slug ?? ''
  if (kind === 'picture') return pictures.get(String(value))?.fileName ?? ''
  if (kind === 'pictures' && Array.isArray(value))
    return value.map((id) => pictures.get(String(id))?.fileName ?? '').join('; ')
  if (kind === 'documents' && Array.isArray(value))
    return (value as { address?: unknown }[]).map((d) => String(d.address ?? '')).join('; ')
  return null
}

const cellWords = (value: unknown, field: PageType['fields'][number]): string =>
  Array.isArray(value) ? value.map((v) => wordsOf(v, field)).join('; ') : wordsOf(value, field)

/** A cell that no spreadsheet takes for a sum: what would begin one is quoted (OWASP, CSV injection). */
export const safeCell = (cell: string): string =>
  /^[=+\-@\t\r]/.test(cell) && !/^[-+]?\d[\d.,]*$/.test(cell) ? `'${cell}` : cell
