import { type Color, clampRgb, formatHex, parse } from 'culori'
import { isRecord } from '../../shape'

/** The values of tokens, written and read: colours, dimensions, families. */

/** Colour spaces of the format, as culori calls them, with the names of their components. */
const SPACES: Readonly<Record<string, readonly [mode: string, a: string, b: string, c: string]>> = {
  srgb: ['rgb', 'r', 'g', 'b'],
  'srgb-linear': ['lrgb', 'r', 'g', 'b'],
  hsl: ['hsl', 'h', 's', 'l'],
  hwb: ['hwb', 'h', 'w', 'b'],
  lab: ['lab', 'l', 'a', 'b'],
  lch: ['lch', 'l', 'c', 'h'],
  oklab: ['oklab', 'l', 'a', 'b'],
  oklch: ['oklch', 'l', 'c', 'h'],
  'display-p3': ['p3', 'r', 'g', 'b'],
  'a98-rgb': ['a98', 'r', 'g', 'b'],
  'prophoto-rgb': ['prophoto', 'r', 'g', 'b'],
  rec2020: ['rec2020', 'r', 'g', 'b'],
  'xyz-d65': ['xyz65', 'x', 'y', 'z'],
  'xyz-d50': ['xyz50', 'x', 'y', 'z'],
}
/** In these the last two components are percentages, and fractions with culori. */
const PERCENT: ReadonlySet<string> = new Set(['hsl', 'hwb'])

/** Written as text, which every program that reads tokens understands; many draw `[object Object]` for an object. */
export const writeColour = (hex: string): string => hex

/** A colour as `#rrggbb`; what cannot be shown on every screen becomes the nearest that can. Null for what is none. */
export function readColour(value: unknown): string | null {
  if (typeof value === 'string') return hexOf(parse(value))
  if (!isRecord(value)) return null
  const space = typeof value.colorSpace === 'string' ? SPACES[value.colorSpace] : undefined
  const parts: unknown[] = Array.isArray(value.components) ? value.components : []
  if (!space || parts.length !== 3) return typeof value.hex === 'string' ? hexOf(parse(value.hex)) : null
  const [mode, ...names] = space
  const share = (i: number) => (PERCENT.has(mode) && i > 0 ? 100 : 1)
  const entries = names.map((name, i) => {
    const part = parts[i] === 'none' ? 0 : parts[i]
    return [name, typeof part === 'number' && Number.isFinite(part) ? part / share(i) : NaN] as const
  })
  if (entries.some(([, n]) => Number.isNaN(n))) return null
  return hexOf({ mode, ...Object.fromEntries(entries) } as Color)
}

function hexOf(colour: Color | undefined): string | null {
  return colour ? (formatHex(clampRgb(colour)) ?? null) : null
}

const ROOT = 16

export const writeDimension = (px: number): string => `${px}px`

/** A dimension in px; a rem is 16 of them, as browsers have it. Null for what is none. */
export function readDimension(value: unknown): number | null {
  const text = typeof value === 'string' ? /^(-?\d+(?:\.\d+)?)(px|rem)$/.exec(value.trim()) : null
  const amount = text ? Number(text[1]) : isRecord(value) ? value.value : value === 0 ? 0 : undefined
  const unit = text ? text[2] : isRecord(value) ? value.unit : 'px'
  if (typeof amount !== 'number' || !Number.isFinite(amount)) return null
  return unit === 'rem' ? amount * ROOT : unit === 'px' ? amount : null
}

/** The names of families, the wanted one first. */
export function readFamilies(value: unknown): string[] {
  const list: unknown[] = Array.isArray(value) ? value : [value]
  return list.filter((name) => typeof name === 'string').slice(0, 20)
}

export const readNumber = (value: unknown): number | null =>
  typeof value === 'number' && Number.isFinite(value) ? value : null
