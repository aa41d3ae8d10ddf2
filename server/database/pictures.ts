import { type Transaction, sql } from 'kysely'
import type { Spoilt } from '../../core/documents'
import type { Id, Picture } from '../../core/model'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound } from './sound'

type Db = Database | Transaction<Tables>

/** A picture with what is known of its file. */
export interface StoredPicture {
  picture: Picture
  mime: string
  /** SHA-256 of the file, in hexadecimal. */
  hash: string
  /** Bytes. */
  size: number
  addedAt: number
  addedBy: string
}

const COLUMNS = [
  'id',
  'file_name',
  'alt',
  'width',
  'height',
  'mime',
  'hash',
  'size',
  'focus',
  'caption',
  'widths',
  'added_at',
  'added_by',
] as const
type Row = Record<(typeof COLUMNS)[number], unknown> & { id: string; mime: string; hash: string }

/** So much of a hash tells one file of a picture from the next. */
const TOLD = 16

const parsed = (text: unknown): unknown => {
  try {
    return typeof text === 'string' ? JSON.parse(text) : undefined
  } catch (error) {
    if (error instanceof SyntaxError) return 'unreadable'
    throw error
  }
}

function stored(row: Row, spoilt: Spoilt[]): StoredPicture[] {
  const { id, file_name: fileName, alt, width, height, hash } = row
  const [focus, widths] = [parsed(row.focus), parsed(row.widths)]
  const told = hash ? { hash: hash.slice(0, TOLD) } : {}
  const own = {
    id,
    fileName,
    alt,
    width,
    height,
    ...told,
    ...(focus !== undefined && { focus }),
    ...(row.caption !== '' && { caption: row.caption }),
  }
  const doc = JSON.stringify({ ...own, ...(widths !== undefined && { widths }) })
  const picture = readSound<Picture>('picture', id, doc, spoilt)
  if (!picture) return []
  const { mime, size, added_at: addedAt, added_by: addedBy } = row
  return [{ picture, mime, hash, size: Number(size), addedAt: Number(addedAt), addedBy: String(addedBy) }]
}

/** Pictures that were not removed, or those that were. */
export async function readStoredPictures(db: Db, spoilt: Spoilt[], removed = false): Promise<StoredPicture[]> {
  const rows = await db
    .selectFrom('pictures')
    .select(COLUMNS)
    .where('removed', '=', Number(removed))
    .orderBy('id')
    .execute()
  return rows.flatMap((row) => stored(row, spoilt))
}

export async function readPictures(db: Db, spoilt: Spoilt[]): Promise<Picture[]> {
  return (await readStoredPictures(db, spoilt)).map((s) => s.picture)
}

/** A picture, removed or not; null when there is none. */
export async function readPicture(db: Db, id: Id): Promise<(StoredPicture & { removed: boolean }) | null> {
  const row = await db
    .selectFrom('pictures')
    .select([...COLUMNS, 'removed'])
    .where('id', '=', id)
    .executeTakeFirst()
  const [found] = row ? stored(row, []) : []
  return found ? { ...found, removed: row!.removed === 1 } : null
}

/** The picture that has this very file; undefined when there is none. */
export async function findPictureByHash(db: Db, hash: string): Promise<Id | undefined> {
  const row = await db
    .selectFrom('pictures')
    .select('id')
    .where('hash', '=', hash)
    .where('removed', '=', 0)
    .executeTakeFirst()
  return row?.id
}

/** Stores a picture and what is known of its file; the file itself lies in the data folder. */
export async function writePicture(db: Db, { picture, ...file }: StoredPicture): Promise<void> {
  const { id, fileName, alt, width, height, focus, widths, caption = '' } = picture
  const values = {
    file_name: fileName,
    alt,
    width,
    height,
    mime: file.mime,
    hash: file.hash,
    size: file.size,
    focus: focus ? JSON.stringify(focus) : null,
    caption,
    widths: widths ? JSON.stringify(widths) : null,
    added_at: file.addedAt,
    added_by: file.addedBy,
  }
  await db
    .insertInto('pictures')
    .values({ id, ...values, bytes: Buffer.alloc(0) })
    .onConflict((c) => c.column('id').doUpdateSet(values))
    .execute()
}

export async function setPicturesRemoved(db: Db, ids: readonly Id[], removed: boolean): Promise<number> {
  const { numUpdatedRows } = await db
    .updateTable('pictures')
    .set({ removed: Number(removed) })
    .where(sql<boolean>`id in (select value from json_each(${JSON.stringify(ids)}))`)
    .where('removed', '=', Number(!removed))
    .executeTakeFirstOrThrow()
  return Number(numUpdatedRows)
}

/** Removed pictures are gone for good. Gives how many. */
export async function clearPictures(db: Db): Promise<number> {
  const { numDeletedRows } = await db.deleteFrom('pictures').where('removed', '=', 1).executeTakeFirstOrThrow()
  return Number(numDeletedRows)
}

/** Drawings fit everywhere as they are: they have no sizes. */
export async function sizeDrawings(db: Db): Promise<void> {
  await db
    .updateTable('pictures')
    .set({ widths: '[]' })
    .where('widths', 'is', null)
    .where('mime', '=', 'image/svg+xml')
    .execute()
}

/** Ids of pictures whose sizes are not made yet. */
export async function unsizedPictures(db: Db): Promise<Id[]> {
  const rows = await db
    .selectFrom('pictures')
    .select('id')
    .where('widths', 'is', null)
    .where('hash', '!=', '')
    .where('removed', '=', 0)
    .execute()
  return rows.map((r) => r.id)
}

/** How many entries show each picture. */
export async function countPictureUses(db: Db): Promise<Map<Id, number>> {
  const uses = sql<number>`(select count(*) from entry_pictures where picture = pictures.id
    and entry not in (select entry from entry_facts where removed = 1))`
  const rows = await db
    .selectFrom('pictures')
    .select(['id', uses.as('uses')])
    .execute()
  return new Map(rows.map((r) => [r.id, r.uses]))
}

/** Puts in a picture with its file in the database; `FileStore` takes it from there at the next start. */
export async function writePictureBytes(db: Db, picture: Picture, mime: string, bytes: Buffer): Promise<void> {
  const { id, fileName, alt, width, height, caption = '' } = picture
  await db
    .insertInto('pictures')
    .values({ id, file_name: fileName, alt, caption, width, height, mime, bytes })
    .execute()
}

/** Pictures whose files stand in the database still, as older versions kept them. */
export async function readPictureBytes(db: Db): Promise<{ id: Id; bytes: Buffer } | undefined> {
  return db
    .selectFrom('pictures')
    .select(['id', 'bytes'])
    .where(sql<boolean>`length(bytes) > 0`)
    .limit(1)
    .executeTakeFirst()
}

export async function takePictureBytes(db: Db, id: Id, hash: string, size: number): Promise<void> {
  await db
    .updateTable('pictures')
    .set({ bytes: Buffer.alloc(0), hash, size })
    .where('id', '=', id)
    .execute()
}

/** A file that is no picture: a document, a sound, a film. */
export interface StoredFile {
  id: Id
  fileName: string
  mime: string
  hash: string
  size: number
  addedAt: number
  addedBy: string
  /** Of a document; null where it is not known. */
  pages: number | null
}

type FileRow = {
  id: string
  file_name: string
  mime: string
  hash: string
  size: number
  added_at: number
  added_by: string
  pages: number | null
}
const fileOf = ({ file_name, added_at, added_by, ...row }: FileRow): StoredFile => ({
  ...row,
  fileName: file_name,
  addedAt: added_at,
  addedBy: added_by,
})

export async function readFiles(db: Db): Promise<StoredFile[]> {
  const rows = await db.selectFrom('files').selectAll().where('removed', '=', 0).orderBy('added_at', 'desc').execute()
  return rows.map(({ removed: _, ...row }) => fileOf(row))
}

export async function readFile(db: Db, id: Id): Promise<StoredFile | null> {
  const row = await db.selectFrom('files').selectAll().where('id', '=', id).where('removed', '=', 0).executeTakeFirst()
  return row ? fileOf(row) : null
}

export async function writeFile(
  db: Db,
  { id, fileName, mime, hash, size, addedAt, addedBy, pages }: StoredFile,
): Promise<void> {
  const values = { file_name: fileName, mime, hash, size, added_at: addedAt, added_by: addedBy, pages }
  await db
    .insertInto('files')
    .values({ id, ...values })
    .onConflict((c) => c.column('id').doUpdateSet({ ...values, removed: 0 }))
    .execute()
}

export async function setFileRemoved(db: Db, id: Id, removed: boolean): Promise<boolean> {
  const { numUpdatedRows } = await db
    .updateTable('files')
    .set({ removed: Number(removed) })
    .where('id', '=', id)
    .executeTakeFirstOrThrow()
  return numUpdatedRows > 0n
}

export async function clearFiles(db: Db): Promise<number> {
  const { numDeletedRows } = await db.deleteFrom('files').where('removed', '=', 1).executeTakeFirstOrThrow()
  return Number(numDeletedRows)
}

/** The hashes of all files that something has, removed or not. */
export async function readHashes(db: Db): Promise<Set<string>> {
  const pictures = await db.selectFrom('pictures').select('hash').execute()
  const files = await db.selectFrom('files').select('hash').execute()
  return new Set([...pictures, ...files].map((r) => r.hash))
}
