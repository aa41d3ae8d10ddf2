import { propertiesOf } from '../elements'
import type { Design } from '../design'
import { treesOf } from '../layouts'
import { type SiteStyle, type NamedLook, ownFamily, styleProperty, paletteColour } from '../styles'
import { type Layout, type Property, type Styles, type TreeNode, type Value, walk } from '../tree'
import type { Id } from '../model'
import type { Finding } from './types'

/** Something of the house style that looks go by: a colour of its palette, a family, a named look. */
export type OfHouse = `colour ${Id}` | `family ${string}` | `look ${Id}`

/** What looks name of the house; families that ship are named by their names, those of one's own with `+`. */
function namedBy(styles: Styles): OfHouse[] {
  return Object.entries(styles).flatMap(([name, stepped]) => {
    const kind = styleProperty(name)?.ask.kind
    if (kind !== 'colour' && kind !== 'family') return []
    return Object.values(stepped).flatMap((value): OfHouse[] => {
      const words = String(value)
      return kind === 'colour' ? ofColour(words) : words.startsWith('@') ? [] : [`family ${words}`]
    })
  })
}

/** What a named look takes from the palette and the families. */
export const namedByLook = ({ styles, looks }: NamedLook): OfHouse[] => [...namedBy(styles), ...allOf(looks)]

const allOf = (looks: Readonly<Record<string, Styles>> = {}): OfHouse[] => Object.values(looks).flatMap(namedBy)

function namedByNode(node: TreeNode): OfHouse[] {
  const found = namedBy(node.styles)
  if (node.kind === 'element') found.push(...allOf(node.looks))
  if ('gives' in node) found.push(...allOf(node.gives))
  found.push(...looksNamed(node.props, propertiesOf(node)))
  if (node.look) found.push(`look ${node.look}`)
  return found
}

/** The ids of the named looks that a thing has, or gives what it is made of. */
export const looksNamedBy = (node: TreeNode): Id[] =>
  looksNamed(node.props, propertiesOf(node)).map((named) => named.slice('look '.length))

/** Named looks that values have, or would have if nothing is said. */
function looksNamed(props: Readonly<Record<string, Value>>, specs: Readonly<Record<string, Property>>): OfHouse[] {
  return Object.entries(specs).flatMap(([name, spec]): OfHouse[] => {
    const value = props[name]
    if (spec.kind === 'look') return [`look ${typeof value === 'string' ? value : spec.default}`]
    if (spec.kind !== 'items' || !Array.isArray(value)) return []
    return value.flatMap((item) => looksNamed(item.props, spec.of))
  })
}

/** What a layout takes from the house. */
export function namedByLayout(layout: Layout): Set<OfHouse> {
  return new Set([...allOf(layout.defaults), ...[...walk(layout)].flatMap(namedByNode)])
}

const ofColour = (colour: string | undefined): OfHouse[] =>
  colour?.startsWith('@') ? [`colour ${paletteColour(colour).id}`] : []

/** What the house style itself takes from its palette and its families, its named looks included. */
function namedByHouse(house: SiteStyle): Set<OfHouse> {
  const { ink, paper, links, fields, tables, quotes } = house
  const said = [ink, paper, links.colour, links.hover, links.visited, fields.background, fields.colour, fields.edge]
  const families = [house.headingFamily, house.textFamily, house.interfaceFamily]
  return new Set([
    ...[...said, tables.edge, tables.head, tables.stripe, quotes.edge].flatMap(ofColour),
    ...families.map((name): OfHouse => `family ${name}`),
    ...house.looks.flatMap(namedByLook),
  ])
}

/** Where the things of a house style are used. */
export interface HouseUses {
  layouts: ReadonlyMap<OfHouse, readonly Id[]>
  /** Used by the house itself: for text, links, fields, and in its named looks. */
  house: ReadonlySet<OfHouse>
}

/** Where everything of the house style is used, over all layouts. */
export function houseUses({ layouts, house }: Pick<Design, 'layouts' | 'house'>): HouseUses {
  const found = new Map<OfHouse, Id[]>()
  const trees = treesOf({ layouts })
  for (const layout of layouts)
    for (const named of namedByLayout(trees.of(layout).tree)) found.set(named, [...(found.get(named) ?? []), layout.id])
  return { layouts: found, house: namedByHouse(house) }
}

/** A colour or a family that a house does not have any more, as it is told; null where it has it, and for looks, which are told by what has them. */
function gone(house: SiteStyle, named: OfHouse): { what: 'colour' | 'family'; id: string } | null {
  const [what = '', id = ''] = named.split(/ (.*)/s)
  if (what === 'colour') return house.palette.some((c) => c.id === id) ? null : { what, id }
  if (what !== 'family' || !id.startsWith('+')) return null
  return house.fonts.some((f) => ownFamily(f.id) === id) ? null : { what, id }
}

/** Colours and families that layouts name and that the house style does not have any more: they are drawn as if unset. */
export function checkHouse({ layouts, house }: Pick<Design, 'layouts' | 'house'>): Finding[] {
  const tell = (named: Iterable<OfHouse>, where: { layout?: Id }): Finding[] =>
    [...named].flatMap((one) => {
      const lost = gone(house, one)
      return lost ? [{ kind: 'dangling' as const, ...lost, ...where }] : []
    })
  const trees = treesOf({ layouts })
  return [
    ...layouts.flatMap((l) => tell(namedByLayout(trees.of(l).tree), { layout: l.id })),
    ...tell(namedByHouse(house), {}),
  ]
}
