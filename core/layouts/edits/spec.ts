import type { Names } from '../../elements'
import type { Id } from '../../model'
import type { Shape } from '../../shape'
import type { Fill, Layout, StyleValue, Value } from '../../tree'
import type { LayoutDraft } from '../draft'
import type { Edit, EditKind, EditOf } from './types'

/**
 * What every kind of edit says of itself. All that is done with edits goes by these specs: applying and taking back,
 * telling two windows apart, words, and edits of what is drawn of a piece. To add a kind is to write one file with its
 * spec, and to name it in `types.ts` and `kinds.ts`.
 */

/** What an edit that holds others asks of them. */
export interface Others {
  apply(draft: LayoutDraft, edit: Edit): Edit
  sets(edit: Edit): readonly string[]
  words(edit: Edit, layout: Layout): string
  thing(edit: Edit, layout: Id): Id | null
  /** What an own change of a variation is about, by its key. */
  keyWords(key: string, layout: Layout): string
}

/** Other ids for what an edit names outside its layout. */
export interface RenamedIds {
  look(id: Id): Id
  style(property: string, value: StyleValue | null): StyleValue | null
  value(property: string, value: Value): Value
}

/** What is called how, for saying what an edit sets. */
export interface EditNames {
  values: Names
  /** Named looks of the house style, by id. */
  looks: ReadonlyMap<Id, string>
}

export interface EditSpec<K extends EditKind> {
  /** `nested` is the shape of edits within. */
  shape(nested: Shape<Edit>): Shape<EditOf<K>>
  /** Changes the draft of a layout and gives the edit that takes it back. Throws a problem where it cannot be done. */
  apply(draft: LayoutDraft, edit: EditOf<K>, others: Others): Edit
  /**
   * What it sets, each by a name: edits that set the same in one go are one step, and two hands that set the same at
   * once are told. What puts, moves or takes away sets nothing.
   */
  sets(edit: EditOf<K>, others: Others): readonly string[]
  /** The node that it is about; null for the layout itself, for several, and for what is not there yet. */
  about(edit: EditOf<K>): Id | null
  /** The same about another node; null where it is about none. */
  aboutOther(edit: EditOf<K>, id: Id): Edit | null
  /** The one thing that it changes, the layout by its own id; null for several, and for what is put or taken away. */
  thing(edit: EditOf<K>, layout: Id, others: Others): Id | null
  /** In a few words, for the undo button and the notes: "Level of Heading". */
  words(edit: EditOf<K>, layout: Layout, others: Others): string
  /** What it sets, in words; null where that is several things. */
  says?(edit: EditOf<K>, names: EditNames): string
  /** The same with the neighbours said behind which it puts things, as the layout stands. */
  beside?(draft: LayoutDraft, edit: EditOf<K>): EditOf<K>
  /** As what the place of a piece says of a thing in it: the edit itself, or the whole value that it leads to. */
  fill?(edit: EditOf<K>): Fill | 'whole value'
  renamed?(edit: EditOf<K>, ids: RenamedIds): EditOf<K>
}

/** A kind of edit that says one thing of one node, or of all of a kind: a variation writes it down as an own change. */
export interface SettingSpec<K extends EditKind> extends EditSpec<K> {
  /** The first part of the name of what it sets. */
  key: string
  /** The other parts of that name. */
  names(edit: EditOf<K>): readonly string[]
  /** An edit that sets what has this name, whatever to: for saying what it is about. */
  named(names: readonly string[]): EditOf<K>
  /** The same edit with what the layout itself says there, or what holds where it says nothing. */
  standing(layout: Layout, edit: EditOf<K>): EditOf<K>
}

/** The name of what a setting sets: two that set the same have the same. */
export const keyOf = (key: string, names: readonly string[]): string => [key, ...names].join('/')

/** What edits of one node have in common. */
export const OF_NODE = {
  about: ({ id }: { id: Id }) => id,
  aboutOther: <E extends { id: Id }>(edit: E, id: Id): E => ({ ...edit, id }),
  thing: ({ id }: { id: Id }) => id,
}

/** What edits that set nothing by a name have in common. */
export const SETS_NOTHING = { sets: (): readonly string[] => [] }
