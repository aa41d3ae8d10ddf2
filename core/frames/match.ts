import { ARCHIVE_KINDS, type Catalogue, type Entry, type Page, WORKING_KINDS } from '../site'
import { fieldTest } from './field-test'
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

export function refinementHolds(refinement: Refinement, facts: Facts, catalogue: Catalogue): boolean {
  const { entry } = facts
  if (!entry) return false
  switch (refinement.kind) {
    case 'term':
      return refinement.terms.some((t) =>
        (refinement.below ? catalogue.termsBelow(t) : [t]).some(
          (id) => catalogue.terms.get(id)?.taxonomy === refinement.taxonomy && entry.terms.includes(id),
        ),
      )
    case 'person':
      return entry.person !== null && catalogue.people.has(entry.person) && refinement.people.includes(entry.person)
    case 'below':
      return refinement.entries.some((id) => facts.above.includes(id))
    case 'field':
      return fieldTest(refinement, catalogue)(entry)
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
