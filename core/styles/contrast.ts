import { blend, differenceCiede2000, formatHex, parse, wcagContrast } from 'culori'
import type { PaletteColour } from './house'

/** The least contrast at which text of any size is readable (WCAG 2.2, 1.4.3). */
export const LEAST_CONTRAST = 4.5

/** The contrast of two colours, from 1 to 21 (WCAG 2.2); what cannot be read as a colour has none with anything. */
export function contrastBetween(a: string, b: string): number {
  return parse(a) && parse(b) ? Math.round(wcagContrast(a, b) * 10) / 10 : 1
}

/**
 * What layers of colour look like together, as `#rrggbb`: the first is the nearest to the eye, and white lies behind
 * them all. What cannot be read as a colour is seen through.
 */
export function seenThrough(layers: readonly string[]): string {
  const colours = layers.map((layer) => parse(layer)).filter((colour) => colour !== undefined)
  return formatHex(blend(['#ffffff', ...colours.reverse()])) ?? '#ffffff'
}

/** The least contrast of a colour with any of several that lie behind it (or before it). */
export function leastContrast(colour: string, others: readonly string[]): number {
  return Math.min(21, ...others.map((other) => contrastBetween(colour, other)))
}

const distance = differenceCiede2000()

/** Of a palette, what looks most like a colour and can be read with all the others; null where nothing can. */
export function nearestReadable(
  colour: string,
  others: readonly string[],
  palette: readonly PaletteColour[],
): PaletteColour | null {
  const readable = palette.filter(({ value }) => leastContrast(value, others) >= LEAST_CONTRAST)
  return readable.sort((a, b) => distance(a.value, colour) - distance(b.value, colour))[0] ?? null
}

/** A colour as it is where nothing shines through, as `#rrggbb`. */
export const opaque = (hex: string): string => hex.slice(0, 7)

/** How much of a colour is seen, in percent: 100 where nothing shines through. */
export function opacityOf(hex: string): number {
  return Math.round((parse(hex)?.alpha ?? 1) * 100)
}

/** The same colour with so many percent of it seen, as `#rrggbb` or `#rrggbbaa`. */
export function withOpacity(hex: string, percent: number): string {
  const whole = formatHex(parse(hex)) ?? '#000000'
  const share = Math.round((Math.min(100, Math.max(0, percent)) / 100) * 255)
  return share === 255 ? whole : whole + share.toString(16).padStart(2, '0')
}
