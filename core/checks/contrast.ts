import { type Colours, coloursIn, elementSpec, givenWithin, looksGiven, pageColours } from '../elements'
import {
  type Defaults,
  type LayoutElement,
  STEPS,
  type Step,
  type Styles,
  type TreeNode,
  childrenOf,
  isFieldValue,
} from '../tree'
import { type Catalogue, type RichNode, fieldKind, isRichDoc } from '../site'
import { type HouseStyle, LEAST_CONTRAST, cascade, contrastBetween, inTheDark, opaque } from '../styles'
import type { DrawnTree } from '../layouts'
import { looksNamedBy } from './house'
import type { Finding } from './types'

/** Elements that write words in the colour of text. */
const WRITES: ReadonlySet<string> = new Set([
  'heading',
  'text',
  'menu',
  'trail',
  'field',
  'entry-content',
  'entry-list',
  'site-name',
])
const LEADS: ReadonlySet<string> = new Set(['person', 'entry', 'link', 'terms'])

const hasLink = (nodes: readonly RichNode[] = []): boolean =>
  nodes.some((n) => n.marks?.some((m) => m.type === 'link') || hasLink(n.content))

/** Whether an element writes links in the colour of links; what writers wrote may always hold some. */
function writesLinks({ type, props }: LayoutElement, catalogue: Catalogue): boolean {
  if (type === 'text') return isRichDoc(props.text) && hasLink(props.text.content)
  if (type !== 'field') return type === 'entry-content'
  return isFieldValue(props.value) && props.linked !== false && LEADS.has(fieldKind(catalogue, props.value) ?? '')
}

const ratioOf = (a: string, b: string): number => contrastBetween(opaque(a), opaque(b))

/** The worst contrast of what an element writes; null when it is readable, or cannot be told. */
function tooFaint(
  node: TreeNode,
  { ground, ...written }: Colours,
  catalogue: Catalogue,
): { what: 'ink' | 'link'; ratio: number } | null {
  if (node.kind !== 'element' || ground === null || !WRITES.has(node.type)) return null
  const colours = writesLinks(node, catalogue) ? (['ink', 'link'] as const) : (['ink'] as const)
  const ratios = colours.map((what) => ({ what, ratio: ratioOf(written[what], ground) }))
  const worst = ratios.sort((a, b) => a.ratio - b.ratio)[0]
  return worst && worst.ratio < LEAST_CONTRAST ? worst : null
}

/** The looks of each part of an element that has some colour of its own; at rest. */
function partLooks(given: Defaults, element: LayoutElement): Styles[] {
  return Object.keys(elementSpec(element.type)?.parts ?? {})
    .filter((part) => !element.hides?.includes(part))
    .map((part) => cascade(looksGiven(given, element, part), element.looks?.[part]))
    .filter((looks) => looks.colour !== undefined || looks.background !== undefined)
}

/** The named looks that an element has, or gives what it is made of; its own looks go over its own. */
function namedLooks(element: LayoutElement, house: HouseStyle): Styles[] {
  const own = element.type === 'button' ? element.styles : {}
  return looksNamedBy(element).flatMap((id) => {
    const look = house.looks.find((l) => l.id === id)
    return look && (look.styles.colour || look.styles.background) ? [cascade(look.styles, own)] : []
  })
}

/** What a part with these looks writes in, where it can be told and is too faint. */
function partTooFaint(element: LayoutElement, looks: Styles, around: Colours, step: Step, house: HouseStyle) {
  const { ground, ink } = coloursIn(element, looks, around, step, house)
  const ratio = ground === null ? LEAST_CONTRAST : ratioOf(ink, ground)
  return ratio < LEAST_CONTRAST ? { what: 'ink' as const, ratio } : null
}

/** Elements whose words are hard to read on what lies behind them, as they are drawn at some width step. */
export function checkContrast(layout: DrawnTree, house: HouseStyle, catalogue: Catalogue): Finding[] {
  const light = contrastIn(layout, house, catalogue)
  if (house.dark === 'never') return light
  const dark = contrastIn(layout, inTheDark(house), catalogue).map((f) => ({ ...f, dark: true as const }))
  if (house.dark === 'always') return dark
  const told = new Set(light.map((f) => f.node))
  return [...light, ...dark.filter((f) => !told.has(f.node))]
}

type Faint = Extract<Finding, { kind: 'contrast' }>

function contrastIn(layout: DrawnTree, house: HouseStyle, catalogue: Catalogue): Faint[] {
  const page = pageColours(house)
  const found = new Map<string, Faint>()
  const note = (node: TreeNode, step: Step, faint: { what: 'ink' | 'link'; ratio: number } | null): void => {
    const before = found.get(node.id)
    if (faint && (!before || faint.ratio < before.ratio))
      found.set(node.id, { kind: 'contrast', layout: layout.id, node: node.id, step, ...faint })
  }
  const visit = (node: TreeNode, around: Colours, step: Step, given: Defaults): void => {
    if (node.kind === 'element' && !elementSpec(node.type)) return
    const colours = coloursIn(node, cascade(looksGiven(given, node), node.styles), around, step, house)
    note(node, step, tooFaint(node, colours, catalogue))
    if (node.kind === 'element')
      for (const looks of [...partLooks(given, node), ...namedLooks(node, house)])
        note(node, step, partTooFaint(node, looks, colours, step, house))
    const within = 'gives' in node ? givenWithin(given, node.gives) : given
    for (const child of childrenOf(node)) visit(child, colours, step, within)
  }
  for (const step of STEPS) for (const row of layout.children) visit(row, page, step, layout.defaults)
  return [...found.values()]
}
