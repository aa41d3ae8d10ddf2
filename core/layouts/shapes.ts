import {
  ABSENT,
  ID,
  NOTHING,
  type Shape,
  byValue,
  exact,
  id,
  isRecord,
  kinds,
  list,
  never,
  oneOf,
  optional,
  record,
  text,
  whole,
  yesNo,
} from '../shape'
import {
  LAYOUT_REGIONS,
  layoutShape,
  MOST_ABOUT,
  MOST_NAME,
  SETTINGS,
  nodeShape,
  itemShape,
  withinShape,
} from '../tree'

/** The shapes of edits. */

/** A text or a rich text as JSON is no longer than this. */
const MOST_TEXT = 1_000_000
/** How many things one edit may do at once, however they are nested. */
export const MOST_EDITS = 5000
const named = (most = 200) => text(most)
const index = whole(0, 100_000)

/** How many own changes a variation may have. */
export const MOST_CHANGES = 10_000
const orNone = (shape: Shape): Shape => byValue((v) => (v === null ? NOTHING : shape))
/** What an own change is about: see `changeKey`. */
const changeKey = text(500)
const afterId = orNone(id())
/** Behind whom something is put, where that is said. */
const after = byValue((v) => (v === undefined ? ABSENT : afterId))

/** An own change. */
const changeShape = kinds(
  {
    put: exact({ kind: oneOf(['put']), parent: id(), after: afterId, node: nodeShape }),
    move: exact({ kind: oneOf(['move']), id: id(), parent: id(), after: afterId }),
    gone: exact({ kind: oneOf(['gone']), id: id() }),
    spans: exact({ kind: oneOf(['spans']), row: id(), spans: record(ID, whole(1, 12), 12) }),
    set: exact({ kind: oneOf(['set']), edit: kinds(SETTINGS, 'kind', 'own change of a value') }),
  },
  'kind',
  'own change',
)

const changesShape = list(changeShape, MOST_CHANGES, `a variation has at most ${MOST_CHANGES} own changes`)

/** A layout that follows another. */
export const variationShape = exact({
  kind: oneOf(['layout']),
  format: oneOf([2]),
  id: id(),
  name: text(MOST_NAME),
  about: optional(text(MOST_ABOUT)),
  starter: optional(yesNo().isTrue()),
  region: oneOf(LAYOUT_REGIONS, 'there is no such region'),
  follows: exact({ base: id(), changes: changesShape }),
})

const edits = (depth: number): Shape =>
  kinds(
    {
      ...SETTINGS,
      insert: exact({ kind: oneOf(['insert']), parent: id(), index, after, node: nodeShape }),
      remove: exact({ kind: oneOf(['remove']), id: id() }),
      move: exact({ kind: oneOf(['move']), id: id(), parent: id(), index, after }),
      spliceProperty: exact({
        kind: oneOf(['spliceProperty']),
        id: id(),
        property: named(),
        within: withinShape,
        was: text(60),
        at: whole(0, MOST_TEXT),
        drop: whole(0, MOST_TEXT),
        put: text(MOST_TEXT),
      }),
      insertItem: exact({ kind: oneOf(['insertItem']), id: id(), property: named(), index, after, item: itemShape }),
      removeItem: exact({ kind: oneOf(['removeItem']), id: id(), property: named(), item: id() }),
      moveItem: exact({ kind: oneOf(['moveItem']), id: id(), property: named(), item: id(), index, after }),
      setSpans: exact({ kind: oneOf(['setSpans']), row: id(), spans: list(whole(1, 12), 12) }),
      describe: exact({ kind: oneOf(['describe']), about: text(MOST_ABOUT) }),
      own: exact({
        kind: oneOf(['own']),
        drop: list(changeKey, MOST_CHANGES),
        put: list(exact({ change: changeShape, before: orNone(changeKey) }), MOST_CHANGES),
      }),
      follow: exact({
        kind: oneOf(['follow']),
        base: id(),
        changes: byValue((v) => (v === undefined ? ABSENT : changesShape)),
      }),
      standAlone: exact({ kind: oneOf(['standAlone']) }),
      become: exact({
        kind: oneOf(['become']),
        document: byValue((v) => (isRecord(v) && v.follows !== undefined ? variationShape : layoutShape)),
      }),
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
