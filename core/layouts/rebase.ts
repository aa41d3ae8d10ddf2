import type { Problem } from '../problems'
import type { Id } from '../site'
import { applyEdit } from './apply'
import type { Edit } from './edits'
import type { Layout } from '../tree'

/** An edit that has been made here but that the server has not answered yet. */
export interface Pending {
  id: Id
  edit: Edit
  does: 'edit' | 'undo' | 'redo'
  of?: number
  /** The first edit of the run that it belongs to; see `LogRecord`. */
  run?: Id
}

export interface Rebased {
  layout: Layout
  /** Edits that still apply after those that came between. */
  pending: Pending[]
  /** Edits that no longer apply; kept for whoever made them, with the reason. */
  aside: { pending: Pending; problem: Problem }[]
}

/**
 * Puts edits made here on top of those made elsewhere meanwhile. `base` is the document as the server had it
 * at the revision both began from. Edits that the server has taken already (same id) are not applied again.
 */
export function rebase(base: Layout, between: readonly Pending[], pending: readonly Pending[]): Rebased {
  let layout = base
  for (const { edit } of between) {
    const result = applyEdit(layout, edit)
    if (result.ok) layout = result.layout
  }
  const taken = new Set(between.map((b) => b.id))
  const rebased: Rebased = { layout, pending: [], aside: [] }
  for (const mine of pending) {
    if (taken.has(mine.id)) continue
    const result = applyEdit(rebased.layout, mine.edit)
    if (!result.ok) rebased.aside.push({ pending: mine, problem: result.problem })
    else {
      rebased.layout = result.layout
      rebased.pending.push(mine)
    }
  }
  return rebased
}
