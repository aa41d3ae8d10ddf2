import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { DOCUMENTS } from '#core/documents'
import type { PlainEdit } from '#core/edits'
import { Formats, sceneOf } from '#core/drawing'
import { CompiledRules, resolve, rulesOf } from '#core/rules'
import { CompiledDesign } from '#core/render'
import { Catalogue } from '#core/catalogue'
import { MENUS_EDITING, type MenuSet, type Picture, type Redirect, menuLines, mergeEntries } from '#core/model'
import { makeDemo } from '#demo/index'
import { Content } from '../../server/services/content'
import { Entries } from '../../server/services/entries'
import { EntryTable } from '../../server/services/entry-table'
import { Draft } from '../../server/services/draft'
import { Media } from '../../server/services/media'
import { Redirects } from '../../server/services/redirects'
import { openPictureWork } from '../../server/media/beside'
import { FileStore } from '../../server/media/store'
import { readImports } from '../../server/database/imports'
import { type Database, openDatabase } from '../../server/database/open'
import { seedDemo } from '../../server/services/seed'
import { VISITOR, withoutOurScripts } from '../fixtures'
import { spoiltOf } from './mutate'
import { runs } from '../runs'

/** Whatever of the content is accepted is drawn, followed and merged; whatever got in all the same takes nothing with it. */

const { site, design } = makeDemo()
const compiled = new CompiledDesign(design, { strict: true })
const home = (over: Catalogue, menus?: MenuSet) => {
  const page = over.pages[0]!
  const scene = sceneOf(over, new Formats(site.settings), page, {
    cards: compiled.cards,
    ...(menus && { menus: new Map(menus.menus.map((m) => [m.id, m])) }),
  })
  return compiled.draw(scene, resolve(new CompiledRules(rulesOf(design), over), page, VISITOR)).html
}

test('spoilt menus are refused, or drawn, and edited as any', () => {
  const demo: MenuSet = { format: 1, menus: site.menus }
  const catalogue = new Catalogue(site)
  let accepted = 0
  fc.assert(
    fc.property(spoiltOf([demo]), (spoilt) => {
      if (DOCUMENTS.menus(spoilt) !== null) return
      accepted++
      const menus = spoilt as MenuSet
      expect(withoutOurScripts(home(catalogue, menus))).not.toMatch(
        /<script|(href|src|action)="javascript:|\[object|undefined</,
      )
      for (const menu of menus.menus) {
        menuLines(menu)
        const edit: PlainEdit = { kind: 'remove', at: ['menus'], id: menu.id }
        const result = MENUS_EDITING.apply(menus, edit)
        if (!result.ok) throw new Error(result.problem.sentence)
        const back = MENUS_EDITING.applyJudged(result.document, result.inverse)
        expect(back.ok && back.document).toEqual(menus)
      }
    }),
    { numRuns: runs(800) },
  )
  expect(accepted).toBeGreaterThan(2)
})

test('spoilt redirects are refused, or lead to where no script runs', () => {
  const demo: Redirect[] = [...site.redirects!, { address: '/a', to: 'https://example.org/b' }]
  fc.assert(
    fc.property(spoiltOf(demo), (spoilt) => {
      if (DOCUMENTS.redirect(spoilt) !== null) return
      const redirect = spoilt as Redirect
      const over = new Catalogue({ ...site, redirects: [redirect] })
      for (const asked of [redirect.address, `${redirect.address}/x`, '/visit'])
        expect(over.redirectOf(asked) ?? '').not.toMatch(/^\s*(javascript|data):/i)
    }),
    { numRuns: runs(400) },
  )
})

test('spoilt pictures are refused, or drawn as pictures', () => {
  const demo: Picture[] = [
    site.pictures[0]!,
    { ...site.pictures[0]!, hash: 'abcdef0123456789', widths: [320, 640], focus: { x: 0.2, y: 1 }, fileName: 'a.jpg' },
  ]
  fc.assert(
    fc.property(spoiltOf(demo), (spoilt) => {
      if (DOCUMENTS.picture(spoilt) !== null) return
      const picture = { ...(spoilt as Picture), id: 'mark' }
      const over = new Catalogue({ ...site, pictures: [...site.pictures.filter((p) => p.id !== 'mark'), picture] })
      expect(withoutOurScripts(home(over))).not.toMatch(/<script|onerror|\[object|undefined/)
    }),
    { numRuns: runs(300) },
  )
})

test('working copies of any shape are refused, or merged without falling over', () => {
  const entries = site.entries.slice(0, 12)
  let accepted = 0
  fc.assert(
    fc.property(spoiltOf(entries), fc.constantFrom(...entries), (spoilt, other) => {
      if (DOCUMENTS['working-copy'](spoilt) !== null) return
      accepted++
      const mine = spoilt as (typeof entries)[number]
      const { entry } = mergeEntries(other, mine, other)
      expect(entry.title).toBe(mine.title)
    }),
    { numRuns: runs(400) },
  )
  expect(accepted).toBeGreaterThan(2)
})

describe('rows that got in all the same', () => {
  const folder = mkdtempSync(join(tmpdir(), 'outer-frame-rows-'))
  let db: Database
  let content: Content
  beforeAll(async () => {
    db = await openDatabase(folder)
    await seedDemo(db, false, { hash: async () => 'hashed' })
    content = new Content(db)
    await content.reload()
  }, 60_000)
  afterAll(async () => {
    content.end()
    await db.destroy()
    rmSync(folder, { recursive: true, force: true })
  })
  const ROTTEN = ['', '{', 'null', '[]', '5', '"x"', '{"id":"other"}', '{"address":5}']

  test('no row of any table of the content takes down a start, a list, a search, an entry', async () => {
    const files = new FileStore(folder)
    await files.open()
    const media = new Media(db, files, async () => {}, openPictureWork(folder))
    await media.open()
    for (const [i, doc] of ROTTEN.entries()) {
      const id = `rotten-${i}`
      await db
        .insertInto('redirects')
        .values({ address: `/${id}`, doc, at: 1 })
        .execute()
      await db
        .insertInto('menus')
        .values({ id, position: 900 + i, doc })
        .execute()
      await db
        .insertInto('terms')
        .values({ id, position: 900 + i, doc })
        .execute()
      await db
        .insertInto('people')
        .values({ id, position: 900 + i, doc })
        .execute()
      const entry = { id, type: 'story', position: 900 + i, revision: 1, published: 1, doc, number: 9000 + i }
      await db.insertInto('entries').values(entry).execute()
      await db.insertInto('entry_states').values({ entry: id, revision: 1, published: 1, doc, at: 1, by: '' }).execute()
      await db
        .insertInto('working_copies')
        .values({ entry: 'visit', user: 1 + (i % 4), doc, revision: 1, at: 1 })
        .onConflict((c) => c.columns(['entry', 'user']).doUpdateSet({ doc }))
        .execute()
      await db
        .insertInto('imports')
        .values({ id, name: 'x', state: 'done', done: 0, total: 0, report: doc, structure: doc, at: 1, by: '' })
        .execute()
    }
    await db.updateTable('pictures').set({ focus: '{', widths: '5' }).where('id', '=', 'mark').execute()
    await content.reload()
    expect(content.catalogue.pages.length).toBeGreaterThan(80)
    expect(content.spoilt.length).toBeGreaterThan(ROTTEN.length)
    await content.lightAnswer()
    expect(await content.search('clock')).not.toEqual([])
    const entries = new Entries(db, new Draft(db), content)
    for (const [i] of ROTTEN.entries()) {
      await expect(entries.open(`rotten-${i}`, { id: 1, name: 'Orla' })).rejects.toMatchObject({
        problem: { code: 'entry-unknown' },
      })
      await expect(entries.state(`rotten-${i}`, 1)).rejects.toMatchObject({ problem: { code: 'state-unknown' } })
    }
    expect((await entries.open('visit', { id: 1, name: 'Orla' })).working).toBeNull()
    const table = new EntryTable(db, content)
    const { rows, total } = await table.read({ most: 500 }, 1)
    expect(total - rows.length).toBe(ROTTEN.length)
    expect((await media.list()).pictures.some((p) => p.picture.id === 'mark')).toBe(false)
    expect((await new Redirects(db, () => content.catalogue).list()).length).toBe(2)
    expect((await readImports(db)).length).toBe(ROTTEN.length)
    expect(home(content.catalogue)).toContain('<h1')
    // What is stored beside them is followed as ever.
    const { entry, revision } = await entries.open('visit', { id: 1, name: 'Orla' })
    await entries.put({ ...entry, title: 'Visited' }, revision, { id: 1, name: 'Orla' })
    await content.follow()
    expect(content.catalogue.page('entry:visit')!.title).toBe('Visited')
    await media.end()
  }, 60_000)

  test('a mark that is another text’s is no proof', async () => {
    const { judged } = await db
      .selectFrom('entries')
      .select('judged')
      .where('id', '=', 'visit')
      .executeTakeFirstOrThrow()
    await db
      .updateTable('entries')
      .set({ doc: '{"id":"history","title":5}', judged })
      .where('id', '=', 'history')
      .execute()
    await content.reload()
    expect(content.catalogue.entries.has('history')).toBe(false)
    expect(content.spoilt.some((s) => s.id === 'history')).toBe(true)
  })
})
