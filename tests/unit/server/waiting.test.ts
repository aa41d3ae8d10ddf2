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

/** Holds the file for writing, from another connection, until `release` is called. */
async function hold(): Promise<{ release: () => void; held: Promise<void> }> {
  let release = () => {}
  const released = new Promise<void>((go) => (release = go))
  let holding = () => {}
  const begun = new Promise<void>((go) => (holding = go))
  const held = other.transaction().execute(async (trx) => {
    await trx.updateTable('imports').set({ state: 'done' }).execute()
    holding()
    await released
  })
  await begun
  return { release, held }
}

/** Long enough for a statement that does not wait to be done. */
const A_WHILE = 400

test('a single statement waits while another process writes, and others are answered meanwhile', async () => {
  const { release, held } = await hold()
  let done = false
  let ticks = 0
  const clock = setInterval(() => ticks++, 10)
  const mine = db()
    .updateTable('imports')
    .set({ state: 'done' })
    .execute()
    .then(() => (done = true))
  await sleep(A_WHILE)
  expect(done).toBe(false)
  expect(ticks).toBeGreaterThan(3)
  release()
  await Promise.all([mine, held])
  clearInterval(clock)
})

test('a transaction does so too, and both have what they wrote', async () => {
  const { release, held } = await hold()
  const reading = db()
    .transaction()
    .execute((trx) => trx.selectFrom('imports').select('id').execute())
  await sleep(A_WHILE)
  release()
  expect(await reading).toEqual([])
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
