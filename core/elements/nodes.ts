import {
  BOX_PROPERTIES,
  ROW_PROPERTIES,
  type FieldValue,
  type LayoutElement,
  type Property,
  type Seeing,
  type TreeNode,
  type Value,
  seeProps,
} from '../tree'
import { type StyleProperty, stylePropertiesOn } from '../styles'
import { elementSpec } from './list'

const BOX_NAMES = { row: 'Row', column: 'Column' }

/** What something is, whatever it was named: Heading, Row, Column. */
export function kindName(node: TreeNode): string {
  if (node.kind === 'row' || node.kind === 'column') return BOX_NAMES[node.kind]
  const spec = elementSpec(node.type)
  return (node.kind === 'place' ? spec?.places?.one : spec?.name) ?? node.type
}

/** What something is called: by the name it was given, for a place by the words it is known by, else by what it is. */
export function nodeName(node: TreeNode): string {
  if (node.name) return node.name
  const named = node.kind === 'place' ? elementSpec(node.type)?.places?.named : undefined
  const words = named && node.props[named]
  return typeof words === 'string' && words ? words : kindName(node)
}

const NONE: Readonly<Record<string, Property>> = {}

/** The properties that something has besides its looks; none for an element that is not known. */
export function propertiesOf(node: TreeNode): Readonly<Record<string, Property>> {
  if (node.kind === 'row') return ROW_PROPERTIES
  if (node.kind === 'column') return BOX_PROPERTIES
  const spec = elementSpec(node.type)
  return (node.kind === 'place' ? spec?.places?.props : spec?.props) ?? NONE
}

/** The looks that something is asked about: those that it may have, and that suit what it is made of. */
export function looksAskedOf(node: TreeNode): StyleProperty[] {
  const madeOf = (node.kind === 'element' && elementSpec(node.type)?.madeOf) || ['words']
  const all = stylePropertiesOn(node.kind)
  return node.kind === 'element' ? all.filter((p) => !p.suits || madeOf.includes(p.suits)) : all.filter(rowsToo)
}

/** Rows and columns hold words, and no picture of their own that has a height. */
const rowsToo = (p: StyleProperty): boolean => p.suits !== 'pictures'

/** Shows everything that is in the values of something: see `Seeing`. */
export function seeNode(node: TreeNode, see: Seeing): void {
  seeProps(node.props, propertiesOf(node), see)
}

/** Whether a property is asked for, as its neighbours stand: some are about what another one says. */
export function isAskedFor(
  { asked }: Property,
  props: Readonly<Record<string, Value>>,
  specs: Readonly<Record<string, Property>>,
): boolean {
  if (!asked) return true
  const by = specs[asked.by]
  const said = props[asked.by] === undefined ? by?.default : props[asked.by]
  return asked.is.some((value) => value === said) && (!by || isAskedFor(by, props, specs))
}

/** Every field that something names, wherever in its values. */
export function fieldsNamed(node: TreeNode): FieldValue[] {
  const found: FieldValue[] = []
  seeNode(node, { field: (field) => found.push(field) })
  return found
}

/** The fields of the entries that something lists, wherever in its values. */
export function entryFieldsNamed(node: TreeNode): string[] {
  const found: string[] = []
  seeNode(node, { entryField: (field) => found.push(field) })
  return found
}

/** The properties of an element with the defaults of those that are not set. */
export function filledProps(element: LayoutElement): Record<string, Value> {
  const defaults = Object.entries(propertiesOf(element)).map(([name, p]) => [name, p.default as Value] as const)
  return { ...Object.fromEntries(defaults), ...element.props }
}
