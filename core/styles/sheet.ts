import { STATES, STEPS, type State, type WidthStep, type StyleValue, type Stepped, type Styles } from '../tree'
import type { StyleProperty, StyledBox } from './property'
import { STYLE_PROPERTIES } from './properties'

/** Width steps by the width of the window; medium and narrow take over from wide as it gets smaller. */
export const STEP_LIMITS: Record<Exclude<WidthStep, 'wide'>, number> = { medium: 1023.98, narrow: 639.98 }

export function mediaOf(step: Exclude<WidthStep, 'wide'>): string {
  return `@media (max-width:${STEP_LIMITS[step]}px)`
}

/** The width step that holds in a window of so many CSS pixels. */
export function stepAt(width: number): WidthStep {
  if (width <= STEP_LIMITS.narrow) return 'narrow'
  return width <= STEP_LIMITS.medium ? 'medium' : 'wide'
}

/** Each width step by itself. */
const ALONE: Record<WidthStep, string> = {
  wide: `@media (min-width:${Math.ceil(STEP_LIMITS.medium)}px)`,
  medium: `@media (min-width:${Math.ceil(STEP_LIMITS.narrow)}px) and (max-width:${STEP_LIMITS.medium}px)`,
  narrow: mediaOf('narrow'),
}
/** The width steps by whose values a step goes, its own first. */
export const WIDER: Record<WidthStep, readonly WidthStep[]> = {
  wide: ['wide'],
  medium: ['medium', 'wide'],
  narrow: ['narrow', 'medium', 'wide'],
}

const SUFFIX: Record<StyledBox, string> = { self: '', inner: '>.of-in', picture: '>.of-bg' }

/** Our classes are told from those of any other sheet by what they begin with. */
export const classOf = (name: string): string => `of-${name}`

/** FNV-1a over UTF-16 units, in base 36: short, and the same wherever the same text occurs. */
export function shortHash(text: string): string {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return (hash >>> 0).toString(36)
}

const shortName = (text: string): string => classOf(shortHash(text))

/** The looks of one thing: at rest, and in the states that it has looks for. */
export interface Looks {
  rest: Styles
  states?: Partial<Record<State, Styles>>
}

export interface CssRule {
  name: string
  /** Declarations by step, then by what they are written behind the name of the rule: the state, and the target. */
  css: Record<WidthStep, Declarations>
  /** The same for what holds at one step alone. */
  alone?: Partial<Record<WidthStep, Declarations>>
}

type Declarations = Partial<Record<string, string>>

const IN_STATE: Record<State, string> = {
  hover: ':hover',
  focus: ':focus-visible',
  current: '[aria-current]',
  disabled: ':disabled',
}

function declare(into: Declarations, property: StyleProperty, value: StyleValue, state: string): void {
  for (const d of property.css(value)) {
    const behind = state + SUFFIX[d.target]
    const before = into[behind]
    into[behind] = before ? `${before};${d.css}` : d.css
  }
}

function writeInto(rule: Omit<CssRule, 'name'>, styles: Styles, state: string): void {
  for (const property of STYLE_PROPERTIES) {
    const stepped = styles[property.name]
    if (!stepped) continue
    for (const step of STEPS) {
      const value = property.alone ? steppedAt(stepped, step) : stepped[step]
      if (value === undefined) continue
      if (!property.alone) declare(rule.css[step], property, value, state)
      else if (property.css(value).length > 0) declare(((rule.alone ??= {})[step] ??= {}), property, value, state)
    }
  }
}

/** What holds at a width step: its own value, or that of the next wider step that has one. */
export function steppedAt(stepped: Stepped | undefined, step: WidthStep): StyleValue | undefined {
  return WIDER[step].map((at) => stepped?.[at]).find((value) => value !== undefined)
}

/** The rule that looks stand for, or null when they say nothing. Equal looks give equal names. */
export function ruleOf({ rest, states = {} }: Looks): CssRule | null {
  const rule: Omit<CssRule, 'name'> = { css: { wide: {}, medium: {}, narrow: {} } }
  writeInto(rule, rest, '')
  for (const state of STATES) if (states[state]) writeInto(rule, states[state], IN_STATE[state])
  const text = JSON.stringify(rule.alone ? [rule.css, rule.alone] : rule.css)
  return text === '{"wide":{},"medium":{},"narrow":{}}' ? null : { name: shortName(text), ...rule }
}

/** Writes rules as CSS: wide first, then one media query for each narrower step. Each name is written once. */
export function rulesCss(rules: Iterable<CssRule>): string {
  const once = new Map<string, CssRule>()
  for (const rule of rules) once.set(rule.name, rule)
  const write = (of: (rule: CssRule) => Declarations | undefined) => {
    let css = ''
    for (const rule of once.values()) {
      for (const [behind, declarations] of Object.entries(of(rule) ?? {}))
        css += `.${rule.name}${behind}{${declarations}}`
    }
    return css
  }
  const within = (media: string, css: string) => css && `${media}{${css}}`
  const narrower = (['medium', 'narrow'] as const).map((step) =>
    within(
      mediaOf(step),
      write((rule) => rule.css[step]),
    ),
  )
  const alone = STEPS.map((step) =>
    within(
      ALONE[step],
      write((rule) => rule.alone?.[step]),
    ),
  )
  return write((rule) => rule.css.wide) + narrower.join('') + alone.join('')
}

/** The layers of a page's CSS, from the weakest: what elements bring, saved styles, what was set on the layout. */
const LAYERS = ['base', 'saved', 'own'] as const

/**
 * The CSS of a page in layers: whatever its selector, what a person sets is stronger than what an element brings. What
 * hides something so that it works at all (a folded menu, a tab) says so with `!important`, which no layer overrides.
 */
export function layered(css: Record<(typeof LAYERS)[number], string>): string {
  return `@layer ${LAYERS.join()};${LAYERS.flatMap((name) => (css[name] ? [`@layer ${name}{${css[name]}}`] : [])).join('')}`
}

/** Own looks over the defaults beneath them, step by step. */
export function cascade(...layers: (Styles | undefined)[]): Styles {
  const result: Styles = {}
  for (const layer of layers) {
    for (const [name, stepped] of Object.entries(layer ?? {})) result[name] = { ...result[name], ...stepped }
  }
  return result
}
