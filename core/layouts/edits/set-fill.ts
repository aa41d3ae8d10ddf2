import type { EditOf } from './types'
import { shapeOf } from '../../shape'
import { type Fill, type LayoutElement, SETTINGS, copyOf, find } from '../../tree'
import { elementIn } from '../draft-values'
import { fillKey, fillWords, renamedFill } from './fills'
import { nameIn } from './naming'
import { OF_NODE, type SettingSpec, keyOf } from './spec'

/** What places say stands in one order, however it came to be said. */
const byKey = (a: Fill, b: Fill): number => (fillKey(a) < fillKey(b) ? -1 : 1)

/** Says something of a thing in a piece where the piece is placed. */
export const setFill: SettingSpec<'setFill'> = {
  shape: () => shapeOf<EditOf<'setFill'>>()(SETTINGS.setFill),
  apply(draft, { id, fill, unset }) {
    const before = elementIn(draft, id).fills ?? []
    const key = fillKey(fill)
    const at = before.findIndex((f) => fillKey(f) === key)
    const fills = before.filter((_, i) => i !== at)
    if (!unset) fills.push(copyOf(fill))
    const element = draft.writable(id) as LayoutElement
    if (fills.length > 0) element.fills = fills.sort(byKey)
    else delete element.fills
    return at < 0 ? { kind: 'setFill', id, fill, unset: true } : { kind: 'setFill', id, fill: before[at]! }
  },
  key: 'fill',
  names: ({ id, fill }) => [id, fillKey(fill)],
  named: ([id = '']) => ({ kind: 'setFill', id, fill: { kind: 'hidePart', id: '', part: '', hidden: true } }),
  sets: (edit) => [keyOf(setFill.key, setFill.names(edit))],
  ...OF_NODE,
  words: ({ id }, layout) => `what ${nameIn(layout, id)} says here`,
  says: ({ unset, fill }, names) => (unset ? 'as the piece says' : fillWords(fill, names)),
  standing(layout, edit) {
    const { unset: _, ...rest } = edit
    const node = find(layout, edit.id)?.node
    const key = fillKey(edit.fill)
    const said = node?.kind === 'element' ? node.fills?.find((f) => fillKey(f) === key) : undefined
    return said ? { ...rest, fill: said } : { ...rest, unset: true }
  },
  renamed: (edit, ids) => ({ ...edit, fill: renamedFill(edit.fill, ids) }),
}
