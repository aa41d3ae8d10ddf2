import { type ElementSpec, elementSpec, kindInKey, kindName, sortName, propertiesOf, refuseMeaning } from '../elements'
import { type Problem, problem } from '../problems'
import { isRecord, refuse, shown } from '../shape'
import {
  type Layout,
  type LayoutDocument,
  type LayoutElement,
  type LayoutRegion,
  type LooksKey,
  MOST_FILLS,
  MOST_NODES,
  type Parent,
  type Property,
  type Row,
  type Styles,
  type TreeNode,
  type Value,
  type Variation,
  childrenOf,
  countNodes,
  layoutShape,
  looksOf,
  rowDepth,
  standingsOf,
} from '../tree'
import { type Owner, refuseStyle, styleProperty } from '../styles'
import { changeKey } from './change-keys'
import { settingKey } from './edits'
import type { LayoutDraft } from './draft'
import { MOST_CHANGES, variationShape } from './shapes'

export const MOST_DEPTH = 4

const OWNERS: readonly string[] = ['row', 'column', 'place']

/** What is found while a whole layout is gone through. */
interface Findings {
  region: LayoutRegion
  problems: Problem[]
  ids: Set<string>
  once: Set<string>
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

function checkElement(element: LayoutElement, spec: ElementSpec, region: LayoutRegion, problems: Problem[]): void {
  if (spec.regions && !spec.regions.includes(region))
    problems.push(problem('element-region', { name: spec.name, region }))
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

/** What has to do with pieces: what is open stands in one, and only their places say things of them. */
function checkShared(node: TreeNode, region: LayoutRegion, problems: Problem[]): void {
  const specs = propertiesOf(node)
  for (const property of node.open ?? []) {
    if (region !== 'piece') problems.push(problem('open-elsewhere'))
    else if (!Object.hasOwn(specs, property))
      problems.push(problem('property-unknown', { owner: kindName(node), property }))
  }
  if (node.kind !== 'element' || !node.fills) return
  const keys = new Set(node.fills.map(settingKey))
  if (node.type !== 'piece') problems.push(problem('part-unknown', { owner: kindName(node), part: 'fills' }))
  if (keys.size < node.fills.length)
    problems.push(problem('layout-shape', { why: 'a place says two things of the same' }))
  if (node.fills.length > MOST_FILLS)
    problems.push(problem('layout-shape', { why: `a place says at most ${MOST_FILLS} things itself` }))
}

/** What something breaks by itself, whatever stands in it and around it. */
function checkOwn(node: TreeNode, region: LayoutRegion, problems: Problem[]): void {
  checkStyles(node.styles, node.kind, kindName(node), problems)
  if (node.kind === 'element') {
    const spec = elementSpec(node.type)
    if (spec) checkElement(node, spec, region, problems)
    else problems.push(problem('element-unknown', { type: node.type }))
  } else checkProps(node.props, propertiesOf(node), `A ${kindName(node).toLowerCase()}`, problems)
  checkShared(node, region, problems)
  if ('gives' in node && node.gives) checkDefaults(node.gives, problems)
  if (node.kind === 'row') problems.push(...checkSpans(node))
}

function checkNode(parent: Parent, node: TreeNode, depth: number, found: Findings): void {
  const { problems, ids, once, region } = found
  if (ids.has(node.id)) problems.push(problem('id-taken', { id: node.id }))
  ids.add(node.id)
  problems.push(...checkParent(parent, node))
  checkOwn(node, region, problems)
  const spec = node.kind === 'element' ? elementSpec(node.type) : undefined
  if (spec?.once && once.has(spec.type)) problems.push(problem('element-once', { name: spec.name }))
  if (spec) once.add(spec.type)
  const below = node.kind === 'row' ? depth + 1 : depth
  if (below > MOST_DEPTH) problems.push(problem('too-deep', { most: MOST_DEPTH }))
  else for (const child of childrenOf(node)) checkNode(node, child, below, found)
}

/** A place stands only in an element of its own type. */
function checkParent(parent: Parent, child: TreeNode): Problem[] {
  if (child.kind !== 'place' || (parent.kind === 'element' && parent.type === child.type)) return []
  const above = parent.kind === 'layout' ? 'layout' : kindName(parent)
  return [problem('wrong-place', { child: kindName(child), parent: above })]
}

function checkDefaults(defaults: Layout['defaults'], problems: Problem[]): void {
  for (const [key, styles] of Object.entries(defaults)) {
    const [kind = '', at] = key.split(' ')
    const { kind: of, sort } = kindInKey(kind)
    const spec = elementSpec(of)
    const why =
      at === undefined ? null : spec ? refuseLooksOf(spec, at) : problem('part-unknown', { owner: of, part: at })
    const known = spec ? sort === null || sortName(kind) !== null : OWNERS.includes(of) && sort === null
    if (!known) problems.push(problem('element-unknown', { type: kind }))
    else if (why) problems.push(why)
    else checkStyles(styles, ownerOf(of, at), spec?.name ?? of, problems)
  }
}

function ownerOf(of: string, at: string | undefined): Owner {
  if (OWNERS.includes(of)) return of as Owner
  return at !== undefined && looksOf(at).part ? 'part' : 'element'
}

const tooLarge = (count: number): Problem => problem('too-large', { most: MOST_NODES, count })
const nameMissing = (layout: LayoutDocument): Problem[] =>
  layout.name.trim() ? [] : [problem('name-missing', { most: 120 })]

/** Every way in which a document of the shape of a layout breaks the rules of layouts; none when it is valid. */
export function checkRules(layout: Layout): Problem[] {
  const found: Findings = { region: layout.region, problems: nameMissing(layout), ids: new Set(), once: new Set() }
  found.ids.add(layout.id)
  checkDefaults(layout.defaults, found.problems)
  for (const row of layout.children) checkNode(layout, row, 0, found)
  const count = countNodes(layout)
  if (count > MOST_NODES) found.problems.push(tooLarge(count))
  return found.problems
}

/** Layouts that are known to keep every rule. */
const SOUND = new WeakSet<Layout>()

/**
 * The first rule that an edited layout breaks; null when it keeps them all. Where the layout that was edited kept
 * them, only what was written and put is looked at.
 */
export function checkEdited(draft: LayoutDraft): Problem | null {
  const { from, layout } = draft
  const found = SOUND.has(from) || checkRules(from).length === 0 ? checkChanged(draft) : checkRules(layout)
  if (found.length === 0) SOUND.add(layout)
  return found[0] ?? null
}

/**
 * As `checkRules`, for what was made of a base under an id and a name of its own: what the base is known to keep is asked
 * once, however many are made of it.
 */
export function checkVaried(draft: LayoutDraft, base: Layout): Problem[] {
  if (!SOUND.has(base) && checkRules(base).length === 0) SOUND.add(base)
  return SOUND.has(base) && !standingsOf(base).has(draft.layout.id) ? checkChanged(draft) : checkRules(draft.layout)
}

/** The ids of the things that were written to and break a rule by themselves. */
export function checkWritten(draft: LayoutDraft): Set<string> {
  const broken = new Set<string>()
  for (const node of draft.written()) {
    const problems: Problem[] = []
    checkOwn(node, draft.layout.region, problems)
    if (problems.length > 0) broken.add(node.id)
  }
  return broken
}

function checkChanged(draft: LayoutDraft): Problem[] {
  const { from, layout } = draft
  const problems = nameMissing(layout)
  if (layout.defaults !== from.defaults) checkDefaults(layout.defaults, problems)
  for (const node of draft.written()) checkOwn(node, layout.region, problems)
  for (const id of draft.put) problems.push(...checkPut(draft, id))
  const count = draft.count()
  if (count > MOST_NODES) problems.push(tooLarge(count))
  return problems
}

/** What was put somewhere: with all that it holds, since it may be new. */
function checkPut(draft: LayoutDraft, id: string): Problem[] {
  const node = draft.node(id)
  if (!node) return []
  const { region } = draft.layout
  const parent = draft.holder(draft.placeOf(id).parent)!
  const problems: Problem[] = []
  for (const [above, one] of [[parent, node] as const, ...pairsIn(node)]) {
    problems.push(...checkParent(above, one))
    checkOwn(one, region, problems)
    const spec = one.kind === 'element' ? elementSpec(one.type) : undefined
    if (one.kind === 'element' && spec?.once && draft.hasAnother(one))
      problems.push(problem('element-once', { name: spec.name }))
  }
  const rowsAbove = [...draft.upFrom(id)].filter((n) => n.kind === 'row' && n.id !== id).length
  if (rowsAbove + rowDepth(node) > MOST_DEPTH) problems.push(problem('too-deep', { most: MOST_DEPTH }))
  return problems
}

function* pairsIn(node: TreeNode): Generator<readonly [TreeNode, TreeNode]> {
  for (const child of childrenOf(node)) {
    yield [node, child]
    yield* pairsIn(child)
  }
}

/**
 * What a variation breaks by itself. Whether its own changes can hold depends on its base: those that cannot wait, and
 * what comes of the others keeps the rules (see `vary`).
 */
function checkVariation(value: unknown): Problem[] {
  const why = refuse(variationShape, value)
  return why === null ? checkOwnChanges(value as Variation) : [problem('layout-shape', { why })]
}

/** What own changes break together, each being one by its shape. */
export function checkOwnChanges(variation: Variation): Problem[] {
  const { changes } = variation.follows
  if (changes.length > MOST_CHANGES)
    return [problem('layout-shape', { why: `a variation has at most ${MOST_CHANGES} own changes` })]
  const found = nameMissing(variation)
  const keys = new Set(changes.map(changeKey))
  if (keys.size < changes.length) found.push(problem('layout-shape', { why: 'two own changes are about the same' }))
  const count = changes.reduce((n, c) => (c.kind === 'put' ? n + 1 + countNodes(c.node) : n), 0)
  if (count > MOST_NODES) found.push(tooLarge(count))
  return found
}

/** Every way in which something is no valid layout; none when it is one. Takes anything at all. */
export function checkLayout(layout: unknown): Problem[] {
  if (!isRecord(layout) || layout.kind !== 'layout') return [problem('layout-shape', { why: 'it is something else' })]
  if (layout.format !== 2) return [problem('layout-format', { format: shown(layout.format), known: 2 })]
  if (layout.follows !== undefined) return checkVariation(layout)
  const why = refuse(layoutShape, layout)
  return why === null ? checkRules(layout as unknown as Layout) : [problem('layout-shape', { why })]
}
