import { lengthCss } from './lengths'
import { ALL, type StyleProperty, self } from './property'

const SIDES = [
  ['Top', 'top'],
  ['Right', 'right'],
  ['Bottom', 'bottom'],
  ['Left', 'left'],
] as const

/** Sides are separate properties, so that none changes because another does. */
const side = (what: 'padding' | 'margin', [name, css]: readonly [string, string]): StyleProperty => ({
  name: what + name,
  label: `${what === 'padding' ? 'Inside' : 'Outside'} ${css}`,
  also: what,
  group: 'space',
  on: ALL,
  ask: { kind: 'length', min: what === 'margin' ? -400 : 0, max: 400 },
  css: (v) => self(`${what}-${css}:${lengthCss(v)}`),
})

export const SPACE: readonly StyleProperty[] = [
  ...SIDES.map((s) => side('padding', s)),
  ...SIDES.map((s) => side('margin', s)),
]
