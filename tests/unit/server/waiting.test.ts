import { setTimeout as sleep } from 'node:timers/promises'
import { type Database, openDatabase } from '../../../server/database/open'
import { freshDatabase } from './database'

/** Two processes over one file are two connections to it; while one writes, the other waits for its turn. */

const { db, folder } = freshDatabase()
let other: Database
beforeAll(async () => {
  other = await openDatabase(folder)
})
afterAll(() => other.destroy())

const HELD = 1_600

/** Holds the file for writing that long, from another connection. */
const hold = () =>
  other.transaction().execute(async (trx) => {
    await trx.updateTable('imports').set({ state: 'done' }).execute()
    await sleep(HELD)
  })

test('a single statement waits while another process writes, and others are answered meanwhile', async () => {
  const held = hold()
  await sleep(20)
  let ticks = 0
  const clock = setInterval(() => ticks++, 10)
  const begun = performance.now()
  await db().updateTable('imports').set({ state: 'done' }).execute()
  clearInterval(clock)
  expect(performance.now() - begun).toBeGreaterThan(HELD / 2)
  expect(ticks).toBeGreaterThan(10)
  await held
})

test('a transaction does so too, and both have what they wrote', async () => {
  const held = hold()
  await sleep(20)
  const read = await db()
    .transaction()
    .execute((trx) => trx.selectFrom('imports').select('id').execute())
  expect(read).toEqual([])
  await held
})

test('an error that is no waiting is told at once', async () => {
  await expect(
    db()
      .insertInto('imports')
      .values({} as never)
      .execute(),
  ).rejects.toHaveProperty('code', 'SQLITE_ERROR')
})
