import { nanoid } from 'nanoid'
import { type Uses, type Used, usesOf } from '#core/checks'
import type { PlainEdit } from '#core/edits'
import {
  insertTerm,
  moveTerm,
  newField,
  newPageType,
  newPerson,
  newTaxonomy,
  newTerm,
  removeTaxonomy,
  removeTerm,
  type Id,
  type PageType,
  type Person,
  type OutlinePosition,
  type Taxonomy,
  type Term,
} from '#core/model'
import { type Field, type FieldKind, hasChoices } from '#core/fields'
import { and, counted } from '#core/text'
import { useDesign } from '~/stores/design'
import { useSite } from '~/stores/site'
import { useStructure } from '~/stores/structure'

/** What a hand does to page types, fields and taxonomies; each is one edit, and one step of undo. */
export function useStructureEdits() {
  const structure = useStructure()
  const site = useSite()
  const design = useDesign()
  const types = computed(() => structure.document?.types ?? [])
  const taxonomies = computed(() => structure.document?.taxonomies ?? [])
  const terms = computed(() => structure.document?.terms ?? [])
  const people = computed(() => structure.document?.people ?? [])
  const slugs = () => new Set([...types.value, ...taxonomies.value].map((t) => t.slug))

  /** Makes a page type and gives its id; null when it was refused. */
  function addType(name: string, plural: string): Id | null {
    const item = newPageType(name, plural, new Set(types.value.map((t) => t.id)), slugs())
    return structure.apply({ kind: 'insert', at: ['types'], index: types.value.length, item }) ? item.id : null
  }
  function addTaxonomy(name: string, plural: string): Id | null {
    const item = newTaxonomy(name, plural, new Set(taxonomies.value.map((t) => t.id)), slugs())
    const index = taxonomies.value.length
    return structure.apply({ kind: 'insert', at: ['taxonomies'], index, item }) ? item.id : null
  }
  function addField(type: PageType, label: string, kind: FieldKind): Id | null {
    const item = newField(label, kind, new Set(type.fields.map((f) => f.id)))
    const at = ['types', type.id, 'fields']
    return structure.apply({ kind: 'insert', at, index: type.fields.length, item }) ? item.id : null
  }

  /** Sets a value, or takes it away where it is undefined. */
  const set = (at: string[], value: unknown) =>
    structure.apply(value === undefined ? { kind: 'set', at, unset: true } : { kind: 'set', at, value })
  const setType = (type: PageType, key: keyof PageType, value: unknown) => set(['types', type.id, key], value)
  const setTaxonomy = (taxonomy: Taxonomy, key: keyof Taxonomy, value: unknown) =>
    set(['taxonomies', taxonomy.id, key], value)
  const setField = (type: PageType, field: Field, key: keyof Field, value: unknown) =>
    set(['types', type.id, 'fields', field.id, key], value)

  /** Another kind takes with it what only the kind before had. */
  function setKind(type: PageType, field: Field, kind: FieldKind): void {
    const at = ['types', type.id, 'fields', field.id]
    const item: Field = { id: field.id, label: field.label, kind }
    if (field.help) item.help = field.help
    if (field.required) item.required = true
    // What was chosen among is kept: values that were chosen are told by it.
    if (hasChoices(kind)) item.choices = field.choices ?? []
    else if (field.choices?.length) item.choices = field.choices
    structure.apply({ kind: 'set', at, value: item })
  }

  function moveBy(at: string[], items: readonly { id: Id }[], id: Id, by: number): boolean {
    const index = items.findIndex((i) => i.id === id) + by
    if (index < 0 || index >= items.length) return false
    return structure.apply({ kind: 'move', at, id, index } satisfies PlainEdit)
  }
  /** Takes something away, with what goes with it. */
  function remove(at: string[], id: Id): boolean {
    const edit = at[0] === 'taxonomies' ? removeTaxonomy(structure.document!, id) : null
    return structure.apply(edit ?? { kind: 'remove', at, id })
  }

  /** Makes a term at a spot among those of its taxonomy and gives its id; null when it was refused. */
  function addTerm(taxonomy: Id, title: string, spot: OutlinePosition): Id | null {
    const term = newTerm(structure.document!, taxonomy, title, nanoid(10))
    return structure.apply(insertTerm(structure.document!, term, spot)) ? term.id : null
  }
  /** The address of a term follows its first title: until it has one, it is `term`. */
  function nameTerm(term: Term, title: string): boolean {
    const edits: PlainEdit[] = [{ kind: 'set', at: ['terms', term.id, 'title'], value: title }]
    if (term.title === '') {
      const { slug } = newTerm(structure.document!, term.taxonomy, title)
      edits.push({ kind: 'set', at: ['terms', term.id, 'slug'], value: slug })
    }
    return structure.apply(edits.length === 1 ? edits[0]! : { kind: 'batch', label: 'name a term', edits })
  }
  const setTerm = (term: Term, key: keyof Term, value: unknown) => set(['terms', term.id, key], value)
  const placeTerm = (id: Id, spot: OutlinePosition) => structure.apply(moveTerm(structure.document!, id, spot))
  const takeTerm = (id: Id) => structure.apply(removeTerm(structure.document!, id))

  function addPerson(name: string): Id | null {
    const item = newPerson(structure.document!, name)
    const index = people.value.length
    return structure.apply({ kind: 'insert', at: ['people'], index, item }) ? item.id : null
  }
  const setPerson = (person: Person, key: keyof Person, value: unknown) => set(['people', person.id, key], value)

  const uses = (used: Used): Uses => usesOf(used, design.design, site.catalogue!)

  /** What would miss it, in words; empty where nothing would. */
  function usesWords({ layouts, frames, menus, entries }: Uses): string {
    const parts = [
      entries && counted(entries, 'entry', 'entries'),
      layouts.length && counted(layouts.length, 'layout'),
      frames.length && counted(frames.length, 'frame'),
      menus.length && counted(menus.length, 'menu'),
    ].filter((p): p is string => !!p)
    return and(parts)
  }

  return {
    types,
    taxonomies,
    terms,
    people,
    addTerm,
    nameTerm,
    setTerm,
    placeTerm,
    takeTerm,
    addPerson,
    setPerson,
    addType,
    addTaxonomy,
    addField,
    setType,
    setTaxonomy,
    setField,
    setKind,
    moveBy,
    remove,
    uses,
    usesWords,
  }
}
