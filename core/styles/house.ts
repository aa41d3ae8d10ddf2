/** The house style: what every layout looks like unless it says otherwise. */

export interface PaletteColour {
  id: string
  name: string
  /** `#rrggbb`. */
  value: string
}

export interface ButtonLook {
  background: string
  colour: string
  radius: number
}

export interface HouseStyle {
  format: 1
  palette: PaletteColour[]
  headingFamily: string
  textFamily: string
  /** px; the text size from which nothing else is derived but `em` values. */
  textSize: number
  lineHeight: number
  headingWeight: number
  /** px, for levels 1 to 4 on wide screens; narrow screens take four fifths of levels 1 and 2. */
  headingSizes: [number, number, number, number]
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
  link: string
  button: ButtonLook
}

/** The style of a site that has not chosen one. Colours name palette entries with `@`. */
export const PLAIN_HOUSE: HouseStyle = {
  format: 1,
  palette: [
    { id: 'ink', name: 'Ink', value: '#1f2328' },
    { id: 'paper', name: 'Paper', value: '#ffffff' },
    { id: 'soft', name: 'Soft', value: '#5b6067' },
    { id: 'wash', name: 'Wash', value: '#f1efe9' },
    { id: 'accent', name: 'Accent', value: '#2b5a68' },
  ],
  headingFamily: 'Newsreader',
  textFamily: 'Schibsted Grotesk',
  textSize: 17,
  lineHeight: 1.55,
  headingWeight: 600,
  headingSizes: [40, 28, 21, 17],
  contentWidth: 1120,
  gap: 32,
  edge: 28,
  flow: 16,
  radius: 0,
  ink: '@ink',
  paper: '@paper',
  link: '@accent',
  button: { background: '@ink', colour: '@paper', radius: 2 },
}

const HEX = /^#(?:[0-9a-f]{3}|[0-9a-f]{6}|[0-9a-f]{8})$/i
const TOKEN = /^@[a-z0-9-]{1,40}$/

/** True for `#rgb`, `#rrggbb`, `#rrggbbaa` and `@palette-id`; nothing else may stand in CSS as a colour. */
export function isColour(value: unknown): value is string {
  return typeof value === 'string' && (HEX.test(value) || TOKEN.test(value))
}

/** The colour as CSS: a palette entry becomes its custom property, so that a palette change needs no new CSS. */
export function colourCss(colour: string): string {
  return colour.startsWith('@') ? `var(--c-${colour.slice(1)})` : colour
}

/** The colour as `#rrggbb`, looked up in the palette; null when the palette has no such entry. */
export function colourHex(colour: string, house: HouseStyle): string | null {
  if (!colour.startsWith('@')) return colour
  return house.palette.find((c) => c.id === colour.slice(1))?.value ?? null
}
