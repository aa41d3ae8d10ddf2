import { sql } from 'kysely'
import { Catalogue } from '#core/catalogue'
import { makeDemo } from '#demo/index'
import { readEntry, setEntryRemoved, updateEntry } from '../../../server/database/entries'
import { standAll } from '../../../server/database/stand-in'
import { Content } from '../../../server/services/content'
import { findBeside, isNear, likelyAt, searchEntries, suggest } from '../../../server/services/search'
import { seedDemo } from '../../../server/services/seed'
import { CONTENT_LATER } from '#shared/api/types'
import { freshDatabase } from './database'

const LATER = JSON.stringify(CONTENT_LATER)

const { db } = freshDatabase()
const content = () => new Content(db())
beforeAll(() => seedDemo(db(), false, { hash: async () => 'hashed' }))

const over = async <T>(ask: (catalogue: Catalogue) => Promise<T>): Promise<T> => {
  const now = content()
  await now.reload()
  const answer = await ask(now.catalogue)
  now.end()
  return answer
}
const searched = (words: string) => over((catalogue) => searchEntries(db(), catalogue, words))
const ids = (entries: readonly { id: string }[]) => entries.map((e) => e.id)
const found = async (words: string) => ids((await searched(words)).entries)

test('words are found anywhere, in titles first, and nothing for nothing', async () => {
  expect((await found('fenwick'))[0]).toBe('fenwick-turret-clock')
  expect((await found('pinwheel escapement'))[0]).toBe('fenwick-turret-clock')
  expect((await found('fenw turr'))[0]).toBe('fenwick-turret-clock')
  expect([await found('   '), await found('qqqqqqq'), await found('"*'), await found('a" OR "b')]).toEqual([
    [],
    [],
    [],
    expect.any(Array),
  ])
})

test('a word that is a letter off is found when nothing else is', async () => {
  expect((await found('fenwik'))[0]).toBe('fenwick-turret-clock')
  expect((await found('fenwcik'))[0]).toBe('fenwick-turret-clock')
})

test('the words that are met instead are told, also where the first letter is wrong, missing or one too many', async () => {
  expect((await searched('fenwick')).near).toBe('')
  for (const wrong of ['fenwik', 'venwick', 'enwick', 'ffenwick', 'efnwick'])
    expect([wrong, (await searched(wrong)).near]).toEqual([wrong, 'fenwick'])
  expect((await searched('fenwik turret')).near).toBe('fenwick turret')
})

test('where nothing has all of the words, what has any of them is likely meant', async () => {
  const nothing = await searched('fenwick zzzzzz')
  expect([nothing.entries, nothing.near]).toEqual([[], ''])
  expect(ids(nothing.likely)).toContain('fenwick-turret-clock')
  expect((await searched('zzzzzz')).likely).toEqual([])
  expect((await searched('fenwick')).likely).toEqual([])
})

test('an address at which there is no page is read as words, its end counting', async () => {
  const likely = (path: string) => over((catalogue) => likelyAt(db(), catalogue, path))
  expect(ids(await likely('/old/fenwik-turret.html'))[0]).toBe('fenwick-turret-clock')
  for (const odd of ['/', '', '//', '/%', '/"*', '/a/b/', '/' + 'x'.repeat(5000), '/AND/OR', '/日本'])
    expect(Array.isArray(await likely(odd))).toBe(true)
})

test('while one types, titles are offered that hold what was typed', async () => {
  const offered = (words: string) => over((catalogue) => suggest(db(), catalogue, words))
  expect(ids(await offered('fenw'))).toContain('fenwick-turret-clock')
  for (const entry of await offered('th')) expect(entry.title.toLowerCase()).toMatch(/\bth/)
  for (const odd of ['', '   ', '"', 'a" OR title:b', '*', ':', '^x'])
    expect((await offered(odd)).length).toBeLessThan(9)
})

test.each<[string, string, boolean]>([
  ['clock', 'clock', true],
  ['clock', 'clocks', true],
  ['clock', 'clck', true],
  ['clock', 'click', true],
  ['clock', 'colck', true],
  ['clock', 'click!', false],
  ['clock', 'lcokc', false],
])('%s and %s are near: %p', (a, b, near) => expect([isNear(a, b), isNear(b, a)]).toEqual([near, near]))

test('what is stored, taken back, removed or not out yet is found as it stands', async () => {
  const { entry, revision } = (await readEntry(db(), 'fenwick-turret-clock'))!
  const store = (more: object, at: number) => updateEntry(db(), { entry: { ...entry, ...more }, revision: at }, 'Ada')
  await store({ title: 'Zephyrine' }, revision + 1)
  expect(await found('zephyrine')).toEqual([entry.id])
  await store({ title: 'Zephyrine', published: false }, revision + 2)
  expect(await found('zephyrine')).toEqual([])
  await store({ title: 'Zephyrine', from: '2999-01-01T00:00' }, revision + 3)
  expect(await found('zephyrine')).toEqual([])
  await store({ title: 'Zephyrine' }, revision + 4)
  await setEntryRemoved(db(), entry.id, true, 'Ada')
  expect(await found('zephyrine')).toEqual([])
  await setEntryRemoved(db(), entry.id, false, 'Ada')
  expect(await found('zephyrine')).toEqual([entry.id])
})

test('words that are not found yet are made to be, once', async () => {
  await db().deleteFrom('entry_words').where('rowid', '<', 20).execute()
  expect(await standAll(db())).toBe(19)
  expect(await standAll(db())).toBe(0)
  expect(await found('zephyrine')).toHaveLength(1)
})

test('the text of an entry is read when it is drawn, and anew when it changes', async () => {
  const now = content()
  await now.reload()
  const site = makeDemo().site
  for (const { id, content: text } of site.entries.slice(0, 40)) {
    const held = now.catalogue.entries.get(id)!
    expect(typeof Object.getOwnPropertyDescriptor(held, 'content')!.get).toBe(text ? 'function' : 'undefined')
    expect(held.content).toEqual(text)
  }
  const { plain } = await now.lightAnswer()
  const told = (JSON.parse(plain) as { site: typeof site }).site
  expect(told.entries.every((e) => e.content === null || JSON.stringify(e.content) === LATER)).toBe(true)
  expect(new Catalogue(told).pages).toEqual(now.catalogue.pages)
  now.end()
})

test('what stands in thousands of entries is put in order beside the thread that answers, all else in it', async () => {
  const asked: string[] = []
  const find = findBeside(db(), async ({ match }) => (asked.push(match), ['fenwick-turret-clock']))
  const ask = (words: string) => over((catalogue) => searchEntries(db(), catalogue, words, find))
  expect(ids((await ask('fenwick')).entries)[0]).toBe('fenwick-turret-clock')
  expect(asked).toEqual([])
  await sql`with recursive n(i) as (values(1000000) union all select i + 1 from n where i < 1005000)
    insert into entry_words(rowid, title) select i, 'ubiquitous' from n`.execute(db())
  expect(ids((await ask('ubiquitous')).entries)).toEqual(['fenwick-turret-clock'])
  expect(asked).toEqual(['"ubiquitous"*'])
})
