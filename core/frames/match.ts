import {
  ARCHIVE_KINDS,
  type Catalogue,
  type Entry,
  type Page,
  WORKING_KINDS,
  isEmpty,
  isRichDoc,
  richText,
} from '../site'
import type { Narrowness, Refinement, Target } from './types'

/** What matching asks about a page; made once for each page. */
export interface Facts {
  page: Page
  entry: Entry | null
  /** The page shows an archive: an archive page, or home when it shows one. */
  archive: boolean
  /** Ids of the entries above the entry in the page tree. */
  above: readonly string[]
}

export function factsOf(catalogue: Catalogue, page: Page): Facts {
  const entry = page.entry ? (catalogue.entries.get(page.entry) ?? null) : null
  const archive = ARCHIVE_KINDS.has(page.kind) || (page.kind === 'home' && !page.entry && !!page.type)
  return { page, entry, archive, above: entry ? catalogue.ancestors(entry) : [] }
}

type Compare = (value: unknown, asked: string | number | boolean | null) => boolean

const text = (value: unknown): string => {
  if (isRichDoc(value)) return richText(value)
  return Array.isArray(value) ? value.map(String).join('\n') : String(value ?? '')
}

const is: Compare = (value, asked) =>
  Array.isArray(value)
    ? value.some((v) => is(v, asked))
    : typeof value === 'string' && typeof asked === 'string'
      ? value.trim() === asked.trim()
      : value === asked

const number =
  (test: (a: number, b: number) => boolean): Compare =>
  (value, asked) =>
    typeof value === 'number' && typeof asked === 'number' && test(value, asked)

/** Dates and moments are ISO 8601, so that they compare as texts once cut to the same length. */
const date =
  (test: (a: string, b: string) => boolean): Compare =>
  (value, asked) => {
    if (typeof value !== 'string' || typeof asked !== 'string' || !asked || !value) return false
    const length = Math.min(value.length, asked.length)
    return test(value.slice(0, length), asked.slice(0, length))
  }

type FieldTest = Extract<Refinement, { kind: 'field' }>

const TEST: Record<FieldTest['op'], Compare> = {
  'is-empty': (value) => isEmpty(value),
  'is-not-empty': (value) => !isEmpty(value),
  is: (value, asked) => is(value, asked),
  'is-not': (value, asked) => !is(value, asked),
  contains: (value, asked) =>
    typeof asked === 'string' && asked.trim() !== '' && text(value).toLowerCase().includes(asked.trim().toLowerCase()),
  'at-least': number((a, b) => a >= b),
  'at-most': number((a, b) => a <= b),
  before: date((a, b) => a < b),
  after: date((a, b) => a > b),
}

/** Fields that every entry has, besides those of its page type. */
const BUILT_IN: Record<string, (entry: Entry) => unknown> = {
  title: (e) => e.title,
  summary: (e) => e.excerpt,
  content: (e) => e.content,
  picture: (e) => e.picture,
  date: (e) => e.date,
  person: (e) => e.person,
}

/**
 * A field test on an entry. A test on a field that the entry's page type does not have does not hold, not even
 * "is empty" or "is not" (rules: Targets).
 */
function fieldHolds(test: FieldTest, entry: Entry, catalogue: Catalogue): boolean {
  const builtIn = Object.hasOwn(BUILT_IN, test.field) ? BUILT_IN[test.field] : undefined
  if (!builtIn && !catalogue.types.get(entry.type)?.fields.some((f) => f.id === test.field)) return false
  return TEST[test.op](builtIn ? builtIn(entry) : entry.fields[test.field], test.value)
}

/** The same test with the field looked up once: for asking it of many entries. */
export function fieldTest(test: FieldTest, catalogue: Catalogue): (entry: Entry) => boolean {
  const { field, value } = test
  const compare = TEST[test.op]
  const builtIn = Object.hasOwn(BUILT_IN, field) ? BUILT_IN[field] : undefined
  if (builtIn) return (entry) => compare(builtIn(entry), value)
  const types = [...catalogue.types.values()].filter((t) => t.fields.some((f) => f.id === field)).map((t) => t.id)
  return (entry) => types.includes(entry.type) && compare(entry.fields[field], value)
}

export function refinementHolds(refinement: Refinement, facts: Facts, catalogue: Catalogue): boolean {
  const { entry } = facts
  if (!entry) return false
  switch (refinement.kind) {
    case 'term':
      return refinement.terms.some((t) =>
        (refinement.below ? catalogue.termsBelow(t) : [t]).some((id) => entry.terms.includes(id)),
      )
    case 'person':
      return entry.person !== null && refinement.people.includes(entry.person)
    case 'below':
      return refinement.entries.some((id) => facts.above.includes(id))
    case 'field':
      return fieldHolds(refinement, entry, catalogue)
  }
}

/** The target without its refinements. */
function coarselyMatches(target: Target, { page, entry, archive }: Facts): boolean {
  switch (target.kind) {
    case 'every':
      return true
    case 'kind':
      if (target.pages === 'entries') return entry !== null
      return target.pages === 'archives' ? archive : WORKING_KINDS.has(page.kind)
    case 'type':
      return entry?.type === target.type
    case 'type-archives':
      return archive && page.type === target.type
    case 'term-pages':
      return page.kind === 'term' && page.taxonomy === target.taxonomy
    case 'person-pages':
      return page.kind === 'person'
    case 'entries':
      return entry !== null && (target.type === null || entry.type === target.type)
    case 'page':
      return keysOf(page).includes(target.page)
  }
}

/** Home is also the page of the entry or archive that it shows. */
export function keysOf(page: Page): string[] {
  if (page.kind !== 'home') return [page.key]
  if (page.entry) return [page.key, `entry:${page.entry}`]
  return page.type ? [page.key, `archive:${page.type}`] : [page.key]
}

export function matches(target: Target, facts: Facts, catalogue: Catalogue): boolean {
  if (!coarselyMatches(target, facts)) return false
  return target.kind !== 'entries' || target.where.every((r) => refinementHolds(r, facts, catalogue))
}

/** Index of the one refinement that fails when all else of the target holds; -1 otherwise. */
export function nearlyMatches(target: Target, facts: Facts, catalogue: Catalogue): number {
  if (target.kind !== 'entries' || target.where.length === 0 || !coarselyMatches(target, facts)) return -1
  const failing = target.where.flatMap((r, i) => (refinementHolds(r, facts, catalogue) ? [] : [i]))
  return failing.length === 1 ? failing[0]! : -1
}

/** How narrow a target is (rules: Targets, and how narrow they are). */
export function narrownessOf(target: Target): Narrowness {
  switch (target.kind) {
    case 'every':
      return 0
    case 'kind':
      return 1
    case 'page':
      return 4
    case 'entries':
      return target.where.length > 0 ? 3 : target.type === null ? 1 : 2
    default:
      return 2
  }
}

export function refinementsOf(target: Target): number {
  return target.kind === 'entries' ? target.where.length : 0
}
