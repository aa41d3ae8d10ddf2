import { propertiesOf } from '../elements'
import { paletteColour, type SiteStyle } from '../styles'
import { adaptLayout, type ImportChoice } from '../formats'
import { Trees } from '../layouts'
import type { Catalogue } from '../catalogue'
import type { Id, PageType } from '../model'
import {
  type Item,
  type Layout,
  type LayoutElement,
  type Row,
  type Styles,
  type TreeNode,
  type Value,
  withNewIds,
  type Property,
} from '../tree'
import type { Want } from './types'

/** Fits starters to a site: what they name is matched by kind and by what it is called. */

/** Something of this site that could stand for what a starter wants. */
export interface Offer {
  id: Id
  label: string
}

/** What stands for a want: `id` as it was found or chosen, null where there is nothing; and what else could. */
export interface Match {
  want: Want
  id: Id | null
  offers: readonly Offer[]
}

const called = (offer: Offer): string => `${offer.id} ${offer.label}`.toLowerCase()

/** The likeliest of some offers by what it is called; where the want takes any, the first that nobody has. */
function likeliest({ names, ...want }: Want, offers: readonly Offer[], taken: ReadonlySet<Id>): Id | null {
  const free = offers.filter((o) => !taken.has(o.id))
  for (const name of names) {
    const found = free.find((o) => called(o).includes(name))
    if (found) return found.id
  }
  return 'any' in want && want.any ? (free[0]?.id ?? null) : null
}

function offersFor(want: Want, catalogue: Catalogue, type: PageType | null): Offer[] {
  switch (want.kind) {
    case 'field':
      return (type?.fields ?? []).filter((f) => want.kinds.includes(f.kind)).map(({ id, label }) => ({ id, label }))
    case 'menu':
      return [...catalogue.menus.values()].map(({ id, name }) => ({ id, label: name }))
    case 'type': {
      const entries = (id: Id) => catalogue.site.entries.filter((e) => e.type === id).length
      return [...catalogue.types.values()]
        .filter((t) => t.archive)
        .map((t) => ({ id: t.id, label: t.plural, count: entries(t.id) }))
        .sort((a, b) => b.count - a.count)
        .map(({ id, label }) => ({ id, label }))
    }
    case 'page':
      return catalogue.pages.filter((p) => p.kind === 'entry').map((p) => ({ id: p.key, label: p.title }))
  }
}

/**
 * What stands for what is wanted, over the content there is; fields are those of `type`. Nothing stands for two of the
 * same kind, and what asks for something by name goes before what takes any.
 */
export function matchesFor(wants: readonly Want[], catalogue: Catalogue, type: PageType | null): Match[] {
  const taken = new Map<Want['kind'], Set<Id>>()
  const found = new Map<Want, Id | null>()
  for (const want of [...wants].sort((a, b) => Number(a.names.length === 0) - Number(b.names.length === 0))) {
    const used = taken.get(want.kind) ?? new Set()
    const id = likeliest(want, offersFor(want, catalogue, type), used)
    if (id !== null) taken.set(want.kind, used.add(id))
    found.set(want, id)
  }
  return wants.map((want) => ({ want, id: found.get(want)!, offers: offersFor(want, catalogue, type) }))
}

const keyOf = ({ kind, id }: Want): string => (kind === 'page' ? `page entry:${id}` : `${kind} ${id}`)

const isNothing = (value: Value | undefined): boolean => value === undefined || value === null || value === ''

const isEssential = ([, { essential }]: [string, { essential?: true }]): boolean => essential === true

/** Whether an essential value is missing. */
const saysNothing = (props: Readonly<Record<string, Value>>, specs: Readonly<Record<string, Property>>): boolean =>
  Object.entries(specs)
    .filter(isEssential)
    .some(([name]) => isNothing(props[name]))

/** An element without what nothing was found for; null where nothing is left of it. */
function leftOf(element: LayoutElement): LayoutElement | null {
  const specs = propertiesOf(element)
  if (saysNothing(element.props, specs)) return null
  const props = { ...element.props }
  for (const [name, spec] of Object.entries(specs)) {
    if (spec.kind !== 'items' || !Object.entries(spec.of).some(isEssential)) continue
    const left = ((props[name] ?? []) as Item[]).filter((item) => !saysNothing(item.props, spec.of))
    if (left.length === 0) return null
    props[name] = left
  }
  return { ...element, props }
}

const isColour = (value: unknown): value is string => typeof value === 'string' && value.startsWith('@')

/** Looks without colours that the palette of this site does not have. Families and steps of size have marks of their own. */
function fitStyles(styles: Styles, lacks: (property: string, value: string) => boolean): Styles {
  const kept = Object.entries(styles).flatMap(([property, stepped]) => {
    const steps = Object.entries(stepped).filter(([, value]) => !isColour(value) || !lacks(property, value))
    return steps.length > 0 ? [[property, Object.fromEntries(steps)] as const] : []
  })
  return Object.fromEntries(kept)
}

const COLOURED = /colour|background|tint|gradientTo/i

function fitNode<N extends TreeNode>(node: N, house: SiteStyle): N | null {
  const palette = new Set(house.palette.map((c) => c.id))
  const lacks = (property: string, value: string) => COLOURED.test(property) && !palette.has(paletteColour(value).id)
  const own = { ...node, styles: fitStyles(node.styles, lacks) }
  const left = own.kind === 'element' ? leftOf(own) : own
  if (!left) return null
  if (!left.children) return left as N
  const children = (left.children as TreeNode[]).flatMap((child) => fitNode(child, house) ?? [])
  return { ...left, children } as N
}

const isEmpty = (row: Row): boolean => row.children.every((c) => c.children.length === 0)

/** A starter's layout as a layout of this site: by an id and a name, with what was found for what it wants. */
export function fitted(
  from: Layout,
  as: { id: Id; name: string },
  matches: readonly Match[],
  house: SiteStyle,
  newId: () => Id,
): Layout {
  const choices = Object.fromEntries(
    matches.map(({ want, id }): [string, ImportChoice] => [
      keyOf(want),
      id === null ? { do: 'drop' } : { do: 'use', id },
    ]),
  )
  const { children, ...rest } = adaptLayout(from, new Trees([from]), choices) as Layout
  const rows = children.flatMap((row) => fitNode(row, house) ?? []).filter((row) => !isEmpty(row))
  return { ...rest, ...as, children: rows.map((row) => withNewIds(row, newId)) }
}
