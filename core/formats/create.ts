import type { PlainEdit } from '../edits'
import { type Id, firstFree, freePart } from '../model'
import type { Field } from '../fields'
import type { CarriedStructure } from './structure'

/** Creates in a site what a parcel carries and the site lacks, under the same ids. */

/** What is carried under an id, where nothing is here by it. */
const missing = <T extends { id: Id }>(here: readonly T[], carried: readonly T[], id: Id): T | undefined =>
  here.some((one) => one.id === id) ? undefined : carried.find((one) => one.id === id)

/** Notes what is created, in an order in which everything is there before it is named. */
class Creating {
  readonly edits: PlainEdit[] = []
  private readonly there: CarriedStructure

  constructor(
    { types, taxonomies, terms, people }: CarriedStructure,
    private readonly carried: CarriedStructure,
  ) {
    this.there = { types: [...types], taxonomies: [...taxonomies], terms: [...terms], people: [...people] }
  }

  private insert<T extends { id: Id }>(list: keyof CarriedStructure, all: T[], item: T): void {
    this.edits.push({ kind: 'insert', at: [list], index: all.length, item })
    all.push(item)
  }

  /** The first part of addresses that nothing here has; entries of a type without one stand at the top. */
  private freePart(slug: string): string {
    return slug && freePart(slug, new Set([...this.there.types, ...this.there.taxonomies].map((t) => t.slug)))
  }

  type(id: Id): void {
    const type = missing(this.there.types, this.carried.types, id)
    if (!type) return
    for (const taxonomy of type.taxonomies) this.taxonomy(taxonomy)
    const taxonomies = type.taxonomies.filter((t) => this.there.taxonomies.some((here) => here.id === t))
    this.insert('types', this.there.types, { ...type, taxonomies, slug: this.freePart(type.slug) })
    for (const { of } of type.fields) if (of) this.type(of)
  }

  taxonomy(id: Id): void {
    const taxonomy = missing(this.there.taxonomies, this.carried.taxonomies, id)
    if (taxonomy) this.insert('taxonomies', this.there.taxonomies, { ...taxonomy, slug: this.freePart(taxonomy.slug) })
  }

  term(id: Id): void {
    const term = missing(this.there.terms, this.carried.terms, id)
    if (!term) return
    this.taxonomy(term.taxonomy)
    if (term.parent) this.term(term.parent)
    const parent = this.there.terms.some((t) => t.id === term.parent) ? term.parent : null
    const among = new Set(this.there.terms.filter((t) => t.taxonomy === term.taxonomy).map((t) => t.slug))
    this.insert('terms', this.there.terms, {
      ...term,
      parent,
      slug: firstFree(term.slug, 60, (slug) => among.has(slug)),
    })
  }

  person(id: Id): void {
    const person = missing(this.there.people, this.carried.people, id)
    const among = new Set(this.there.people.map((p) => p.slug))
    if (person)
      this.insert('people', this.there.people, {
        ...person,
        slug: firstFree(person.slug, 60, (slug) => among.has(slug)),
      })
  }

  /** A field, in each page type that has it where it comes from; a type that is not here is created with all its own. */
  field(id: Id): void {
    for (const carried of this.carried.types) {
      const field = carried.fields.find((f) => f.id === id)
      if (!field) continue
      const at = this.there.types.findIndex((t) => t.id === carried.id)
      if (at < 0) this.type(carried.id)
      else this.addField(at, field)
    }
  }

  private addField(at: number, field: Field): void {
    const type = this.there.types[at]!
    if (type.fields.some((f) => f.id === field.id)) return
    if (field.of) this.type(field.of)
    this.edits.push({ kind: 'insert', at: ['types', type.id, 'fields'], index: type.fields.length, item: field })
    this.there.types[at] = { ...type, fields: [...type.fields, field] }
  }
}

/** What of a parcel can be created where it is missing. */
export const CREATABLE = ['type', 'taxonomy', 'term', 'person', 'field'] as const
export type Creatable = (typeof CREATABLE)[number]

/** The edits of a site's structure that create some things of a parcel, with what they need; none where all are there. */
export function creating(
  carried: CarriedStructure,
  here: CarriedStructure,
  wanted: Iterable<readonly [kind: Creatable, id: Id]>,
): PlainEdit[] {
  const made = new Creating(here, carried)
  for (const [kind, id] of wanted) made[kind](id)
  return made.edits
}
