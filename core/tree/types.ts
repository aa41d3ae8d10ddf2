import type { Condition } from '../conditions'
import type { FieldRef, Id, Link } from '../model'
import type { RichDoc } from '../rich'

/** The regions of a page, from top to bottom. */
export const REGIONS = ['header', 'intro', 'body', 'footer'] as const
export type Region = (typeof REGIONS)[number]

/** A layout is for one region, or is a card: the drawing of one entry inside a grid; or a piece, placed in other layouts. */
export const LAYOUT_REGIONS = [...REGIONS, 'card', 'piece'] as const
export type LayoutRegion = (typeof LAYOUT_REGIONS)[number]

export const STEPS = ['wide', 'medium', 'narrow'] as const
export type WidthStep = (typeof STEPS)[number]

/** How a field is written out; see `core/drawing/format.ts`. Only what suits the field's kind is used. */
export interface Format {
  /** `away`: how far it is from today. */
  date?: 'full' | 'long' | 'medium' | 'short' | 'year' | 'month' | 'time' | 'away'
  digits?: number
  unit?: 'short' | 'long' | 'hidden'
  list?: 'and' | 'comma'
  yes?: string
  no?: string
  /** Words around a number, by the forms that the language of the site has for it; `#` stands for the number. */
  counted?: Partial<Record<Intl.LDMLPluralRule, string>>
  /** The field, beside this one, that says when what begins here is over: both are written as one range. */
  until?: Id
  /** Of a text no more than its first sentence, or so many words. */
  first?: 'sentence' | number
}

export interface FieldValue extends FieldRef {
  kind: 'field'
  format?: Format
  before?: string
  after?: string
  fallback?: Value
}

/** One of the things that a property holds several of: a link, a slide, a day's hours. Each value of it is a value like any. */
export interface Item {
  id: Id
  props: Record<string, Value>
}

export type Literal = string | number | boolean | null | RichDoc | Link | Item[]

/** Any value of an element: written here, or taken from a field. */
export type Value = Literal | FieldValue

export type StyleValue = string | number
export type Stepped = Partial<Record<WidthStep, StyleValue>>
export type Styles = Record<string, Stepped>

/** How something is met: as it rests, under the pointer, with the focus, as where one is, or out of reach. */
export const STATES = ['hover', 'focus', 'current', 'disabled'] as const
export type State = (typeof STATES)[number]

/**
 * Whose looks: of a part (`label`), of a part in a state (`label:hover`), or of the thing itself in a state (`:hover`).
 * The looks of the thing itself at rest are its `styles`.
 */
export type LooksKey = string

interface Node {
  /** In a layout its own, for life; in the tree that is drawn a path, so that one thing can be drawn twice. */
  id: Id
  name?: string
  props: Record<string, Value>
  styles: Styles
  /** What must hold for it to be drawn; all of it. */
  when?: Condition[]
  /** The named look of the house style that it has, beneath its own looks and in the place of what is given to its kind. */
  look?: Id
  /** In a piece, the properties whose values each place says itself. */
  open?: string[]
}

/** Which item of which property. */
export interface Within {
  items: string
  item: Id
}

/** One thing said of one node: a value, a look at one width step, a part. What a place says of what is in its piece. */
export type Fill =
  /**
   * Undefined for `value` cannot be sent as JSON, so a missing property is written `unset: true`. With `within`, a
   * value of one of the items that a property holds.
   */
  | { kind: 'setProperty'; id: Id; property: string; within?: Within; value?: Value; unset?: true }
  /** With `at`, the looks of a part or of a state. */
  | { kind: 'setStyle'; id: Id; at?: LooksKey; property: string; step: WidthStep; value: StyleValue | null }
  | { kind: 'hidePart'; id: Id; part: string; hidden: boolean }

export interface LayoutElement extends Node {
  kind: 'element'
  type: string
  /** Where a piece is placed: what this place says itself; see `docs/pieces.md`. */
  fills?: Fill[]
  /** Looks of its parts and states, where it has any of its own. */
  looks?: Record<LooksKey, Styles>
  /** Parts that are not shown. */
  hides?: string[]
  /** The places in which it holds rows, where its spec has some. */
  children?: Slot[]
}

/** A spot in an element that holds rows: a panel, a tab, a section that opens. `type` is that of its element. */
export interface Slot extends Node {
  kind: 'place'
  type: string
  children: Row[]
}

/** A row or a column: what is made to hold others. */
interface Box extends Node {
  /** Looks that it gives what stands in it, over those that the layout gives, and beneath those of boxes within. */
  gives?: Defaults
}

export interface Column extends Box {
  kind: 'column'
  /** Units of 12 that the column takes on wide screens. */
  span: number
  children: (LayoutElement | Row)[]
}

export interface Row extends Box {
  kind: 'row'
  children: Column[]
}

export type TreeNode = Row | Column | LayoutElement | Slot

/**
 * Looks that a layout, a row or a column gives the rows, columns and each kind of element in it; keys `row`, `column`,
 * or a type, which may name a sort of it (`heading.2`) and be followed by whose looks they are: `button :hover`, `field label`.
 */
export type Defaults = Record<string, Styles>

export interface Layout {
  kind: 'layout'
  format: 2
  id: Id
  name: string
  /** What it is for, in one line. */
  about?: string
  /** Kept to begin others from: no frame and no grid uses it. */
  starter?: true
  region: LayoutRegion
  defaults: Defaults
  children: Row[]
}

export function isFieldValue(value: unknown): value is FieldValue {
  return typeof value === 'object' && value !== null && (value as { kind?: unknown }).kind === 'field'
}

/** The key under which a layout's defaults have looks of some kind of thing. */
export const defaultsKey = (of: string, at: LooksKey = ''): string => (at ? `${of} ${at}` : of)

/** A key of looks taken apart: the part it names (empty for the thing itself) and the state (null at rest). */
export function looksOf(at: LooksKey): { part: string; state: State | null } {
  const [part = '', state] = at.split(':')
  return { part, state: (state as State | undefined) ?? null }
}

export const looksKey = (part: string, state: State | null): LooksKey => (state ? `${part}:${state}` : part)
