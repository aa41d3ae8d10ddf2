import { type ElementSpec, elementSpec, refuseMeaning } from '../elements'
import { type Property, BOX_PROPERTIES, type Layout, type Row, type Styles, type TreeNode, type Value } from '../tree'
import { type Problem, problem } from '../problems'
import { isRecord, refuse } from '../shape'
import { type Owner, refuseStyle, styleProperty } from '../styles'
import { MOST_NODES, layoutShape } from '../tree'

export const MOST_DEPTH = 4

const OWNERS: readonly string[] = ['row', 'column']

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

function checkElement(spec: ElementSpec | undefined, type: string, found: Findings): void {
  if (!spec) {
    found.problems.push(problem('element-unknown', { type }))
    return
  }
  const { region } = found.layout
  if (spec.regions && !spec.regions.includes(region)) {
    found.problems.push(problem('element-region', { name: spec.name, region }))
  }
  if (spec.once && found.once.has(type)) found.problems.push(problem('element-once', { name: spec.name }))
  found.once.add(type)
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
  const spec = node.kind === 'element' ? elementSpec(node.type) : undefined
  const label = spec?.name ?? (node.kind === 'element' ? 'An element' : `A ${node.kind}`)
  checkStyles(node.styles, node.kind, label, problems)
  if (node.kind === 'element') {
    checkElement(spec, node.type, found)
    if (spec) checkProps(node.props, spec.props, label, problems)
    return
  }
  checkProps(node.props, BOX_PROPERTIES, label, problems)
  if (node.kind === 'row') problems.push(...checkSpans(node))
  const below = node.kind === 'row' ? depth + 1 : depth
  if (below > MOST_DEPTH) problems.push(problem('too-deep', { most: MOST_DEPTH }))
  else for (const child of node.children) checkNode(child, below, found)
}

function checkDefaults(defaults: Layout['defaults'], problems: Problem[]): void {
  for (const [of, styles] of Object.entries(defaults)) {
    const spec = elementSpec(of)
    if (!spec && !OWNERS.includes(of)) problems.push(problem('element-unknown', { type: of }))
    else checkStyles(styles, spec ? 'element' : (of as Owner), spec?.name ?? of, problems)
  }
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
  if (layout.format !== 1) return [problem('layout-format', { format: String(layout.format), known: 1 })]
  const why = refuse(layoutShape, layout)
  return why === null ? checkRules(layout as unknown as Layout) : [problem('layout-shape', { why })]
}
