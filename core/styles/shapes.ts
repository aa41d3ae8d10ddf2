import {
  byValue,
  exact,
  id,
  judged,
  list,
  numeric,
  oneOf,
  optional,
  pattern,
  refuse,
  text,
  whole,
  yesNo,
  shapeOf,
  each,
  maybe,
  type Shape,
} from '../shape'
import { looksOf, looksShape, stylesShape } from '../tree'
import { isFamily } from './fonts'
import { type NamedLook, SCALE_STEPS, isColour, type PaletteColour, type SiteStyle } from './house'
import { refuseStyle, styleProperty } from './properties'

const colour = judged<string>((v) => (isColour(v) ? null : 'a colour of its house style is none'))
const colourOrNone = maybe(judged<string>((v) => (isColour(v) ? null : 'a colour of its house style is none')))
const MEASURE = 'a measure of its house style is none'
const measure = (most: number, least = 0) => numeric(least, most, MEASURE)
const family = judged<string>((v) => (isFamily(v) ? null : 'a family of its house style is none'))
const PALETTE = 'its palette cannot be read'
const FONTS = 'its own families cannot be read'
const hex = pattern(/^#[0-9a-f]{6}$/i, PALETTE)
const size = optional(numeric(6, 400, 'a size of its type scale is none'))

/** A weight, or the two between which a file can be drawn. */
export const WEIGHTS = /^[1-9]\d{0,3}( [1-9]\d{0,3})?$/

const face = exact({
  id: id(FONTS),
  file: id(FONTS),
  fileName: pattern(/^[\p{L}\p{N}._ -]{1,120}$/u, FONTS),
  style: oneOf(['normal', 'italic'], FONTS),
  weight: pattern(WEIGHTS, FONTS),
})

/** Why some looks cannot be a named look's; null when they can. */
function refuseLooks({ for: of, styles: rest, looks }: Pick<NamedLook, 'for' | 'styles' | 'looks'>): string | null {
  const owner = of === 'row' || of === 'column' || of === 'place' ? of : 'element'
  for (const [at, styles] of [['', rest] as const, ...Object.entries(looks)]) {
    for (const [name, stepped] of Object.entries(styles)) {
      const property = styleProperty(name)
      if (!property?.on.includes(looksOf(at).part ? 'part' : owner))
        return 'a named look of its house style says what no look does'
      for (const value of Object.values(stepped)) {
        const why = refuseStyle(property, value)
        if (why) return `a named look of its house style cannot be read: ${property.label}: ${why}`
      }
    }
  }
  return null
}

const named = shapeOf<NamedLook>()(
  exact({
    id: id(),
    name: text(60),
    for: pattern(/^[a-z-]{1,40}$/, 'a named look is for a kind of element'),
    styles: stylesShape,
    looks: looksShape,
  }),
)
/** The shape of a colour of a palette. */
export const paletteColourShape = shapeOf<PaletteColour>()(
  exact({
    id: pattern(/^[a-z0-9-]{1,40}$/, PALETTE),
    name: text(60, PALETTE),
    value: hex,
    dark: optional(hex),
  }),
)

/** The shape of a named look. */
export const namedLookShape = byValue((v): Shape<NamedLook> => {
  if (refuse(named, v) !== null) return named
  const why = refuseLooks(v as NamedLook)
  return why === null ? named : judged<NamedLook>(() => why)
})

/** The shape of a house style; everything in it is written into CSS. */
export const houseShape = shapeOf<SiteStyle>()(
  exact({
    format: oneOf([2], 'its house style cannot be read'),
    palette: list(paletteColourShape, 60, PALETTE),
    dark: oneOf(['never', 'system', 'always'], 'who sees it dark cannot be read'),
    headingFamily: family,
    textFamily: family,
    interfaceFamily: family,
    fonts: list(exact({ id: id(FONTS), name: text(60, FONTS), faces: list(face, 24, FONTS) }), 24, FONTS),
    textSize: measure(200, 6),
    lineHeight: measure(4, 0.5),
    headingWeight: whole(100, 1000, MEASURE),
    scale: exact({
      ratio: numeric(1, 3, 'the ratio of its type scale is none'),
      byHand: exact(each(SCALE_STEPS, size)),
    }),
    contentWidth: measure(4000, 200),
    gap: measure(400),
    edge: measure(400),
    flow: measure(400),
    radius: measure(400),
    ink: colour,
    paper: colour,
    links: exact({
      colour,
      line: oneOf(['always', 'hover', 'never'], 'the line of its links cannot be read'),
      hover: colourOrNone,
      visited: colourOrNone,
    }),
    looks: list(namedLookShape, 60, 'its named looks cannot be read'),
    fields: exact({ background: colour, colour, edge: colour, radius: measure(400) }),
    tables: exact({ edge: colourOrNone, head: colourOrNone, stripe: colourOrNone }),
    quotes: exact({ edge: colourOrNone, slanted: yesNo('its quotes cannot be read') }),
  }),
)
