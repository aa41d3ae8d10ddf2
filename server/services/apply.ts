import type { Layout } from '../../core/tree'
import { type LogRecord, type Pending, applyEdit } from '../../core/layouts'
import type { Problem } from '../../core/problems'
import type { LayoutState } from '../../shared/api/types'
import { takeTurns } from './turns'

export type Applied = { layout: Layout; records: LogRecord[] } | { problem: Problem }

/** Applies edits one after the other, all or none; whoever else waits for an answer has a turn in between. */
export async function applyInTurn(
  state: Pick<LayoutState, 'layout' | 'revision'>,
  edits: readonly Pending[],
): Promise<Applied> {
  let { layout } = state
  const records: LogRecord[] = []
  const turn = takeTurns()
  for (const pending of edits) {
    await turn()
    const result = applyEdit(layout, pending.edit)
    if (!result.ok) return { problem: result.problem }
    layout = result.layout
    const revision = state.revision + records.length + 1
    records.push({ ...pending, inverse: result.inverse, revision, at: Date.now() })
  }
  return { layout, records }
}
