import type { PlainEdit } from '../edits'
import { firstFree } from './blank'
import { slugOf } from '../addresses'
import { freeId } from './new-type'
import { linesOf, type OutlinePosition } from './outline'
import type { Structure } from './structure'
import type { Id, Person, Term } from './types'

/** What is done to terms and people, as edits of the structure that holds them. */

/** Batches take some more than this; see `plainEditShape`. */
const MOST_IN_BATCH = 1000

const partFree = (words: string, taken: readonly string[], otherwise: string): string =>
  firstFree(slugOf(words) || otherwise, 80, (slug) => taken.includes(slug))

const termsOf = ({ terms }: Structure, taxonomy: Id): Term[] => terms.filter((t) => t.taxonomy === taxonomy)

export function newTerm(structure: Structure, taxonomy: Id, title: string, id?: Id): Term {
  const slugs = termsOf(structure, taxonomy).map((t) => t.slug)
  return {
    id: id ?? freeId(title, new Set(structure.terms.map((t) => t.id))),
    taxonomy,
    slug: partFree(title, slugs, 'term'),
    title,
    tagline: '',
    description: '',
    picture: null,
    parent: null,
  }
}

export function newPerson({ people }: Structure, name: string): Person {
  const slugs = people.map((p) => p.slug)
  const id = freeId(name, new Set(people.map((p) => p.id)))
  return { id, slug: partFree(name, slugs, 'person'), name, role: '', about: '', mail: '', picture: null }
}

/** Where a term goes in the list of all, to be at a spot among those of its taxonomy: counted without it. */
function listIndex(structure: Structure, taxonomy: Id, id: Id | null, { parent, index }: OutlinePosition): number {
  const others = structure.terms.filter((t) => t.id !== id)
  const lines = linesOf(termsOf(structure, taxonomy)).filter((l) => l.parent === parent && l.id !== id)
  const before = lines[index]
  if (before) return others.findIndex((t) => t.id === before.id)
  const last = lines.at(-1)
  return last ? others.findIndex((t) => t.id === last.id) + 1 : others.length
}

/** Puts a new term at a spot. */
export function insertTerm(structure: Structure, term: Term, spot: OutlinePosition): PlainEdit {
  const index = listIndex(structure, term.taxonomy, null, spot)
  const item: Term = { ...term, parent: spot.parent }
  return { kind: 'insert', at: ['terms'], index, item }
}

/** Moves a term to a spot, with all below it. */
export function moveTerm(structure: Structure, id: Id, spot: OutlinePosition): PlainEdit {
  const { taxonomy } = structure.terms.find((t) => t.id === id)!
  const edits: PlainEdit[] = [
    { kind: 'set', at: ['terms', id, 'parent'], value: spot.parent },
    { kind: 'move', at: ['terms'], id, index: listIndex(structure, taxonomy, id, spot) },
  ]
  return { kind: 'batch', label: 'move a term', edits }
}

/** Takes a term away; those below it come up to where it stood. */
export function removeTerm(structure: Structure, id: Id): PlainEdit {
  const { parent } = structure.terms.find((t) => t.id === id)!
  const below = structure.terms.filter((t) => t.parent === id)
  const edits: PlainEdit[] = [
    ...below.map((t): PlainEdit => ({ kind: 'set', at: ['terms', t.id, 'parent'], value: parent })),
    { kind: 'remove', at: ['terms'], id },
  ]
  return { kind: 'batch', label: 'remove a term', edits }
}

/** As many edits as one batch takes, in batches of their own. */
const inBatches = (label: string, edits: PlainEdit[]): PlainEdit[] =>
  edits.length <= MOST_IN_BATCH
    ? edits
    : Array.from({ length: Math.ceil(edits.length / MOST_IN_BATCH) }, (_, i) => {
        return { kind: 'batch', label, edits: edits.slice(i * MOST_IN_BATCH, (i + 1) * MOST_IN_BATCH) }
      })

/** Takes a taxonomy away with its terms, and from the page types that have it. */
export function removeTaxonomy(structure: Structure, id: Id): PlainEdit {
  const edits: PlainEdit[] = [
    ...structure.types
      .filter((t) => t.taxonomies.includes(id))
      .map((t): PlainEdit => {
        return { kind: 'set', at: ['types', t.id, 'taxonomies'], value: t.taxonomies.filter((of) => of !== id) }
      }),
    ...inBatches(
      'remove terms',
      termsOf(structure, id).map((t): PlainEdit => ({ kind: 'remove', at: ['terms'], id: t.id })),
    ),
    { kind: 'remove', at: ['taxonomies'], id },
  ]
  return { kind: 'batch', label: 'remove a taxonomy', edits }
}
