import { type Catalogue, TERMS, fieldKind } from '../catalogue'
import type { Id } from '../model'
import { READINGS } from '../fields'
import { dayNumber, isDay } from '../time'
import { type Bits, anyOf, both, countBits } from './bits'
import type { Ledger } from './ledger'

/** One of the things that visitors may narrow a list by. */
export interface Filter {
  field: Id
  /** By choosing among what there is, or by a range of numbers or days. */
  as: 'keys' | 'number' | 'day'
  /** The name of its address parameter; a range has two, with `-from` and `-to` behind it. */
  name: string
}

/** What a visitor asks of a filter. */
export type Asked = { keys: readonly string[] } | { from: number | null; to: number | null }

/** Names that addresses use for something else. */
const TAKEN: ReadonlySet<string> = new Set(['page', 'q', 'sort', 'form', 'month', 'marked'])

/** How a list is narrowed by a field; null where nobody can. `range` asks for one where a text may be a number. */
export function filterAs(catalogue: Catalogue, field: Id, range = false): Filter['as'] | null {
  const kind = fieldKind(catalogue, { of: 'page', field })
  const as = kind && READINGS[kind].uses.filter
  return as === 'keys' && range && kind === 'text' ? 'number' : as
}

/** The filters of a list, each with a parameter of its own; fields that are no more, or cannot narrow, are left out. */
export function filtersOf(
  catalogue: Catalogue,
  asked: readonly { field: Id; range: boolean; name: string }[],
): Filter[] {
  return asked.flatMap(({ field, range, name }) => {
    const as = filterAs(catalogue, field, range)
    return as ? [{ field, as, name }] : []
  })
}

/** What a field is called in addresses. */
export const plainName = (field: Id): string => (field.startsWith(TERMS) ? field.slice(TERMS.length) : field)

/** The address parameters of filters by these fields, each its own: what the field is called by its id. */
export function parameterNames(fields: readonly Id[]): string[] {
  const names = new Set(TAKEN)
  return fields.map((field) => {
    const plain = plainName(field)
    let name = plain
    for (let i = 2; names.has(name); i++) name = `${plain}-${i}`
    names.add(name)
    return name
  })
}

/** The parameters that a filter of a name may have, whatever it turns out to be: one for choices, two for a range. */
export const parametersNamed = (name: string): [keys: string, from: string, to: string] => [
  name,
  `${name}-from`,
  `${name}-to`,
]

/** In filters by terms and by people, these stand in addresses by the last part of their own; what is a text stays one. */
export function slugOfKey(catalogue: Catalogue, field: Id, key: string): string {
  if (field.startsWith(TERMS)) return catalogue.terms.get(key)?.slug ?? key
  return fieldKind(catalogue, { of: 'page', field }) === 'person' ? (catalogue.people.get(key)?.slug ?? key) : key
}

/** Texts and choices are their own; what is found under no key is nobody's. */
function keyOfSlug(catalogue: Catalogue, ledger: Ledger, field: Id, slug: string): string | null {
  const column = ledger.keys(field)
  if (field.startsWith(TERMS)) {
    const taxonomy = field.slice(TERMS.length)
    const term = catalogue.site.terms.find((t) => t.taxonomy === taxonomy && t.slug === slug)
    return term && column.has(term.id) ? term.id : null
  }
  if (fieldKind(catalogue, { of: 'page', field }) === 'person') {
    const person = catalogue.site.people.find((p) => p.slug === slug)
    return person && column.has(person.id) ? person.id : null
  }
  return column.has(slug) ? slug : null
}

/** So many choices of one filter are asked at once at most. */
const MOST_KEYS = 40

function readEnd(text: string | undefined, as: Filter['as']): number | null {
  const said = (text ?? '').trim()
  if (as === 'day') return isDay(said) ? dayNumber(said) : null
  return said !== '' && said.length < 20 && Number.isFinite(Number(said)) ? Number(said) : null
}

/**
 * What the parameters of an address ask of each filter, in the filters' order; null where nothing, or nothing that is
 * known. A range that is the wrong way round is turned.
 */
export function readAsked(
  catalogue: Catalogue,
  ledger: Ledger,
  filters: readonly Filter[],
  given: Readonly<Record<string, readonly string[]>>,
): (Asked | null)[] {
  const of = (name: string): readonly string[] => (Object.hasOwn(given, name) ? given[name]! : [])
  return filters.map(({ field, as, name }) => {
    if (as === 'keys') {
      const slugs = new Set(of(name).slice(0, MOST_KEYS))
      const keys = [...slugs].flatMap((slug) => keyOfSlug(catalogue, ledger, field, slug) ?? [])
      return keys.length > 0 ? { keys: keys.sort() } : null
    }
    const [, fromName, toName] = parametersNamed(name)
    const [from, to] = [readEnd(of(fromName)[0], as), readEnd(of(toName)[0], as)]
    if (from === null && to === null) return null
    return from !== null && to !== null && from > to ? { from: to, to: from } : { from, to }
  })
}

function bitsOf(ledger: Ledger, { field, as }: Filter, asked: Asked, of: Bits): Bits {
  if ('keys' in asked) {
    const column = ledger.keys(field)
    return anyOf(
      asked.keys.map((key) => column.bits(key)),
      ledger.capacity,
    )
  }
  return ledger.measures(field, as === 'day' ? 'day' : 'number').within(of, asked.from, asked.to)
}

/** One choice of a filter, and how many entries it would leave beside what else is asked. */
export interface FilterChoice {
  key: string
  count: number
  chosen: boolean
}

/** What a filter offers now. */
export interface Facet {
  filter: Filter
  asked: Asked | null
  /** Of a filter by choosing. */
  choices: FilterChoice[]
  /** Of a range: what there is at least and at most. */
  extent: { least: number; most: number } | null
}

/** So many choices are offered at most: of more those that would leave most, and what is chosen. */
const MOST_OFFERED = 100

function offered(choices: FilterChoice[]): FilterChoice[] {
  if (choices.length <= MOST_OFFERED) return choices
  return choices.sort((a, b) => Number(b.chosen) - Number(a.chosen) || b.count - a.count).slice(0, MOST_OFFERED)
}

/** A list narrowed by what is asked, and what each of its filters would leave. */
export interface Narrowed {
  bits: Bits
  count: number
  facets(): Facet[]
}

export function narrow(
  ledger: Ledger,
  filters: readonly Filter[],
  asked: readonly (Asked | null)[],
  of: Bits,
): Narrowed {
  const sets = filters.map((filter, i) => (asked[i] ? bitsOf(ledger, filter, asked[i], of) : null))
  const meet = (but: number): Bits =>
    sets.reduce<Bits>((bits, set, i) => (set && i !== but ? both(bits, set) : bits), of)
  const bits = meet(-1)
  const facet = (filter: Filter, i: number): Facet => {
    const beside = sets[i] ? meet(i) : bits
    const said = asked[i] ?? null
    if (filter.as !== 'keys') {
      const extent = ledger.measures(filter.field, filter.as).extent(beside)
      return { filter, asked: said, choices: [], extent }
    }
    const chosen = new Set(said && 'keys' in said ? said.keys : [])
    const choices: FilterChoice[] = []
    for (const [key, count] of ledger.keys(filter.field).counts(beside))
      if (count > 0 || chosen.has(key)) choices.push({ key, count, chosen: chosen.has(key) })
    return { filter, asked: said, choices: offered(choices), extent: null }
  }
  return { bits, count: countBits(bits), facets: () => filters.map(facet) }
}
