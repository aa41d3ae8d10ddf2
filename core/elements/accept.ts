import { refuse } from '../shape'
import { counted } from '../text'
import {
  valueShape,
  type FieldValue,
  type Value,
  isFieldValue,
  seeProps,
  type Property,
  type PropertyKind,
} from '../tree'
import { isIcon } from '../drawing'
import { isRichDoc } from '../rich'
import { safeAddress } from '../addresses'

type Refuse<K extends PropertyKind> = (property: Extract<Property, { kind: K }>, value: Value) => string | null

const isId = (value: unknown): boolean => typeof value === 'string' && /^[\w:-]{1,80}$/.test(value)

function refuseShort(value: unknown, most: number): string | null {
  if (typeof value !== 'string') return 'this must be a text'
  return value.length > most ? `this can hold ${most} characters; it has ${value.length}` : null
}

/** A field's own parts have their shape; what is asked here is that every kind of field that needs one says where it is read, and what its last fallback is. */
function refuseField(value: FieldValue, literal: (v: Value) => string | null): string | null {
  if ((value.of === 'term' || value.of === 'reference') && value.via === undefined)
    return 'choose where the field is read'
  if (value.fallback === undefined || value.fallback === null) return null
  return isFieldValue(value.fallback) ? refuseField(value.fallback, literal) : literal(value.fallback)
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

/** Fields that stand inside rich text are written out as text. */
function refuseRichFields(property: Property, value: Value): string | null {
  let why: string | null = null
  const field = (f: FieldValue) => {
    why ??= refuseField(f, (v) => refuseShort(v, 2000))
  }
  seeProps({ value }, { value: property }, { field })
  return why
}

const refuseRichValue = (property: Property, value: Value): string | null =>
  isRichDoc(value) ? refuseRichFields(property, value) : 'this must be rich text'

const refuseId = (what: string) => (_: unknown, value: Value) =>
  value === null || isId(value) ? null : `choose ${what}`

function refuseItems(property: Extract<Property, { kind: 'items' }>, value: Value): string | null {
  if (!Array.isArray(value)) return 'this is a list'
  if (value.length > property.most) return `this can hold ${counted(property.most, property.one.toLowerCase())}`
  const ids = new Set<string>()
  for (const { id, props } of value) {
    if (ids.has(id)) return `two of them have the id ${id}`
    ids.add(id)
    for (const [name, one] of Object.entries(props)) {
      const spec = Object.hasOwn(property.of, name) ? property.of[name] : undefined
      if (!spec) return `${property.one} has no property called ${name}`
      const why = refuseMeaning(spec, one)
      if (why) return `${spec.label}: ${why}`
    }
  }
  return null
}

const REFUSE: { [K in PropertyKind]: Refuse<K> } = {
  text: (p, v) => dynamicOr(true, v, (literal) => refuseShort(literal, p.most)),
  rich: refuseRichValue,
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
  piece: refuseId('a piece'),
  icon: (_, v) =>
    dynamicOr(true, v, (literal) => (literal === null || isIcon(literal) ? null : 'there is no such icon')),
  'entry-field': (_, v) =>
    v === null || (typeof v === 'string' && v.length <= 120 && /^[\w:-]+$/.test(v)) ? null : 'choose a field',
  'entry-value': (_, v) =>
    dynamicOr(true, v, (literal) =>
      literal === null || typeof literal === 'number' || typeof literal === 'boolean'
        ? null
        : refuseShort(literal, 200),
    ),
  look: (_, v) => (typeof v === 'string' && /^[\w-]{1,40}$/.test(v) ? null : 'choose a named look'),
  items: refuseItems,
}

/** Why a property does not accept a value of the right shape, as the end of a sentence; null when it does. */
export function refuseMeaning(property: Property, value: Value): string | null {
  return (REFUSE[property.kind] as Refuse<PropertyKind>)(property as never, value)
}

/** Why a property does not accept something, as the end of a sentence; null when it does. Takes anything. */
export function refuseProperty(property: Property, value: unknown): string | null {
  return refuse(valueShape, value) ?? refuseMeaning(property, value as Value)
}
