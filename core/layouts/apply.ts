import equal from 'fast-deep-equal'
import type { Edited } from '../edits'
import { type Problem, ProblemError, problem } from '../problems'
import { isRecord, refuse, shown } from '../shape'
import { type Layout, MOST_NODES } from '../tree'
import { checkEdited } from './check'
import { LayoutDraft } from './draft'
import { type Edit, MOST_EDITS, applyOne, countEdits, countInserted, editShape, isEditKind } from './edits'

export type EditResult = Edited<Layout, Edit>

/** Makes an edit on a draft, without asking whether what comes of it keeps the rules; throws a problem when it cannot. */
export const applyTo = (draft: LayoutDraft, edit: Edit): void => void applyOne(draft, edit)

/** Why an edit cannot be applied to anything: its shape, or its size. Null when it can. Takes anything. */
export function refuseEdit(edit: unknown): Problem | null {
  const kind = isRecord(edit) ? shown(edit.kind) : ''
  if (!isEditKind(kind)) return problem('edit-unknown', { kind })
  const why = refuse(editShape, edit)
  if (why !== null) return problem('edit-shape', { why })
  if (countEdits(edit as Edit) > MOST_EDITS)
    return problem('edit-shape', { why: `it does more than ${MOST_EDITS} things` })
  // More may come in than stay only where as many go.
  const count = countInserted(edit as Edit)
  return count > 2 * MOST_NODES ? problem('too-large', { most: MOST_NODES, count }) : null
}

/**
 * Applies one edit. The layout given is never changed; a refused edit says why by value, and one that changes
 * nothing gives the very same layout. The result always keeps every rule of `checkLayout`.
 */
export function applyEdit(layout: Layout, edit: Edit): EditResult {
  const refused = refuseEdit(edit)
  return refused ? { ok: false, problem: refused } : applyJudged(layout, edit)
}

/** What an edit makes of a layout, whether it keeps the rules or not; throws a problem when it cannot be made. */
export function attempt(layout: Layout, edit: Edit): { draft: LayoutDraft; inverse: Edit } {
  const draft = new LayoutDraft(layout)
  return { draft, inverse: applyOne(draft, edit) }
}

/** As `applyEdit`, for an edit whose shape is known: one that was applied before, or an inverse. */
export function applyJudged(layout: Layout, edit: Edit): EditResult {
  try {
    const { draft, inverse } = attempt(layout, edit)
    // Judged first: what is compared must be a layout, or comparing might fail.
    const broken = checkEdited(draft)
    if (broken) return { ok: false, problem: broken }
    return { ok: true, document: equal(draft.layout, layout) ? layout : draft.done(), inverse }
  } catch (error) {
    if (error instanceof ProblemError) return { ok: false, problem: error.problem }
    throw error
  }
}

/** Applies edits in order; stops at the first that is refused and says which (`at`). */
export function applyAll(
  layout: Layout,
  edits: readonly Edit[],
): { ok: true; document: Layout; inverses: Edit[] } | { ok: false; problem: Problem; at: number } {
  const inverses: Edit[] = []
  let current = layout
  for (const [at, edit] of edits.entries()) {
    const result = applyEdit(current, edit)
    if (!result.ok) return { ...result, at }
    current = result.document
    inverses.push(result.inverse)
  }
  return { ok: true, document: current, inverses }
}
