import type { Transaction } from 'kysely'
import { nanoid } from 'nanoid'
import { EDITED, type EditedKind } from '../../core/documents'
import type { Editing, LogRecord, Pending, ServerDocument } from '../../core/edits'
import { type Problem, ProblemError, problem } from '../../core/problems'
import { noteSound } from '../database/sound'
import { appendRecords, lastStep, readRecord, readRecords, recordsTaken } from '../database/edits'
import type { Database } from '../database/open'
import type { Tables } from '../database/schema'
import type { Jobs } from '../aside/work'
import { type Applied, type ToApply, applyInTurn } from './apply'
import { giveTurn } from './turns'

/** Documents that people edit step by step: the one way in which edits reach what is stored. */

/** How many edits are sent along when a document is opened, for undo across reloads. */
const LOG_LENGTH = 400
/** How many edits that came between are told one by one. */
const MOST_BETWEEN = 1000
/** Above so many characters, of the document and of them, edits are applied beside the thread that answers requests. */
const LARGE = 40_000

type Trx = Transaction<Tables>

/** Where a kind of document is kept. */
export interface Kept<D> {
  kind: EditedKind
  /** The document as it stands; throws a problem when there is none. */
  read(db: Database | Trx, id: string): Promise<{ document: D; revision: number }>
  write(trx: Trx, id: string, document: D, revision: number, at: number, by: string): Promise<void>
  /** Others of its kind that it follows, or would follow by these edits, which nobody has judged yet. */
  beside?(db: Database | Trx, document: D, edits: readonly unknown[]): Promise<readonly D[]>
}

export type EditsResult<D, E> =
  | { kind: 'done'; revision: number; records: LogRecord<E>[] }
  | { kind: 'stale'; revision: number; between: LogRecord<E>[] }
  /** So much came between that the document as it stands says more than the edits that led to it. */
  | { kind: 'far'; state: ServerDocument<D, E>; taken: string[] }
  | { kind: 'refused'; problem: Problem }

const repeated = (id: string) => ({ kind: 'refused' as const, problem: problem('edit-repeated', { id }) })

async function toldOf<D, E>(db: Database | Trx, kept: Kept<D>, id: string, document: D, revision: number) {
  return { document, revision, log: await readLog<E>(db, kept.kind, id) } satisfies ServerDocument<D, E>
}

/** The latest edits, or those before a revision; where they start inside a run, with the inverse of its beginning, so that it can be taken back. */
export async function readLog<E>(
  db: Database | Trx,
  kind: EditedKind,
  id: string,
  until?: number,
): Promise<LogRecord<E>[]> {
  const { records: log } = await readRecords<E>(db, kind, id, 0, LOG_LENGTH, until)
  const [first, ...others] = log
  if (first?.inverse !== null || first.run === undefined) return log
  const beginning = await readRecord<E>(db, kind, id, first.run)
  return beginning ? [{ ...first, of: beginning.revision, inverse: beginning.inverse }, ...others] : log
}

/**
 * Applies edits to the revision they name, in order, all or none. Edits that were taken before (same ids, sent
 * again because the answer was lost) are answered as done and not applied twice.
 */
export async function applyEdits<D, E>(
  db: Database,
  jobs: Pick<Jobs, 'apply'>,
  kept: Kept<D>,
  id: string,
  revision: number,
  edits: readonly Pending<E>[],
  by: string,
): Promise<EditsResult<D, E>> {
  const ids = new Set(edits.map((e) => e.id))
  if (ids.size < edits.length) return repeated(edits.find((e, i) => edits.findIndex((o) => o.id === e.id) < i)!.id)
  // What is large is applied before anybody is made to wait: it holds while the document and what it follows stand so.
  const ahead = await applyAhead(db, jobs, kept, id, revision, edits)
  return db.transaction().execute(async (trx): Promise<EditsResult<D, E>> => {
    const state = await kept.read(trx, id)
    // A large document takes long to be read, changed and written: others are answered in between.
    await giveTurn()
    if (revision !== state.revision) return late(trx, kept, id, state, revision, edits)
    const [before] = await recordsTaken(trx, kept.kind, id, [...ids])
    if (before !== undefined) return repeated(before)
    const input = await inputOf(trx, kept, id, state, edits)
    const holds = ahead !== null && JSON.stringify(ahead.beside) === JSON.stringify(input.beside)
    const result = holds ? ahead.result : await applyInTurn(input)
    if ('problem' in result) return { kind: 'refused', problem: result.problem }
    const records = result.records as LogRecord<E>[]
    noteSound(result.sound ?? [])
    await giveTurn()
    await store(trx, kept, id, result.document as D, records, by)
    return { kind: 'done', revision: records.at(-1)!.revision, records }
  })
}

async function inputOf<D, E>(
  db: Database | Trx,
  kept: Kept<D>,
  id: string,
  state: { document: D; revision: number },
  edits: readonly Pending<E>[],
): Promise<ToApply> {
  const beside = await besideOf(db, kept, state.document, edits)
  return { kind: kept.kind, state, beside, before: await lastStep(db, kept.kind, id), edits }
}

/** What large edits, or edits of what is large, give, with what the document followed by then; null for others, and where it stands at another revision. */
async function applyAhead<D, E>(
  db: Database,
  jobs: Pick<Jobs, 'apply'>,
  kept: Kept<D>,
  id: string,
  revision: number,
  edits: readonly Pending<E>[],
): Promise<{ result: Applied; beside: readonly unknown[] } | null> {
  const state = await kept.read(db, id)
  if (state.revision !== revision || JSON.stringify([state.document, edits]).length <= LARGE) return null
  await giveTurn()
  const input = await inputOf(db, kept, id, state, edits)
  return { result: await jobs.apply(input), beside: input.beside }
}

const besideOf = async <D>(trx: Database | Trx, kept: Kept<D>, document: D, edits: readonly { edit: unknown }[]) =>
  (await kept.beside?.(
    trx,
    document,
    edits.map((e) => e.edit),
  )) ?? []

async function store<D>(
  trx: Trx,
  kept: Kept<D>,
  id: string,
  document: D,
  records: readonly LogRecord<unknown>[],
  by: string,
): Promise<void> {
  const last = records.at(-1)!
  await appendRecords(trx, kept.kind, id, records, by)
  await giveTurn()
  await kept.write(trx, id, document, last.revision, last.at, by)
}

/** What to say to edits made on a revision that is not the one there is. */
async function late<D, E>(
  trx: Trx,
  kept: Kept<D>,
  id: string,
  state: { document: D; revision: number },
  revision: number,
  edits: readonly Pending<E>[],
): Promise<EditsResult<D, E>> {
  const { records, whole } = await readRecords<E>(trx, kept.kind, id, revision, MOST_BETWEEN)
  if (!whole || revision > state.revision) {
    const ids = edits.map((e) => e.id)
    const taken = await recordsTaken(trx, kept.kind, id, ids)
    return { kind: 'far', state: await toldOf(trx, kept, id, state.document, state.revision), taken: [...taken] }
  }
  const same = records.length === edits.length && edits.every((e, i) => e.id === records[i]!.id)
  return same
    ? { kind: 'done', revision: state.revision, records }
    : { kind: 'stale', revision: state.revision, between: records }
}

/** A document with the latest of its edits, as a window begins with it. */
export async function openDocument<D, E>(db: Database, kept: Kept<D>, id: string): Promise<ServerDocument<D, E>> {
  const { document, revision } = await kept.read(db, id)
  return toldOf<D, E>(db, kept, id, document, revision)
}

/** One edit that the server makes itself, such as taking over a parcel; nothing is stored when it changes nothing. */
export async function makeEdit<D, E>(trx: Trx, kept: Kept<D>, id: string, edit: E, by: string): Promise<void> {
  const { document, revision } = await kept.read(trx, id)
  const beside = await besideOf(trx, kept, document, [{ edit }])
  const result = (EDITED[kept.kind].editing(beside) as Editing<D, E>).applyJudged(document, edit)
  if (!result.ok) throw new ProblemError(result.problem)
  if (result.document === document) return
  const { inverse } = result
  const record = { revision: revision + 1, id: nanoid(12), edit, inverse, does: 'edit' as const, at: Date.now() }
  await store(trx, kept, id, result.document, [record], by)
}
