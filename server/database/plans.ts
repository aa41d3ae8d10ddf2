import type { Transaction } from 'kysely'
import type { Design } from '../../core/design'
import type { Plan } from '../../shared/api/types'
import type { Database } from './open'
import { keepDesign, readDesign } from './designs'
import { readChanges } from './releases'
import type { Tables } from './schema'

type Db = Database | Transaction<Tables>

/** A release set for a moment, with the design as it stood when it was set. */
export interface StoredPlan extends Plan {
  design: Design
}

const NOTES = ['id', 'at', 'until', 'note', 'by', 'changes', 'state', 'number', 'why'] as const
type Row = Pick<Plan, 'id' | 'at' | 'until' | 'note' | 'by' | 'number' | 'why'> & { changes: string; state: string }

const planOf = (row: Row): Plan => ({
  ...row,
  changes: readChanges(row.changes),
  state: row.state as Plan['state'],
})

/** Those that wait first, the next before all others; then those that are over, the last first. */
export async function readPlans(db: Db, most = 30): Promise<Plan[]> {
  const rows = await db.selectFrom('plans').select(NOTES).orderBy('id', 'desc').limit(most).execute()
  const plans = rows.map(planOf)
  const waits = (p: Plan) => p.state === 'waits' || (p.state === 'done' && p.until !== null)
  return [...plans.filter(waits).sort((a, b) => a.at - b.at), ...plans.filter((p) => !waits(p))]
}

/** The plans for which the time has come: to be released, or to be undone. */
export async function readDuePlans(db: Db, now: number): Promise<StoredPlan[]> {
  const rows = await db
    .selectFrom('plans')
    .selectAll()
    .where((e) =>
      e.or([
        e.and([e('state', '=', 'waits'), e('at', '<=', now)]),
        e.and([e('state', '=', 'done'), e('until', '<=', now)]),
      ]),
    )
    .orderBy('at')
    .execute()
  return Promise.all(
    rows.map(async ({ design, ...row }) => ({ ...planOf(row), design: await readDesign(db, design, []) })),
  )
}

export async function insertPlan(
  db: Db,
  { at, until, note, by, changes, design }: Omit<StoredPlan, 'id' | 'state' | 'number' | 'why'>,
): Promise<Plan> {
  const kept = await keepDesign(db, design)
  const row = await db
    .insertInto('plans')
    .values({
      at,
      until,
      note,
      by,
      design: kept,
      changes: JSON.stringify(changes),
      state: 'waits',
      number: null,
      why: '',
    })
    .returning(NOTES)
    .executeTakeFirstOrThrow()
  return planOf(row)
}

/** Moves a plan on from a state; gives whether it still was in it: two processes do not do the same plan twice. */
export async function movePlan(
  db: Db,
  { id, state }: Pick<Plan, 'id' | 'state'>,
  values: Partial<Pick<Plan, 'state' | 'number' | 'until' | 'why'>>,
): Promise<boolean> {
  const { numUpdatedRows } = await db
    .updateTable('plans')
    .set(values)
    .where('id', '=', id)
    .where('state', '=', state)
    .executeTakeFirstOrThrow()
  return numUpdatedRows === 1n
}

/** Takes away a plan that has not been released yet; gives whether there was one. */
export async function deletePlan(db: Db, id: number): Promise<boolean> {
  const { numDeletedRows } = await db
    .deleteFrom('plans')
    .where('id', '=', id)
    .where('state', '=', 'waits')
    .executeTakeFirst()
  return numDeletedRows === 1n
}
