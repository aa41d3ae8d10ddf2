import { DEMO_PASSWORD, DEMO_USERS, makeDemo } from '../../demo'
import { writePicture, writeSite, readSite } from '../database/content'
import { writeFrame, writeHouse } from '../database/frames'
import { insertLayout } from '../database/layouts'
import type { Database } from '../database/open'
import { insertRelease } from '../database/releases'
import { insertUser } from '../database/users'
import { changesBetween } from './release'
import { Catalogue } from '../../core/site'

const BY = 'The demo'

/**
 * Fills an empty database with the museum: finished and released, or `bare`, with its content and menus but no
 * layout and no frame. A database that holds a site already is left alone.
 */
export async function seedDemo(
  db: Database,
  bare: boolean,
  hash: (password: string) => Promise<string>,
): Promise<boolean> {
  if (await readSite(db)) return false
  const { site, pictures, design } = makeDemo(bare)
  await writeSite(db, site)
  for (const { svg, ...picture } of pictures) await writePicture(db, picture, 'image/svg+xml', Buffer.from(svg))
  for (const layout of design.layouts) await insertLayout(db, layout, BY)
  for (const frame of design.frames) await writeFrame(db, { frame, revision: 1, removed: false }, BY)
  await writeHouse(db, design.house, 1)
  if (!bare) await insertRelease(db, design, changesBetween(null, design, new Catalogue(site)), 'The museum opens', BY)
  const passwordHash = await hash(DEMO_PASSWORD)
  for (const user of DEMO_USERS) await insertUser(db, { ...user, passwordHash })
  return true
}
