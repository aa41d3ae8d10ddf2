import type { StyleValue } from '../tree'
import { ARRANGEMENT } from './arrangement'
import { BACKGROUND } from './background'
import { EFFECTS } from './effects'
import { isFamily } from './fonts'
import { isColour } from './house'
import { refuseLength } from './lengths'
import type { Ask, Owner, StyleProperty } from './property'
import { SPACE } from './space'
import { HOUSE_FAMILIES, TYPE } from './type'

/** Every look property, in the order of the property sheet and of the CSS. */
export const STYLE_PROPERTIES: readonly StyleProperty[] = [...ARRANGEMENT, ...TYPE, ...SPACE, ...BACKGROUND, ...EFFECTS]

const BY_NAME = new Map(STYLE_PROPERTIES.map((p) => [p.name, p]))

export function styleProperty(name: string): StyleProperty | undefined {
  return BY_NAME.get(name)
}

export function stylePropertiesOn(owner: Owner): StyleProperty[] {
  return STYLE_PROPERTIES.filter((p) => p.on.includes(owner))
}

function refuseNumber(ask: { min: number; max: number }, value: unknown): string | null {
  if (typeof value !== 'number' || !Number.isFinite(value)) return 'this must be a number'
  return value < ask.min || value > ask.max ? `choose a number from ${ask.min} to ${ask.max}` : null
}

const REFUSE: { [K in Ask['kind']]: (ask: Extract<Ask, { kind: K }>, value: unknown) => string | null } = {
  length: refuseLength,
  number: refuseNumber,
  colour: (_, v) => (isColour(v) ? null : 'a colour is a palette entry or a hex code such as #2b5a68'),
  family: (_, v) => (Object.hasOwn(HOUSE_FAMILIES, String(v)) || isFamily(v) ? null : 'there is no such family'),
  choice: (ask, v) =>
    ask.options.some((o) => o.value === v) ? null : `choose one of ${ask.options.map((o) => o.label).join(', ')}`,
}

/** Why a look property does not accept a value, as the end of a sentence; null when it does. */
export function refuseStyle(property: StyleProperty, value: unknown): string | null {
  return (REFUSE[property.ask.kind] as (ask: Ask, value: unknown) => string | null)(property.ask, value)
}

export type { StyleValue }
