import type { Transaction } from 'kysely'
import type { Spoilt } from '../../core/documents'
import type { Design, Frame } from '../../core/frames'
import type { Menu } from '../../core/site'
import type { LayoutDocument } from '../../core/tree'
import { isRecord } from '../../core/shape'
import { type HouseStyle, PLAIN_HOUSE } from '../../core/styles'
import type { Change, ReleaseNote } from '../../shared/api/types'
import type { Database } from './open'
import type { Tables } from './schema'
import { readSound, readSoundList } from './sound'

type Db = Database | Transaction<Tables>

type NoteRow = { number: number; note: string; changes: string; at: number; by: string; pages: number | null }

/** What a release changed is told to people alone; where it cannot be read there is nothing to tell. */
export function readChanges(text: string): Change[] {
  try {
    const read: unknown = JSON.parse(text)
    return Array.isArray(read) ? (read as Change[]) : []
  } catch (error) {
    if (error instanceof SyntaxError) return []
    throw error
  }
}

const noteOf = ({ number, note, changes, at, by, pages }: NoteRow): ReleaseNote => ({
  number,
  note,
  changes: readChanges(changes),
  at,
  by,
  pages,
})

/** A release as it was frozen, without what in it is spoilt. */
export interface StoredRelease extends ReleaseNote {
  design: Design
  spoilt: Spoilt[]
}

function stored(row: NoteRow & { design: string }): StoredRelease {
  const spoilt: Spoilt[] = []
  return { ...noteOf(row), design: readDesign(row.design, spoilt), spoilt }
}

/** A design as it was stored whole, without what of it is spoilt. */
export function readDesign(text: string, spoilt: Spoilt[]): Design {
  const part = readParts(text)
  return {
    format: 1,
    layouts: readSoundList<LayoutDocument>('layout', part('layouts'), spoilt),
    frames: readSoundList<Frame>('frame', part('frames'), spoilt),
    house: readSound<HouseStyle>('house', 'house', part('house'), spoilt) ?? PLAIN_HOUSE,
    // Earlier releases go by the menus of the site.
    ...(part('menus') !== 'null' && { menus: readSoundList<Menu>('menu', part('menus'), spoilt) }),
  }
}

/** The parts of a design as texts of their own; what is not there reads as nothing. */
function readParts(text: string): (name: string) => string {
  let whole: unknown
  try {
    whole = JSON.parse(text)
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
  }
  return (name) => JSON.stringify(isRecord(whole) ? (whole[name] ?? null) : null)
}

/** The newest release with its whole design, or null before the first. */
export async function readLatestRelease(db: Db): Promise<StoredRelease | null> {
  const row = await db.selectFrom('releases').selectAll().orderBy('number', 'desc').limit(1).executeTakeFirst()
  return row ? stored(row) : null
}

/** The release before a number, or null when it is the first. */
export async function readReleaseBefore(db: Db, number: number): Promise<StoredRelease | null> {
  const row = await db
    .selectFrom('releases')
    .selectAll()
    .where('number', '<', number)
    .orderBy('number', 'desc')
    .limit(1)
    .executeTakeFirst()
  return row ? stored(row) : null
}

/** A release by its number, or null when there is none. */
export async function readRelease(db: Db, number: number): Promise<StoredRelease | null> {
  const row = await db.selectFrom('releases').selectAll().where('number', '=', number).executeTakeFirst()
  return row ? stored(row) : null
}

/** Notes of the releases, newest first. */
export async function readReleases(db: Db, most = 100): Promise<ReleaseNote[]> {
  const rows = await db
    .selectFrom('releases')
    .select(['number', 'note', 'changes', 'at', 'by', 'pages'])
    .orderBy('number', 'desc')
    .limit(most)
    .execute()
  return rows.map(noteOf)
}

export async function insertRelease(
  db: Db,
  design: Design,
  changes: Change[],
  note: string,
  by: string,
  pages: number | null,
): Promise<ReleaseNote> {
  const at = Date.now()
  const row = await db
    .insertInto('releases')
    .values({
      format: design.format,
      design: JSON.stringify(design),
      note,
      changes: JSON.stringify(changes),
      at,
      by,
      pages,
    })
    .returning('number')
    .executeTakeFirstOrThrow()
  return { number: row.number, note, changes, at, by, pages }
}
