import type { Entry, Menu, PageType, Person, Picture, Site, SiteSettings, Taxonomy, Term } from '../../core/site'
import type { Transaction } from 'kysely'
import type { Database } from './open'
import type { Tables } from './schema'

type Db = Database | Transaction<Tables>

const parse = <T>(text: string): T => JSON.parse(text) as T

async function docs<T>(db: Database, table: 'terms' | 'people' | 'menus'): Promise<T[]> {
  const rows = await db.selectFrom(table).select('doc').orderBy('position').execute()
  return rows.map((r) => parse<T>(r.doc))
}

/** Everything that is published or could be, with the version that rises at every change of content. */
export async function readSite(db: Database): Promise<{ site: Site; version: number } | null> {
  const row = await db.selectFrom('site').selectAll().executeTakeFirst()
  if (!row) return null
  const entries = await db.selectFrom('entries').select(['doc', 'published']).orderBy('position').execute()
  const pictures = await db
    .selectFrom('pictures')
    .select(['id', 'file_name', 'alt', 'width', 'height'])
    .orderBy('id')
    .execute()
  const site: Site = {
    settings: parse<SiteSettings>(row.settings),
    types: parse<PageType[]>(row.types),
    taxonomies: parse<Taxonomy[]>(row.taxonomies),
    terms: await docs<Term>(db, 'terms'),
    people: await docs<Person>(db, 'people'),
    menus: await docs<Menu>(db, 'menus'),
    entries: entries.map((e) => ({ ...parse<Entry>(e.doc), published: e.published === 1 })),
    pictures: pictures.map(({ file_name, ...p }): Picture => ({ ...p, fileName: file_name })),
  }
  return { site, version: row.content_version }
}

/** Writes a whole site into an empty database; for the demo. */
export async function writeSite(db: Database, site: Site): Promise<void> {
  const text = JSON.stringify
  await db.transaction().execute(async (trx) => {
    await trx
      .insertInto('site')
      .values({
        id: 1,
        settings: text(site.settings),
        types: text(site.types),
        taxonomies: text(site.taxonomies),
        content_version: 1,
      })
      .execute()
    for (const table of ['terms', 'people', 'menus'] as const) {
      const rows = site[table].map((doc, position) => ({ id: doc.id, position, doc: text(doc) }))
      if (rows.length) await trx.insertInto(table).values(rows).execute()
    }
    for (const [position, entry] of site.entries.entries()) {
      const { id, type, published } = entry
      await trx
        .insertInto('entries')
        .values({ id, type, position, revision: 1, published: Number(published), doc: text(entry) })
        .execute()
    }
  })
}

/** An entry with the revision it stands at; null when there is none. */
export async function readEntry(db: Db, id: string): Promise<{ entry: Entry; revision: number } | null> {
  const row = await db
    .selectFrom('entries')
    .select(['doc', 'published', 'revision'])
    .where('id', '=', id)
    .executeTakeFirst()
  return row ? { entry: { ...parse<Entry>(row.doc), published: row.published === 1 }, revision: row.revision } : null
}

/** Stores an entry at its next revision, and says that the content has changed. */
export async function updateEntry(db: Db, entry: Entry, revision: number): Promise<void> {
  const values = { doc: JSON.stringify(entry), published: Number(entry.published), revision }
  await db.updateTable('entries').set(values).where('id', '=', entry.id).execute()
  await touchContent(db)
}

export async function updateSettings(db: Db, settings: SiteSettings): Promise<void> {
  await db
    .updateTable('site')
    .set({ settings: JSON.stringify(settings) })
    .execute()
  await touchContent(db)
}

async function touchContent(db: Db): Promise<void> {
  await db
    .updateTable('site')
    .set((e) => ({ content_version: e('content_version', '+', 1) }))
    .execute()
}

export async function writePicture(db: Database, picture: Picture, mime: string, bytes: Buffer): Promise<void> {
  const { id, alt, width, height, fileName } = picture
  await db.insertInto('pictures').values({ id, file_name: fileName, alt, width, height, mime, bytes }).execute()
}

export function readPicture(db: Database, id: string): Promise<{ mime: string; bytes: Buffer } | undefined> {
  return db.selectFrom('pictures').select(['mime', 'bytes']).where('id', '=', id).executeTakeFirst()
}
