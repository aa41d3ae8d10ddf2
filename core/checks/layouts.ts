import { builtInField, isFieldTest, isTermTest } from '../conditions'
import { elementSpec, entryList, fieldsNamed, propertiesOf, seeNode } from '../elements'
import {
  type FieldValue,
  type LayoutElement,
  type NamedThing,
  type Property,
  type TreeNode,
  type Value,
  childrenOf,
  elementsOf,
  walk,
} from '../tree'
import { BUILT_IN, type Catalogue, TERMS, fieldKind, fieldLabel } from '../catalogue'
import type { Id, PageType } from '../model'
import type { Design } from '../design'
import type { DrawnTree } from '../layouts'
import { testFindings } from './frames'
import type { Finding } from './types'

function existsOn(field: FieldValue, type: PageType, catalogue: Catalogue): boolean {
  const own = (t: PageType | undefined, id: Id) => t?.fields.some((f) => f.id === id) ?? false
  if (field.of === 'site') return field.field === 'name' || field.field === 'tagline'
  if (field.of === 'visitor') return field.field === 'name' || field.field === 'role'
  if (field.of === 'term') return type.taxonomies.includes(field.via ?? '') && Object.hasOwn(BUILT_IN, field.field)
  if (field.of === 'person') return Object.hasOwn(BUILT_IN, field.field)
  if (field.of === 'reference') return own(type, field.via ?? '')
  if (field.field.startsWith('terms:')) return catalogue.taxonomies.has(field.field.slice('terms:'.length))
  return Object.hasOwn(BUILT_IN, field.field) || own(type, field.field)
}

/** Fields that a layout's elements name and that the page types on which it shows do not have. */
export function checkFields(layout: DrawnTree, types: Iterable<PageType>, catalogue: Catalogue): Finding[] {
  const findings: Finding[] = []
  for (const type of types) {
    for (const node of walk(layout)) {
      for (const field of fieldsNamed(node)) {
        if (existsOn(field, type, catalogue)) continue
        const named = field.of === 'reference' ? (field.via ?? '') : field.field
        findings.push({ kind: 'missing-field', layout: layout.id, node: node.id, field: named, type: type.id })
      }
      for (const test of (node.when ?? []).filter(isFieldTest)) {
        const own = builtInField(test.field) ?? type.fields.find((f) => f.id === test.field)
        if (!own)
          findings.push({ kind: 'missing-field', layout: layout.id, node: node.id, field: test.field, type: type.id })
        else findings.push(...testFindings(test, type.id, catalogue, { layout: layout.id, node: node.id }))
      }
    }
  }
  return findings
}

/** What of a design its layouts may name: cards, and the named looks of its house. */
export interface NamedOfDesign {
  cards: ReadonlySet<Id>
  pieces: ReadonlySet<Id>
  looks: ReadonlySet<Id>
}

export const namedOf = ({ layouts, house }: Pick<Design, 'layouts' | 'house'>): NamedOfDesign => ({
  cards: new Set(layouts.filter((l) => l.region === 'card').map((l) => l.id)),
  pieces: new Set(layouts.filter((l) => l.region === 'piece').map((l) => l.id)),
  looks: new Set(house.looks.map((look) => look.id)),
})

/** Menus, pictures, types, cards, looks and pages that a layout names, wherever in its values, and that no longer exist. */
export function checkThings(
  layout: DrawnTree,
  catalogue: Catalogue,
  { cards, looks, pieces }: NamedOfDesign,
): Finding[] {
  const exists: Record<NamedThing, (id: string) => boolean> = {
    menu: (id) => catalogue.menus.has(id),
    type: (id) => catalogue.types.has(id),
    picture: (id) => catalogue.pictures.has(id),
    card: (id) => cards.has(id),
    look: (id) => looks.has(id),
    piece: (id) => pieces.has(id),
  }
  const findings: Finding[] = []
  for (const node of walk(layout)) {
    const gone = new Map<string, Finding>()
    const dangling = (what: NamedThing | 'page' | 'field' | 'term' | 'person', id: string) =>
      gone.set(`${what} ${id}`, { kind: 'dangling', what, id, layout: layout.id, node: node.id })
    seeNode(node, {
      page: (key) => void (catalogue.page(key) ?? dangling('page', key)),
      thing: (kind, id) => void (exists[kind](id) || dangling(kind, id)),
      entryField: (id) => void (fieldLabel(catalogue, { of: 'page', field: id }) ?? dangling('field', id)),
    })
    for (const [what, id] of askedFor(node, catalogue)) dangling(what, id)
    if (node.look && !looks.has(node.look)) dangling('look', node.look)
    findings.push(...gone.values())
  }
  return findings
}

/** Terms and people that the conditions of a thing, or of the list that it is, ask for, and that are there no more. */
function askedFor(node: TreeNode, catalogue: Catalogue): ['term' | 'person', Id][] {
  const asked = (node.when ?? []).filter(isTermTest).flatMap((test) => test.terms)
  const gone = asked.filter((id) => !catalogue.terms.has(id)).map((id): ['term', Id] => ['term', id])
  return [...gone, ...askedByList(node, catalogue)]
}

function askedByList(node: TreeNode, catalogue: Catalogue): ['term' | 'person', Id][] {
  if (node.kind !== 'element' || node.type !== entryList.type || !Array.isArray(node.props.where)) return []
  return node.props.where.flatMap(({ props: { field, value } }): ['term' | 'person', Id][] => {
    if (typeof field !== 'string' || typeof value !== 'string' || value === '') return []
    if (field.startsWith(TERMS)) return catalogue.terms.has(value) ? [] : [['term', value]]
    const isPerson = fieldKind(catalogue, { of: 'page', field }) === 'person'
    return isPerson && !catalogue.people.has(value) ? [['person', value]] : []
  })
}

/** Whether a link leads nowhere yet; a field may still be empty on some page. */
const leadsNowhere = (value: Value | undefined, byDefault: Value): boolean => {
  const link = value === undefined ? byDefault : value
  return link === null || link === ''
}

/** Questions that stand in no form, and forms that stand in another one; what a piece holds may stand in one elsewhere. */
export function checkForms(layout: DrawnTree): Finding[] {
  if (layout.region === 'piece') return []
  const findings: Finding[] = []
  const look = (node: DrawnTree | TreeNode, inForm: boolean): void => {
    const form = node.kind === 'element' ? elementSpec(node.type)?.form : undefined
    const because = form === 'in' && !inForm ? 'no-form' : form === 'is' && inForm ? 'in-form' : null
    if (because) findings.push({ kind: 'outside-form', layout: layout.id, node: (node as TreeNode).id, because })
    for (const child of childrenOf(node)) look(child, inForm || form === 'is')
  }
  look(layout, false)
  return findings
}

/** Links that were left open: what they belong to has words, and is left out for visitors. */
export function checkOpenLinks(layout: DrawnTree): Finding[] {
  const findings: Finding[] = []
  for (const node of walk(layout)) {
    const open = (specs: Readonly<Record<string, Property>>, props: Readonly<Record<string, Value>>): void => {
      for (const [name, spec] of Object.entries(specs)) {
        const value = props[name]
        if (spec.kind === 'items' && Array.isArray(value)) for (const item of value) open(spec.of, item.props)
        if (spec.kind !== 'link' || !spec.open || !leadsNowhere(value, spec.default)) continue
        const label = props.label ?? specs.label?.default
        if (label) findings.push({ kind: 'open-link', layout: layout.id, node: node.id, words: wordsOf(label) })
      }
    }
    open(propertiesOf(node), node.props)
  }
  return findings
}

const wordsOf = (label: Value): string => (typeof label === 'string' ? label : '')

export interface GridUse {
  card: Id
  /** The page type whose entries it shows; null when it shows those of the page, or such as the page says. */
  type: Id | null
}

/** The properties of an element that name a card layout. */
const cardsOf = (type: string): string[] =>
  Object.entries(elementSpec(type)?.props ?? {}).flatMap(([name, { kind }]) => (kind === 'card' ? [name] : []))

/** The lists of a layout that draw a card layout, once for each page type that they show. */
export function gridsOf(layout: DrawnTree): GridUse[] {
  return elementsOf(layout).flatMap((e) => {
    if (e.type !== entryList.type) return []
    const types = (e.props.source ?? 'newest') === 'newest' ? typesListed(e) : [null]
    const cards = cardsOf(e.type).flatMap((name) => (typeof e.props[name] === 'string' ? [e.props[name]] : []))
    return cards.flatMap((card) => types.map((type) => ({ card, type })))
  })
}

/** The page types that a list names; null where it names none. */
function typesListed({ props }: LayoutElement): (Id | null)[] {
  const more = Array.isArray(props.types) ? props.types.map((item) => item.props.type) : []
  const types = [props.type, ...more].filter((t): t is Id => typeof t === 'string' && t !== '')
  return types.length > 0 ? types : [null]
}

/** How many level-1 headings a layout holds. */
export function titlesIn(layout: DrawnTree): number {
  return elementsOf(layout).filter((e) => elementSpec(e.type)?.titles?.(e)).length
}

export function showsContent(layout: DrawnTree): boolean {
  return elementsOf(layout).some(
    (e) => e.type === 'entry-content' || fieldsNamed(e).some((f) => f.of === 'page' && f.field === 'content'),
  )
}
