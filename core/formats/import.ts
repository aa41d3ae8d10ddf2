import { type Dangling, checkReferences, checkThings } from '../checks'
import { CompiledRules, type Design, type Frame, type Target, rulesOf, type Exchange, targetSpec } from '../frames'
import { type PropertyKind, type FieldValue, type Layout, type TreeNode, type Value, isFieldValue, walk } from '../tree'
import { propertiesOf, refuseProperty } from '../elements'
import { isRecord } from '../shape'
import { type Catalogue, type Id, type RichNode, isRichDoc } from '../site'
import type { Parcel } from './parcel'

/** What importing would do with one thing of a parcel. */
export interface ImportItem {
  what: 'layout' | 'frame' | 'house'
  id: Id
  name: string
  state: 'new' | 'replaces' | 'same'
}

export type UnfitKind = Exclude<Dangling, 'layout' | 'wrong-region' | 'card' | 'frame'> | 'field'

/** Something that the parcel names and this site does not have, with all that names it. */
export interface Unfit {
  /** `kind id`; choices are given under it. */
  key: string
  kind: UnfitKind
  id: string
  users: { what: 'layout' | 'frame'; id: Id }[]
}

/**
 * What to do about something that does not fit: keep the reference (it does nothing until the thing exists, and
 * the checks report it), drop it, or use something of this site instead.
 */
export type Choice = { do: 'keep' } | { do: 'drop' } | { do: 'use'; id: string }

export interface ImportPlan {
  items: ImportItem[]
  unfit: Unfit[]
}

const same = (a: unknown, b: unknown): boolean => canonical(a) === canonical(b)

/** A document as text, the same however its keys are ordered. */
export function canonical(value: unknown): string {
  return JSON.stringify(value, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  )
}

function itemsOf(parcel: Parcel, design: Design, frameName: (frame: Frame) => string): ImportItem[] {
  const layouts = new Map(design.layouts.map((l) => [l.id, l]))
  const frames = new Map(design.frames.map((f) => [f.id, f]))
  const state = (old: unknown, now: unknown): ImportItem['state'] =>
    old === undefined ? 'new' : same(old, now) ? 'same' : 'replaces'
  const { house } = parcel
  return [
    ...parcel.layouts.map((l) => ({
      what: 'layout' as const,
      id: l.id,
      name: l.name,
      state: state(layouts.get(l.id), l),
    })),
    ...parcel.frames.map((f) => ({
      what: 'frame' as const,
      id: f.id,
      name: frameName(f),
      state: state(frames.get(f.id), f),
    })),
    ...(house ? [{ what: 'house' as const, id: 'house', name: 'House style', state: state(design.house, house) }] : []),
  ]
}

function unfitOf(parcel: Parcel, design: Design, catalogue: Catalogue): Unfit[] {
  const found = new Map<string, Unfit>()
  const add = (kind: UnfitKind, id: string, what: 'layout' | 'frame', user: Id) => {
    const key = `${kind} ${id}`
    const unfit = found.get(key) ?? { key, kind, id, users: [] }
    if (!unfit.users.some((u) => u.what === what && u.id === user)) unfit.users.push({ what, id: user })
    found.set(key, unfit)
  }
  const layouts = [...design.layouts.filter((l) => !parcel.layouts.some((p) => p.id === l.id)), ...parcel.layouts]
  const compiled = new CompiledRules(rulesOf({ layouts, frames: parcel.frames }), catalogue)
  const cards = new Set(layouts.filter((l) => l.region === 'card').map((l) => l.id))
  const notes = [
    ...checkReferences(parcel.frames, compiled),
    ...parcel.layouts.flatMap((l) => checkThings(l, catalogue, cards)),
  ]
  for (const note of notes) {
    if (note.kind === 'missing-field' && note.frame) add('field', note.field, 'frame', note.frame)
    if (
      note.kind !== 'dangling' ||
      note.what === 'layout' ||
      note.what === 'wrong-region' ||
      note.what === 'card' ||
      note.what === 'frame'
    )
      continue
    if (note.frame) add(note.what, note.id, 'frame', note.frame)
    if (note.layout) add(note.what, note.id, 'layout', note.layout)
  }
  for (const layout of parcel.layouts)
    for (const id of unknownFields(layout, catalogue)) add('field', id, 'layout', layout.id)
  return [...found.values()]
}

/** Own fields of entries that a layout names and that no page type of this site has. */
function unknownFields(layout: Layout, catalogue: Catalogue): Set<Id> {
  const known = new Set([...catalogue.types.values()].flatMap((t) => t.fields.map((f) => f.id)))
  const found = new Set<Id>()
  eachField(layout, (field) => {
    const id = field.of === 'reference' ? (field.via ?? '') : field.of === 'page' ? field.field : ''
    if (id && !id.startsWith('terms:') && !BUILT_IN_FIELDS.has(id) && !known.has(id)) found.add(id)
  })
  return found
}

const BUILT_IN_FIELDS = new Set([
  'title',
  'summary',
  'description',
  'content',
  'picture',
  'date',
  'person',
  'mail',
  'type',
  'address',
  'count',
  'query',
])

function eachField(layout: Layout, see: (field: { of: string; via?: Id; field: Id }) => void): void {
  const visit = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return
    if (isFieldValue(value)) see(value)
    Object.values(value).forEach(visit)
  }
  for (const node of walk(layout)) visit(node.props)
}

/** What importing a parcel would do here; nothing is changed. */
export function planImport(
  parcel: Parcel,
  design: Design,
  catalogue: Catalogue,
  frameName: (frame: Frame) => string,
): ImportPlan {
  return { items: itemsOf(parcel, design, frameName), unfit: unfitOf(parcel, design, catalogue) }
}

type Choose = (kind: UnfitKind, id: string) => string | null

/** Choices as one question: what an id becomes; null when it is dropped. */
function chooser(choices: Readonly<Record<string, Choice>>): Choose {
  return (kind, id) => {
    const choice = Object.hasOwn(choices, `${kind} ${id}`) ? choices[`${kind} ${id}`] : undefined
    if (!choice || choice.do === 'keep') return id
    return choice.do === 'use' ? choice.id : null
  }
}

const kept = <T>(items: (T | null)[]): T[] => items.filter((i): i is T => i !== null)

export function adaptFrame(frame: Frame, choices: Readonly<Record<string, Choice>>): Frame {
  const choose = chooser(choices)
  const exchange: Exchange = (what, id) =>
    what === 'entry' ? (choose('page', `entry:${id}`)?.replace(/^entry:/, '') ?? null) : choose(what, id)
  const targets = (list: readonly Target[]) => kept(list.map((t) => targetSpec(t).exchange(t, exchange)))
  return {
    ...frame,
    covers: targets(frame.covers),
    except: targets(frame.except),
    offeredTo: kept(frame.offeredTo.map((t) => choose('type', t))),
  }
}

const ID_KINDS: Partial<Record<PropertyKind, UnfitKind>> = { menu: 'menu', picture: 'picture', type: 'type' }

/** A field with what does not fit exchanged; what stands in for it, or nothing, when it is to be dropped. */
function adaptField(value: FieldValue, kind: PropertyKind, choose: Choose): Value | undefined {
  const { fallback: before, ...rest } = value
  const fallback = before === undefined ? undefined : adaptValue(before, kind, choose)
  const next: FieldValue = { ...rest, ...(fallback !== undefined && { fallback }) }
  if (value.of === 'page') {
    const field = choose('field', value.field)
    if (field === null) return fallback
    next.field = field
  }
  if (value.of === 'reference') {
    const via = choose('field', value.via ?? '')
    if (via === null) return fallback
    next.via = via
  }
  return next
}

/** Text without what is dropped: a field gives way to its fallback as words, a link to what it stood on. */
function adaptText(node: RichNode, choose: Choose): RichNode[] {
  if (node.type === 'field') {
    const value = adaptField(node.attrs!.value as FieldValue, 'text', choose)
    if (isFieldValue(value)) return [{ ...node, attrs: { value } }]
    const words = typeof value === 'string' || typeof value === 'number' ? String(value) : ''
    return words ? [{ type: 'text', text: words }] : []
  }
  const marks = node.marks?.flatMap((mark) => {
    if (typeof mark.attrs?.page !== 'string') return [mark]
    const page = choose('page', mark.attrs.page)
    return page === null ? [] : [{ ...mark, attrs: { ...mark.attrs, page } }]
  })
  const content = node.content?.flatMap((child) => adaptText(child, choose))
  return [{ ...node, ...(marks && { marks }), ...(content && { content }) }]
}

/** A value of a property with what does not fit exchanged; undefined when it is to be dropped. */
function adaptValue(value: Value, kind: PropertyKind, choose: Choose): Value | undefined {
  if (isFieldValue(value)) return adaptField(value, kind, choose)
  if (isRichDoc(value)) return { ...value, content: (value.content ?? []).flatMap((n) => adaptText(n, choose)) }
  if (isRecord(value)) {
    const page = choose('page', String(value.page))
    return page === null ? undefined : { page }
  }
  const of = ID_KINDS[kind]
  return of && typeof value === 'string' && value ? (choose(of, value) ?? undefined) : value
}

function adaptNode<N extends TreeNode>(node: N, choose: Choose): N {
  const specs = propertiesOf(node)
  const props = Object.fromEntries(
    Object.entries(node.props).flatMap(([name, value]) => {
      const spec = specs[name]!
      const next = adaptValue(value, spec.kind, choose)
      // A property that cannot hold what is left goes back to its default.
      return next === undefined || refuseProperty(spec, next) !== null ? [] : [[name, next]]
    }),
  )
  if (node.kind === 'element') return { ...node, props }
  return { ...node, props, children: node.children.map((c) => adaptNode(c as TreeNode, choose)) } as N
}

export function adaptLayout(layout: Layout, choices: Readonly<Record<string, Choice>>): Layout {
  const choose = chooser(choices)
  return { ...layout, children: layout.children.map((row) => adaptNode(row, choose)) }
}
