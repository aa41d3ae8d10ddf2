import type { DisplayRule } from './rule'
import { REGIONS } from '../tree'
import { KEY, exact, id, kinds, list, numeric, oneOf, optional, text, texts, yesNo, shapeOf, each } from '../shape'
import { circumstanceShape } from '../conditions'
import { targetShape } from '../targets'

/** The shapes of frames. That what they name is gone is no reason to refuse one: the checks report it. */

const MOST_LINES = 200

const say = kinds(
  {
    use: exact({ kind: oneOf(['use']), layout: id() }),
    empty: exact({ kind: oneOf(['empty']) }),
    pass: exact({ kind: oneOf(['pass']), layout: optional(id()) }),
  },
  'kind',
  'say',
)

const lines = (name: string) => `${name} must be a list of at most ${MOST_LINES} lines`

export const frameShape = shapeOf<DisplayRule>()(
  exact({
    id: id(),
    name: text(120, 'a name has at most 120 characters'),
    on: yesNo('on and outranks are yes or no'),
    covers: list(targetShape, MOST_LINES, lines('Covers')),
    except: list(targetShape, MOST_LINES, lines('Except')),
    onlyWhen: list(circumstanceShape, MOST_LINES, lines('Only when')),
    regions: exact(each(REGIONS, say)),
    outranks: yesNo('on and outranks are yes or no'),
    order: numeric(-1e12, 1e12, 'its order is no number'),
    offeredTo: texts(KEY, 100, 'offered to is a list of page types'),
  }),
)
