import { isRichDoc, richText, saysNothing } from '../rich'
import { isRecord } from '../shape'
import type { FieldDetails } from './spec'

/** What values of any kind have in common: whether they are empty, how they read as words, lists in one text. */

export function isEmpty(value: unknown): boolean {
  if (value === null || value === undefined || value === '') return true
  if (typeof value === 'string') return value.trim() === ''
  if (Array.isArray(value)) return value.length === 0
  return isRichDoc(value) && saysNothing(value)
}

/** A value as words, as a person would write it. */
export function wordsOf(value: unknown, field?: Pick<FieldDetails, 'choices'>): string {
  if (value === true) return 'Yes'
  if (value === false) return 'No'
  if (typeof value === 'number') return String(value)
  if (typeof value === 'string') return field?.choices?.find((c) => c.id === value)?.label ?? value
  if (Array.isArray(value)) return value.map((v) => wordsOf(v, field)).join(', ')
  if (isRichDoc(value)) return richText(value)
  const { name, label, x, y } = (value ?? {}) as { name?: unknown; label?: unknown; x?: unknown; y?: unknown }
  if (typeof name === 'string') return name
  if (typeof label === 'string') return label
  return typeof x === 'number' && typeof y === 'number' ? `${x}, ${y}` : ''
}

/** The value that JSON in a cell holds; undefined for what is no JSON. */
export function jsonIn(value: unknown): unknown {
  if (typeof value !== 'string' || !/^\s*[[{]/.test(value)) return typeof value === 'object' ? value : undefined
  try {
    return JSON.parse(value)
  } catch (error) {
    if (error instanceof SyntaxError) return undefined
    throw error
  }
}

/** Several things named in one text, told apart by semicolons, bars, lines, or else commas. */
export function partsOf(words: string): string[] {
  const json = jsonIn(words)
  if (Array.isArray(json) && json.every((v) => typeof v === 'string')) return json
  const mark = /[;|\n]/.test(words) ? /[;|\n]/ : /,/
  return words
    .split(mark)
    .map((p) => p.trim())
    .filter(Boolean)
}

/** What sets several things in one cell apart. */
const SETS_APART = /[;|\n,]/

/** Several things in one cell: one behind the other where that tells them apart, else as JSON. */
export const several = (words: readonly string[]): string =>
  words.some((w) => SETS_APART.test(w) || w.trim() !== w || w === '') ? JSON.stringify(words) : words.join('; ')

export const isText = (value: unknown): value is string => typeof value === 'string'
export const isNumber = (value: unknown): value is number => typeof value === 'number'
export const isObject = isRecord
export const listOf =
  (each: (value: unknown) => boolean) =>
  (value: unknown): boolean =>
    Array.isArray(value) && value.every(each)

export const firstOf = (value: unknown): unknown => (Array.isArray(value) ? value[0] : value)

/** Texts that a value of any kind is made of. */
export const textsIn = (value: unknown): string[] =>
  Array.isArray(value) ? value.filter(isText) : partsOf(wordsOf(value))

/** A list all of whose things were found; null where one was not, or there are none. */
export const allFound = <T>(found: readonly (T | null | undefined)[]): T[] | null =>
  found.length > 0 && found.every((f) => f !== null && f !== undefined) ? (found as T[]) : null
