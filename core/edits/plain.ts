import equal from 'fast-deep-equal'
import { type Problem, ProblemError, fail, problem } from '../problems'
import {
  type Shape,
  byValue,
  exact,
  isRecord,
  judged,
  kinds,
  list,
  never,
  oneOf,
  refuse,
  shown,
  text,
  tooDeep,
  whole,
  yes,
  maybe,
  orNothing,
  shapeOf,
} from '../shape'
import type { Edited, Editing } from './editing'
import { type ListPosition, besideIn, indexIn as standingIn } from './standing'

/**
 * The edits of plain documents: records of values, and lists of records that have ids. A place in a document is
 * named by keys and, in lists, by the ids of items, so that two hands in one list do not get in each other's way.
 */
export type At = readonly string[]

export type PlainEdit =
  /** Sets a value; what is `unset` is taken away. At no place at all, the whole document. */
  | { kind: 'set'; at: At; value?: unknown; unset?: true }
  | ({ kind: 'insert'; at: At; item: { id: string } } & ListPosition)
  | { kind: 'remove'; at: At; id: string }
  /** `index` counts among the items as they are once this one has been taken out. */
  | ({ kind: 'move'; at: At; id: string } & ListPosition)
  | { kind: 'batch'; label: string; edits: PlainEdit[] }

type Kind = PlainEdit['kind']
type EditOf<K extends Kind> = Extract<PlainEdit, { kind: K }>

const KEY = /^[\w:-]{1,120}$/
const at = list(text(120).matches(KEY, 'a place is named by keys and ids'), 12)
const after = maybe(orNothing(text(120)))
const anything = judged((v) =>
  v === undefined ? 'a value is missing' : tooDeep(v, 40) ? 'it is nested too deep' : null,
)
const item = judged<{ id: string }>((v) => {
  const known = isRecord(v) && typeof v.id === 'string' && KEY.test(v.id)
  return known && !tooDeep(v, 40) ? null : 'an item has an id'
})

const edits = (depth: number): Shape<PlainEdit> =>
  kinds(
    {
      set: byValue((v): Shape<EditOf<'set'>> =>
        isRecord(v) && v.unset !== undefined
          ? exact({ kind: oneOf(['set']), at, unset: yes() })
          : exact({ kind: oneOf(['set']), at, value: anything }),
      ),
      insert: exact({ kind: oneOf(['insert']), at, index: whole(0, 100_000), after, item }),
      remove: exact({ kind: oneOf(['remove']), at, id: text(120) }),
      move: exact({ kind: oneOf(['move']), at, id: text(120), index: whole(0, 100_000), after }),
      batch: exact({
        kind: oneOf(['batch']),
        label: text(200),
        edits: depth < 3 ? list(edits(depth + 1), 2000) : list(never('its batch is nested too deep'), 0),
      }),
    },
    'kind',
    'edit',
  )

export const plainEditShape = shapeOf<PlainEdit>()(edits(1))

const copyOf = <T>(value: T): T => (value === undefined ? value : (JSON.parse(JSON.stringify(value)) as T))

type Item = { id: string }
const isList = (value: unknown): value is Item[] => Array.isArray(value)

/** What stands at one key of a record, or at one id or index of a list; undefined for nothing. */
function stepInto(value: unknown, key: string): unknown {
  if (isList(value)) return value.find((i) => isRecord(i) && i.id === key) ?? value[indexIn(value, key)]
  return isRecord(value) && Object.hasOwn(value, key) ? value[key] : undefined
}

/** Where a key stands in a list: at the item with this id, or, in lists of values, at its number. */
function indexIn(value: readonly unknown[], key: string): number {
  const found = value.findIndex((i) => isRecord(i) && i.id === key)
  return found < 0 && /^\d{1,4}$/.test(key) && !value.some((i) => isRecord(i)) ? Number(key) : found
}

const nowhere = (place: At): never =>
  fail('edit-shape', { why: `there is nothing at ${place.join(', ') || 'this place'}` })

/** A copy of a value in which what stands at a place is what `change` makes of it; all else is shared. */
function changedAt(value: unknown, place: At, change: (found: unknown) => unknown, whole: At = place): unknown {
  const [key, ...rest] = place
  if (key === undefined) return change(value)
  if (isList(value)) {
    const index = indexIn(value, key)
    if (index < 0 || index >= value.length) nowhere(whole)
    return value.map((i, n) => (n === index ? changedAt(i, rest, change, whole) : i))
  }
  if (!isRecord(value) || key === '__proto__') return nowhere(whole)
  const next = changedAt(Object.hasOwn(value, key) ? value[key] : undefined, rest, change, whole)
  if (next !== undefined) return { ...value, [key]: next }
  const { [key]: _, ...others } = value
  return others
}

function listAt(document: unknown, place: At): Item[] {
  const found = place.reduce<unknown>(stepInto, document)
  return isList(found) ? found : nowhere(place)
}

function checkIndex(index: number, last: number): void {
  if (index > last) fail('index-out', { index, last })
}

type Applier<K extends Kind> = (document: unknown, edit: EditOf<K>) => [document: unknown, inverse: PlainEdit]

const APPLY: { [K in Kind]: Applier<K> } = {
  set(document, { at, value, unset }) {
    const before = at.reduce<unknown>(stepInto, document)
    const inverse: PlainEdit =
      before === undefined ? { kind: 'set', at, unset: true } : { kind: 'set', at, value: before }
    return [changedAt(document, at, () => (unset ? undefined : copyOf(value))), inverse]
  },
  insert(document, { at, item, ...place }) {
    const items = listAt(document, at)
    const index = standingIn(items, place)
    if (items.some((i) => i.id === item.id)) fail('id-taken', { id: item.id })
    checkIndex(index, items.length)
    const next = [...items.slice(0, index), copyOf(item), ...items.slice(index)]
    return [changedAt(document, at, () => next), { kind: 'remove', at, id: item.id }]
  },
  remove(document, { at, id }) {
    const items = listAt(document, at)
    const index = items.findIndex((i) => i.id === id)
    if (index < 0) nowhere([...at, id])
    const inverse: PlainEdit = { kind: 'insert', at, index, item: items[index]! }
    return [changedAt(document, at, () => items.filter((i) => i.id !== id)), inverse]
  },
  move(document, { at, id, ...place }) {
    const items = listAt(document, at)
    const from = items.findIndex((i) => i.id === id)
    if (from < 0) nowhere([...at, id])
    const next = items.filter((i) => i.id !== id)
    const index = standingIn(next, place)
    checkIndex(index, items.length - 1)
    next.splice(index, 0, items[from]!)
    return [changedAt(document, at, () => next), { kind: 'move', at, id, index: from }]
  },
  batch(document, { label, edits }) {
    const inverses: PlainEdit[] = []
    let current = document
    for (const edit of edits) {
      const [next, inverse] = applyOne(current, edit)
      current = next
      inverses.unshift(inverse)
    }
    return [current, { kind: 'batch', label, edits: inverses }]
  },
}

function applyOne(document: unknown, edit: PlainEdit): [unknown, PlainEdit] {
  return (APPLY[edit.kind] as Applier<Kind>)(document, edit)
}

/** Why something is no edit of a plain document; null when it is one. Takes anything. */
export function refusePlainEdit(edit: unknown): Problem | null {
  const kind = isRecord(edit) ? shown(edit.kind) : ''
  if (!Object.hasOwn(APPLY, kind)) return problem('edit-unknown', { kind })
  const why = refuse(plainEditShape, edit)
  return why === null ? null : problem('edit-shape', { why })
}

/** The same edit with its neighbours said, as the document stands. */
function beside(document: unknown, edit: PlainEdit): PlainEdit {
  if (edit.kind === 'batch') {
    let current = document
    const edits = edit.edits.map((one) => {
      const said = beside(current, one)
      current = applied(current, said)
      return said
    })
    return { ...edit, edits }
  }
  if (edit.kind !== 'insert' && edit.kind !== 'move') return edit
  const list = edit.at.reduce<unknown>(stepInto, document)
  if (!isList(list)) return edit
  return besideIn(edit.kind === 'move' ? list.filter((i) => i.id !== edit.id) : list, edit)
}

/** A document after an edit; as it was where the edit is refused, which is found out when it is applied. */
function applied(document: unknown, edit: PlainEdit): unknown {
  try {
    return applyOne(document, edit)[0]
  } catch (error) {
    if (error instanceof ProblemError) return document
    throw error
  }
}

function targets(edit: PlainEdit): string[] {
  if (edit.kind === 'batch') {
    const all = edit.edits.map(targets)
    return all.every((t) => t.length > 0) ? all.flat() : []
  }
  return edit.kind === 'set' ? [edit.at.join('/')] : []
}

/** The editing of a kind of plain document: what `check` refuses is never the result of an edit. */
export function plainEditing<D>(check: (document: unknown) => Problem | null): Editing<D, PlainEdit> {
  const applyJudged = (document: D, edit: PlainEdit): Edited<D, PlainEdit> => {
    try {
      const [next, inverse] = applyOne(document, edit)
      // Judged first: what is compared must be such a document, or comparing might fail.
      const refused = check(next)
      if (refused) return { ok: false, problem: refused }
      return { ok: true, document: equal(next, document) ? document : (next as D), inverse }
    } catch (error) {
      if (error instanceof ProblemError) return { ok: false, problem: error.problem }
      throw error
    }
  }
  return {
    applyJudged,
    apply(document, edit) {
      const refused = refusePlainEdit(edit)
      return refused ? { ok: false, problem: refused } : applyJudged(document, edit)
    },
    targets,
    slim: (document, edit) => beside(document, edit),
    whole: (_, edit) => edit,
  }
}
