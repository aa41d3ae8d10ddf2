import type { Transaction } from 'kysely'
import { isRecord } from '../../core/shape'
import type { Id } from '../../core/model'
import { IMPORT_STATES, type ImportAnswer, type RowProblem } from '../../shared/api/types'
import type { Database } from './open'
import type { Tables } from './schema'

type Db = Database | Transaction<Tables>

/** As many problems of rows are kept; how many there are is counted on. */
export const MOST_PROBLEMS = 500

export async function insertImport(db: Db, id: Id, name: string, total: number, by: string): Promise<void> {
  const values = { id, name, total, by, state: 'running', done: 0, report: '[]', structure: null, at: Date.now() }
  await db.insertInto('imports').values(values).execute()
}

export async function noteImport(
  db: Db,
  id: Id,
  change: { state?: string; done?: number; problems?: readonly RowProblem[]; structure?: unknown },
): Promise<void> {
  const { problems, structure, ...own } = change
  const values = {
    ...own,
    ...(problems && { report: JSON.stringify(problems.slice(0, MOST_PROBLEMS)) }),
    ...(structure !== undefined && { structure: JSON.stringify(structure) }),
  }
  if (Object.keys(values).length) await db.updateTable('imports').set(values).where('id', '=', id).execute()
}

export async function noteImported(db: Db, id: Id, entry: Id, before: number | null, after: number): Promise<void> {
  await db
    .insertInto('import_entries')
    .values({ import: id, entry, before, after })
    .onConflict((c) => c.columns(['import', 'entry']).doUpdateSet({ after }))
    .execute()
}

export async function readImported(db: Db, id: Id): Promise<{ entry: Id; before: number | null; after: number }[]> {
  return db.selectFrom('import_entries').select(['entry', 'before', 'after']).where('import', '=', id).execute()
}

/** The edit that takes back what was made of the structure for an import, unjudged; null where nothing was. */
export async function readImportStructure(db: Db, id: Id): Promise<unknown> {
  const row = await db.selectFrom('imports').select('structure').where('id', '=', id).executeTakeFirst()
  return row?.structure ? parsed(row.structure) : null
}

/** Imports, latest first; or one alone. */
export async function readImports(db: Db, only?: Id, most = 20): Promise<ImportAnswer[]> {
  const asked = db.selectFrom('imports').selectAll().orderBy('at', 'desc').limit(most)
  const rows = await (only === undefined ? asked : asked.where('id', '=', only)).execute()
  const counts = await db
    .selectFrom('import_entries')
    .select(['import', (e) => e.fn.countAll<number>().as('all'), (e) => e.fn.count<number>('before').as('replaced')])
    .where(
      'import',
      'in',
      rows.map((r) => r.id),
    )
    .groupBy('import')
    .execute()
  const byId = new Map(counts.map((c) => [c.import, c]))
  return rows.map(({ report, structure: _, state, ...row }) => {
    const { all = 0, replaced = 0 } = byId.get(row.id) ?? {}
    const problems = readProblems(report)
    return { ...row, state: stateOf(state), made: all - replaced, replaced, problems }
  })
}

/** Imports that run, or that a server was stopped in the middle of. */
export async function readRunningImports(db: Db): Promise<{ id: Id; name: string }[]> {
  return db.selectFrom('imports').select(['id', 'name']).where('state', '=', 'running').execute()
}

/** A state that is none of those that are written says nothing of what was taken along; it can still be undone. */
const stateOf = (state: string): ImportAnswer['state'] => IMPORT_STATES.find((s) => s === state) ?? 'cancelled'

const isProblem = (value: unknown): value is RowProblem =>
  isRecord(value) && Number.isSafeInteger(value.row) && typeof value.why === 'string'

function readProblems(text: string): RowProblem[] {
  const read = parsed(text)
  return Array.isArray(read) ? read.filter(isProblem).map(({ row, why }) => ({ row, why })) : []
}

/** What a stored text says; a text that is not JSON any more says nothing that any schema would take. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown
  } catch (error) {
    if (error instanceof SyntaxError) return undefined
    throw error
  }
}
