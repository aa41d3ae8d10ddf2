import type { EditOf } from './types'
import { exact, list, oneOf, text, shapeOf } from '../../shape'
import type { EditSpec } from './spec'

/** How many things one edit may do at once, however they are nested. */
export const MOST_EDITS = 5000

/** Several edits, all of them or none; the rules of layouts are asked only after the last one. */
export const batch: EditSpec<'batch'> = {
  shape: (nested) =>
    shapeOf<EditOf<'batch'>>()(exact({ kind: oneOf(['batch']), label: text(200), edits: list(nested, MOST_EDITS) })),
  apply(draft, { label, edits }, others) {
    const inverses = edits.map((edit) => others.apply(draft, edit))
    return { kind: 'batch', label, edits: inverses.reverse() }
  },
  sets({ edits }, others) {
    const all = edits.map((edit) => others.sets(edit))
    // A batch that also puts, moves or takes away is no mere setting of values.
    return all.every((keys) => keys.length > 0) ? [...new Set(all.flat())] : []
  },
  about: () => null,
  aboutOther: () => null,
  thing({ edits }, layout, others) {
    const things = new Set(edits.map((edit) => others.thing(edit, layout)))
    return things.size === 1 ? [...things][0]! : null
  },
  words: ({ label, edits: [first] }, layout, others) =>
    label === 'step' && first ? others.words(first, layout) : label,
}
