import { resolve } from 'node:path'
import { type Database, openDatabase } from '../database/open'
import { Content } from './content'
import { Draft } from './draft'
import { Entries } from './entries'
import { log } from './log'
import { Parcels } from './parcels'
import { Published } from './published'
import { Releases } from './release'
import { seedDemo } from './seed'
import { AttemptLimit } from './sign-in'

/** One running site: its database, and the services over it. */
export interface Installation {
  db: Database
  content: Content
  draft: Draft
  releases: Releases
  entries: Entries
  parcels: Parcels
  published: Published
  attempts: AttemptLimit
}

export function dataFolder(): string {
  return resolve(process.env.OUTER_FRAME_DATA ?? '.data')
}

async function open(hash: (password: string) => Promise<string>): Promise<Installation> {
  const db = await openDatabase(dataFolder())
  const demo = process.env.OUTER_FRAME_DEMO
  if (demo && (await seedDemo(db, demo === 'bare', hash))) log('info', 'demo-made', { bare: demo === 'bare' })
  const content = new Content(db)
  await content.reload()
  const draft = new Draft(db)
  const releases = new Releases(db, draft, () => content.catalogue)
  const published = new Published(content)
  published.swap(await releases.latestDesign())
  const entries = new Entries(db, draft, () => content.catalogue)
  const parcels = new Parcels(db, draft, () => content.catalogue)
  return { db, content, draft, releases, entries, parcels, published, attempts: new AttemptLimit() }
}

let opened: Promise<Installation> | null = null

/** The installation of this process; opened at the first call. Throws `StartError` when it cannot be. */
export function installation(hash?: (password: string) => Promise<string>): Promise<Installation> {
  return (opened ??= open(
    hash ?? (() => Promise.reject(new Error('The demo cannot be made here: no way to hash passwords.'))),
  ))
}

/** After a change of content: everything that was made from it is made anew. */
export async function contentChanged(site: Installation): Promise<void> {
  await site.content.reload()
  site.published.refresh()
}

export async function closeInstallation(): Promise<void> {
  if (opened) await (await opened).db.destroy()
  opened = null
}
