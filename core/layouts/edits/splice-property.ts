import { spliced } from '../../edits'
import { fail } from '../../problems'
import { exact, id, oneOf, text, whole, shapeOf } from '../../shape'
import { withinShape } from '../../tree'
import { own, parsed, propsAt } from '../draft-values'
import { setProperty } from './set-property'
import { type EditSpec, OF_NODE } from './spec'
import type { EditOf } from './types'

/** A text or a rich text as JSON is no longer than this. */
const MOST_TEXT = 1_000_000

const asSetting = ({ id, property, within }: EditOf<'spliceProperty'>): EditOf<'setProperty'> => ({
  kind: 'setProperty',
  id,
  property,
  ...(within && { within }),
})

/** Sets a property by what changes in the JSON of the value that stands there. */
export const spliceProperty: EditSpec<'spliceProperty'> = {
  shape: () =>
    shapeOf<EditOf<'spliceProperty'>>()(
      exact({
        kind: oneOf(['spliceProperty']),
        id: id(),
        property: text(200),
        within: withinShape,
        was: text(60),
        at: whole(0, MOST_TEXT),
        drop: whole(0, MOST_TEXT),
        put: text(MOST_TEXT),
      }),
    ),
  apply(draft, edit, others) {
    const before = own(propsAt(draft, edit.id, edit.within), edit.property)
    const after = spliced(JSON.stringify(before) ?? '', edit)
    if (after === null) fail('text-moved')
    return others.apply(draft, { ...asSetting(edit), value: parsed(after!) })
  },
  sets: (edit, others) => others.sets(asSetting(edit)),
  ...OF_NODE,
  words: (edit, layout, others) => setProperty.words(asSetting(edit), layout, others),
  fill: () => 'whole value',
}
