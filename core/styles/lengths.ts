import type { StyleValue } from '../tree'
import { SCALE_STEPS } from './house'

/**
 * Lengths: numbers are CSS pixels; texts are lengths in a unit of CSS, a step of the type scale (`@h2`, `@text`), or
 * fluid from one to another (`16..40`), which grows with the window between the widths of a phone and of a desk.
 */

const UNIT = /^(-?\d{1,5}(?:\.\d{1,3})?)(px|em|rem|%|vw|vh)$/
const FLUID = /^(-?\d{1,4}(?:\.\d{1,2})?)\.\.(-?\d{1,4}(?:\.\d{1,2})?)$/
/** Windows between which what is fluid grows, in px. */
const FLUID_BETWEEN = [390, 1280] as const
/** What a unit comes to at most in a bound that is told in px. */
const PX: Readonly<Record<string, number>> = { px: 1, em: 16, rem: 16, '%': 4, vw: 12.8, vh: 8 }

export const TYPE_STEPS: readonly string[] = ['text', ...SCALE_STEPS].map((step) => `@${step}`)

const tidy = (n: number): string => String(Math.round(n * 1000) / 1000)

function fluidCss(from: number, to: number): string {
  const [narrow, wide] = FLUID_BETWEEN
  const slope = (to - from) / (wide - narrow)
  const base = from - slope * narrow
  return `clamp(${tidy(Math.min(from, to))}px,${tidy(base)}px + ${tidy(slope * 100)}vw,${tidy(Math.max(from, to))}px)`
}

/** A length as CSS. */
export function lengthCss(value: StyleValue): string {
  if (typeof value === 'number') return `${value}px`
  if (TYPE_STEPS.includes(value)) return `var(--${value === '@text' ? 'text' : value.slice(1)})`
  const fluid = FLUID.exec(value)
  return fluid ? fluidCss(Number(fluid[1]), Number(fluid[2])) : value
}

interface Bounds {
  min: number
  max: number
  /** Whether steps of the type scale are taken. */
  steps?: true
}

const outside = ({ min, max }: Bounds, px: number): boolean => px < min || px > max

/** Why something is no length within bounds, as the end of a sentence; null when it is. */
export function refuseLength(bounds: Bounds, value: unknown): string | null {
  const why = `choose a length from ${bounds.min} to ${bounds.max} px`
  if (typeof value === 'number') return !Number.isFinite(value) || outside(bounds, value) ? why : null
  if (typeof value !== 'string') return 'this must be a length'
  if (bounds.steps && TYPE_STEPS.includes(value)) return null
  const fluid = FLUID.exec(value)
  if (fluid) return [fluid[1], fluid[2]].some((n) => outside(bounds, Number(n))) ? why : null
  const [, amount, unit] = UNIT.exec(value) ?? []
  if (unit === undefined) return 'a length is a number, alone or with px, em, rem, %, vw or vh, or two as 16..40'
  // A negative bound lets less be taken; what is relative is held to what it would come to in a usual window.
  return outside({ min: Math.min(bounds.min, 0), max: bounds.max }, Number(amount) * PX[unit]!) ? why : null
}

/** What somebody typed as a length of another kind than px, as it is kept; null when it is a number or none at all. */
export function typedLength(text: string): string | null {
  const words = text.trim().toLowerCase().replace(/\s+/g, '')
  const found = UNIT.exec(words)
  if (found) return found[2] === 'px' ? null : words
  return FLUID.test(words) || TYPE_STEPS.includes(words) ? words : null
}
