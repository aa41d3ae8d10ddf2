import { type Colours, coloursIn, elementSpec, givenWithin, looksGiven, pageColours } from '../elements'
import type { DrawnTree } from '../layouts'
import type { TitleLook } from '../machines'
import { type SiteStyle, LEAST_CONTRAST, cascade, contrastBetween, familyNamed, opaque, steppedAt } from '../styles'
import { type Defaults, type Styles, type TreeNode, childrenOf } from '../tree'

/** How titles look, for whoever draws them elsewhere: in the colours, and the font, of the layout that says them. */

interface TitleContext {
  colours: Colours
  /** What lies beneath a picture, where one is in the way. */
  beneath: string
  looks: Styles
}

const isTitle = (node: TreeNode): boolean =>
  node.kind === 'element' && (elementSpec(node.type)?.titles?.(node) ?? false)

/** The first title below a node, with what it stands on. */
function titleBelow(
  node: TreeNode,
  around: Colours,
  beneath: string,
  given: Defaults,
  house: SiteStyle,
): TitleContext | null {
  if (node.kind === 'element' && !elementSpec(node.type)) return null
  const looks = cascade(looksGiven(given, node), node.styles)
  const colours = coloursIn(node, looks, around, 'wide', house)
  const lower =
    coloursIn({ ...node, props: {} }, looks, { ...around, ground: beneath }, 'wide', house).ground ?? beneath
  if (isTitle(node)) return { colours, beneath: lower, looks }
  const within = 'gives' in node ? givenWithin(given, node.gives) : given
  for (const child of childrenOf(node)) {
    const found = titleBelow(child, colours, lower, within, house)
    if (found) return found
  }
  return null
}

const INKS = ['#ffffff', '#000000']

/** Colours that can be read: the ink of the title on what it stands on, or on what suits it where that is a picture. */
function readable({ ground, ink }: Colours, beneath: string): Pick<TitleLook, 'ground' | 'ink'> {
  const own = opaque(ink)
  const under = opaque(ground ?? beneath)
  if (contrastBetween(own, under) >= LEAST_CONTRAST) return { ground: under, ink: own }
  const [best] = [...INKS].sort((a, b) => contrastBetween(b, under) - contrastBetween(a, under))
  return { ground: under, ink: best! }
}

const SHIPPED_INSTEAD = 'Schibsted Grotesk'

function fontOf(looks: Styles, house: SiteStyle): Pick<TitleLook, 'font' | 'weight'> {
  const asked = String(steppedAt(looks.family, 'wide') ?? '@heading')
  const named = { '@heading': house.headingFamily, '@text': house.textFamily, '@interface': house.interfaceFamily }
  const family = familyNamed(named[asked as keyof typeof named] ?? asked, house)
  // Families of the system have no file to draw from.
  const faces = family.faces.length > 0 ? family.faces : familyNamed(SHIPPED_INSTEAD).faces
  const face = faces.find((f) => f.style === 'normal') ?? faces[0]!
  return { font: face.address, weight: Number(steppedAt(looks.weight, 'wide') ?? house.headingWeight) }
}

const PAGES = new WeakMap<SiteStyle, TitleLook>()
const LOOKS = new WeakMap<DrawnTree, WeakMap<SiteStyle, TitleLook | null>>()

/** How a title looks that no layout says. */
export function plainTitleLook(house: SiteStyle): TitleLook {
  let look = PAGES.get(house)
  if (!look) {
    const page = pageColours(house)
    PAGES.set(house, (look = { ...readable(page, page.ground!), ...fontOf({}, house) }))
  }
  return look
}

/** How the title in a layout looks; null where it has none. Made once for each state of both. */
export function titleLook(tree: DrawnTree, house: SiteStyle): TitleLook | null {
  let byHouse = LOOKS.get(tree)
  if (!byHouse) LOOKS.set(tree, (byHouse = new WeakMap()))
  let look = byHouse.get(house)
  if (look === undefined) byHouse.set(house, (look = lookIn(tree, house)))
  return look
}

function lookIn(tree: DrawnTree, house: SiteStyle): TitleLook | null {
  const page = pageColours(house)
  for (const row of tree.children) {
    const found = titleBelow(row, page, page.ground!, tree.defaults, house)
    if (found) return { ...readable(found.colours, found.beneath), ...fontOf(found.looks, house) }
  }
  return null
}
