import { type RenamedIds, renamedSetting } from '../layouts'
import { propertiesOf, ELEMENTS } from '../elements'
import type { DisplayRule } from '../design'
import type { Id } from '../model'
import { type NamedLook, styleProperty, paletteColour, paletteName } from '../styles'
import {
  type Change,
  type LayoutDocument,
  type Property,
  type StyleValue,
  type Styles,
  type TreeNode,
  type Value,
  isVariation,
  rewriteProps,
} from '../tree'
import type { Parcel } from './parcel'

/** Things of a parcel under other ids, so that they come beside what is here: with all that names them. */

/** What a thing is called then; the same where it keeps its id. */
type Renamed = (what: 'layout' | 'look' | 'colour', id: Id) => Id

function renamedStyleValue<V extends StyleValue | null>(property: string, value: V, to: Renamed): V | string {
  const names = styleProperty(property)?.ask.kind === 'colour' && typeof value === 'string' && value.startsWith('@')
  if (!names) return value
  const { id, opacity } = paletteColour(value)
  return paletteName(to('colour', id), opacity)
}

const renamedStyles = (styles: Styles, to: Renamed): Styles =>
  Object.fromEntries(
    Object.entries(styles).map(([name, stepped]) => [
      name,
      Object.fromEntries(Object.entries(stepped).map(([step, v]) => [step, renamedStyleValue(name, v, to)])),
    ]),
  )

const renamedLooks = <K extends string>(looks: Readonly<Record<K, Styles>>, to: Renamed): Record<K, Styles> =>
  Object.fromEntries(Object.entries<Styles>(looks).map(([key, styles]) => [key, renamedStyles(styles, to)])) as Record<
    K,
    Styles
  >

type Props = Record<string, Value>

/** Values with the named looks said that are had where nothing is: those that go by another id then. */
function withLooksSaid(props: Props, specs: Readonly<Record<string, Property>>, to: Renamed): Props {
  const said: Props = {}
  for (const [name, spec] of Object.entries(specs)) {
    const value = props[name]
    if (spec.kind === 'look' && value === undefined && to('look', spec.default) !== spec.default)
      said[name] = spec.default
    if (spec.kind === 'items' && Array.isArray(value))
      said[name] = value.map((item) => ({ ...item, props: withLooksSaid(item.props, spec.of, to) }))
  }
  return { ...props, ...said }
}

function renamedNode<N extends TreeNode>(node: N, to: Renamed): N {
  const thing = (kind: string, id: Id): Id =>
    kind === 'card' || kind === 'piece' ? to('layout', id) : kind === 'look' ? to('look', id) : id
  const specs = propertiesOf(node)
  const fills = node.kind === 'element' && node.fills?.map((fill) => renamedSetting(fill, idsOf(to)))
  const own = {
    ...node,
    props: rewriteProps(withLooksSaid(node.props, specs, to), specs, { thing }),
    styles: renamedStyles(node.styles, to),
    ...(node.look && { look: to('look', node.look) }),
    ...(node.kind === 'element' && node.looks && { looks: renamedLooks(node.looks, to) }),
    ...('gives' in node && node.gives && { gives: renamedLooks(node.gives, to) }),
    ...(fills && { fills }),
  }
  if (!node.children) return own
  return { ...own, children: (node.children as TreeNode[]).map((child) => renamedNode(child, to)) }
}

/** Properties that hold the id of a layout or of a saved style, by their names: of elements and of the items in them. */
const NAMED_BY: ReadonlyMap<string, 'layout' | 'look'> = new Map(
  ELEMENTS.flatMap(({ props }) => [props, ...Object.values(props).flatMap((p) => (p.kind === 'items' ? [p.of] : []))])
    .flatMap((specs) => Object.entries(specs))
    .flatMap(([name, { kind }]): [string, 'layout' | 'look'][] => {
      if (kind === 'card' || kind === 'piece') return [[name, 'layout']]
      return kind === 'look' ? [[name, 'look']] : []
    }),
)

function renamedOne(property: string, value: Value, to: Renamed): Value {
  const names = NAMED_BY.get(property)
  return names && typeof value === 'string' ? to(names, value) : value
}

/** A value that is set, also one that is a list of items. */
function renamedValue(property: string, value: Value, to: Renamed): Value {
  if (!Array.isArray(value)) return renamedOne(property, value, to)
  return value.map((item) => ({
    ...item,
    props: Object.fromEntries(Object.entries(item.props).map(([name, one]) => [name, renamedOne(name, one, to)])),
  }))
}

/** What edits name, by its new ids. */
const idsOf = (to: Renamed): RenamedIds => ({
  look: (id) => to('look', id),
  style: (property, value) => renamedStyleValue(property, value, to),
  value: (property, value) => renamedValue(property, value, to),
})

/** An own change; `from` and `as` are the ids of the variation, which is what its outermost things stand in. */
function renamedChange(change: Change, from: Id, as: Id, to: Renamed): Change {
  if (change.kind === 'set') return { ...change, edit: renamedSetting(change.edit, idsOf(to)) }
  if (change.kind !== 'put' && change.kind !== 'move') return change
  const parent = change.parent === from ? as : change.parent
  return change.kind === 'put' ? { ...change, parent, node: renamedNode(change.node, to) } : { ...change, parent }
}

/** A layout by another id, if it is one of those that get one, and with the others named as they are called then. */
export function renamedLayout(layout: LayoutDocument, to: Renamed): LayoutDocument {
  const id = to('layout', layout.id)
  if (!isVariation(layout)) {
    const children = layout.children.map((row) => renamedNode(row, to))
    return { ...layout, id, defaults: renamedLooks(layout.defaults, to), children }
  }
  const changes = layout.follows.changes.map((change) => renamedChange(change, layout.id, id, to))
  return { ...layout, id, follows: { base: to('layout', layout.follows.base), changes } }
}

function renamedFrame(frame: DisplayRule, id: Id, to: Renamed): DisplayRule {
  const regions = Object.entries(frame.regions).map(([region, say]) => [
    region,
    say.kind === 'use' ? { ...say, layout: to('layout', say.layout) } : say,
  ])
  return { ...frame, id, regions: Object.fromEntries(regions) as DisplayRule['regions'] }
}

const renamedLook = (look: NamedLook, to: Renamed): NamedLook => ({
  ...look,
  id: to('look', look.id),
  styles: renamedStyles(look.styles, to),
  looks: renamedLooks(look.looks, to),
})

/**
 * A parcel of which some things (`layout ID`, `frame ID`, `look ID`, `colour ID`) come beside those that are here, under
 * ids by `newId` and names that say where they are from.
 */
export function beside(parcel: Parcel, both: ReadonlySet<string>, newId: () => Id): Parcel {
  const { layouts, looks = [], colours = [] } = parcel
  const all = [
    ...layouts.map((l) => `layout ${l.id}`),
    ...looks.map((l) => `look ${l.id}`),
    ...colours.map((c) => `colour ${c.id}`),
  ]
  const ids = new Map(all.filter((key) => both.has(key)).map((key) => [key, newId()]))
  const to: Renamed = (what, id) => ids.get(`${what} ${id}`) ?? id
  const named = (name: string, most: number) => `${name.slice(0, most - 30)}, ${parcel.from}`.slice(0, most)
  const called = <T extends { id: Id; name: string }>(was: T, is: T, most: number): T =>
    was.id === is.id ? is : { ...is, name: named(was.name, most) }
  return {
    ...parcel,
    layouts: layouts.map((layout) => called(layout, renamedLayout(layout, to), 120)),
    frames: parcel.frames.map((f) => renamedFrame(f, both.has(`frame ${f.id}`) ? newId() : f.id, to)),
    ...(parcel.looks && { looks: looks.map((look) => called(look, renamedLook(look, to), 60)) }),
    ...(parcel.colours && { colours: colours.map((c) => called(c, { ...c, id: to('colour', c.id) }, 60)) }),
  }
}
