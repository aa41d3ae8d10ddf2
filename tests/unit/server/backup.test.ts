import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { restoreBackup, writeBackup } from '../../../server/database/backup'
import { readSite } from '../../../server/database/content'
import { openDatabase } from '../../../server/database/open'
import { openPictureWork } from '../../../server/media/beside'
import { FileStore } from '../../../server/media/store'
import { Media } from '../../../server/services/media'
import { seedDemo } from '../../../server/services/seed'
import { makeDemo } from '#demo/index'
import { freshDatabase } from './database'

const { db, folder } = freshDatabase()
const out = mkdtempSync(join(tmpdir(), 'outer-frame-backup-'))
afterAll(() => rmSync(out, { recursive: true, force: true }))
beforeAll(async () => {
  await seedDemo(db(), false, { hash: async () => 'hashed' })
  const files = new FileStore(folder)
  await files.open()
  const media = new Media(db(), files, async () => {}, openPictureWork(folder))
  await media.open()
  await media.end()
})
const { settings } = makeDemo().site

test('a backup of a database that is in use becomes the same site in another folder, with its files', async () => {
  const sent = new FileStore(folder, 'sent')
  await sent.open()
  const came = await sent.bring(Buffer.from('what a visitor sent'))
  await sent.keep(came)
  const file = join(out, 'site.backup')
  const count = await writeBackup(folder, file)
  expect(count).toBeGreaterThan(100)
  expect(existsSync(`${file}.coming`)).toBe(false)
  const again = join(out, 'again')
  expect(await restoreBackup(file, again)).toBe(count)
  const restored = await openDatabase(again)
  expect(await readSite(restored, settings)).toEqual(await readSite(db(), settings))
  const files = new FileStore(again)
  const { hash } = await restored
    .selectFrom('pictures')
    .select('hash')
    .where('id', '=', 'mark')
    .executeTakeFirstOrThrow()
  expect((await files.read(hash))!.toString()).toContain('<svg')
  expect((await new FileStore(again, 'sent').read(came.hash))!.toString()).toBe('what a visitor sent')
  await restored.destroy()
  await expect(restoreBackup(file, again)).rejects.toThrow('There is a site in')
})

test.each<[string, (file: string) => void]>([
  ['nothing', () => {}],
  ['no database', (file) => writeFileSync(file, 'words')],
  ['an empty one', (file) => writeFileSync(file, '')],
  ['another database', (file) => new Sqlite(file).exec('create table other (a)').close()],
  ['one that is cut off', (file) => writeFileSync(file, readFileSync(join(out, 'site.backup')).subarray(0, 50_000))],
])('%s is no backup, and leaves nothing behind', async (name, make) => {
  const file = join(out, `${name.replace(/\W+/g, '-')}.backup`)
  make(file)
  const target = join(out, `to-${name.replace(/\W+/g, '-')}`)
  await expect(restoreBackup(file, target)).rejects.toThrow(/no file|cannot be restored/)
  expect(existsSync(join(target, 'outer-frame.sqlite'))).toBe(false)
  expect(existsSync(join(target, 'outer-frame.sqlite.coming'))).toBe(false)
})

test('a backup that names files elsewhere writes none of them', async () => {
  const file = join(out, 'odd.backup')
  writeFileSync(file, readFileSync(join(out, 'site.backup')))
  const odd = new Sqlite(file)
  odd.prepare('insert into backed_up_files values (?, ?)').run('../../evil', Buffer.from('x'))
  odd.close()
  const target = join(out, 'odd')
  await restoreBackup(file, target)
  expect([existsSync(join(out, 'evil')), existsSync(join(target, '..', 'evil'))]).toEqual([false, false])
})

test('a backup has the secrets of its site, and a restored database gives back the space of its files', async () => {
  writeFileSync(join(folder, 'secrets.json'), '{"NUXT_CSURF_ENCRYPT_SECRET":"0123456789abcdef0123456789abcdef"}')
  const file = join(out, 'with-secrets.backup')
  await writeBackup(folder, file)
  const target = join(out, 'with-secrets')
  await restoreBackup(file, target)
  expect(readFileSync(join(target, 'secrets.json'), 'utf8')).toBe(readFileSync(join(folder, 'secrets.json'), 'utf8'))
  expect(statSync(join(target, 'outer-frame.sqlite')).size).toBeLessThan(statSync(file).size / 2)
})
