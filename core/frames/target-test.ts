import type { Catalogue, Id } from '../site'
import { fieldTest } from './field-test'
import { type Facts, keysOf, matches, refinementHolds } from './match'
import type { Refinement, Target } from './types'

/** The terms that a refinement lists, those below them included if it asks for them; only those of its taxonomy that exist. */
export function termsOf(refinement: Extract<Refinement, { kind: 'term' }>, catalogue: Catalogue): Set<Id> {
  const listed = refinement.below ? refinement.terms.flatMap((t) => catalogue.termsBelow(t)) : refinement.terms
  return new Set(listed.filter((t) => catalogue.terms.get(t)?.taxonomy === refinement.taxonomy))
}

function refinementTest(refinement: Refinement, catalogue: Catalogue): (facts: Facts) => boolean {
  if (refinement.kind === 'field') {
    const test = fieldTest(refinement, catalogue)
    return ({ entry }) => entry !== null && test(entry)
  }
  if (refinement.kind !== 'term') return (facts) => refinementHolds(refinement, facts, catalogue)
  const terms = termsOf(refinement, catalogue)
  return ({ entry }) => entry !== null && entry.terms.some((t) => terms.has(t))
}

/** A target as one test, with what depends on the catalogue looked up beforehand. */
export function targetTest(target: Target, catalogue: Catalogue): (facts: Facts) => boolean {
  switch (target.kind) {
    case 'every':
      return () => true
    case 'type':
      return ({ entry }) => entry?.type === target.type
    case 'page':
      return ({ page }) => page.key === target.page || (page.kind === 'home' && keysOf(page).includes(target.page))
    case 'entries': {
      const tests = target.where.map((r) => refinementTest(r, catalogue))
      return (facts) =>
        facts.entry !== null &&
        (target.type === null || facts.entry.type === target.type) &&
        tests.every((test) => test(facts))
    }
    default:
      return (facts) => matches(target, facts, catalogue)
  }
}

/** Pages that the targets may cover, as indexes into `catalogue.pages`; null when that may be any. */
export function reachable(targets: readonly Target[], catalogue: Catalogue): Iterable<number> | null {
  const found = new Set<number>()
  const addEntries = (entries: readonly { id: Id }[]) => {
    for (const { id } of entries) {
      const at = catalogue.indexOf(`entry:${id}`)
      if (at !== undefined) found.add(at)
    }
  }
  for (const target of targets) {
    if (target.kind === 'page') {
      const at = catalogue.indexOf(target.page)
      if (at !== undefined) found.add(at)
    } else if (target.kind === 'type') addEntries(catalogue.entriesOfType(target.type))
    else if (target.kind === 'entries') {
      const r = target.where.find((w) => w.kind === 'term' || w.kind === 'person')
      if (r?.kind === 'term') for (const t of termsOf(r, catalogue)) addEntries(catalogue.entriesInTerm(t))
      else if (r?.kind === 'person') for (const p of r.people) addEntries(catalogue.entriesBy(p))
      else if (target.type !== null) addEntries(catalogue.entriesOfType(target.type))
      else return null
    } else return null
  }
  return found
}
