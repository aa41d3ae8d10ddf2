import { builtInField, isFieldTest } from '../conditions'
import { fieldsNamed, propertiesOf, seeNode } from '../elements'
import { type FieldValue, type NamedThing, type Property, type Value, elementsOf, walk } from '../tree'
import { BUILT_IN, type Catalogue, type Id, type PageType } from '../site'
import type { DrawnTree } from '../layouts'
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
      }
    }
  }
  return findings
}

/** Menus, pictures, types, cards and pages that a layout names, wherever in its values, and that no longer exist. */
export function checkThings(layout: DrawnTree, catalogue: Catalogue, cards: ReadonlySet<Id>): Finding[] {
  const exists: Record<NamedThing, (id: string) => boolean> = {
    menu: (id) => catalogue.menus.has(id),
    type: (id) => catalogue.types.has(id),
    picture: (id) => catalogue.pictures.has(id),
    card: (id) => cards.has(id),
  }
  const findings: Finding[] = []
  for (const node of walk(layout)) {
    const gone = new Map<string, Finding>()
    const dangling = (what: NamedThing | 'page', id: string) =>
      gone.set(`${what} ${id}`, { kind: 'dangling', what, id, layout: layout.id, node: node.id })
    seeNode(node, {
      page: (key) => void (catalogue.page(key) ?? dangling('page', key)),
      thing: (kind, id) => void (exists[kind](id) || dangling(kind, id)),
    })
    findings.push(...gone.values())
  }
  return findings
}

/** Whether a link leads nowhere yet; a field may still be empty on some page. */
const leadsNowhere = (value: Value | undefined, byDefault: Value): boolean => {
  const link = value === undefined ? byDefault : value
  return link === null || link === ''
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
  /** The page type whose newest entries it shows; null when it shows those of the page. */
  type: Id | null
}

/** The grids of a layout that draw a card layout. */
export function gridsOf(layout: DrawnTree): GridUse[] {
  return elementsOf(layout).flatMap((e) => {
    if (e.type !== 'entry-grid' || typeof e.props.card !== 'string') return []
    const newest = e.props.source !== 'page' && typeof e.props.type === 'string'
    return [{ card: e.props.card, type: newest ? String(e.props.type) : null }]
  })
}

/** How many level-1 headings a layout holds. */
export function titlesIn(layout: DrawnTree): number {
  return elementsOf(layout).filter((e) => e.type === 'heading' && e.props.level === '1').length
}

export function showsContent(layout: DrawnTree): boolean {
  return elementsOf(layout).some(
    (e) => e.type === 'entry-content' || fieldsNamed(e).some((f) => f.of === 'page' && f.field === 'content'),
  )
}
