import type { Menu, PageType, Person, Redirect, Site, SiteSettings, Structure, Taxonomy, Term } from '../../core/model'
import type { DocumentKind, Spoilt } from '../../core/documents'
import type { Transaction } from 'kysely'
import type { Database } from './open'
import { type Holding, putEntry, readEntries } from './entries'
import { readPictures } from './pictures'
import { readRedirects, writeRedirects } from './redirects'
import { readSound, readSoundList } from './sound'
import type { Tables } from './schema'

type Db = Database | Transaction<Tables>

async function docs<T>(
  db: Db,
  table: 'terms' | 'people' | 'menus',
  what: DocumentKind,
  spoilt: Spoilt[],
): Promise<T[]> {
  const rows = await db.selectFrom(table).select(['id', 'doc']).orderBy('position').execute()
  return rows.flatMap((r) => readSound<T>(what, r.id, r.doc, spoilt) ?? [])
}

/** What a database holds of a site: what is sound of it, and what is not. */
export interface StoredSite {
  site: Site
  /** Rises at every change of content. */
  version: number
  spoilt: Spoilt[]
}

/** Everything that is published or could be; null for a database without a site. Settings that are spoilt are `fallback`. */
export async function readSite(
  db: Db,
  fallback: SiteSettings,
  holding: Holding = { whole: (entry) => entry },
): Promise<StoredSite | null> {
  const row = await db.selectFrom('site').selectAll().executeTakeFirst()
  if (!row) return null
  const spoilt: Spoilt[] = []
  const site: Site = {
    settings: readSound<SiteSettings>('settings', 'settings', row.settings, spoilt) ?? fallback,
    types: readSoundList<PageType>('type', row.types, spoilt),
    taxonomies: readSoundList<Taxonomy>('taxonomy', row.taxonomies, spoilt),
    terms: await docs<Term>(db, 'terms', 'term', spoilt),
    people: await docs<Person>(db, 'people', 'person', spoilt),
    menus: await docs<Menu>(db, 'menus', 'menu', spoilt),
    entries: await readEntries(db, spoilt, holding),
    pictures: await readPictures(db, spoilt),
    redirects: await readLeads(db, spoilt),
  }
  return { site, version: row.content_version, spoilt }
}

/** Addresses that lead elsewhere, as a site holds them. */
export const readLeads = async (db: Db, spoilt: Spoilt[]): Promise<Redirect[]> =>
  (await readRedirects(db, spoilt)).map(({ at: _, ...redirect }) => redirect)

/** Counts on with every change of the content. */
export async function contentVersion(db: Db): Promise<number> {
  return (await db.selectFrom('site').select('content_version').executeTakeFirst())?.content_version ?? 0
}

export async function hasSite(db: Db): Promise<boolean> {
  return (await db.selectFrom('site').select('id').executeTakeFirst()) !== undefined
}

/** Writes a whole site into an empty database; for the demo. Done inside one transaction with all that goes with it. */
export async function writeSite(db: Db, site: Site): Promise<void> {
  const text = JSON.stringify
  const { settings, types, taxonomies } = site
  await db
    .insertInto('site')
    .values({ id: 1, settings: text(settings), types: text(types), taxonomies: text(taxonomies), content_version: 1 })
    .execute()
  for (const table of ['terms', 'people', 'menus'] as const) {
    const rows = site[table].map((doc, position) => ({ id: doc.id, position, doc: text(doc) }))
    if (rows.length) await db.insertInto(table).values(rows).execute()
  }
  await writeRedirects(db, site.redirects ?? [])
  for (const [position, entry] of site.entries.entries()) {
    await putEntry(db, entry, position)
  }
}

/** Changes some settings, over those that are stored by now: others may have changed others meanwhile. */
export async function updateSettings(db: Database, change: Partial<SiteSettings>): Promise<void> {
  await db.transaction().execute(async (trx) => {
    const { settings } = await trx.selectFrom('site').select('settings').executeTakeFirstOrThrow()
    const next = { ...(JSON.parse(settings) as SiteSettings), ...change }
    await trx
      .updateTable('site')
      .set({ settings: JSON.stringify(next) })
      .execute()
    await touchContent(trx)
  })
}

/** What the site is built of, with what of it cannot be read; null for a database without a site. */
export async function readStructure(
  db: Db,
  spoilt: Spoilt[],
): Promise<{ structure: Structure; revision: number } | null> {
  const row = await db.selectFrom('site').select(['types', 'taxonomies', 'structure_revision']).executeTakeFirst()
  if (!row) return null
  const types = readSoundList<PageType>('type', row.types, spoilt)
  const taxonomies = readSoundList<Taxonomy>('taxonomy', row.taxonomies, spoilt)
  const terms = await docs<Term>(db, 'terms', 'term', spoilt)
  const people = await docs<Person>(db, 'people', 'person', spoilt)
  return { structure: { format: 1, types, taxonomies, terms, people }, revision: row.structure_revision }
}

/** Makes a table hold these documents in this order; what stands there already is left as it is. */
async function writeDocs(db: Db, table: 'terms' | 'people' | 'menus', all: readonly { id: string }[]): Promise<void> {
  const rows = all.map((doc, position) => ({ id: doc.id, position, doc: JSON.stringify(doc) }))
  const wanted = new Set(rows.map((r) => r.id))
  const there = new Map((await db.selectFrom(table).selectAll().execute()).map((r) => [r.id, r]))
  for (const id of there.keys()) if (!wanted.has(id)) await db.deleteFrom(table).where('id', '=', id).execute()
  for (const { id, position, doc } of rows) {
    const was = there.get(id)
    if (was?.position === position && was.doc === doc) continue
    const set = { position, doc }
    await db
      .insertInto(table)
      .values({ id, ...set })
      .onConflict((c) => c.column('id').doUpdateSet(set))
      .execute()
  }
}

/** Under what a change of menus is told, and one of the addresses that lead elsewhere. */
export const MENUS_CHANGED = 'menus '
export const REDIRECTS_CHANGED = 'redirects '

/** All menus, with what of them cannot be read; none for a database without a site. */
export async function readMenus(db: Db, spoilt: Spoilt[]): Promise<{ menus: Menu[]; revision: number }> {
  const row = await db.selectFrom('site').select('menus_revision').executeTakeFirst()
  return { menus: await docs<Menu>(db, 'menus', 'menu', spoilt), revision: row?.menus_revision ?? 0 }
}

export async function writeMenus(db: Db, menus: readonly Menu[], revision: number): Promise<void> {
  await writeDocs(db, 'menus', menus)
  await db.updateTable('site').set({ menus_revision: revision }).execute()
  await touchContent(db, [MENUS_CHANGED])
}

export async function writeStructure(
  db: Db,
  { types, taxonomies, terms, people }: Structure,
  revision: number,
  moved: readonly Redirect[] = [],
): Promise<void> {
  await writeRedirects(db, moved)
  await writeDocs(db, 'terms', terms)
  await writeDocs(db, 'people', people)
  await db
    .updateTable('site')
    .set({ types: JSON.stringify(types), taxonomies: JSON.stringify(taxonomies), structure_revision: revision })
    .execute()
  await touchContent(db)
}

/** As many changes are told one by one; who is further behind reads everything. */
const MOST_CHANGES = 2000

/** Says that the content has changed: some entries, or anything at all. Gives the version it is at now. */
export async function touchContent(db: Db, entries: readonly string[] | null = null): Promise<void> {
  const { content_version: version } = await db
    .updateTable('site')
    .set((e) => ({ content_version: e('content_version', '+', 1) }))
    .returning('content_version')
    .executeTakeFirstOrThrow()
  const whole = entries === null || entries.length > MOST_CHANGES
  const rows = whole ? [{ version, entry: null }] : entries.map((entry) => ({ version, entry }))
  for (let i = 0; i < rows.length; i += 400)
    await db
      .insertInto('content_changes')
      .values(rows.slice(i, i + 400))
      .execute()
  await db
    .deleteFrom('content_changes')
    .where('version', '<', version - MOST_CHANGES)
    .execute()
}

/**
 * What of the content has changed since a version, up to another or till now: entries by their ids, or null where that
 * is not known one by one.
 */
export async function readChanges(
  db: Db,
  since: number,
  till?: number,
): Promise<{ version: number; entries: string[] | null }> {
  const site = await db.selectFrom('site').select('content_version').executeTakeFirst()
  const version = till ?? site?.content_version ?? 0
  const rows = await db
    .selectFrom('content_changes')
    .selectAll()
    .where('version', '>', since)
    .where('version', '<=', version)
    .execute()
  const told = new Set(rows.map((r) => r.version))
  const entries = new Set(rows.map((r) => r.entry))
  const known = version >= since && told.size === version - since && !entries.has(null) && entries.size <= MOST_CHANGES
  return { version, entries: known ? ([...entries] as string[]) : null }
}
