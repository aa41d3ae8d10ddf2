import type { Id } from '../../model'
import { ProblemError } from '../../problems'
import { type Shape, kinds, never } from '../../shape'
import { type Fill, type Layout, countNodes } from '../../tree'
import { LayoutDraft } from '../draft'
import { batch } from './batch'
import { describe } from './describe'
import { become, follow, own, standAlone } from './following'
import { insert } from './insert'
import { insertItem } from './insert-item'
import { move } from './move'
import { moveItem } from './move-item'
import { nameIn } from './naming'
import { remove } from './remove'
import { removeItem } from './remove-item'
import { setSpans } from './set-spans'
import { SETTING_EDITS, settingNamed } from './settings'
import type { EditNames, EditSpec, Others } from './spec'
import { spliceProperty } from './splice-property'
import type { Edit, EditKind } from './types'

/** Every kind of edit. */
const EDITS: { readonly [K in EditKind]: EditSpec<K> } = {
  insert,
  remove,
  move,
  spliceProperty,
  insertItem,
  removeItem,
  moveItem,
  ...SETTING_EDITS,
  setSpans,
  describe,
  own,
  follow,
  standAlone,
  become,
  batch,
}
const specOf = (edit: Edit) => EDITS[edit.kind] as EditSpec<EditKind>

export const isEditKind = (kind: string): kind is EditKind => Object.hasOwn(EDITS, kind)

/** Batches are nested no deeper than this. */
const MOST_LEVELS = 4

const shapeAt = (level: number): Shape<Edit> => {
  const nested = level < MOST_LEVELS ? shapeAt(level + 1) : never('its batch is nested too deep')
  return kinds(
    Object.fromEntries(Object.entries(EDITS).map(([kind, { shape }]) => [kind, shape(nested)])) as Record<
      EditKind,
      Shape<Edit>
    >,
    'kind',
    'edit',
  )
}
export const editShape = shapeAt(1)

/** Makes an edit on a draft and gives the one that takes it back; throws a problem where it cannot be made. */
export const applyOne = (draft: LayoutDraft, edit: Edit): Edit => specOf(edit).apply(draft, edit, OTHERS)

/** What an edit sets, each by a name; nothing for one that puts, moves or takes away. */
export const setBy = (edit: Edit): readonly string[] => specOf(edit).sets(edit, OTHERS)

/** How many single things an edit does, those in batches counted one by one. */
export function countEdits(edit: Edit): number {
  return edit.kind === 'batch' ? edit.edits.reduce((n, e) => n + countEdits(e), 1) : 1
}

/** How many rows, columns and elements an edit brings in. */
export function countInserted(edit: Edit): number {
  if (edit.kind === 'batch') return edit.edits.reduce((n, e) => n + countInserted(e), 0)
  return edit.kind === 'insert' ? 1 + countNodes(edit.node) : 0
}

/** An edit in a few words, for the undo button and the notes: "Level of Heading". `layout` names what it is about. */
export const describeEdit = (edit: Edit, layout: Layout): string => specOf(edit).words(edit, layout, OTHERS)

/** What an own change is about, by its key. */
function keyWords(key: string, layout: Layout): string {
  const setting = settingNamed(key)
  if (setting) return describeEdit(setting, layout)
  const [kind, id = ''] = key.split('/')
  return kind === 'spans' ? 'spans' : `where ${nameIn(layout, id)} stands`
}

/**
 * The one thing that an edit changes, the layout itself by its own id; null for several, for what is put or taken away,
 * and for how a layout follows.
 */
export const thingOf = (edit: Edit, layout: Id): Id | null => specOf(edit).thing(edit, layout, OTHERS)

/** What an edit sets, in words. */
export const editValue = (edit: Edit, names: EditNames): string => specOf(edit).says?.(edit, names) ?? 'several things'

/** The node that a single edit is about; null for the layout itself, and for batches. */
export const nodeOf = (edit: Edit): Id | null => specOf(edit).about(edit)

/** The same edit about another node; null for one that is about none. */
export const editOfOther = (edit: Edit, id: Id): Edit | null => specOf(edit).aboutOther(edit, id)

/** An edit as what the place of a piece says; null where a place cannot say it. */
export const fillBy = (edit: Edit): Fill | 'whole value' | null => specOf(edit).fill?.(edit) ?? null

/** The same edit with the neighbours said behind which it puts things, as the layout stands. */
export function withNeighbours(layout: Layout, edit: Edit): Edit {
  return isPlacing(edit) ? placed(new LayoutDraft(layout), edit) : edit
}

const isPlacing = (edit: Edit): boolean =>
  edit.kind === 'batch' ? edit.edits.some(isPlacing) : specOf(edit).beside !== undefined

function placed(draft: LayoutDraft, edit: Edit): Edit {
  if (edit.kind !== 'batch') return specOf(edit).beside?.(draft, edit) ?? edit
  const edits = edit.edits.map((one) => {
    const said = placed(draft, one)
    tryOne(draft, said)
    return said
  })
  return { ...edit, edits }
}

/** An edit that is refused is refused when it is applied; here it only changes nothing. */
function tryOne(draft: LayoutDraft, edit: Edit): void {
  try {
    applyOne(draft, edit)
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error
  }
}

const OTHERS: Others = {
  apply: applyOne,
  sets: setBy,
  words: describeEdit,
  thing: thingOf,
  keyWords,
}
