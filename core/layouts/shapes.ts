import {
  ABSENT,
  NOTHING,
  type Shape,
  byValue,
  exact,
  id,
  kinds,
  list,
  never,
  oneOf,
  optional,
  text,
  whole,
  yesNo,
} from '../shape'
import {
  MOST_ABOUT,
  MOST_NAME,
  nodeShape,
  styleValue,
  valueShape,
  conditionsShape,
  STEPS,
  itemShape,
  looksKeyShape,
  partShape,
} from '../tree'

/** The shapes of edits. */

/** A text or a rich text as JSON is no longer than this. */
const MOST_TEXT = 1_000_000
/** How many things one edit may do at once, however they are nested. */
export const MOST_EDITS = 5000
const named = (most = 200) => text(most)
const step = oneOf(STEPS)
const look = { property: named(), step, value: byValue((v) => (v === null ? NOTHING : styleValue)) }
const index = whole(0, 100_000)

const within = exact({ items: named(), item: id() })

const edits = (depth: number): Shape =>
  kinds(
    {
      insert: exact({ kind: oneOf(['insert']), parent: id(), index, node: nodeShape }),
      remove: exact({ kind: oneOf(['remove']), id: id() }),
      move: exact({ kind: oneOf(['move']), id: id(), parent: id(), index }),
      setProperty: exact({
        kind: oneOf(['setProperty']),
        id: id(),
        property: named(),
        within: byValue((v) => (v === undefined ? ABSENT : within)),
        value: byValue((v) => (v === undefined ? ABSENT : valueShape)),
        unset: optional(yesNo().isTrue()),
      }),
      spliceProperty: exact({
        kind: oneOf(['spliceProperty']),
        id: id(),
        property: named(),
        within: byValue((v) => (v === undefined ? ABSENT : within)),
        was: text(60),
        at: whole(0, MOST_TEXT),
        drop: whole(0, MOST_TEXT),
        put: text(MOST_TEXT),
      }),
      insertItem: exact({ kind: oneOf(['insertItem']), id: id(), property: named(), index, item: itemShape }),
      removeItem: exact({ kind: oneOf(['removeItem']), id: id(), property: named(), item: id() }),
      moveItem: exact({ kind: oneOf(['moveItem']), id: id(), property: named(), item: id(), index }),
      setStyle: exact({
        kind: oneOf(['setStyle']),
        id: id(),
        at: byValue((v) => (v === undefined ? ABSENT : looksKeyShape)),
        ...look,
      }),
      hidePart: exact({ kind: oneOf(['hidePart']), id: id(), part: partShape, hidden: yesNo() }),
      setDefault: exact({
        kind: oneOf(['setDefault']),
        box: byValue((v) => (v === undefined ? ABSENT : id())),
        of: named(),
        ...look,
      }),
      setSpans: exact({ kind: oneOf(['setSpans']), row: id(), spans: list(whole(1, 12), 12) }),
      setWhen: exact({ kind: oneOf(['setWhen']), id: id(), when: conditionsShape }),
      describe: exact({ kind: oneOf(['describe']), about: text(MOST_ABOUT) }),
      rename: exact({ kind: oneOf(['rename']), id: id(), name: text(MOST_NAME) }),
      batch: exact({
        kind: oneOf(['batch']),
        label: named(),
        edits:
          depth < 4
            ? list(edits(depth + 1), MOST_EDITS)
            : list(never('its batch is nested too deep'), 0, 'its batch is nested too deep'),
      }),
    },
    'kind',
    'edit',
  )

export const editShape = edits(1)
