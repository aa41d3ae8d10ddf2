import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { BARE_DESIGN, type Design } from '../../core/design'
import type { WhyAnswer } from '../../shared/api/types'
import { jobsOver } from '../aside/jobs'
import { type Database, StartError, openDatabase } from '../database/open'
import { Content } from '../services/content'
import { Draft } from '../services/draft'
import { FileStore } from '../media/store'
import { pictureBytes } from '../services/media'
import { Parcels } from '../services/parcels'
import { Releases } from '../services/release'

/** Where a site is looked for when nobody says: one's own, then the demo. */
const FOLDERS = ['.data/site', '.data/demo']

/** What the commands work on: the same services as those of the server, over the same database. */
export interface Site {
  db: Database
  content: Content
  draft: Draft
  releases: Releases
  parcels: Parcels
}

export const say = (text: string): void => void process.stdout.write(text + '\n')

/** A call that cannot be understood, as opposed to one that could not be done. */
export class CallError extends Error {}

export function folderOf(named: string | undefined): string {
  const folder = resolve(named ?? process.env.OUTER_FRAME_DATA ?? FOLDERS.find((f) => existsSync(f)) ?? '.data')
  if (!existsSync(join(folder, 'outer-frame.sqlite'))) {
    throw new StartError(`There is no site in ${folder}. Name its data folder with --data.`)
  }
  return folder
}

/** Opens the site of a data folder for one piece of work. */
export async function withSite<T>(data: string | undefined, work: (site: Site) => Promise<T>): Promise<T> {
  const folder = folderOf(data)
  const db = await openDatabase(folder)
  const files = new FileStore(folder)
  try {
    const content = new Content(db)
    await content.reload()
    const draft = new Draft(db)
    const jobs = jobsOver(db)
    const catalogue = () => content.catalogue
    const releases = new Releases(db, draft, catalogue, jobs)
    return await work({
      db,
      content,
      draft,
      releases,
      parcels: new Parcels(db, draft, catalogue, jobs, { bytesOf: (id) => pictureBytes(db, files, id) }),
    })
  } finally {
    await db.destroy()
  }
}

/** The design that is asked about: the draft, or what visitors see. */
export async function designFor(
  site: Site,
  draft: boolean | undefined,
): Promise<{ design: Design; name: WhyAnswer['design'] }> {
  if (draft) return { design: await site.draft.design(), name: 'draft' }
  return { design: (await site.releases.latest())?.design ?? BARE_DESIGN, name: 'released' }
}
