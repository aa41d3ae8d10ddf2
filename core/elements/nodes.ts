import { BOX_PROPERTIES, type LayoutElement, type Property, type TreeNode, type Value } from '../tree'
import { elementSpec } from './list'

const BOX_NAMES = { row: 'Row', column: 'Column' }

/** What something is, whatever it was named: Heading, Row, Column. */
export function kindName(node: TreeNode): string {
  return node.kind === 'element' ? (elementSpec(node.type)?.name ?? node.type) : BOX_NAMES[node.kind]
}

/** What something is called: by the name it was given, else by what it is. */
export const nodeName = (node: TreeNode): string => node.name ?? kindName(node)

/** The properties that a row, column or element has besides its looks; none for an element that is not known. */
export function propertiesOf(node: TreeNode): Readonly<Record<string, Property>> {
  return node.kind === 'element' ? (elementSpec(node.type)?.props ?? {}) : BOX_PROPERTIES
}

/** The properties of an element with the defaults of those that are not set. */
export function filledProps(element: LayoutElement): Record<string, Value> {
  const defaults = Object.entries(propertiesOf(element)).map(([name, p]) => [name, p.default as Value] as const)
  return { ...Object.fromEntries(defaults), ...element.props }
}
