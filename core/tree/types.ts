import type { FieldRef, Id, Link, RichDoc } from '../site'

/** The regions of a page, from top to bottom. */
export const REGIONS = ['header', 'intro', 'body', 'footer'] as const
export type Region = (typeof REGIONS)[number]

/** A layout is for one region, or is a card: the drawing of one entry inside a grid. */
export const LAYOUT_REGIONS = [...REGIONS, 'card'] as const
export type LayoutRegion = (typeof LAYOUT_REGIONS)[number]

export const STEPS = ['wide', 'medium', 'narrow'] as const
export type Step = (typeof STEPS)[number]

/** How a field is written out; see `core/drawing/format.ts`. Only what suits the field's kind is used. */
export interface Format {
  date?: 'full' | 'long' | 'medium' | 'short' | 'year' | 'month' | 'time'
  digits?: number
  unit?: 'short' | 'long' | 'hidden'
  list?: 'and' | 'comma'
  yes?: string
  no?: string
}

export interface FieldValue extends FieldRef {
  kind: 'field'
  format?: Format
  before?: string
  after?: string
  fallback?: Value
}

export type Literal = string | number | boolean | null | RichDoc | Link

/** Any value of an element: written here, or taken from a field. */
export type Value = Literal | FieldValue

export type StyleValue = string | number
export type Stepped = Partial<Record<Step, StyleValue>>
export type Styles = Record<string, Stepped>

interface Node {
  id: Id
  name?: string
  props: Record<string, Value>
  styles: Styles
}

export interface LayoutElement extends Node {
  kind: 'element'
  type: string
}

export interface Column extends Node {
  kind: 'column'
  /** Units of 12 that the column takes on wide screens. */
  span: number
  children: (LayoutElement | Row)[]
}

export interface Row extends Node {
  kind: 'row'
  children: Column[]
}

export type TreeNode = Row | Column | LayoutElement

/** Looks that the layout gives its rows, columns and each kind of element; keys `row`, `column`, or a type. */
export type Defaults = Record<string, Styles>

export interface Layout {
  kind: 'layout'
  format: 1
  id: Id
  name: string
  region: LayoutRegion
  defaults: Defaults
  children: Row[]
}

export function isFieldValue(value: unknown): value is FieldValue {
  return typeof value === 'object' && value !== null && (value as { kind?: unknown }).kind === 'field'
}
