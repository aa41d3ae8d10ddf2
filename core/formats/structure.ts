import { builtInField, isFieldTest, isTermTest } from '../conditions'
import { seeNode } from '../elements'
import type { DisplayRule } from '../design'
import { targetSpec } from '../targets'
import type { DrawnTree } from '../layouts'
import { BUILT_IN, type Catalogue, TERMS } from '../catalogue'
import { type Id, type Menu, type PageType, type Person, type Taxonomy, type Term, pagesOfItems } from '../model'
import { type FieldValue, walk } from '../tree'

/** What layouts and frames name of a site's content, and what of it travels with them to be created elsewhere. */

/** What is named: by its kind, and its id (a page by its key). `value` is one of a term, a person or an entry. */
export type Naming = (
  kind: 'page' | 'type' | 'taxonomy' | 'term' | 'person' | 'field' | 'picture' | 'menu' | 'value',
  id: string,
) => void

/** Page types, taxonomies, terms and people as they travel: without images, and people without ways to reach them. */
export interface CarriedStructure {
  types: PageType[]
  taxonomies: Taxonomy[]
  terms: Term[]
  people: Person[]
}

/** What a thing that is named is called where it comes from; `key` is its kind and its id. */
export interface CarriedName {
  key: string
  name: string
}

/** The taxonomy of a field that gives terms; null for any other field. */
export const taxonomyIn = (field: string): Id | null => (field.startsWith(TERMS) ? field.slice(TERMS.length) : null)

const BEHIND = { term: 'term', archive: 'type', person: 'person' } as const

/** The term, page type or person that a page is there for, by the page's key; null for any other page. */
export function behindPage(key: string): { kind: 'term' | 'type' | 'person'; id: Id } | null {
  const [, of, id] = /^(term|archive|person):(.+)$/.exec(key) ?? []
  return of && id ? { kind: BEHIND[of as keyof typeof BEHIND], id } : null
}

/** The field of an entry's own that a field value names; empty where it names none. */
export const ownField = ({ of, via = '', field }: FieldValue): Id =>
  of === 'reference' ? via : of === 'page' && !Object.hasOwn(BUILT_IN, field) && !taxonomyIn(field) ? field : ''

const seeEntryField = (field: string, see: Naming): void => {
  const taxonomy = taxonomyIn(field)
  if (taxonomy !== null) see('taxonomy', taxonomy)
  else if (field && !Object.hasOwn(BUILT_IN, field)) see('field', field)
}

/** Everything of a site's content that a layout names, wherever in its values and conditions. */
export function namedByTree(tree: DrawnTree, see: Naming): void {
  for (const node of walk(tree)) {
    seeNode(node, {
      page: (page) => see('page', page),
      thing: (kind, id) => {
        if (kind === 'type' || kind === 'picture' || kind === 'menu') see(kind, id)
      },
      field: (value) => {
        const own = ownField(value)
        const taxonomy = value.of === 'term' ? value.via : taxonomyIn(value.field)
        if (own) see('field', own)
        if (taxonomy) see('taxonomy', taxonomy)
      },
      entryField: (field) => seeEntryField(field, see),
      entryValue: (value) => see('value', value),
    })
    for (const asked of node.when ?? []) {
      if (isFieldTest(asked) && !builtInField(asked.field)) seeEntryField(asked.field, see)
      if (!isTermTest(asked)) continue
      see('taxonomy', asked.taxonomy)
      for (const term of asked.terms) see('term', term)
    }
  }
}

/** Everything of a site's content that a frame names. */
export function namedByFrame({ covers, except, offeredTo }: DisplayRule, see: Naming): void {
  for (const target of [...covers, ...except])
    targetSpec(target).exchange(target, (what, id) => {
      if (what === 'entry') see('page', `entry:${id}`)
      else if (what !== 'field' || !builtInField(id)) see(what, id)
      return id
    })
  for (const type of offeredTo) see('type', type)
}

/** Gathers what is named, with what that needs itself: a term its taxonomy and those above it, a type its taxonomies. */
class Gathered {
  readonly types = new Map<Id, PageType>()
  readonly taxonomies = new Map<Id, Taxonomy>()
  readonly terms = new Map<Id, Term>()
  readonly people = new Map<Id, Person>()
  readonly names = new Map<string, string>()

  constructor(private readonly catalogue: Catalogue) {}

  readonly see: Naming = (kind, id) => {
    const { catalogue } = this
    if (kind === 'type') this.type(catalogue.types.get(id))
    if (kind === 'taxonomy') this.taxonomy(catalogue.taxonomies.get(id))
    if (kind === 'term' || kind === 'value') this.term(catalogue.terms.get(id))
    if (kind === 'person' || kind === 'value') this.person(catalogue.people.get(id))
    if (kind === 'field')
      for (const type of catalogue.types.values()) if (type.fields.some((f) => f.id === id)) this.type(type)
    if (kind === 'page') this.page(id)
  }

  private page(key: string): void {
    const page = this.catalogue.page(key)
    if (!page) return
    this.names.set(`page ${key}`, page.title.slice(0, 500))
    // The page of an entry needs no page type: the entry does not come along.
    if (page.kind === 'archive' || page.kind === 'year' || page.kind === 'month')
      this.type(this.catalogue.types.get(page.type!))
    if (page.term) this.term(this.catalogue.terms.get(page.term))
  }

  private type(type: PageType | undefined): void {
    if (!type || this.types.has(type.id)) return
    this.types.set(type.id, type)
    for (const id of type.taxonomies) this.taxonomy(this.catalogue.taxonomies.get(id))
    for (const { of } of type.fields) if (of) this.type(this.catalogue.types.get(of))
  }

  private taxonomy(taxonomy: Taxonomy | undefined): void {
    if (taxonomy) this.taxonomies.set(taxonomy.id, taxonomy)
  }

  private term(term: Term | undefined): void {
    if (!term || this.terms.has(term.id)) return
    this.terms.set(term.id, { ...term, picture: null })
    this.taxonomy(this.catalogue.taxonomies.get(term.taxonomy))
    if (term.parent) this.term(this.catalogue.terms.get(term.parent))
  }

  private person(person: Person | undefined): void {
    if (!person) return
    const { phone: _, ...rest } = person
    this.people.set(person.id, { ...rest, mail: '', picture: null })
  }
}

/** What some layouts, frames and menus need of the site that they are from, and what things of it are called. */
export function structureFor(
  {
    trees,
    frames,
    menus = [],
  }: { trees: Iterable<DrawnTree>; frames: readonly DisplayRule[]; menus?: readonly Menu[] },
  catalogue: Catalogue,
): { structure: CarriedStructure; names: CarriedName[] } {
  const found = new Gathered(catalogue)
  for (const tree of trees) namedByTree(tree, found.see)
  for (const frame of frames) namedByFrame(frame, found.see)
  for (const { items } of menus) for (const page of pagesOfItems(items)) found.see('page', page)
  const { types, taxonomies, terms, people, names } = found
  return {
    structure: {
      types: [...types.values()],
      taxonomies: [...taxonomies.values()],
      // Those above come first, as they are created.
      terms: catalogue.site.terms.flatMap((t) => terms.get(t.id) ?? []),
      people: [...people.values()],
    },
    names: [...names].map(([key, name]) => ({ key, name })),
  }
}
