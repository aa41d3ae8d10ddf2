import {
  type Defaults,
  type Layout,
  type LayoutElement,
  type LooksKey,
  type WidthStep,
  type Styles,
  type TreeNode,
  defaultsKey,
  pathTo,
} from '../tree'
import { cascade } from '../styles'
import { elementSpec } from './list'

/** The sort of an element within its kind, where its spec tells sorts apart: a heading of level 2, an outlined button. */
export function sortOf(element: LayoutElement): string | null {
  const name = elementSpec(element.type)?.sorts
  if (!name) return null
  const value = element.props[name] ?? elementSpec(element.type)!.props[name]!.default
  return typeof value === 'string' && value ? `${element.type}.${value}` : null
}

/** The kind and the sort that a key of defaults begins with. */
export function kindInKey(of: string): { kind: string; sort: string | null } {
  const [kind = '', sort] = of.split('.')
  return { kind, sort: sort ?? null }
}

/**
 * What a sort is called: "Heading, 2". Null where a kind has no such sort; a named look may be any, and goes by what
 * `lookName` says of it.
 */
export function sortName(of: string, lookName: (id: string) => string = (id) => id): string | null {
  const { kind, sort } = kindInKey(of)
  const spec = elementSpec(kind)
  if (!spec || sort === null) return spec?.name ?? null
  const property = spec.sorts ? spec.props[spec.sorts] : undefined
  if (property?.kind === 'look') return `${spec.name}, ${lookName(sort).toLowerCase()}`
  const option = property?.kind === 'choice' ? property.options.find((o) => o.value === sort) : undefined
  return option ? `${spec.name}, ${property!.label.toLowerCase()} ${option.label.toLowerCase()}` : null
}

/** What a layout gives something by its kind, and over that by its sort. Undefined where it gives nothing. */
export function looksGiven(defaults: Defaults, node: TreeNode, at: LooksKey = ''): Styles | undefined {
  const kind = node.kind === 'element' ? node.type : node.kind
  const byKind = defaults[defaultsKey(kind, at)]
  const sort = node.kind === 'element' ? sortOf(node) : null
  const bySort = sort === null ? undefined : defaults[defaultsKey(sort, at)]
  return byKind && bySort ? cascade(byKind, bySort) : (bySort ?? byKind)
}

const WITHIN = new WeakMap<Defaults, WeakMap<Defaults, Defaults>>()

/**
 * What holds within a row or a column: what is given around it, and over that what it gives itself. What the nearer
 * one says of a kind goes before what the farther one says of a sort of it. The same two give the same object.
 */
export function givenWithin(around: Defaults, gives: Defaults | undefined): Defaults {
  if (!gives) return around
  let known = WITHIN.get(around)
  if (!known) WITHIN.set(around, (known = new WeakMap()))
  let both = known.get(gives)
  if (!both) known.set(gives, (both = laidOver(around, gives)))
  return both
}

function laidOver(around: Defaults, gives: Defaults): Defaults {
  const over: Defaults = { ...around }
  for (const key of new Set([...Object.keys(around), ...Object.keys(gives)])) {
    const [of = '', at] = key.split(' ')
    const { kind, sort } = kindInKey(of)
    const ofKind = sort === null || !around[key] ? undefined : gives[defaultsKey(kind, at)]
    over[key] = cascade(around[key], ofKind, gives[key])
  }
  return over
}

/** What is given to a thing where it stands: by its layout, and by the rows and columns that it stands in. */
export function givenTo(layout: Layout, id: string): Defaults {
  return pathTo(layout, id)
    .slice(0, -1)
    .reduce((given, node) => ('gives' in node ? givenWithin(given, node.gives) : given), layout.defaults)
}

/** The row or column nearest to a thing, or else the layout, that gives it a look at a width step. */
export function giverOf(
  layout: Layout,
  node: TreeNode,
  at: LooksKey,
  property: string,
  step: WidthStep,
): Extract<TreeNode, { kind: 'row' | 'column' }> | Layout {
  for (const box of pathTo(layout, node.id).slice(0, -1).reverse()) {
    if (!('gives' in box) || !box.gives) continue
    if (looksGiven(box.gives, node, at)?.[property]?.[step] !== undefined) return box
  }
  return layout
}
