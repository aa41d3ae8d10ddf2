import { type Id, exact, key, numeric, optional, refuse } from '../shape'
import { UNLISTED } from './families'
import type { FieldSpec } from './spec'
import { isObject, jsonIn, wordsOf } from './values'

/** Where something stands; without a floor, on the first that has something there. */
export interface Position {
  x: number
  y: number
  floor?: Id
}

const shape = exact({ x: numeric(), y: numeric(), floor: optional(key()) })

export const position: FieldSpec = {
  ...UNLISTED,
  label: 'Position',
  about: 'Two numbers, on a plan.',
  shape,
  suits: isObject,
  drawn: 'words',
  linked: false,
  convert(value) {
    const json = jsonIn(value)
    if (json !== undefined && json !== null && refuse(shape, json) === null) return json
    const [x, y] = wordsOf(value)
      .split(/[,;\s]+/)
      .map((n) => (n ? Number(n) : NaN))
    return Number.isFinite(x) && Number.isFinite(y) ? { x, y } : null
  },
  input: 'position',
  toCell: (value) => (isObject(value) && value.floor !== undefined ? JSON.stringify(value) : wordsOf(value)),
  toJson: (value) => value,
}
