import type { EditOf } from './types'
import { shapeOf } from '../../shape'
import { styleProperty } from '../../styles'
import { type LayoutElement, SETTINGS, find } from '../../tree'
import { elementIn, nodeIn, withStyle, withStyleAt } from '../draft-values'
import { looksName, nameIn } from './naming'
import { OF_NODE, type SettingSpec, keyOf } from './spec'

/** Sets one step of a look of a node; with `at`, of a part of it or of a state. */
export const setStyle: SettingSpec<'setStyle'> = {
  shape: () => shapeOf<EditOf<'setStyle'>>()(SETTINGS.setStyle),
  apply(draft, edit) {
    const { id, at } = edit
    if (at === undefined) {
      const [styles, value] = withStyle(nodeIn(draft, id).styles, edit)
      draft.writable(id).styles = styles
      return { ...edit, value }
    }
    const [looks, value] = withStyleAt(elementIn(draft, id).looks ?? {}, at, edit)
    const element = draft.writable(id) as LayoutElement
    if (Object.keys(looks).length === 0) delete element.looks
    else element.looks = looks
    return { ...edit, value }
  },
  key: 'look',
  names: ({ id, at = '', property, step }) => [id, at, property, step],
  named: ([id = '', at = '', property = '']) => ({
    kind: 'setStyle',
    id,
    ...(at && { at }),
    property,
    step: 'wide',
    value: null,
  }),
  sets: (edit) => [keyOf(setStyle.key, setStyle.names(edit))],
  ...OF_NODE,
  words({ id, at, property }, layout) {
    const label = styleProperty(property)?.label ?? property
    return `${label} of ${at ? `${looksName(layout, id, at)} of ` : ''}${nameIn(layout, id)}`
  },
  says: ({ value }) => (value === null ? 'nothing' : String(value)),
  standing(layout, edit) {
    const node = find(layout, edit.id)?.node
    const styles = edit.at ? node?.kind === 'element' && node.looks?.[edit.at] : node?.styles
    return { ...edit, value: (styles || {})[edit.property]?.[edit.step] ?? null }
  },
  fill: (edit) => edit,
  renamed: (edit, ids) => ({ ...edit, value: ids.style(edit.property, edit.value) }),
}
