import fc from 'fast-check'
import { type Entry, blankEntry } from '#core/model'
import type { Spoilt } from '#core/documents'
import { Content } from '../../../server/services/content'
import { insertEntry, readEntries, readEntry, setEntryRemoved, updateEntry } from '../../../server/database/entries'
import { standAll } from '../../../server/database/stand-in'
import { seedDemo } from '../../../server/services/seed'
import { freshDatabase } from './database'
import { runs } from '../../runs'

/** A start reads entries without their texts, where something sound stands beside them; it comes to the same. */

const { db } = freshDatabase()
beforeAll(() => seedDemo(db(), false, { hash: async () => 'hashed' }))
const whole = { whole: (entry: Entry) => entry }

/** Entries as a start holds them, with their texts read, and how many of them were read as a whole. */
async function started(): Promise<{ entries: Entry[]; wholly: number; spoilt: Spoilt[] }> {
  const content = new Content(db())
  const spoilt: Spoilt[] = []
  let wholly = 0
  const texts = (content as unknown as { texts: { holding: { whole(e: Entry): Entry; light(l: never): Entry } } }).texts
  const { holding } = texts
  const held = await readEntries(db(), spoilt, {
    light: holding.light,
    whole: (entry) => {
      wholly++
      return holding.whole(entry)
    },
  })
  const entries = JSON.parse(JSON.stringify(held)) as Entry[]
  content.end()
  return { entries, wholly, spoilt }
}
const ordered = (entries: readonly Entry[]) =>
  entries.map((e) => Object.fromEntries(Object.entries(e).sort(([a], [b]) => a.localeCompare(b))))

test('every entry is held as it is stored, and none is read as a whole', async () => {
  const { entries, wholly } = await started()
  expect(wholly).toBe(0)
  expect(ordered(entries)).toEqual(ordered(await readEntries(db(), [], whole)))
})

test('so it stays, whatever is written', async () => {
  const words = fc.oneof(fc.string(), fc.constantFrom('"\\u0000', '\ud800', '’‘', '{"a":1}', ' '))
  const text = { type: 'doc' as const, content: [{ type: 'paragraph', content: [{ type: 'text', text: 'Words' }] }] }
  await fc.assert(
    fc.asyncProperty(
      words,
      fc.boolean(),
      fc.double({ noNaN: true, min: -1e9, max: 1e9 }),
      fc.boolean(),
      async (title, has, n, removed) => {
        const was = await readEntry(db(), 'fresh')
        const content = has ? text : null
        const entry = { ...blankEntry('fresh', 'story'), title, content, fields: { n } }
        if (was) await updateEntry(db(), { entry, revision: was.revision + 1 }, 'Ada')
        else await insertEntry(db(), entry, 'Ada').catch(() => {})
        await setEntryRemoved(db(), 'fresh', removed, 'Ada')
        const { entries, wholly } = await started()
        expect(ordered(entries)).toEqual(ordered(await readEntries(db(), [], whole)))
        expect(wholly).toBe(0)
        await setEntryRemoved(db(), 'fresh', false, 'Ada')
      },
    ),
    { numRuns: runs(60) },
  )
})

test('what was changed behind its back, or beside it, is read as a whole and judged', async () => {
  const doc = JSON.stringify({ ...(await readEntry(db(), 'visit'))!.entry, title: 'From elsewhere' })
  await db().updateTable('entries').set({ doc }).where('id', '=', 'visit').execute()
  await db().updateTable('entries').set({ doc: '{"id":' }).where('id', '=', 'access').execute()
  await db()
    .updateTable('entry_lights')
    .set({ light: '{"entry":{"id":"x"},"hasText":false}' })
    .where('number', '=', 3)
    .execute()
  const { entries, wholly, spoilt } = await started()
  expect(wholly).toBe(2)
  expect(spoilt).toMatchObject([{ id: 'access' }])
  expect(entries.find((e) => e.id === 'visit')!.title).toBe('From elsewhere')
  expect(entries.some((e) => e.id === 'x' || e.id === 'access')).toBe(false)
  expect(await standAll(db())).toBe(2)
  expect((await started()).wholly).toBe(1)
})
