import type { Problem } from '../problems'
import type { Editing } from './editing'
import type { Id, LogRecord } from './history'

/** An edit that has been made here but that the server has not answered yet. */
export type Pending<E> = Pick<LogRecord<E>, 'id' | 'edit' | 'does' | 'of' | 'run'>

export interface Rebased<D, E> {
  document: D
  /** Edits that still apply after those that came between. */
  pending: Pending<E>[]
  /** Edits that no longer apply; kept for whoever made them, with the reason. */
  aside: { pending: Pending<E>; problem: Problem }[]
}

/**
 * Puts edits made here on top of those made elsewhere meanwhile. `base` is the document as the server had it
 * at the revision both began from. Edits that the server has taken already (same id) are not applied again.
 */
export function rebase<D, E>(
  editing: Editing<D, E>,
  base: D,
  between: readonly Pending<E>[],
  pending: readonly Pending<E>[],
): Rebased<D, E> {
  let document = base
  for (const { edit } of between) {
    const result = editing.apply(document, edit)
    if (result.ok) document = result.document
  }
  const taken = new Set<Id>(between.map((b) => b.id))
  const rebased: Rebased<D, E> = { document, pending: [], aside: [] }
  for (const mine of pending) {
    if (taken.has(mine.id)) continue
    const result = editing.apply(rebased.document, mine.edit)
    if (!result.ok) rebased.aside.push({ pending: mine, problem: result.problem })
    else {
      rebased.document = result.document
      rebased.pending.push(mine)
    }
  }
  return rebased
}
