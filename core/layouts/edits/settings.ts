import type { Id } from '../../model'
import type { Layout, Setting } from '../../tree'
import { hidePart } from './hide-part'
import { rename } from './rename'
import { setDefault } from './set-default'
import { setFill } from './set-fill'
import { setLook } from './set-look'
import { setOpen } from './set-open'
import { setProperty } from './set-property'
import { setStyle } from './set-style'
import { setWhen } from './set-when'
import { type RenamedIds, type SettingSpec, keyOf } from './spec'

/** The kinds of edit that say one thing, which variations write down as own changes. */
export const SETTING_EDITS: { readonly [K in Setting['kind']]: SettingSpec<K> } = {
  setProperty,
  setStyle,
  hidePart,
  setFill,
  setLook,
  setOpen,
  setDefault,
  setWhen,
  rename,
}
const specOf = (edit: Setting) => SETTING_EDITS[edit.kind] as SettingSpec<Setting['kind']>

/** The name of what a setting sets: two that set the same have the same. */
export const settingKey = (edit: Setting): string => keyOf(specOf(edit).key, specOf(edit).names(edit))

/** A setting as a layout itself says it: with the value that stands there, or the one that holds where none does. */
export const settingIn = (layout: Layout, edit: Setting): Setting => specOf(edit).standing(layout, edit)

/** The thing that a setting is about; null for the layout itself. */
export const settingAbout = (edit: Setting): Id | null => specOf(edit).about(edit)

/** The same setting of another thing; null for one that is of no single thing. */
export const settingOfOther = (edit: Setting, id: Id): Setting | null =>
  specOf(edit).about(edit) === null ? null : (specOf(edit).aboutOther(edit, id) as Setting | null)

/** The same setting with other ids for what it names outside its layout. */
export const renamedSetting = <S extends Setting>(edit: S, ids: RenamedIds): S =>
  (specOf(edit).renamed?.(edit, ids) ?? edit) as S

/** A setting of what has a name; null for names of what is no setting. */
export function settingNamed(key: string): Setting | null {
  const [first, ...names] = key.split('/')
  const spec = Object.values(SETTING_EDITS).find((one) => one.key === first)
  return spec?.named(names) ?? null
}
