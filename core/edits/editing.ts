import type { Problem } from '../problems'

/** What an edit comes to: the document after it and the edit that takes it back, or why it is refused. */
export type Edited<D, E> = { ok: true; document: D; inverse: E } | { ok: false; problem: Problem }

/**
 * How a kind of document is edited: all that history, rebasing, sessions and the server need to know of it. A
 * document given is never changed, and an edit that changes nothing gives the very same one.
 */
export interface Editing<D, E> {
  /** Applies an edit of which nothing is known. What it gives keeps every rule of the document. */
  apply(document: D, edit: E): Edited<D, E>
  /** As `apply`, for an edit whose shape is known: one that was applied before, or an inverse. */
  applyJudged(document: D, edit: E): Edited<D, E>
  /**
   * What an edit sets, each by a name: edits that set the same in one go are one step, and two hands that set the
   * same at once are told. What puts, moves or takes away, alone or among others, sets nothing.
   */
  targets(edit: E): string[]
  /** The same edit in fewer characters, where what the document holds lets it be told by what changes. */
  slim(document: D, edit: E): E
  /** The same edit said whatever stood there before; `after` is a document that it led to. */
  whole(after: D, edit: E): E
}
