import { type StyleProperty, WIDER } from '#core/styles'
import type { WidthStep, Stepped, StyleValue } from '#core/tree'

export interface Origin {
  /** What holds at this width step, or undefined when only the house style says. */
  value: StyleValue | undefined
  /** Where it comes from, in a word. */
  from: 'here' | 'from wide' | 'from medium' | Giver | 'house' | 'base'
}

type Giver = 'row' | 'column' | 'layout' | 'piece' | 'look'
/** Who gives a property at a width step: the nearest row or column around that does, or the layout. */
export type GiverOf = (property: string, step: WidthStep) => Giver

/** The same for one property. */
export const givenBy =
  (giver: GiverOf | undefined, { name }: StyleProperty) =>
  (step: WidthStep): Giver =>
    giver?.(name, step) ?? 'layout'

/** Where a look comes from at a width step: set here, carried over from a wider step, given around it, the house's. */
export function originOf(
  own: Stepped | undefined,
  inherited: Stepped | undefined,
  step: WidthStep,
  giver: (step: WidthStep) => Giver,
): Origin {
  for (const at of WIDER[step]) {
    const value = own?.[at]
    if (value !== undefined) return { value, from: at === step ? 'here' : at === 'wide' ? 'from wide' : 'from medium' }
  }
  for (const at of WIDER[step]) {
    const value = inherited?.[at]
    if (value !== undefined) return { value, from: giver(at) }
  }
  return { value: undefined, from: 'house' }
}

/** The CSS property whose computed value hints at what the house style gives. */
const CSS_OF: Record<string, string> = {
  size: 'font-size',
  weight: 'font-weight',
  lineHeight: 'line-height',
  letterSpacing: 'letter-spacing',
  minHeight: 'min-height',
  maxWidth: 'max-width',
  gap: 'column-gap',
  flow: 'row-gap',
  radius: 'border-top-left-radius',
  paddingTop: 'padding-top',
  paddingRight: 'padding-right',
  paddingBottom: 'padding-bottom',
  paddingLeft: 'padding-left',
  marginTop: 'margin-top',
  marginRight: 'margin-right',
  marginBottom: 'margin-bottom',
  marginLeft: 'margin-left',
  edgeTop: 'border-top-width',
  edgeRight: 'border-right-width',
  edgeBottom: 'border-bottom-width',
  edgeLeft: 'border-left-width',
}

/** What the page draws with now where nothing is set: a number, a choice by its label, a font, a colour; else empty. */
export function drawnValue(surface: PageSurface | undefined, id: string | null, property: StyleProperty): string {
  if (!surface || !id) return ''
  const { ask, name } = property
  if (ask.kind === 'choice') return drawnChoice(surface, id, property)
  if (ask.kind === 'family')
    return surface
      .computed(id, 'font-family')
      .split(',')[0]!
      .replace(/["']| Variable/g, '')
  if (ask.kind === 'colour') return name === 'colour' ? surface.computed(id, 'color') : ''
  return drawnNumber(surface, id, name)
}

/** The option whose first declaration is what the browser computes. */
function drawnChoice(surface: PageSurface, id: string, { ask, css }: StyleProperty): string {
  if (ask.kind !== 'choice') return ''
  const drawn = ask.options.find(({ value }) => {
    const [declaration] = css(value).filter((d) => d.target === 'self')
    const [name, said] = declaration?.css.split(';')[0]!.split(':') ?? []
    return name && !name.startsWith('--') && surface.computed(id, name) === said
  })
  return drawn?.label.toLowerCase() ?? ''
}

/** Properties that are set in multiples of the text size, and computed by browsers in px. */
const BY_TEXT_SIZE: ReadonlySet<string> = new Set(['lineHeight', 'letterSpacing'])

function drawnNumber(surface: PageSurface, id: string, property: string): string {
  const css = CSS_OF[property]
  const px = css ? Number.parseFloat(surface.computed(id, css)) : Number.NaN
  const unit = BY_TEXT_SIZE.has(property) ? Number.parseFloat(surface.computed(id, 'font-size')) : 1
  return Number.isFinite(px / unit) ? String(Math.round((px / unit) * 100) / 100) : ''
}
