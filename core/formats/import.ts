import { checkReferences, checkThings, namedOf } from '../checks'
import { CompiledRules, rulesOf } from '../rules'
import type { Design, DisplayRule } from '../design'
import { type Target, type Exchange, targetSpec } from '../targets'
import { type Condition, builtInField, isFieldTest, isTermTest } from '../conditions'
import {
  type Change,
  type FieldValue,
  type Fill,
  type Layout,
  type LayoutDocument,
  type TreeNode,
  isFieldValue,
  isVariation,
  rewriteProps,
} from '../tree'
import { propertiesOf, refuseProperty } from '../elements'
import { KnownThings } from './known'
import { behindPage, namedByTree, ownField, taxonomyIn } from './structure'
import { BUILT_IN, type Catalogue, TERMS } from '../catalogue'
import { type Id, type Menu, type MenuItem, type Picture, pagesOfItems } from '../model'
import { type Trees, changesBetween, treesOf } from '../layouts'
import type { Parcel } from './parcel'
import { type ImportChoice, type Unfit, type UnfitKind, belongs } from './unfit'

/** What importing would do with one thing of a parcel. */
export interface ImportItem {
  what: 'layout' | 'frame' | 'house' | 'menu' | 'look' | 'colour' | 'picture'
  id: Id
  name: string
  state: 'new' | 'replaces' | 'same'
}

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

function itemsOf(
  parcel: Parcel,
  design: Design,
  { site }: Catalogue,
  frameName: (frame: DisplayRule) => string,
): ImportItem[] {
  const state = (old: unknown, now: unknown): ImportItem['state'] =>
    old === undefined ? 'new' : same(old, now) ? 'same' : 'replaces'
  const list = <T extends { id: Id }>(
    what: ImportItem['what'],
    brought: readonly T[] = [],
    here: readonly T[] = [],
    name: (thing: T) => string = () => '',
    seen: (thing: T) => unknown = (thing) => thing,
  ): ImportItem[] => {
    const known = new Map(here.map((one) => [one.id, one]))
    return brought.map((one) => {
      const old = known.get(one.id)
      return { what, id: one.id, name: name(one), state: state(old && seen(old), seen(one)) }
    })
  }
  const { house } = parcel
  const called = ({ name }: { name: string }) => name
  return [
    ...list('layout', parcel.layouts, design.layouts, called),
    ...list('frame', parcel.frames, design.frames, frameName),
    ...list('menu', parcel.menus, design.menus, called),
    ...list('look', parcel.looks, design.house.looks, called),
    ...list('colour', parcel.colours, design.house.palette, called),
    ...list<Omit<Picture, 'widths'>>('picture', parcel.pictures, site.pictures, pictureName, fileOf),
    ...(house ? [{ what: 'house' as const, id: 'house', name: 'House style', state: state(design.house, house) }] : []),
  ]
}

/** What tells the file of a picture from another one. */
const fileOf = ({ hash, fileName, width, height }: Omit<Picture, 'widths'>): string =>
  hash ?? `${fileName} ${width} ${height}`

const pictureName = ({ alt, fileName }: Pick<Picture, 'alt' | 'fileName'>): string => (alt || fileName).slice(0, 80)

function unfitOf(parcel: Parcel, design: Design, catalogue: Catalogue): Unfit[] {
  const found = new Map<string, Unfit>()
  const known = new KnownThings(parcel, design, catalogue)
  const add = (kind: UnfitKind, id: string, what: 'layout' | 'frame' | 'menu', user: Id): void => {
    // The page of a term is missing because the term is: that is what can be created, or exchanged.
    const behind = kind === 'page' ? behindPage(id) : null
    if (behind && known.missing(behind.kind, behind.id)) return add(behind.kind, behind.id, what, user)
    const key = `${kind} ${id}`
    const unfit = found.get(key) ?? { key, kind, id, ...known.of(kind, id), users: [] }
    if (!unfit.users.some((u) => u.what === what && u.id === user)) unfit.users.push({ what, id: user })
    found.set(key, unfit)
  }
  const layouts = [...design.layouts.filter((l) => !parcel.layouts.some((p) => p.id === l.id)), ...parcel.layouts]
  const trees = treesOf({ layouts })
  const compiled = new CompiledRules(rulesOf({ layouts, frames: parcel.frames }), catalogue)
  const named = namedOf({ layouts, house: parcel.house ?? design.house })
  const notes = [
    ...checkReferences(parcel.frames, compiled),
    ...parcel.layouts.flatMap((l) => checkThings(trees.of(l).tree, catalogue, named)),
  ]
  for (const note of notes) {
    if (note.kind === 'missing-field' && note.frame) add('field', note.field, 'frame', note.frame)
    // Fields that layouts name are looked for below, with those of taxonomies told as such.
    if (note.kind !== 'dangling' || belongs(note.what) || note.what === 'field') continue
    if (note.frame) add(note.what, note.id, 'frame', note.frame)
    if (note.layout) add(note.what, note.id, 'layout', note.layout)
  }
  // What comes along with the parcel is there.
  for (const { id } of parcel.menus ?? []) found.delete(`menu ${id}`)
  for (const { id } of parcel.pictures ?? []) found.delete(`picture ${id}`)
  for (const { id, items } of parcel.menus ?? [])
    for (const key of pagesOfItems(items)) if (!catalogue.page(key)) add('page', key, 'menu', id)
  for (const layout of parcel.layouts)
    namedByTree(trees.of(layout).tree, (kind, id) => {
      const missing = known.missing(kind, id)
      if (missing) add(missing, id, 'layout', layout.id)
    })
  return [...found.values()]
}

/** What importing a parcel would do here; nothing is changed. */
export function planImport(
  parcel: Parcel,
  design: Design,
  catalogue: Catalogue,
  frameName: (frame: DisplayRule) => string,
): ImportPlan {
  return { items: itemsOf(parcel, design, catalogue, frameName), unfit: unfitOf(parcel, design, catalogue) }
}

type Choose = (kind: UnfitKind, id: string) => string | null

/** Choices as one question: what an id becomes; null when it is dropped. */
function chooser(choices: Readonly<Record<string, ImportChoice>>): Choose {
  return function choose(kind, id): string | null {
    const behind = kind === 'page' && !Object.hasOwn(choices, `page ${id}`) ? behindPage(id) : null
    if (behind) {
      const chosen = choose(behind.kind, behind.id)
      return chosen === null ? null : id.slice(0, -behind.id.length) + chosen
    }
    const choice = Object.hasOwn(choices, `${kind} ${id}`) ? choices[`${kind} ${id}`] : undefined
    if (!choice || choice.do === 'keep' || choice.do === 'create') return id
    return choice.do === 'use' ? choice.id : null
  }
}

const kept = <T>(items: (T | null)[]): T[] => items.filter((i): i is T => i !== null)

export function adaptFrame(frame: DisplayRule, choices: Readonly<Record<string, ImportChoice>>): DisplayRule {
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

/** The field of a taxonomy's terms, or of an entry's own, with what does not fit exchanged; null when it is dropped. */
function adaptEntryField(field: string, choose: Choose): string | null {
  const taxonomy = taxonomyIn(field)
  if (taxonomy === null) return Object.hasOwn(BUILT_IN, field) ? field : choose('field', field)
  const chosen = choose('taxonomy', taxonomy)
  return chosen === null ? null : TERMS + chosen
}

/** One of a term, a person or an entry, each of which goes by an id of its own; null when it is dropped. */
function adaptEntryValue(id: string, choose: Choose): string | null {
  const term = choose('term', id)
  const person = choose('person', id)
  if (term === null || person === null) return null
  if (term !== id || person !== id) return term !== id ? term : person
  return choose('page', `entry:${id}`)?.replace(/^entry:/, '') ?? null
}

/** A field with what does not fit exchanged; null when it is to be dropped. */
function adaptField(value: FieldValue, choose: Choose): FieldValue | null {
  if (value.of === 'term' && value.via) {
    const via = choose('taxonomy', value.via)
    return via === null ? null : { ...value, via }
  }
  if (taxonomyIn(value.field) !== null) {
    const field = adaptEntryField(value.field, choose)
    return field === null ? null : { ...value, field }
  }
  const own = ownField(value)
  const field = own ? choose('field', own) : own
  if (field === null) return null
  if (field === own) return value
  return value.of === 'reference' ? { ...value, via: field } : { ...value, field }
}

/**
 * Conditions with the fields and terms that they ask for exchanged. One whose field is dropped stays: it never holds, and the
 * checks tell, while without it the thing would be shown to all.
 */
function adaptWhen(when: readonly Condition[], choose: Choose): Condition[] {
  return when.map((asked) => {
    if (isTermTest(asked))
      return {
        ...asked,
        taxonomy: choose('taxonomy', asked.taxonomy) ?? asked.taxonomy,
        terms: asked.terms.map((t) => choose('term', t) ?? t),
      }
    if (!isFieldTest(asked) || builtInField(asked.field)) return asked
    return { ...asked, field: adaptEntryField(asked.field, choose) ?? asked.field }
  })
}

/** What a place of a piece says, with what does not fit exchanged: what kind of value it is, its piece says. */
function adaptFill(fill: Fill, choose: Choose): Fill {
  if (fill.kind !== 'setProperty' || fill.value === undefined) return fill
  const { value } = fill
  if (isFieldValue(value)) {
    const field = adaptField(value, choose)
    return field ? { ...fill, value: field } : fill
  }
  if (typeof value !== 'object' || value === null || !('page' in value)) return fill
  const page = choose('page', value.page)
  return page === null ? fill : { ...fill, value: { page } }
}

function adaptNode<N extends TreeNode>(node: N, choose: Choose): N {
  const specs = propertiesOf(node)
  const adapted = rewriteProps(node.props, specs, {
    field: (field) => adaptField(field, choose),
    page: (page) => choose('page', page),
    entryField: (field) => adaptEntryField(field, choose),
    entryValue: (value) => adaptEntryValue(value, choose),
    thing: (kind, id) => (kind === 'card' || kind === 'look' || kind === 'piece' ? id : choose(kind, id)),
  })
  // A property that cannot hold what is left goes back to its default; one that is not known waits as it is.
  const props = Object.fromEntries(
    Object.entries(adapted).filter(
      ([name, value]) => !Object.hasOwn(specs, name) || refuseProperty(specs[name]!, value) === null,
    ),
  )
  const own = {
    ...node,
    props,
    ...(node.when && { when: adaptWhen(node.when, choose) }),
    ...(node.kind === 'element' && node.fills && { fills: node.fills.map((fill) => adaptFill(fill, choose)) }),
  }
  if (!node.children) return own
  return { ...own, children: node.children.map((c) => adaptNode(c as TreeNode, choose)) } as N
}

/** A menu with what does not fit exchanged; an item whose page is dropped leads nowhere yet. */
export function adaptMenu(menu: Menu, choices: Readonly<Record<string, ImportChoice>>): Menu {
  const choose = chooser(choices)
  const adapt = (items: readonly MenuItem[]): MenuItem[] =>
    items.map(({ link, items: below, ...item }) => {
      const page = typeof link === 'object' ? choose('page', link.page) : null
      return { ...item, link: typeof link === 'string' ? link : page === null ? '' : { page }, items: adapt(below) }
    })
  return { ...menu, items: adapt(menu.items) }
}

const adaptTree = (layout: Layout, choose: Choose): Layout => ({
  ...layout,
  children: layout.children.map((row) => adaptNode(row, choose)),
})

/** A layout with what does not fit exchanged; of a variation its own changes. `trees` has what it follows. */
export function adaptLayout(
  layout: LayoutDocument,
  trees: Trees,
  choices: Readonly<Record<string, ImportChoice>>,
): LayoutDocument {
  const choose = chooser(choices)
  if (!isVariation(layout)) return adaptTree(layout, choose)
  const document = trees.document(layout.follows.base)
  const base = document && trees.madeOf(document).made
  const { made: tree, waiting, baseless } = trees.madeOf(layout)
  const kept = waiting.map((c): Change => (c.kind === 'put' ? { ...c, node: adaptNode(c.node, choose) } : c))
  const own =
    base && !baseless ? changesBetween(adaptTree({ ...base, id: layout.id }, choose), adaptTree(tree, choose)) : []
  return { ...layout, follows: { ...layout.follows, changes: [...own, ...kept] } }
}
