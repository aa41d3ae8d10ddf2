import { elementSpec, kindInKey, nodeName, propertiesOf, sortName } from '../../elements'
import { type Layout, type LooksKey, type State, type TreeNode, find, looksOf } from '../../tree'

/** What the things that edits are about are called. */

export function nodeWords(node: TreeNode | undefined): string {
  if (!node) return 'something'
  return node.name || node.kind === 'element' ? nodeName(node) : node.kind
}

export const nameIn = (layout: Layout, id: string): string => nodeWords(find(layout, id)?.node)

/** A part or a state by its name: `label`, `link under the pointer`. */
export function looksWords(type: string, at: LooksKey): string {
  const { part, state } = looksOf(at)
  const label = part && (elementSpec(type)?.parts?.[part]?.label.toLowerCase() ?? part)
  return [label, state && STATE_NAMES[state]].filter(Boolean).join(' ')
}

const STATE_NAMES: Record<State, string> = {
  hover: 'under the pointer',
  focus: 'with the focus',
  current: 'where one is',
  disabled: 'out of reach',
}

export function looksName(layout: Layout, id: string, at: LooksKey): string {
  const node = find(layout, id)?.node
  return node?.kind === 'element' ? looksWords(node.type, at) : at
}

/** What one item of a property is called. */
export function itemName(layout: Layout, id: string, property: string): string {
  const node = find(layout, id)?.node
  const spec = node && propertiesOf(node)[property]
  return spec?.kind === 'items' ? spec.one.toLowerCase() : 'item'
}

export function propertyLabel(layout: Layout, id: string, property: string): string {
  const node = find(layout, id)?.node
  return (node && propertiesOf(node)[property]?.label) ?? property
}

/** What layouts say for all of a kind, by its key. */
export function defaultsName(key: string): string {
  const [of = '', at] = key.split(' ')
  const name = sortName(of) ?? of
  return at ? `${name} ${looksWords(kindInKey(of).kind, at)}` : name
}
