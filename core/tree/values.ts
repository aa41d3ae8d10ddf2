import { type RichDoc, type RichNode, isRichDoc } from '../rich'
import type { Property } from './property'
import { type FieldValue, type Item, type Value, isFieldValue } from './types'

/** Things of the site or the design that a property names by its kind. */
const NAMES_THING = {
  picture: 'picture',
  menu: 'menu',
  type: 'type',
  card: 'card',
  piece: 'piece',
  look: 'look',
} as const
export type NamedThing = (typeof NAMES_THING)[keyof typeof NAMES_THING]

/**
 * What is asked of everything that is found in a value; each gives what is to stand in its place, and null takes it
 * away. A field that is taken away gives way to its fallback. What is not asked stays as it is.
 */
export interface Rewriting {
  field?(field: FieldValue): FieldValue | null
  /** The page that a link leads to, by its key. */
  page?(page: string): string | null
  /** The address that a link leads to, where one was typed. */
  address?(address: string): string | null
  thing?(kind: NamedThing, id: string): string | null
  /** A field of the entries that something lists. */
  entryField?(field: string): string | null
  /** What a field of the entries that something lists is asked for: often what it refers to, by its id. */
  entryValue?(value: string): string | null
  /** Words that are written out, in texts and in running text. */
  words?(words: string): string | null
}

/** A value without what is taken away; undefined when nothing is left of it. The same value where nothing changed. */
export function rewriteValue(property: Property, value: Value, by: Rewriting): Value | undefined {
  if (isFieldValue(value)) return rewriteField(value, property, by)
  if (Array.isArray(value)) return property.kind === 'items' ? rewriteItems(value, property, by) : value
  if (isRichDoc(value)) return rewriteText(value, by)
  if (typeof value === 'object' && value !== null) return rewriteLink(value, by)
  return typeof value === 'string' ? rewriteString(property, value, by) : value
}

const KEPT = Symbol('kept')

/** What a question gives for something, or that it is not asked. */
const asked = <T>(ask: ((thing: T) => T | null) | undefined, thing: T): T | null | typeof KEPT =>
  ask ? ask(thing) : KEPT

function rewriteString(property: Property, value: string, by: Rewriting): string | undefined {
  const kind = property.kind
  if (value !== '' && Object.hasOwn(NAMES_THING, kind))
    return by.thing ? (by.thing(kind as NamedThing, value) ?? undefined) : value
  if (kind === 'entry-field' && value !== '') return by.entryField ? (by.entryField(value) ?? undefined) : value
  if (kind === 'entry-value') return by.entryValue ? (by.entryValue(value) ?? undefined) : value
  if (kind === 'link' && value !== '' && by.address) return by.address(value) ?? undefined
  if (kind !== 'text' || !by.words) return value
  return by.words(value) ?? undefined
}

function rewriteLink(link: { page: string }, by: Rewriting): { page: string } | undefined {
  const page = asked(by.page, link.page)
  if (page === KEPT || page === link.page) return link
  return page === null ? undefined : { page }
}

function rewriteField(value: FieldValue, property: Property, by: Rewriting): Value | undefined {
  const before = value.fallback
  const fallback = before === undefined ? undefined : rewriteValue(property, before, by)
  const field = by.field ? by.field(value) : value
  if (field === null) return fallback
  if (field === value && fallback === before) return value
  const { fallback: _, ...rest } = field
  return fallback === undefined ? rest : { ...rest, fallback }
}

/** Fields in running text are written out as words, and so are their fallbacks. */
const AS_WORDS: Property = { kind: 'text', label: '', default: '', most: 0 }

function rewriteNode(node: RichNode, by: Rewriting): RichNode[] {
  if (node.type === 'field' && isFieldValue(node.attrs?.value)) {
    const value = rewriteField(node.attrs.value, AS_WORDS, by)
    if (value === node.attrs.value) return [node]
    if (isFieldValue(value)) return [{ ...node, attrs: { value } }]
    const words = typeof value === 'string' || typeof value === 'number' ? String(value) : ''
    return words ? [{ type: 'text', text: words }] : []
  }
  const text = node.text === undefined || !by.words ? node.text : (by.words(node.text) ?? '')
  if (text === '') return []
  const marks = node.marks && rewriteAll(node.marks, (mark) => rewriteMark(mark, by))
  const content = node.content && rewriteAll(node.content, (child) => rewriteNode(child, by))
  if (text === node.text && marks === node.marks && content === node.content) return [node]
  return [{ ...node, ...(text !== undefined && { text }), ...(marks && { marks }), ...(content && { content }) }]
}

type Mark = NonNullable<RichNode['marks']>[number]

function rewriteMark(mark: Mark, by: Rewriting): Mark[] {
  const { attrs } = mark
  if (typeof attrs?.href === 'string' && by.address) {
    const href = by.address(attrs.href)
    return href === attrs.href ? [mark] : href === null ? [] : [{ ...mark, attrs: { ...attrs, href } }]
  }
  if (typeof attrs?.page !== 'string') return [mark]
  const page = asked(by.page, attrs.page)
  if (page === KEPT || page === attrs.page) return [mark]
  return page === null ? [] : [{ ...mark, attrs: { ...attrs, page } }]
}

/** A list with each of its things made anew; the same list where none changed. */
function rewriteAll<T>(list: T[], each: (thing: T) => T[]): T[] {
  const next = list.flatMap(each)
  return next.length === list.length && next.every((thing, i) => thing === list[i]) ? list : next
}

function rewriteText(doc: RichDoc, by: Rewriting): RichDoc {
  const content = doc.content && rewriteAll(doc.content, (node) => rewriteNode(node, by))
  return content === doc.content ? doc : { ...doc, content }
}

function rewriteItems(items: Item[], property: Extract<Property, { kind: 'items' }>, by: Rewriting): Item[] {
  return rewriteAll(items, (item) => {
    const props = rewriteProps(item.props, property.of, by)
    return [props === item.props ? item : { ...item, props }]
  })
}

/** The values of a thing, each rewritten as its property says; the same where none changed. */
export function rewriteProps(
  props: Record<string, Value>,
  specs: Readonly<Record<string, Property>>,
  by: Rewriting,
): Record<string, Value> {
  const next: Record<string, Value> = {}
  let changed = false
  for (const [name, value] of Object.entries(props)) {
    const spec = Object.hasOwn(specs, name) ? specs[name] : undefined
    const rewritten = spec ? rewriteValue(spec, value, by) : value
    if (rewritten !== value) changed = true
    if (rewritten !== undefined) next[name] = rewritten
  }
  return changed ? next : props
}

/** The same questions, for whoever only looks. */
export interface Seeing {
  field?(field: FieldValue): void
  page?(page: string): void
  address?(address: string): void
  thing?(kind: NamedThing, id: string): void
  entryField?(field: string): void
  entryValue?(value: string): void
  words?(words: string): void
}

const seen = <T>(see: ((thing: T) => void) | undefined) =>
  see &&
  ((thing: T): T => {
    see(thing)
    return thing
  })

/** What a value is made of, wherever in it: in running text, in marks, in fallbacks, in items. */
export function seeProps(
  props: Record<string, Value>,
  specs: Readonly<Record<string, Property>>,
  { field, page, address, thing, entryField, entryValue, words }: Seeing,
): void {
  rewriteProps(props, specs, {
    field: seen(field),
    page: seen(page),
    address: seen(address),
    words: seen(words),
    entryField: seen(entryField),
    entryValue: seen(entryValue),
    thing:
      thing &&
      ((kind, id) => {
        thing(kind, id)
        return id
      }),
  })
}
