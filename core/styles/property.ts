import type { StyleValue } from '../tree'

/** What a look property may stand on. */
export type Owner = 'row' | 'column' | 'element' | 'place' | 'part'

/** Everything that has a box of its own in the tree. */
export const BOXES = ['row', 'column', 'element', 'place'] as const satisfies readonly Owner[]
/** The same, and the parts that elements are made of. */
export const ALL = [...BOXES, 'part'] as const satisfies readonly Owner[]

export type StyleGroup = 'arrangement' | 'type' | 'space' | 'background' | 'effects'

export const STYLE_GROUPS: Record<StyleGroup, string> = {
  arrangement: 'Arrangement',
  type: 'Type',
  space: 'Space',
  background: 'Background and edge',
  effects: 'Shadow and change',
}

export type Ask =
  | { kind: 'length'; min: number; max: number; step?: number; steps?: true }
  | { kind: 'number'; min: number; max: number; step: number; unit?: string }
  | { kind: 'colour' }
  | { kind: 'family' }
  | { kind: 'choice'; options: readonly { value: string; label: string }[] }

/** A question with a few answers: what is written, and what it is called. */
export const choice = (...options: (readonly [value: string, label: string])[]): Extract<Ask, { kind: 'choice' }> => ({
  kind: 'choice',
  options: options.map(([value, label]) => ({ value, label })),
})

/** Which box a declaration is written on: the thing itself, a row's inner box, or its background picture. */
export type StyledBox = 'self' | 'inner' | 'picture'

export interface Declaration {
  target: StyledBox
  css: string
}

/**
 * One look property: what it is called, where it stands in the property sheet, what it accepts and the CSS it
 * writes. The CSS writer, the property sheet and the checks all derive from this.
 */
export interface StyleProperty {
  name: string
  label: string
  /** Other words by which people look for it. */
  also?: string
  group: StyleGroup
  on: readonly Owner[]
  ask: Ask
  /** Only elements that are made of such things are asked about it. */
  suits?: 'words' | 'pictures'
  /**
   * Written for each width step by itself, so that a narrower step takes nothing back that a wider one says: what
   * hides a thing knows no way to show it as it was.
   */
  alone?: true
  css(value: StyleValue): Declaration[]
}

export const self = (css: string): Declaration[] => [{ target: 'self', css }]
export const inner = (css: string): Declaration[] => [{ target: 'inner', css }]
