import { type FieldValue, type Value, isFieldValue } from '../layouts/types'
import { MOST_FALLBACKS } from '../render/values'
import { safeAddress } from '../site'
import type { Property, PropertyKind } from './spec'

const SOURCES = ['page', 'person', 'term', 'reference', 'site', 'visitor']
const FORMAT_KEYS = ['date', 'digits', 'unit', 'list', 'yes', 'no']
const MOST_RICH_DEPTH = 24

type Refuse<K extends PropertyKind> = (property: Extract<Property, { kind: K }>, value: Value) => string | null

const isId = (value: unknown): boolean => typeof value === 'string' && /^[\w:-]{1,80}$/.test(value)

function refuseShort(value: unknown, most: number): string | null {
  if (typeof value !== 'string') return 'this must be a text'
  return value.length > most ? `this can hold ${most} characters; it has ${value.length}` : null
}

/** Why a reference to a field cannot be read; null when it can. `literal` judges its last fallback. */
function refuseField(value: FieldValue, literal: (v: Value) => string | null, depth = 0): string | null {
  if (depth >= MOST_FALLBACKS) return `fallbacks can follow one another ${MOST_FALLBACKS} deep`
  if (!SOURCES.includes(value.of)) return `a field is read from one of ${SOURCES.join(', ')}`
  if (!isId(value.field)) return 'choose a field'
  if ((value.of === 'term' || value.of === 'reference') && !isId(value.via)) return 'choose where the field is read'
  const words = refuseShort(value.before ?? '', 200) ?? refuseShort(value.after ?? '', 200)
  if (words) return words
  const format = value.format ?? {}
  if (typeof format !== 'object' || Object.keys(format).some((k) => !FORMAT_KEYS.includes(k))) return 'unknown format'
  if ('digits' in format && !(Number.isInteger(format.digits) && format.digits! >= 0 && format.digits! <= 10)) {
    return 'choose 0 to 10 digits'
  }
  if (value.fallback === undefined || value.fallback === null) return null
  return isFieldValue(value.fallback) ? refuseField(value.fallback, literal, depth + 1) : literal(value.fallback)
}

/** Judges a literal, or, when the property is dynamic, a field with its fallbacks. */
function dynamicOr(dynamic: boolean, value: Value, literal: (v: Value) => string | null): string | null {
  if (!isFieldValue(value)) return literal(value)
  return dynamic ? refuseField(value, literal) : 'this cannot be taken from a field'
}

function refuseLink(value: Value): string | null {
  if (value === null || value === '') return null
  if (typeof value === 'object' && 'page' in value) return isId(value.page) ? null : 'choose a page'
  if (typeof value !== 'string' || value.length > 2000) return 'this must be an address'
  return safeAddress(value) ? null : 'a link begins with /, https://, http://, mailto: or tel:'
}

function refuseRich(value: unknown, depth = 0): string | null {
  if (depth > MOST_RICH_DEPTH) return 'this text is nested too deep'
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return 'this must be rich text'
  const { type, text, content, marks, attrs } = value as Record<string, unknown>
  if (typeof type !== 'string' || (depth === 0 && type !== 'doc')) return 'this must be rich text'
  if (text !== undefined && (typeof text !== 'string' || text.length > 20_000)) return 'this text is too long'
  if (marks !== undefined && !(Array.isArray(marks) && marks.every((m) => m && typeof m.type === 'string'))) {
    return 'this text has marks that cannot be read'
  }
  if (type === 'field') {
    const field = (attrs as { value?: unknown } | undefined)?.value
    return isFieldValue(field) ? refuseField(field, (v) => refuseShort(v, 2000)) : 'a field in the text is missing'
  }
  if (content === undefined) return null
  if (!Array.isArray(content)) return 'this must be rich text'
  for (const child of content) {
    const why = refuseRich(child, depth + 1)
    if (why) return why
  }
  return null
}

const refuseId = (what: string) => (_: unknown, value: Value) =>
  value === null || isId(value) ? null : `choose ${what}`

const REFUSE: { [K in PropertyKind]: Refuse<K> } = {
  text: (p, v) => dynamicOr(true, v, (literal) => refuseShort(literal, p.most)),
  rich: (_, v) => refuseRich(v),
  link: (p, v) => dynamicOr(p.dynamic, v, refuseLink),
  picture: (p, v) => dynamicOr(p.dynamic, v, (literal) => refuseId('a picture')(p, literal)),
  field: (_, v) => (isFieldValue(v) ? refuseField(v, (literal) => refuseShort(literal, 2000)) : 'choose a field'),
  choice: (p, v) =>
    p.options.some((o) => o.value === v) ? null : `choose one of ${p.options.map((o) => o.label).join(', ')}`,
  number: (p, v) =>
    typeof v === 'number' && Number.isInteger(v) && v >= p.min && v <= p.max
      ? null
      : `choose a whole number from ${p.min} to ${p.max}`,
  'yes-no': (_, v) => (typeof v === 'boolean' ? null : 'this is yes or no'),
  menu: refuseId('a menu'),
  type: refuseId('a page type'),
  card: refuseId('a card layout'),
}

/** Why a property does not accept a value, as the end of a sentence; null when it does. */
export function refuseProperty(property: Property, value: Value): string | null {
  return (REFUSE[property.kind] as Refuse<PropertyKind>)(property as never, value)
}
