import type { LooksKey, Styles } from '../tree'

/** The house style: what every layout looks like unless it says otherwise. */

export interface PaletteColour {
  id: string
  name: string
  /** `#rrggbb`. */
  value: string
  /** The same for those who see the site dark; as `value` where it is not said. */
  dark?: string
}

/** A family of one's own: its name, and the files that hold its faces. */
export interface OwnFont {
  id: string
  name: string
  faces: FontFace[]
}

export interface FontFace {
  id: string
  /** The uploaded file that holds it. */
  file: string
  fileName: string
  style: 'normal' | 'italic'
  /** One weight, or the two between which it can be drawn: `400`, `200 900`. */
  weight: string
}

/** The steps of the type scale that stand above and below text. */
export const SCALE_STEPS = ['h1', 'h2', 'h3', 'h4', 'small'] as const
export type ScaleStep = (typeof SCALE_STEPS)[number]

/** Sizes of type: each step is so many times the one below it, unless it is said by hand, in px. */
export interface Scale {
  ratio: number
  byHand: Partial<Record<ScaleStep, number>>
}

export interface LinkLooks {
  colour: string
  /** When a line stands below them. */
  line: 'always' | 'hover' | 'never'
  hover?: string
  visited?: string
}

/** Looks with a name, kept with the house style and followed where they are used. */
export interface NamedLook {
  id: string
  name: string
  /** The type of the elements that can have them. */
  for: string
  /** At rest. */
  styles: Styles
  /** In states, each under its own key: `:hover`. */
  looks: Record<LooksKey, Styles>
}

export interface FieldLooks {
  background: string
  colour: string
  edge: string
  radius: number
}

/** Edges are of the colour of the words where nothing else is said. */
export interface TableLooks {
  edge?: string
  head?: string
  /** Behind every other line. */
  stripe?: string
}

export interface QuoteLooks {
  edge?: string
  slanted: boolean
}

export interface SiteStyle {
  format: 2
  palette: PaletteColour[]
  /** Who sees the dark colours: nobody, whose system is dark, everybody. */
  dark: 'never' | 'system' | 'always'
  headingFamily: string
  textFamily: string
  /** Of menus, buttons and form fields. */
  interfaceFamily: string
  fonts: OwnFont[]
  /** px; the text size from which nothing else is derived but `em` values. */
  textSize: number
  lineHeight: number
  headingWeight: number
  /** Narrow screens take four fifths of level 1, and 85 % of level 2. */
  scale: Scale
  /** px: how wide content runs at most. */
  contentWidth: number
  /** px: between columns, and between the page's edge and its content. */
  gap: number
  edge: number
  /** px: between the things in a column. */
  flow: number
  radius: number
  ink: string
  paper: string
  links: LinkLooks
  looks: NamedLook[]
  fields: FieldLooks
  tables: TableLooks
  quotes: QuoteLooks
}

const all = (value: string | number) => ({ wide: value })
const edges = (px: number): Styles =>
  Object.fromEntries(['Top', 'Right', 'Bottom', 'Left'].map((side) => [`edge${side}`, all(px)]))

/** A button as it is before anybody chose looks for it; `filled` and `outlined` stand in layouts from the first on. */
export const FILLED: NamedLook = {
  id: 'filled',
  name: 'Filled',
  for: 'button',
  styles: { colour: all('@paper'), background: all('@ink'), ...edges(1), edgeColour: all('@ink'), radius: all(2) },
  looks: { ':hover': { decoration: all('underline') } },
}
export const OUTLINED: NamedLook = {
  id: 'outlined',
  name: 'Outlined',
  for: 'button',
  styles: { ...edges(1), radius: all(2) },
  looks: { ':hover': { decoration: all('underline') } },
}

/** The style of a site that has not chosen one. Colours name palette entries with `@`. */
export const PLAIN_HOUSE: SiteStyle = {
  format: 2,
  palette: [
    { id: 'ink', name: 'Ink', value: '#1f2328' },
    { id: 'paper', name: 'Paper', value: '#ffffff' },
    { id: 'soft', name: 'Soft', value: '#5b6067' },
    { id: 'wash', name: 'Wash', value: '#f1efe9' },
    { id: 'accent', name: 'Accent', value: '#2b5a68' },
  ],
  dark: 'never',
  headingFamily: 'Newsreader',
  textFamily: 'Schibsted Grotesk',
  interfaceFamily: 'Schibsted Grotesk',
  fonts: [],
  textSize: 17,
  lineHeight: 1.55,
  headingWeight: 600,
  scale: { ratio: 1.33, byHand: { h2: 28, h3: 21 } },
  contentWidth: 1120,
  gap: 32,
  edge: 28,
  flow: 16,
  radius: 0,
  ink: '@ink',
  paper: '@paper',
  links: { colour: '@accent', line: 'always' },
  looks: [FILLED, OUTLINED],
  fields: { background: '@paper', colour: '@ink', edge: '@ink', radius: 0 },
  tables: {},
  quotes: { slanted: true },
}

/** How many times above text each step stands. */
const POWER: Record<ScaleStep, number> = { h1: 3, h2: 2, h3: 1, h4: 0, small: -1 }

/** The size of a step of the type scale, in px, to a tenth. */
export function sizeOf({ scale, textSize }: Pick<SiteStyle, 'scale' | 'textSize'>, step: ScaleStep): number {
  const byRatio = textSize * scale.ratio ** POWER[step]
  return scale.byHand[step] ?? Math.round(byRatio * 10) / 10
}

const HEX = /^#(?:[0-9a-f]{3}|[0-9a-f]{6}|[0-9a-f]{8})$/i
const TOKEN = /^@[a-z0-9-]{1,40}(\/(?:\d|[1-9]\d))?$/

/** True for `#rgb`, `#rrggbb`, `#rrggbbaa` and `@palette-id`; nothing else may stand in CSS as a colour. */
export function isColour(value: unknown): value is string {
  return typeof value === 'string' && (HEX.test(value) || TOKEN.test(value))
}

/** The colour as CSS: a palette entry becomes its custom property, so that a palette change needs no new CSS. */
export function colourCss(colour: string): string {
  if (!colour.startsWith('@')) return colour
  const { id, opacity } = paletteColour(colour)
  return opacity === 100 ? `var(--c-${id})` : `color-mix(in srgb,var(--c-${id}) ${opacity}%,transparent)`
}

/** A colour of the palette as it is named by a style: `@ink`, or `@ink/40` where it is seen through. */
export function paletteColour(colour: string): { id: string; opacity: number } {
  const [id = '', opacity] = colour.slice(1).split('/')
  return { id, opacity: opacity === undefined ? 100 : Number(opacity) }
}

/** The name of a palette colour at an opacity in percent. */
export const paletteName = (id: string, opacity: number): string => (opacity === 100 ? `@${id}` : `@${id}/${opacity}`)

/** The colour as `#rrggbb`, looked up in the palette; null when the palette has no such entry. */
export function colourHex(colour: string, house: Pick<SiteStyle, 'palette'>): string | null {
  if (!colour.startsWith('@')) return colour
  const { id, opacity } = paletteColour(colour)
  const value = house.palette.find((c) => c.id === id)?.value
  if (value === undefined || opacity === 100) return value ?? null
  const alpha = Math.round((opacity / 100) * 255)
  return `${value.slice(0, 7)}${alpha.toString(16).padStart(2, '0')}`
}

/** The house as those see it who see its dark colours, and nobody any other. */
export function inTheDark(house: SiteStyle): SiteStyle {
  return { ...house, dark: 'never', palette: house.palette.map(({ dark, ...c }) => ({ ...c, value: dark ?? c.value })) }
}

/** The looks of a kind of element, by their ids. */
export const looksFor = (house: Pick<SiteStyle, 'looks'>, type: string): NamedLook[] =>
  house.looks.filter((look) => look.for === type)
