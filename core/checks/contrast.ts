import { type Colours, coloursIn, elementSpec, givenWithin, looksGiven, pageColours } from '../elements'
import {
  type Defaults,
  type LayoutElement,
  STEPS,
  type WidthStep,
  type Styles,
  type TreeNode,
  childrenOf,
} from '../tree'
import type { Catalogue } from '../catalogue'
import { type SiteStyle, LEAST_CONTRAST, cascade, contrastBetween, inTheDark, opaque } from '../styles'
import type { DrawnTree } from '../layouts'
import { looksNamedBy } from './house'
import type { Finding } from './types'

/** The colours that an element writes in on what it stands on; none for one with no words, or with its own ground. */
function inksOf(element: LayoutElement, catalogue: Catalogue): ('ink' | 'link')[] {
  const spec = elementSpec(element.type)
  if (!spec || spec.ground !== undefined || !(spec.madeOf ?? ['words']).includes('words')) return []
  const linked = typeof spec.linked === 'function' ? spec.linked(element, catalogue) : spec.linked
  return linked ? ['ink', 'link'] : ['ink']
}

const ratioOf = (a: string, b: string): number => contrastBetween(opaque(a), opaque(b))

/** The worst contrast of what an element writes; null when it is readable, or cannot be told. */
function tooFaint(
  node: TreeNode,
  { ground, ...written }: Colours,
  catalogue: Catalogue,
): { what: 'ink' | 'link'; ratio: number } | null {
  if (node.kind !== 'element' || ground === null) return null
  const ratios = inksOf(node, catalogue).map((what) => ({ what, ratio: ratioOf(written[what], ground) }))
  const worst = ratios.sort((a, b) => a.ratio - b.ratio)[0]
  return worst && worst.ratio < LEAST_CONTRAST ? worst : null
}

/** What a thing, or a part of it, has over its surroundings: its named look or else what is given, and then its own. */
function stylesOf(node: TreeNode, given: Defaults, { looks }: SiteStyle, part = ''): Styles {
  const named = node.look === undefined ? undefined : looks.find((l) => l.id === node.look)
  const beneath = named ? (part ? named.looks[part] : named.styles) : looksGiven(given, node, part)
  const own = part === '' ? node.styles : node.kind === 'element' ? node.looks?.[part] : undefined
  return cascade(beneath, own)
}

/** The styles of each part of an element that has some colour of its own; at rest. */
function partStyles(given: Defaults, element: LayoutElement, house: SiteStyle): Styles[] {
  return Object.keys(elementSpec(element.type)?.parts ?? {})
    .filter((part) => !element.hides?.includes(part))
    .map((part) => stylesOf(element, given, house, part))
    .filter((styles) => styles.colour !== undefined || styles.background !== undefined)
}

/** The named looks that an element gives what it is made of. A button has its own styles over its own. */
function namedLooks(element: LayoutElement, house: SiteStyle): Styles[] {
  const own = element.type === 'button' ? element.styles : {}
  return looksNamedBy(element).map((id) => cascade(house.looks.find((l) => l.id === id)?.styles, own))
}

/** What a part with these looks writes in, where it can be told and is too faint. */
function partTooFaint(element: LayoutElement, looks: Styles, around: Colours, step: WidthStep, house: SiteStyle) {
  const { ground, ink } = coloursIn(element, looks, around, step, house)
  const ratio = ground === null ? LEAST_CONTRAST : ratioOf(ink, ground)
  return ratio < LEAST_CONTRAST ? { what: 'ink' as const, ratio } : null
}

/** Elements whose words are hard to read on what lies behind them, as they are drawn at some width step. */
export function checkContrast(layout: DrawnTree, house: SiteStyle, catalogue: Catalogue): Finding[] {
  const light = contrastIn(layout, house, catalogue)
  if (house.dark === 'never') return light
  const dark = contrastIn(layout, inTheDark(house), catalogue).map((f) => ({ ...f, dark: true as const }))
  if (house.dark === 'always') return dark
  const told = new Set(light.map((f) => f.node))
  return [...light, ...dark.filter((f) => !told.has(f.node))]
}

type Faint = Extract<Finding, { kind: 'contrast' }>

function contrastIn(layout: DrawnTree, house: SiteStyle, catalogue: Catalogue): Faint[] {
  const page = pageColours(house)
  const found = new Map<string, Faint>()
  const note = (node: TreeNode, step: WidthStep, faint: { what: 'ink' | 'link'; ratio: number } | null): void => {
    const before = found.get(node.id)
    if (faint && (!before || faint.ratio < before.ratio))
      found.set(node.id, { kind: 'contrast', layout: layout.id, node: node.id, step, ...faint })
  }
  const visit = (node: TreeNode, around: Colours, step: WidthStep, given: Defaults): void => {
    if (node.kind === 'element' && !elementSpec(node.type)) return
    const colours = coloursIn(node, stylesOf(node, given, house), around, step, house)
    note(node, step, tooFaint(node, colours, catalogue))
    if (node.kind === 'element')
      for (const styles of [...partStyles(given, node, house), ...namedLooks(node, house)])
        note(node, step, partTooFaint(node, styles, colours, step, house))
    const within = 'gives' in node ? givenWithin(given, node.gives) : given
    for (const child of childrenOf(node)) visit(child, colours, step, within)
  }
  for (const step of STEPS) for (const row of layout.children) visit(row, page, step, layout.defaults)
  return [...found.values()]
}
