import { propertiesOf } from '../elements'
import { type FieldValue, type Layout, type TreeNode, elementsOf, isFieldValue, walk } from '../tree'
import { isRecord } from '../shape'
import { BUILT_IN, type Catalogue, type Id, type PageType, type RichNode, isRichDoc } from '../site'
import type { Finding } from './types'

/** Every field that a node names, wherever in its properties. */
export function fieldsNamed(node: TreeNode): FieldValue[] {
  const found: FieldValue[] = []
  const visit = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return
    if (isFieldValue(value)) found.push(value)
    Object.values(value).forEach(visit)
  }
  visit(node.props)
  return found
}

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
export function checkFields(layout: Layout, types: Iterable<PageType>, catalogue: Catalogue): Finding[] {
  const findings: Finding[] = []
  for (const type of types) {
    for (const node of walk(layout)) {
      for (const field of fieldsNamed(node)) {
        if (existsOn(field, type, catalogue)) continue
        const named = field.of === 'reference' ? (field.via ?? '') : field.field
        findings.push({ kind: 'missing-field', layout: layout.id, node: node.id, field: named, type: type.id })
      }
    }
  }
  return findings
}

interface Named {
  pages: string[]
  pictures: Id[]
}

/** Pages that links lead to and pictures that are shown, wherever in a value: also in running text and in fallbacks. */
function namedIn(value: unknown, isPicture: boolean, found: Named = { pages: [], pictures: [] }): Named {
  if (typeof value === 'string') {
    if (isPicture && value) found.pictures.push(value)
  } else if (isFieldValue(value)) namedIn(value.fallback, isPicture, found)
  else if (isRichDoc(value)) for (const node of value.content ?? []) namedInText(node, found)
  else if (isRecord(value) && typeof value.page === 'string') found.pages.push(value.page)
  return found
}

function namedInText(node: RichNode, found: Named): void {
  for (const { attrs } of node.marks ?? []) if (typeof attrs?.page === 'string') found.pages.push(attrs.page)
  if (node.type === 'field') namedIn(node.attrs?.value, false, found)
  for (const child of node.content ?? []) namedInText(child, found)
}

/** Menus, pictures, types, cards and pages that a layout names and that no longer exist. */
export function checkThings(layout: Layout, catalogue: Catalogue, cards: ReadonlySet<Id>): Finding[] {
  const findings: Finding[] = []
  for (const node of walk(layout)) {
    const specs = propertiesOf(node)
    for (const [name, spec] of Object.entries(specs)) {
      const value = node.props[name]
      const dangling = (what: Extract<Finding, { kind: 'dangling' }>['what'], exists: boolean, id = String(value)) => {
        if (!exists) findings.push({ kind: 'dangling', what, id, layout: layout.id, node: node.id })
      }
      if (value === undefined || value === null || value === '') continue
      if (spec.kind === 'menu') dangling('menu', catalogue.menus.has(String(value)))
      if (spec.kind === 'type') dangling('type', catalogue.types.has(String(value)))
      if (spec.kind === 'card') dangling('card', cards.has(String(value)))
      const { pages, pictures } = namedIn(value, spec.kind === 'picture')
      for (const page of new Set(pages)) dangling('page', catalogue.page(page) !== undefined, page)
      for (const id of new Set(pictures)) dangling('picture', catalogue.pictures.has(id), id)
    }
  }
  return findings
}

export interface GridUse {
  card: Id
  /** The page type whose newest entries it shows; null when it shows those of the page. */
  type: Id | null
}

/** The grids of a layout that draw a card layout. */
export function gridsOf(layout: Layout): GridUse[] {
  return elementsOf(layout).flatMap((e) => {
    if (e.type !== 'entry-grid' || typeof e.props.card !== 'string') return []
    const newest = e.props.source !== 'page' && typeof e.props.type === 'string'
    return [{ card: e.props.card, type: newest ? String(e.props.type) : null }]
  })
}

/** How many level-1 headings a layout holds. */
export function titlesIn(layout: Layout): number {
  return elementsOf(layout).filter((e) => e.type === 'heading' && e.props.level === '1').length
}

export function showsContent(layout: Layout): boolean {
  return elementsOf(layout).some(
    (e) => e.type === 'entry-content' || fieldsNamed(e).some((f) => f.of === 'page' && f.field === 'content'),
  )
}
