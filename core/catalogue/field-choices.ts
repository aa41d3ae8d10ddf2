import { READINGS, type ReadingKind } from '../fields'
import type { Catalogue } from './catalogue'
import { BUILT_IN, SITE, TERMS, VISITOR, fieldAround } from './fields'
import type { FieldRef, Id, Page, PageType } from '../model'

/** Which fields there are to pick, and what they are called. */

export interface FieldChoice extends FieldRef {
  label: string
  kind: ReadingKind
  /** Where it is read, as a heading in a list of choices. */
  group: string
}

/** What has no entry, and calls some built-in fields otherwise: as the screens on which they are written do. */
type Other = 'term' | 'person'
const CALLED: Readonly<Record<Other, Readonly<Record<Id, string>>>> = {
  term: { title: 'Name', summary: 'Tagline', picture: 'Picture' },
  person: { title: 'Name', summary: 'Role', description: 'About', picture: 'Picture' },
}

const isOther = (kind: string | undefined): kind is Other => kind === 'term' || kind === 'person'
const builtInLabel = (id: Id, about: string | undefined): string =>
  (isOther(about) ? CALLED[about][id] : undefined) ?? BUILT_IN[id]!.label

const builtInChoice = (id: Id, of: FieldRef['of'], group: string, via?: Id, about: string = of): FieldChoice => ({
  of,
  ...(via && { via }),
  field: id,
  label: builtInLabel(id, about),
  kind: BUILT_IN[id]!.kind,
  group,
})

function typeChoices(catalogue: Catalogue, type: PageType): FieldChoice[] {
  const group = `From the ${type.name.toLowerCase()}`
  return [
    ...['title', 'summary', 'content', 'picture', 'date', 'address'].map((id) => builtInChoice(id, 'page', group)),
    { ...builtInChoice('person', 'page', group), label: type.personLabel },
    ...type.fields.map((f) => ({ of: 'page' as const, field: f.id, label: f.label, kind: f.kind, group })),
    ...type.taxonomies.flatMap((id) => {
      const taxonomy = catalogue.taxonomies.get(id)
      if (!taxonomy) return []
      const list = { of: 'page' as const, field: TERMS + id, label: taxonomy.name, kind: 'terms' as const, group }
      const of = `From its ${taxonomy.name.toLowerCase()}`
      return [list, ...['title', 'summary', 'picture'].map((f) => builtInChoice(f, 'term', of, id))]
    }),
    ...['title', 'summary', 'description', 'picture', 'mail', 'phone', 'address'].map((f) =>
      builtInChoice(f, 'person', `From its ${type.personLabel.toLowerCase()}`),
    ),
  ]
}

/** The fields that an element may show on a page: those of its entry's type, or what archives and other pages have. */
export function fieldChoices(catalogue: Catalogue, page: Pick<Page, 'kind' | 'entry' | 'type'>): FieldChoice[] {
  const type = page.entry ? catalogue.types.get(page.type!) : undefined
  const own = type
    ? typeChoices(catalogue, type)
    : ['title', 'summary', 'description', 'picture', 'count', 'query', 'near'].map((f) =>
        builtInChoice(f, 'page', 'From the page', undefined, page.kind),
      )
  const text = (of: 'site' | 'visitor', table: typeof SITE, group: string): FieldChoice[] =>
    Object.entries(table).map(([field, { label }]) => ({ of, field, label, kind: 'text', group }))
  return [...own, ...text('site', SITE, 'From the site'), ...text('visitor', VISITOR, 'From the visitor')]
}

/** What a field of listed entries may be wanted for. */
export type EntryFieldUse = 'filter' | 'sort' | 'group' | 'show' | 'terms' | 'place' | 'sum'

/** Whether what is read of a kind suits a use. */
function suits(kind: ReadingKind, use: EntryFieldUse): boolean {
  if (use === 'terms') return kind === 'terms'
  if (use === 'place') return kind === 'position'
  const { uses } = READINGS[kind]
  return use === 'filter' ? uses.filter !== null : uses[use]
}

const OF_EVERY_ENTRY = ['title', 'summary', 'type', 'date', 'person'] as const

/**
 * The fields of entries that suit a use: those that every entry has, then those of each page type; each id once. Where
 * it is known of which page types entries are listed, those of other types are left out, and taxonomies of none of them.
 */
export function entryFields(
  catalogue: Catalogue,
  use: EntryFieldUse,
  listed: readonly Id[] = [],
): Omit<FieldChoice, 'of' | 'via'>[] {
  const found = new Map<Id, Omit<FieldChoice, 'of' | 'via'>>()
  const add = (field: Id, label: string, kind: ReadingKind, group: string) => {
    if (suits(kind, use) && !found.has(field)) found.set(field, { field, label, kind, group })
  }
  for (const id of OF_EVERY_ENTRY) add(id, BUILT_IN[id]!.label, BUILT_IN[id]!.kind, 'Every entry')
  const types = [...catalogue.types.values()].filter((t) => listed.length === 0 || listed.includes(t.id))
  const has = new Set(types.flatMap((t) => t.taxonomies))
  for (const { id, name } of catalogue.taxonomies.values())
    if (listed.length === 0 || has.has(id)) add(TERMS + id, name, 'terms', 'Terms')
  for (const type of types) for (const f of type.fields) add(f.id, f.label, f.kind, type.plural)
  return [...found.values()]
}

const BELONGING: Partial<Record<FieldRef['of'], string>> = { person: 'person', term: 'term', reference: 'reference' }

/** The label of a field wherever it is read: the label it has now, or null when nothing has that id. */
export function fieldLabel(catalogue: Catalogue, ref: FieldRef): string | null {
  const label = labelOf(catalogue, ref)
  const owner = BELONGING[ref.of]
  return label && owner ? `${label} of its ${owner}` : label
}

function labelOf(catalogue: Catalogue, ref: FieldRef): string | null {
  if (ref.of === 'site' || ref.of === 'visitor') return fieldAround(ref.of, ref.field)?.label ?? null
  if (ref.field.startsWith(TERMS)) return catalogue.taxonomies.get(ref.field.slice(TERMS.length))?.name ?? null
  if (Object.hasOwn(BUILT_IN, ref.field)) return builtInLabel(ref.field, ref.of)
  for (const type of catalogue.types.values()) {
    const field = type.fields.find((f) => f.id === ref.field)
    if (field) return field.label
  }
  return null
}

/** The kind of a field wherever it is read, as far as its id tells; null when nothing has that id. */
export function fieldKind(catalogue: Catalogue, ref: FieldRef): ReadingKind | null {
  if (ref.of === 'site' || ref.of === 'visitor') return 'text'
  if (ref.field.startsWith(TERMS)) return 'terms'
  if (Object.hasOwn(BUILT_IN, ref.field)) return BUILT_IN[ref.field]!.kind
  const fields = [...catalogue.types.values()].flatMap((t) => t.fields)
  return fields.find((f) => f.id === ref.field)?.kind ?? null
}
