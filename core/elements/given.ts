import { type Defaults, type LayoutElement, type LooksKey, type Styles, type TreeNode, defaultsKey } from '../tree'
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

/** What a sort is called: "Heading, 2". Null where a kind has no such sort. */
export function sortName(of: string): string | null {
  const { kind, sort } = kindInKey(of)
  const spec = elementSpec(kind)
  if (!spec || sort === null) return spec?.name ?? null
  const property = spec.sorts ? spec.props[spec.sorts] : undefined
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
