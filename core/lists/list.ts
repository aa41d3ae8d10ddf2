import { type Catalogue, monthOf } from '../catalogue'
import type { Entry, Id, Page } from '../model'
import { type Bits, both, countBits, hasBit, putBit } from './bits'
import { type Asked, type Facet, type Filter, narrow } from './filters'
import { type Ledger, ledgerOf } from './ledger'
import type { Totals } from './column'
import type { Sorting } from './order'
import { type Where, whereBits } from './where'

/** Where the entries of a list come from. */
export type Source =
  | { kind: 'types'; types: readonly Id[] }
  /** What a page lists: an archive, a term, a person, a year or a month; a term with those below it, if asked. */
  | { kind: 'page'; page: Page; below: boolean }
  /** These, in this order unless the list is sorted. */
  | { kind: 'these'; entries: readonly Entry[] }

/** A list as it is asked for. */
export interface List {
  source: Source
  /** Never in it: the page's own entry. */
  except: Id | null
  where: readonly Where[]
  filters: readonly Filter[]
  asked: readonly (Asked | null)[]
  /** What words found, where it is searched too. */
  found: readonly Entry[] | null
  sorting: Sorting
  /** Entries before the first that is wanted, and at most so many. */
  skip: number
  most: number
}

/** What a list comes to. */
export interface Listed {
  entries: Entry[]
  /** All that it holds as it is narrowed now, and all before visitors narrowed it. */
  total: number
  of: number
  /** What a field of numbers comes to over all that it holds as it is narrowed. */
  totals(field: Id): Totals
  /** What its filters offer; found out when it is asked for. */
  facets(): Facet[]
}

/** All of a page type, term or person is read of the catalogue too, so that it is known what a page shows. */
function ofPage(ledger: Ledger, catalogue: Catalogue, page: Page, below: boolean): Bits {
  catalogue.listing(page)
  const { term, person, time, type } = page
  if (term) {
    if (!below) return ledger.setOf(`term ${term}`, (e) => e.terms.includes(term))
    const all = catalogue.termsBelow(term)
    for (const id of all) catalogue.entriesInTerm(id)
    const among = new Set(all)
    return ledger.setOf(`terms below ${term}`, (e) => e.terms.some((t) => among.has(t)))
  }
  if (person) return ledger.setOf(`person ${person}`, (e) => e.person === person)
  if (time && type)
    return ledger.setOf(`time ${type} ${time}`, (e) => e.type === type && (monthOf(e)?.startsWith(time) ?? false))
  return page.type && !page.entry ? ofTypes(ledger, catalogue, [page.type]) : ledger.of([])
}

function ofTypes(ledger: Ledger, catalogue: Catalogue, types: readonly Id[]): Bits {
  const among = new Set(types)
  for (const type of among) catalogue.entriesOfType(type)
  return ledger.setOf(`types ${[...among].sort().join()}`, (e) => among.has(e.type))
}

function ofSource(ledger: Ledger, catalogue: Catalogue, source: Source): Bits {
  if (source.kind === 'page') return ofPage(ledger, catalogue, source.page, source.below)
  if (source.kind === 'types') return ofTypes(ledger, catalogue, source.types)
  // Each may come and go by itself.
  return ledger.of(source.entries.filter(catalogue.isOut).map((e) => e.id))
}

/** Entries in the order in which they were given, of those in a set. */
function inGivenOrder(ledger: Ledger, given: readonly Entry[], bits: Bits, skip: number, most: number): Entry[] {
  const numbers = new Set<number>()
  for (const { id } of given) {
    const at = ledger.numberOf(id)
    if (at !== undefined && hasBit(bits, at)) numbers.add(at)
  }
  return [...numbers].slice(skip, skip + most).map((at) => ledger.entries[at]!)
}

/** Finds what a list shows. */
export function findList(catalogue: Catalogue, list: List): Listed {
  const ledger = ledgerOf(catalogue)
  const { source, sorting, skip, most } = list
  let base = whereBits(ledger, catalogue, list.where, ofSource(ledger, catalogue, source))
  if (list.found) base = both(base, ledger.of(list.found.map((e) => e.id)))
  if (list.except !== null) base = withoutOne(ledger, base, list.except)
  const narrowed = narrow(ledger, list.filters, list.asked, base)
  const asGiven =
    sorting.group || sorting.sorts.length > 0 ? null : source.kind === 'these' ? source.entries : list.found
  const entries = asGiven
    ? inGivenOrder(ledger, asGiven, narrowed.bits, skip, most)
    : ledger
        .order(sorting)
        .slice(narrowed.bits, skip, most)
        .map((at) => ledger.entries[at]!)
  const totals = (field: Id) => ledger.measures(field, 'number').totals(narrowed.bits)
  return { entries, total: narrowed.count, of: countBits(base), facets: narrowed.facets, totals }
}

function withoutOne(ledger: Ledger, bits: Bits, id: Id): Bits {
  const at = ledger.numberOf(id)
  if (at === undefined || !hasBit(bits, at)) return bits
  const made = bits.slice()
  putBit(made, at, false)
  return made
}
