import { DOCUMENTS, EDITED, type EditedKind } from '../../core/documents'
import { type LogRecord, type Pending, type StepMark, goesOn } from '../../core/edits'
import type { Problem } from '../../core/problems'
import { nameOf } from '../database/sound'
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

export type Applied =
  | {
      document: unknown
      records: LogRecord<unknown>[]
      /** The names of those texts of it that were judged on the way, and need not be judged when they are read. */
      sound?: readonly string[]
    }
  | { problem: Problem }

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

/**
 * The same in a thread of its own, where nobody waits: what comes of it is judged there at once. Throws where edits
 * that hold gave what does not: it is not stored.
 */
export async function applyAndJudge(input: ToApply): Promise<Applied> {
  const result = await applyInTurn(input)
  if ('problem' in result) return result
  const { kind } = input
  const why = DOCUMENTS[kind](result.document)
  if (why !== null) throw new Error(`a ${kind} cannot be stored: ${why}`)
  const edits = result.records.flatMap(({ edit, inverse }) => (inverse === null ? [edit] : [edit, inverse]))
  const sound = edits.filter((edit) => DOCUMENTS[`${kind}-edit`](edit) === null)
  const named = (what: keyof typeof DOCUMENTS, value: unknown) => nameOf(what, JSON.stringify(value))
  return { ...result, sound: [named(kind, result.document), ...sound.map((edit) => named(`${kind}-edit`, edit))] }
}
