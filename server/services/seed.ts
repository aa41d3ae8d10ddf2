import { DEMO_PASSWORD, DEMO_USERS, REMOVED_STORY, demoFiles, makeDemo } from '../../demo'
import { hasSite, writeSite } from '../database/content'
import { putEntry, setEntryRemoved } from '../database/entries'
import { writeFile, writePictureBytes } from '../database/pictures'
import type { FileStore } from '../media/store'
import { writeFrame, writeHouse } from '../database/frames'
import { insertLayout } from '../database/layouts'
import type { Database } from '../database/open'
import { keepDesign } from '../database/designs'
import { insertRelease } from '../database/releases'
import { insertUser } from '../database/users'
import type { Passwords } from './passwords'
import { changesBetween } from './release'
import { Catalogue } from '../../core/catalogue'
import { todayIn } from '../../core/time'

const BY = 'The demo'
const WEEK = 7 * 24 * 60 * 60_000

/** Files come before the site, so that a first start that is killed begins with them again. */
async function seedFiles(db: Database, files: FileStore): Promise<void> {
  for (const { bytes, ...file } of demoFiles()) {
    const { path, hash, size } = await files.bring(bytes)
    await files.keep({ path, hash })
    await writeFile(db, { ...file, hash, size, addedAt: Date.now(), addedBy: BY })
  }
}

/**
 * Fills an empty database with the museum: finished and released, or `bare`, with its content and menus but no
 * layout and no frame. A database that holds a site already is left alone.
 */
export async function seedDemo(
  db: Database,
  bare: boolean,
  passwords: Pick<Passwords, 'hash'>,
  /** Where its documents and sounds go; none, where nobody asks for them. */
  files?: FileStore,
): Promise<boolean> {
  if (await hasSite(db)) return false
  if (files) await seedFiles(db, files)
  const nextWeek = todayIn('Europe/London', Date.now() + WEEK)
  const { site, pictures, design } = makeDemo(bare, `${nextWeek}T09:00`)
  const passwordHash = await passwords.hash(DEMO_PASSWORD)
  const catalogue = new Catalogue(site)
  const changes = changesBetween(null, design, catalogue)
  // All of it or nothing: a first start that is killed begins again.
  await db.transaction().execute(async (trx) => {
    await writeSite(trx, site)
    await putEntry(trx, REMOVED_STORY, site.entries.length)
    await setEntryRemoved(trx, REMOVED_STORY.id, true, BY)
    for (const { draw, ...picture } of pictures)
      await writePictureBytes(trx, picture, 'image/svg+xml', Buffer.from(draw()))
    for (const layout of design.layouts) await insertLayout(trx, layout, BY)
    for (const frame of design.frames) await writeFrame(trx, { frame, revision: 1, removed: false }, BY)
    await writeHouse(trx, design.house, 1)
    // The release has menus of its own, as every one that is made in the studio.
    const released = { ...design, menus: site.menus }
    if (!bare) {
      const kept = await keepDesign(trx, released)
      await insertRelease(trx, kept, changes, 'The museum opens', BY, catalogue.pages.length)
    }
    for (const user of DEMO_USERS) await insertUser(trx, { ...user, passwordHash })
  })
  return true
}
