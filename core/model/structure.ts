import { type Editing, type PlainEdit, plainEditing } from '../edits'
import { type Problem, problem } from '../problems'
import { exact, list, oneOf, refuse, shapeOf } from '../shape'
import { RESERVED_PARTS } from '../addresses'
import { BUILT_IN_IDS } from './built-in'
import { pageTypeShape, personShape, taxonomyShape, termShape } from './shapes'
import type { Id, PageType, Person, Taxonomy, Term } from './types'

/**
 * What a site is built of, besides its entries: page types with their fields, taxonomies with their terms, and people.
 * One document, edited step by step.
 */
export interface Structure {
  format: 1
  types: PageType[]
  taxonomies: Taxonomy[]
  /** In the order in which they stand, those of all taxonomies together. */
  terms: Term[]
  people: Person[]
}

const MOST_TYPES = 100
export const MOST_TERMS = 5000

export const structureShape = shapeOf<Structure>()(
  exact({
    format: oneOf([1]),
    types: list(pageTypeShape, MOST_TYPES, `a site has at most ${MOST_TYPES} page types`),
    taxonomies: list(taxonomyShape, MOST_TYPES, `a site has at most ${MOST_TYPES} taxonomies`),
    terms: list(termShape, MOST_TERMS, `a site has at most ${MOST_TERMS} terms`),
    people: list(personShape, MOST_TERMS, `a site has at most ${MOST_TERMS} people`),
  }),
)

/** The first of a list that was there before; undefined when all differ. */
function twice<T>(items: readonly T[]): T | undefined {
  const seen = new Set<T>()
  return items.find((item) => seen.has(item) || !seen.add(item))
}

/** The first of some terms that stands, by way of others, below itself. */
function belowItself(terms: readonly Term[]): Term | undefined {
  const parents = new Map(terms.map((t) => [t.id, t.parent]))
  const fine = new Set<Id>()
  return terms.find(({ id }) => {
    const way = new Set<Id>()
    for (let at: Id | null = id; at !== null && !fine.has(at); at = parents.get(at) ?? null) {
      if (way.has(at)) return true
      way.add(at)
    }
    for (const passed of way) fine.add(passed)
    return false
  })
}

/** Why terms or people of one structure are in each other's way; null when they are not. */
function clashAmong({ terms, people, taxonomies }: Structure): string | null {
  const loop = belowItself(terms)
  if (loop) return `${loop.title} would stand below itself`
  const term = twice(terms.map((t) => `${t.taxonomy}/${t.slug}`))
  if (term !== undefined) {
    const { title, slug, taxonomy } = terms.findLast((t) => `${t.taxonomy}/${t.slug}` === term)!
    const of = taxonomies.find((t) => t.id === taxonomy)
    return `the address /${of?.slug ?? taxonomy}/${slug} is another term’s; give ${title || 'this one'} another`
  }
  const person = twice(people.map((p) => p.slug))
  return person === undefined ? null : `the address /people/${person} is another person’s`
}

/** Why types, fields or taxonomies of one structure are in each other's way; null when they are not. */
function clash(structure: Structure): string | null {
  const { types, taxonomies, terms, people } = structure
  const id = [types, taxonomies, terms, people].map((all) => twice(all.map((t) => t.id))).find((t) => t !== undefined)
  if (id !== undefined) return `the id ${id} stands twice`
  for (const { name, fields } of types) {
    const field = twice(fields.map((f) => f.id))
    if (field !== undefined) return `${name} has the field ${field} twice`
    const builtIn = fields.find((f) => BUILT_IN_IDS.has(f.id))
    if (builtIn)
      return `${name} has a field with the id ${builtIn.id}, which every entry has built in; give ${builtIn.label} another id`
    const upside = fields.find((f) => f.least !== undefined && f.most !== undefined && f.least > f.most)
    if (upside) return `${upside.label} is at least ${upside.least} and at most ${upside.most}, so nothing fits`
  }
  const parts = [...types, ...taxonomies].filter((t) => t.slug !== '')
  const taken = parts.find((t) => RESERVED_PARTS.has(t.slug))
  if (taken) return `addresses that begin with /${taken.slug} are the site’s own; give ${taken.plural} another`
  const slug = twice(parts.map((t) => t.slug))
  const rivals = parts.filter((t) => t.slug === slug).map((t) => t.plural)
  return rivals.length > 1 ? `${rivals.join(' and ')} have the same address, /${slug}` : clashAmong(structure)
}

/** Why a site cannot be built so; null when it can. Takes anything at all. */
export function refuseStructure(structure: unknown): Problem | null {
  const why = refuse(structureShape, structure) ?? clash(structure as Structure)
  return why === null ? null : problem('structure-shape', { why })
}

/** How page types, fields, taxonomies, terms and people are edited: as a plain document. */
export const STRUCTURE_EDITING: Editing<Structure, PlainEdit> = plainEditing(refuseStructure)
