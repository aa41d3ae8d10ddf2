import type { Selectable, Transaction } from 'kysely'
import { EDITED, type EditedKind } from '../../core/documents'
import type { LogRecord, StepMark } from '../../core/edits'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound } from './sound'

/** The logs of documents that people edit step by step. */

/** How the inverse of an edit that goes on with a run is kept. */
const NONE = 'null'

type Db = Database | Transaction<Tables>

/** Adds edits to the log of a document, inside the transaction that stores what they give. */
export async function appendRecords(
  db: Db,
  kind: EditedKind,
  document: string,
  records: readonly LogRecord<unknown>[],
  by: string,
): Promise<void> {
  const rows = records.map(({ revision, id, does, of, run, edit, inverse, at }) => ({
    kind,
    document,
    revision,
    id,
    does,
    of: of ?? null,
    run: run ?? null,
    edit: JSON.stringify(edit),
    inverse: JSON.stringify(inverse),
    at,
    by,
  }))
  await db.insertInto('document_edits').values(rows).execute()
}

/** Which of these edits a document has in its log already. */
export async function recordsTaken(
  db: Db,
  kind: EditedKind,
  document: string,
  ids: readonly string[],
): Promise<Set<string>> {
  const rows = await db
    .selectFrom('document_edits')
    .select('id')
    .where('kind', '=', kind)
    .where('document', '=', document)
    .where('id', 'in', [...ids])
    .execute()
  return new Set(rows.map((r) => r.id))
}

/** The step that the latest edit of a document belongs to. */
export async function lastStep(db: Db, kind: EditedKind, document: string): Promise<StepMark | undefined> {
  const row = await db
    .selectFrom('document_edits')
    .select(['does', 'run'])
    .where('kind', '=', kind)
    .where('document', '=', document)
    .orderBy('revision', 'desc')
    .limit(1)
    .executeTakeFirst()
  return row && { does: row.does as StepMark['does'], run: row.run ?? undefined }
}

/** One edit by its id; undefined when there is none, or none that can be read. */
export async function readRecord<E>(db: Db, kind: EditedKind, document: string, id: string) {
  const row = await db
    .selectFrom('document_edits')
    .selectAll()
    .where('kind', '=', kind)
    .where('document', '=', document)
    .where('id', '=', id)
    .executeTakeFirst()
  return (row && recordOf<E>(kind, row)) ?? undefined
}

/** What takes back the edit made last of each layout, where that is a batch with a label. */
export async function readLastInverses<E>(db: Db, label: string): Promise<{ document: string; inverse: E }[]> {
  const rows = await db
    .selectFrom('layouts')
    .innerJoin('document_edits', (join) =>
      join
        .onRef('document_edits.document', '=', 'layouts.id')
        .onRef('document_edits.revision', '=', 'layouts.revision')
        .on('document_edits.kind', '=', 'layout'),
    )
    .selectAll('document_edits')
    .where('document_edits.edit', 'like', `{"kind":"batch","label":${JSON.stringify(label)}%`)
    .execute()
  return rows.flatMap((row) => {
    const inverse = recordOf<E>('layout', row)?.inverse
    return inverse ? [{ document: row.document, inverse }] : []
  })
}

/** Edits of a document, oldest first, and whether these are all that were asked for. */
export interface EditLog<E> {
  records: LogRecord<E>[]
  whole: boolean
}

/** The edits after a revision, and before another; only the latest of them where there are more than `most`. */
export async function readRecords<E>(
  db: Db,
  kind: EditedKind,
  document: string,
  after: number,
  most: number,
  before = Number.MAX_SAFE_INTEGER,
): Promise<EditLog<E>> {
  const rows = await db
    .selectFrom('document_edits')
    .selectAll()
    .where('kind', '=', kind)
    .where('document', '=', document)
    .where('revision', '>', after)
    .where('revision', '<', before)
    .orderBy('revision', 'desc')
    .limit(most + 1)
    .execute()
  const read = rows.slice(0, most).map((row) => recordOf<E>(kind, row))
  // What stands before an edit that cannot be read leads nowhere any more.
  const gap = read.indexOf(null)
  const records = (gap < 0 ? read : read.slice(0, gap)).filter((r) => r !== null).reverse()
  return { records, whole: gap < 0 && rows.length <= most }
}

function recordOf<E>(kind: EditedKind, row: Selectable<Tables['document_edits']>): LogRecord<E> | null {
  const read = (text: string) => readSound<E>(EDITED[kind].edit, row.id, text, [])
  const edit = read(row.edit)
  const goesOn = row.inverse === NONE
  const inverse = goesOn ? null : read(row.inverse)
  if (!edit || (!inverse && !goesOn)) return null
  const { revision, id, at, of, run, by } = row
  const does = row.does as LogRecord<E>['does']
  return { revision, id, does, ...(of !== null && { of }), ...(run !== null && { run }), edit, inverse, at, by }
}
