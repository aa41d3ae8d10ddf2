import type { EditKind } from '../../core/layouts'

/** Judges the shape of edits that come from outside; whether they apply is the core's to say. */

type Shape = Record<string, (value: unknown) => boolean>

const text = (value: unknown): boolean => typeof value === 'string' && value.length <= 200
const index = (value: unknown): boolean => Number.isInteger(value)
const record = (value: unknown): boolean => typeof value === 'object' && value !== null && !Array.isArray(value)
const anything = (): boolean => true
const styleValue = (value: unknown): boolean => value === null || typeof value === 'string' || typeof value === 'number'
const spans = (value: unknown): boolean => Array.isArray(value) && value.length <= 12 && value.every(Number.isInteger)

const SHAPES: Record<EditKind, Shape> = {
  insert: { parent: text, index, node: record },
  remove: { id: text },
  move: { id: text, parent: text, index },
  setProperty: { id: text, property: text, value: anything },
  setStyle: { id: text, property: text, step: text, value: styleValue },
  setDefault: { of: text, property: text, step: text, value: styleValue },
  setSpans: { row: text, spans },
  rename: { id: text, name: text },
  batch: { label: text, edits: Array.isArray },
}

const MOST_IN_BATCH = 500

/** Why something is no edit, as the end of a sentence; null when it is one. */
export function refuseEdit(value: unknown, depth = 0): string | null {
  if (!record(value)) return 'it is not an object'
  const edit = value as Record<string, unknown>
  const kind = String(edit.kind)
  if (!Object.hasOwn(SHAPES, kind)) return `there is no edit of the kind ${kind.slice(0, 40)}`
  const wrong = Object.entries(SHAPES[kind as EditKind]).find(([key, holds]) => !holds(edit[key]))
  if (wrong) return `its ${wrong[0]} is missing or of the wrong kind`
  if (kind !== 'batch') return null
  const edits = edit.edits as unknown[]
  if (depth > 3 || edits.length > MOST_IN_BATCH) return 'its batch is too large'
  return edits.map((e) => refuseEdit(e, depth + 1)).find(Boolean) ?? null
}
