import { type ElementSpec, type Property, elementSpec, refuseProperty } from '../elements'
import { type Problem, problem } from '../problems'
import { type Owner, refuseStyle, styleProperty } from '../styles'
import { BOX_PROPERTIES } from './boxes'
import { mayHold } from './tree'
import { LAYOUT_REGIONS, STEPS, type Layout, type Styles, type TreeNode, type Value } from './types'

export const MOST_DEPTH = 4
export const MOST_NODES = 1000
export const MOST_NAME = 120

const ID = /^[\w-]{1,40}$/
const OWNERS: readonly string[] = ['row', 'column']

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

interface Findings {
  layout: Layout
  problems: Problem[]
  ids: Set<string>
  once: Set<string>
  count: number
}

const shape = (at: string, why: string): Problem => problem('layout-shape', { at, why })

function checkStyles(styles: unknown, owner: Owner, name: string): Problem[] {
  if (!isRecord(styles)) return [shape(name, 'has looks that cannot be read')]
  const found: Problem[] = []
  for (const [key, stepped] of Object.entries(styles)) {
    const property = styleProperty(key)
    if (!property?.on.includes(owner)) found.push(problem('style-unknown', { property: key, owner: name }))
    else if (!isRecord(stepped)) found.push(problem('style-value', { label: property.label, why: 'has no width step' }))
    else {
      for (const [step, value] of Object.entries(stepped)) {
        const why = STEPS.includes(step as never) ? refuseStyle(property, value) : `there is no width step ${step}`
        if (why) found.push(problem('style-value', { label: property.label, why }))
      }
    }
  }
  return found
}

function checkProps(props: unknown, specs: Record<string, Property>, owner: string): Problem[] {
  if (!isRecord(props)) return [shape(owner, 'has properties that cannot be read')]
  return Object.entries(props).flatMap(([key, value]) => {
    const spec = Object.hasOwn(specs, key) ? specs[key] : undefined
    if (!spec) return problem('property-unknown', { owner, property: key })
    const why = refuseProperty(spec, value as Value)
    return why ? problem('property-value', { label: spec.label, why }) : []
  })
}

function checkElement(spec: ElementSpec | undefined, type: string, found: Findings): Problem[] {
  if (!spec) return [problem('element-unknown', { type })]
  const { region } = found.layout
  const problems: Problem[] = []
  if (spec.regions && !spec.regions.includes(region)) {
    problems.push(problem('element-region', { name: spec.name, region }))
  }
  if (spec.once && found.once.has(type)) problems.push(problem('element-once', { name: spec.name }))
  found.once.add(type)
  return problems
}

function checkSpans(spans: unknown[]): Problem[] {
  if (spans.length === 0) return [problem('row-empty')]
  const wrong = spans.find((s) => !Number.isInteger(s) || (s as number) < 1 || (s as number) > 12)
  if (wrong !== undefined) return [problem('span-form', { span: String(wrong) })]
  const sum = spans.reduce<number>((a, s) => a + (s as number), 0)
  return sum === 12 ? [] : [problem('spans-sum', { sum })]
}

function checkNode(node: TreeNode, depth: number, found: Findings): void {
  const { problems } = found
  if (!isRecord(node) || !['row', 'column', 'element'].includes(node.kind)) {
    problems.push(shape('something in it', 'is not a row, column or element'))
    return
  }
  found.count++
  if (typeof node.id !== 'string' || !ID.test(node.id)) problems.push(problem('id-form', { id: String(node.id) }))
  else if (found.ids.has(node.id)) problems.push(problem('id-taken', { id: node.id }))
  found.ids.add(node.id)
  if (node.name !== undefined && (typeof node.name !== 'string' || node.name.length > MOST_NAME)) {
    problems.push(problem('name-missing', { most: MOST_NAME }))
  }
  const spec = node.kind === 'element' ? elementSpec(node.type) : undefined
  const label = spec?.name ?? (node.kind === 'element' ? 'An element' : `A ${node.kind}`)
  problems.push(...checkStyles(node.styles, node.kind, label))
  if (node.kind === 'element') {
    problems.push(...checkElement(spec, String(node.type), found))
    if (spec) problems.push(...checkProps(node.props, spec.props, label))
    return
  }
  problems.push(...checkProps(node.props, BOX_PROPERTIES, label))
  const below = node.kind === 'row' ? depth + 1 : depth
  if (below > MOST_DEPTH) problems.push(problem('too-deep', { most: MOST_DEPTH }))
  else checkChildren(node, below, found)
  if (node.kind === 'row' && Array.isArray(node.children)) {
    problems.push(...checkSpans(node.children.map((c) => c?.span as unknown)))
  }
}

function checkChildren(parent: Layout | TreeNode, depth: number, found: Findings): void {
  const children = (parent as { children?: unknown }).children
  if (!Array.isArray(children)) {
    found.problems.push(shape(`a ${parent.kind}`, 'has no list of children'))
    return
  }
  for (const child of children as TreeNode[]) {
    if (isRecord(child) && !mayHold((parent as Layout).kind, child.kind)) {
      found.problems.push(problem('wrong-place', { child: String(child.kind), parent: parent.kind }))
    } else checkNode(child, depth, found)
  }
}

function checkDefaults(defaults: unknown): Problem[] {
  if (!isRecord(defaults)) return [shape('it', 'has defaults that cannot be read')]
  return Object.entries(defaults).flatMap(([of, styles]) => {
    const spec = elementSpec(of)
    if (!spec && !OWNERS.includes(of)) return [problem('element-unknown', { type: of })]
    return checkStyles(styles as Styles, spec ? 'element' : (of as Owner), spec?.name ?? of)
  })
}

/**
 * Every way in which a layout breaks its invariants; none when it is valid. Takes anything at all, so it also
 * judges documents that come from outside.
 */
export function checkLayout(layout: Layout): Problem[] {
  if (!isRecord(layout) || layout.kind !== 'layout') return [shape('it', 'is something else')]
  if (layout.format !== 1) return [problem('layout-format', { format: String(layout.format), known: 1 })]
  const found: Findings = { layout, problems: [], ids: new Set(), once: new Set(), count: 0 }
  if (!LAYOUT_REGIONS.includes(layout.region)) found.problems.push(shape('its region', 'is unknown'))
  if (typeof layout.name !== 'string' || !layout.name.trim() || layout.name.length > MOST_NAME) {
    found.problems.push(problem('name-missing', { most: MOST_NAME }))
  }
  if (typeof layout.id !== 'string' || !ID.test(layout.id))
    found.problems.push(problem('id-form', { id: String(layout.id) }))
  found.ids.add(layout.id)
  found.problems.push(...checkDefaults(layout.defaults))
  checkChildren(layout, 0, found)
  if (found.count > MOST_NODES) found.problems.push(problem('too-large', { most: MOST_NODES, count: found.count }))
  return found.problems
}
