import fc from 'fast-check'
import { Catalogue, type SiteChange, followChange } from '#core/catalogue'
import { type Entry, blankEntry } from '#core/model'
import type { SiteAnswer } from '#shared/api/types'
import { PICTURE, Content } from '../../../server/services/content'
import { MENUS_CHANGED, REDIRECTS_CHANGED, readSite, touchContent, writeMenus } from '../../../server/database/content'
import { insertEntry, readEntry, setEntryRemoved, updateEntry } from '../../../server/database/entries'
import { readPicture, setPicturesRemoved, writePicture } from '../../../server/database/pictures'
import { removeRedirect, writeRedirects } from '../../../server/database/redirects'
import { seedDemo } from '../../../server/services/seed'
import { freshDatabase } from './database'
import { runs } from '../../runs'

/** The studio follows what changes of the site; it must come to the same as reading the whole of it again. */

const { db } = freshDatabase()
let content: Content
beforeAll(async () => {
  await seedDemo(db(), false, { hash: async () => 'hashed' })
  content = new Content(db())
  await content.reload()
})
afterAll(() => content.end())

const whole = async () => JSON.parse((await content.lightAnswer()).plain) as SiteAnswer
const IDS = ['welcome', 'visit', 'fenwick-turret-clock', 'the-night-regulator', 'fresh-one', 'fresh-two']
const word = fc.constantFrom('one', 'two', 'three')

/** What may be done to a site, one by one. */
const DOES = {
  async title(id: string, says: string) {
    const was = await readEntry(db(), id)
    const entry: Entry = was ? { ...was.entry, title: says } : { ...blankEntry(id, 'story'), slug: id, title: says }
    if (was) await updateEntry(db(), { entry, revision: was.revision + 1 }, 'Ada')
    else await insertEntry(db(), entry, 'Ada').catch(() => {})
    await touchContent(db(), [id])
  },
  async address(id: string, says: string) {
    const was = await readEntry(db(), id)
    if (!was) return
    const moved = { address: `/was/${says}`, to: { page: `entry:${id}` } }
    await updateEntry(
      db(),
      { entry: { ...was.entry, slug: `${id}-${says}` }, revision: was.revision + 1 },
      'Ada',
      moved,
    )
    await touchContent(db(), [id, REDIRECTS_CHANGED])
  },
  async remove(id: string) {
    const was = await readEntry(db(), id)
    if (was) await setEntryRemoved(db(), id, true, 'Ada')
    await touchContent(db(), [id])
  },
  async redirect(_: string, says: string) {
    await writeRedirects(db(), [{ address: `/old/${says}`, to: 'https://example.org/' }])
    if (says === 'two') await removeRedirect(db(), '/old/one')
    await touchContent(db(), [REDIRECTS_CHANGED])
  },
  async picture(_: string, says: string) {
    const [id] = [...content.catalogue.pictures.keys()].slice(3)
    const was = (await readPicture(db(), id!))!
    await writePicture(db(), { ...was, picture: { ...was.picture, alt: says } })
    if (says === 'three') await setPicturesRemoved(db(), [id!], true)
    await touchContent(db(), [PICTURE + id])
  },
  async menus(_: string, says: string) {
    const { menus } = (await readSite(db(), content.catalogue.site.settings))!.site
    await writeMenus(db(), [{ ...menus[0]!, name: says }, ...menus.slice(1)], 1)
    await touchContent(db(), [MENUS_CHANGED])
  },
} as const
const step = fc.record({
  does: fc.constantFrom(...(Object.keys(DOES) as (keyof typeof DOES)[])),
  id: fc.constantFrom(...IDS),
  says: word,
})

const told = (catalogue: Catalogue) => ({
  ...catalogue.site,
  entries: [...catalogue.site.entries].sort((a, b) => a.id.localeCompare(b.id)),
  pictures: [...catalogue.site.pictures].sort((a, b) => a.id.localeCompare(b.id)),
  pages: catalogue.pages.map((p) => [p.key, p.address, p.title]).sort(),
  led: ['/old/one', '/old/two', '/was/one', '/was/two'].map((a) => catalogue.redirectOf(a)),
})

test('what has changed since a version comes to the same as the site read again, whatever was done', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(step, { minLength: 1, maxLength: 12 }),
      fc.integer({ min: 1, max: 4 }),
      async (steps, at) => {
        const before = await whole()
        const followed = new Catalogue(before.site)
        let { version } = before
        for (const [i, { does, id, says }] of steps.entries()) {
          await DOES[does](id, says)
          await content.follow()
          // Several changes may come at once.
          if (i % at !== 0 && i < steps.length - 1) continue
          const changes = (await content.changesSince(version))!
          followChange(followed, JSON.parse(JSON.stringify(changes.change)) as SiteChange)
          version = changes.version
        }
        expect(version).toBe(content.version)
        expect(told(followed)).toEqual(told(new Catalogue((await whole()).site)))
      },
    ),
    { numRuns: runs(40) },
  )
})

test('the whole is asked for where changes are not known one by one, or something cannot be read', async () => {
  const { version } = content
  expect(await content.changesSince(version)).toMatchObject({ version, change: { entries: [], menus: null } })
  expect(await content.changesSince(version + 1)).toBeNull()
  await touchContent(db())
  await content.follow()
  expect(await content.changesSince(version)).toBeNull()
  await db().updateTable('entries').set({ doc: '{' }).where('id', '=', 'contact').execute()
  await touchContent(db())
  await content.follow()
  expect(content.spoilt).toMatchObject([{ id: 'contact' }])
  expect(await content.changesSince(content.version)).toBeNull()
})

test('a change of something else does not read everything again while something cannot be read', async () => {
  const { catalogue } = content
  await DOES.title('access', 'Still followed')
  expect(await content.follow()).not.toBe('all')
  expect(content.catalogue).toBe(catalogue)
  expect(catalogue.entries.get('access')!.title).toBe('Still followed')
  expect(content.spoilt).toMatchObject([{ id: 'contact' }])
  await db()
    .updateTable('entries')
    .set({ doc: JSON.stringify({ ...blankEntry('contact', 'page'), slug: 'contact' }) })
    .where('id', '=', 'contact')
    .execute()
  await touchContent(db(), ['contact'])
  await content.follow()
  expect(content.spoilt).toEqual([])
  expect(content.catalogue.entries.has('contact')).toBe(true)
})
