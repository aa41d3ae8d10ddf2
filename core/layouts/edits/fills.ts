import type { Fill } from '../../tree'
import { hidePart } from './hide-part'
import { setProperty } from './set-property'
import { setStyle } from './set-style'
import { type EditNames, type RenamedIds, type SettingSpec, keyOf } from './spec'

/** What the place of a piece may say of a thing in it: one of these kinds of edit. */
const FILLS: { readonly [K in Fill['kind']]: SettingSpec<K> } = { setProperty, setStyle, hidePart }
const specOf = (fill: Fill) => FILLS[fill.kind] as SettingSpec<Fill['kind']>

export const fillKey = (fill: Fill): string => keyOf(specOf(fill).key, specOf(fill).names(fill))
export const fillWords = (fill: Fill, names: EditNames): string => specOf(fill).says!(fill, names)
export const renamedFill = (fill: Fill, ids: RenamedIds): Fill => specOf(fill).renamed?.(fill, ids) ?? fill
