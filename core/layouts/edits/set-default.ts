import type { EditOf } from './types'
import { shapeOf } from '../../shape'
import { styleProperty } from '../../styles'
import { type Column, type Row, SETTINGS, find } from '../../tree'
import { boxIn, withStyleAt } from '../draft-values'
import { defaultsName, nameIn } from './naming'
import { type SettingSpec, keyOf } from './spec'

/** Sets one step of a look for all of a kind: in the layout, or, with `box`, in one row or column of it. */
export const setDefault: SettingSpec<'setDefault'> = {
  shape: () => shapeOf<EditOf<'setDefault'>>()(SETTINGS.setDefault),
  apply(draft, edit) {
    if (edit.box === undefined) {
      const [defaults, value] = withStyleAt(draft.layout.defaults, edit.of, edit)
      draft.writableLayout().defaults = defaults
      return { ...edit, value }
    }
    const [gives, value] = withStyleAt(boxIn(draft, edit.box).gives ?? {}, edit.of, edit)
    const box = draft.writable(edit.box) as Row | Column
    if (Object.keys(gives).length > 0) box.gives = gives
    else delete box.gives
    return { ...edit, value }
  },
  key: 'default',
  names: ({ box = '', of, property, step }) => [box, of, property, step],
  named: ([, of = '', property = '']) => ({ kind: 'setDefault', of, property, step: 'wide', value: null }),
  sets: (edit) => [keyOf(setDefault.key, setDefault.names(edit))],
  about: ({ box }) => box ?? null,
  aboutOther: (edit, box) => ({ ...edit, box }),
  thing: ({ box }, layout) => box ?? layout,
  words: ({ box, of, property }, layout) =>
    `${styleProperty(property)?.label ?? property} of every ${defaultsName(of)}${box ? ` in ${nameIn(layout, box)}` : ''}`,
  says: ({ value }) => (value === null ? 'nothing' : String(value)),
  standing(layout, edit) {
    const box = edit.box === undefined ? layout : find(layout, edit.box)?.node
    const given = box?.kind === 'layout' ? box.defaults : box && 'gives' in box ? box.gives : {}
    return { ...edit, value: given?.[edit.of]?.[edit.property]?.[edit.step] ?? null }
  },
  renamed: (edit, ids) => ({ ...edit, value: ids.style(edit.property, edit.value) }),
}
