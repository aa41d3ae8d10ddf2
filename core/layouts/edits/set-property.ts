import type { EditOf } from './types'
import { shapeOf } from '../../shape'
import { describeValue, propertiesOf } from '../../elements'
import { fail } from '../../problems'
import { SETTINGS, copyOf, find } from '../../tree'
import { orUnset, own, propsAt, valueIn, withValue, writePropsAt } from '../draft-values'
import { nodeWords } from './naming'
import { OF_NODE, type SettingSpec, keyOf } from './spec'

/** Sets a property of a node, or of one of the items that a property of it holds. */
export const setProperty: SettingSpec<'setProperty'> = {
  shape: () => shapeOf<EditOf<'setProperty'>>()(SETTINGS.setProperty),
  apply(draft, { id, property, within, value, unset }) {
    if (!unset && value === undefined) fail('edit-shape', { why: 'a property needs a value, or unset' })
    const props = propsAt(draft, id, within)
    const before = own(props, property)
    writePropsAt(draft, id, within, withValue(props, property, unset ? undefined : copyOf(value!)))
    return { kind: 'setProperty', id, property, ...(within && { within }), ...orUnset(before) }
  },
  key: 'value',
  names: ({ id, property, within }) => [id, property, ...(within ? [within.item] : [])],
  named: ([id = '', property = '']) => ({ kind: 'setProperty', id, property }),
  sets: (edit) => [keyOf(setProperty.key, setProperty.names(edit))],
  ...OF_NODE,
  words({ id, property, within }, layout) {
    const node = find(layout, id)?.node
    const list = node && within && propertiesOf(node)[within.items]
    const spec = list?.kind === 'items' ? list.of[property] : node && propertiesOf(node)[property]
    return `${spec?.label ?? property} of ${nodeWords(node)}`
  },
  says: ({ unset, value }, { values }) => (unset ? 'nothing' : describeValue(value, values) || 'other words'),
  standing(layout, edit) {
    const { value: _v, unset: _u, ...rest } = edit
    const node = find(layout, edit.id)?.node
    const usual = node && !edit.within ? propertiesOf(node)[edit.property]?.default : undefined
    return { ...rest, ...orUnset(valueIn(layout, edit) ?? usual) }
  },
  fill: (edit) => (edit.within ? 'whole value' : edit),
  renamed: (edit, ids) => (edit.value === undefined ? edit : { ...edit, value: ids.value(edit.property, edit.value) }),
}
