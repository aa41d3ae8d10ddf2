import { EDITED, type EditedKind } from '../../core/documents'
import { type LogRecord, type Pending, type StepMark, goesOn } from '../../core/edits'
import type { Problem } from '../../core/problems'
import { takeTurns } from './turns'

export interface ToApply {
  kind: EditedKind
  state: { document: unknown; revision: number }
  /** Others of its kind that it follows. */
  beside: readonly unknown[]
  /** The edit made last before these. */
  before?: StepMark
  edits: readonly Pending<unknown>[]
}

export type Applied = { document: unknown; records: LogRecord<unknown>[] } | { problem: Problem }

/** Applies edits one after the other, all or none; whoever else waits for an answer has a turn in between. */
export async function applyInTurn({ kind, state, beside, before, edits }: ToApply): Promise<Applied> {
  const editing = EDITED[kind].editing(beside)
  let { document } = state
  const records: LogRecord<unknown>[] = []
  const turn = takeTurns()
  for (const pending of edits) {
    await turn()
    const result = editing.apply(document, pending.edit)
    if (!result.ok) return { problem: result.problem }
    document = result.document
    const revision = state.revision + records.length + 1
    const inverse = goesOn(records.at(-1) ?? before, pending) ? null : result.inverse
    records.push({ ...pending, inverse, revision, at: Date.now() })
  }
  return { document, records }
}
