import { type Editing, type PlainEdit, plainEditing } from '../edits'
import { type Problem, problem } from '../problems'
import { type Shape, exact, list, oneOf, refuse } from '../shape'
import { RESERVED_PARTS } from './addresses'
import { pageTypeShape, taxonomyShape } from './shapes'
import type { PageType, Taxonomy } from './types'

/** What a site is built of: its page types with their fields, and its taxonomies. One document, edited step by step. */
export interface Structure {
  format: 1
  types: PageType[]
  taxonomies: Taxonomy[]
}

const MOST_TYPES = 100

export const structureShape: Shape = exact({
  format: oneOf([1]),
  types: list(pageTypeShape, MOST_TYPES, `a site has at most ${MOST_TYPES} page types`),
  taxonomies: list(taxonomyShape, MOST_TYPES, `a site has at most ${MOST_TYPES} taxonomies`),
})

/** The first of a list that was there before; undefined when all differ. */
function twice<T>(items: readonly T[]): T | undefined {
  const seen = new Set<T>()
  return items.find((item) => seen.has(item) || !seen.add(item))
}

/** Why types, fields or taxonomies of one structure are in each other's way; null when they are not. */
function clash({ types, taxonomies }: Structure): string | null {
  const id = twice(types.map((t) => t.id)) ?? twice(taxonomies.map((t) => t.id))
  if (id !== undefined) return `the id ${id} stands twice`
  for (const { name, fields } of types) {
    const field = twice(fields.map((f) => f.id))
    if (field !== undefined) return `${name} has the field ${field} twice`
    const upside = fields.find((f) => f.least !== undefined && f.most !== undefined && f.least > f.most)
    if (upside) return `${upside.label} is at least ${upside.least} and at most ${upside.most}, so nothing fits`
  }
  const parts = [...types, ...taxonomies].filter((t) => t.slug !== '')
  const taken = parts.find((t) => RESERVED_PARTS.has(t.slug))
  if (taken) return `addresses that begin with /${taken.slug} are the site’s own; give ${taken.plural} another`
  const slug = twice(parts.map((t) => t.slug))
  const rivals = parts.filter((t) => t.slug === slug).map((t) => t.plural)
  return rivals.length > 1 ? `${rivals.join(' and ')} have the same address, /${slug}` : null
}

/** Why a site cannot be built so; null when it can. Takes anything at all. */
export function refuseStructure(structure: unknown): Problem | null {
  const why = refuse(structureShape, structure) ?? clash(structure as Structure)
  return why === null ? null : problem('structure-shape', { why })
}

/** How page types, fields and taxonomies are edited: as a plain document. */
export const STRUCTURE_EDITING: Editing<Structure, PlainEdit> = plainEditing(refuseStructure)
