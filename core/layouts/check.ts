import { type ElementSpec, elementSpec, kindName, propertiesOf, refuseMeaning } from '../elements'
import { type Problem, problem } from '../problems'
import { isRecord, refuse, shown } from '../shape'
import {
  type Layout,
  type LayoutElement,
  type LooksKey,
  MOST_NODES,
  type Property,
  type Row,
  type Styles,
  type TreeNode,
  type Value,
  childrenOf,
  layoutShape,
  looksOf,
} from '../tree'
import { type Owner, refuseStyle, styleProperty } from '../styles'

export const MOST_DEPTH = 4

const OWNERS: readonly string[] = ['row', 'column', 'place']

interface Findings {
  layout: Layout
  problems: Problem[]
  ids: Set<string>
  once: Set<string>
  count: number
}

function checkStyles(styles: Styles, owner: Owner, name: string, problems: Problem[]): void {
  for (const key in styles) {
    const property = styleProperty(key)
    if (!property?.on.includes(owner)) {
      problems.push(problem('style-unknown', { property: key, owner: name }))
      continue
    }
    for (const value of Object.values(styles[key]!)) {
      const why = refuseStyle(property, value)
      if (why) problems.push(problem('style-value', { label: property.label, why }))
    }
  }
}

function checkProps(
  props: Record<string, Value>,
  specs: Record<string, Property>,
  owner: string,
  into: Problem[],
): void {
  for (const key in props) {
    const spec = Object.hasOwn(specs, key) ? specs[key] : undefined
    const why = spec && refuseMeaning(spec, props[key]!)
    if (!spec) into.push(problem('property-unknown', { owner, property: key }))
    else if (why) into.push(problem('property-value', { label: spec.label, why }))
  }
}

function checkElement(element: LayoutElement, spec: ElementSpec, found: Findings): void {
  const { region } = found.layout
  const { problems } = found
  if (spec.regions && !spec.regions.includes(region))
    problems.push(problem('element-region', { name: spec.name, region }))
  if (spec.once && found.once.has(spec.type)) problems.push(problem('element-once', { name: spec.name }))
  found.once.add(spec.type)
  checkProps(element.props, spec.props, spec.name, problems)
  for (const [at, styles] of Object.entries(element.looks ?? {})) {
    const why = refuseLooksOf(spec, at)
    if (why) problems.push(why)
    else checkStyles(styles, looksOf(at).part ? 'part' : 'element', spec.name, problems)
  }
  for (const part of element.hides ?? []) {
    if (partOf(spec, part)?.hides === false || !partOf(spec, part))
      problems.push(problem('part-unknown', { owner: spec.name, part }))
  }
  checkPlaces(element, spec, problems)
}

const partOf = (spec: ElementSpec, part: string) =>
  spec.parts && Object.hasOwn(spec.parts, part) ? spec.parts[part] : undefined

/** Why an element of a kind has no looks of a part or a state; null when it has. */
function refuseLooksOf(spec: ElementSpec, at: LooksKey): Problem | null {
  const { part, state } = looksOf(at)
  const owner = part ? partOf(spec, part) : spec
  if (owner && (state === null ? part !== '' : owner.states?.includes(state))) return null
  return problem('part-unknown', { owner: spec.name, part: at })
}

function checkPlaces({ children = [] }: LayoutElement, { name, places }: ElementSpec, problems: Problem[]): void {
  const [least, most] = places ? [places.least, places.most] : [0, 0]
  if (children.length < least || children.length > most)
    problems.push(problem('places-number', { owner: name, least, most, count: children.length }))
}

function checkSpans(row: Row): Problem[] {
  if (row.children.length === 0) return [problem('row-empty')]
  const wrong = row.children.find(({ span }) => !Number.isInteger(span) || span < 1 || span > 12)
  if (wrong !== undefined) return [problem('span-form', { span: String(wrong.span) })]
  const sum = row.children.reduce((a, c) => a + c.span, 0)
  return sum === 12 ? [] : [problem('spans-sum', { sum })]
}

function checkNode(node: TreeNode, depth: number, found: Findings): void {
  const { problems } = found
  found.count++
  if (found.ids.has(node.id)) problems.push(problem('id-taken', { id: node.id }))
  found.ids.add(node.id)
  checkStyles(node.styles, node.kind, kindName(node), problems)
  if (node.kind === 'element') {
    const spec = elementSpec(node.type)
    if (spec) checkElement(node, spec, found)
    else problems.push(problem('element-unknown', { type: node.type }))
  } else checkProps(node.props, propertiesOf(node), `A ${kindName(node).toLowerCase()}`, problems)
  if (node.kind === 'row') problems.push(...checkSpans(node))
  const below = node.kind === 'row' ? depth + 1 : depth
  if (below > MOST_DEPTH) problems.push(problem('too-deep', { most: MOST_DEPTH }))
  else for (const child of childrenOf(node)) checkChild(node, child, below, found)
}

/** A place stands only in an element of its own type. */
function checkChild(parent: TreeNode, child: TreeNode, depth: number, found: Findings): void {
  if (child.kind === 'place' && (parent.kind !== 'element' || parent.type !== child.type))
    found.problems.push(problem('wrong-place', { child: kindName(child), parent: kindName(parent) }))
  checkNode(child, depth, found)
}

function checkDefaults(defaults: Layout['defaults'], problems: Problem[]): void {
  for (const [key, styles] of Object.entries(defaults)) {
    const [of = '', at] = key.split(' ')
    const spec = elementSpec(of)
    const why =
      at === undefined ? null : spec ? refuseLooksOf(spec, at) : problem('part-unknown', { owner: of, part: at })
    if (!spec && !OWNERS.includes(of)) problems.push(problem('element-unknown', { type: of }))
    else if (why) problems.push(why)
    else checkStyles(styles, ownerOf(of, at), spec?.name ?? of, problems)
  }
}

function ownerOf(of: string, at: string | undefined): Owner {
  if (OWNERS.includes(of)) return of as Owner
  return at !== undefined && looksOf(at).part ? 'part' : 'element'
}

/**
 * Every way in which a document of the shape of a layout breaks the rules of layouts; none when it is valid. What
 * an edit gives is judged by this: its own shape was asked before.
 */
export function checkRules(layout: Layout): Problem[] {
  const found: Findings = { layout, problems: [], ids: new Set([layout.id]), once: new Set(), count: 0 }
  if (!layout.name.trim()) found.problems.push(problem('name-missing', { most: 120 }))
  checkDefaults(layout.defaults, found.problems)
  for (const row of layout.children) checkNode(row, 0, found)
  if (found.count > MOST_NODES) found.problems.push(problem('too-large', { most: MOST_NODES, count: found.count }))
  return found.problems
}

/** Every way in which something is no valid layout; none when it is one. Takes anything at all. */
export function checkLayout(layout: unknown): Problem[] {
  if (!isRecord(layout) || layout.kind !== 'layout') return [problem('layout-shape', { why: 'it is something else' })]
  if (layout.format !== 1) return [problem('layout-format', { format: shown(layout.format), known: 1 })]
  const why = refuse(layoutShape, layout)
  return why === null ? checkRules(layout as unknown as Layout) : [problem('layout-shape', { why })]
}
