import type { LayoutElement, LayoutRegion, Styles, Value, Property, State } from '../../tree'
import type { Compile, Chunk } from '../../drawing'
import type { Catalogue } from '../../catalogue'

/**
 * What an element is made of: a part can be hidden, has its own words where `words` names the property that says
 * them, and has its own looks, at rest and in its states.
 */
export interface PartSpec {
  label: string
  /** False for parts without which nothing is left. */
  hides?: boolean
  words?: string
  states?: readonly State[]
  /** It can be hidden, and has no styles of its own. */
  plain?: boolean
}

/** The places in which an element holds rows. */
export interface PlacesSpec {
  /** What one is called. */
  one: string
  props: Record<string, Property>
  /** The property by which one is known in lists. */
  named?: string
  least: number
  most: number
}

/** Looks up names for the labels of the plan; null for what no longer exists. */
export interface Names {
  field(value: Value): string | null
  menu(id: string): string | null
  type(id: string): string | null
  piece?(id: string): string | null
}

/**
 * All there is to know about one element. The palette, the property sheet, the checks, the defaults, the
 * drawing and the docs derive from it; to add an element is to write one of these and name it in the list.
 */
export interface ElementSpec {
  type: string
  name: string
  /** What it is for, in one sentence. */
  about: string
  group: 'Words' | 'Pictures' | 'Site' | 'Entry' | 'Forms' | 'Shop' | 'Space'
  /** Where it may stand; everywhere when not given. */
  regions?: readonly LayoutRegion[]
  /** At most one of them in a layout. */
  once?: boolean
  props: Record<string, Property>
  /** What it is made of, by name. */
  parts?: Readonly<Record<string, PartSpec>>
  /** What it is made of, for what is asked about its looks; words where it is not said. */
  madeOf?: readonly ('words' | 'pictures')[]
  /**
   * What its words stand on, where it is not what the element itself stands on: grounds that its named looks say, or
   * nothing that is known, because it has no words or draws a ground of its own.
   */
  ground?: 'look' | 'own'
  /** Whether it writes links in the colour of links; not, unless it is said. */
  linked?: boolean | ((element: LayoutElement, catalogue: Catalogue) => boolean)
  /** The choice by which a layout's defaults tell sorts of it apart, such as the level of a heading. */
  sorts?: string
  /** Whether one of them says the title of the page: its heading of level 1. */
  titles?(element: LayoutElement): boolean
  /** States of the thing itself that have looks of their own. */
  states?: readonly State[]
  places?: PlacesSpec
  /** Draws a form, or is drawn only in one. */
  form?: 'is' | 'in'
  /** What stands in its first place when it is new. */
  holds?: readonly { type: string; props: Record<string, Value> }[]
  /** Values it has when it is new. */
  begins?: Record<string, Value>
  /** Looks it has when it is new. */
  styles?: Styles
  /** CSS that all of them share, in parts; each part is written once into pages that show any of its users. */
  css: readonly string[]
  /** What the plan says about it after its name; empty for nothing. */
  summary(props: Record<string, Value>, names: Names): string
  draw(element: LayoutElement, compile: Compile): Chunk
}

/** A property that is said in words, with good ones ready. */
export const text = (label: string, words: string, most = 300) =>
  ({ kind: 'text', label, default: words, most }) as const satisfies Property

/** A property as it is set, or its default. What was taken away on purpose (null) is not put back. */
export function prop(element: LayoutElement, spec: ElementSpec, name: string): Value {
  const own = element.props[name]
  return own === undefined ? spec.props[name]!.default : own
}
