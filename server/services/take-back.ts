import { type PlainEdit, refusePlainEdit } from '../../core/edits'
import { ProblemError } from '../../core/problems'
import type { Id, Structure } from '../../core/model'
import { touchContent } from '../database/content'
import { readEntriesBy, readState, setEntryRemoved, updateEntry } from '../database/entries'
import { noteImport, readImportStructure, readImported } from '../database/imports'
import type { Database } from '../database/open'
import { makeEdit } from './editing'
import { STRUCTURE, STRUCTURE_ID } from './kept'
import { log } from './log'
import { takeTurns } from './turns'

/** Entries taken back in one go: visitors are answered in between. */
const AT_ONCE = 25

type Imported = Awaited<ReturnType<typeof readImported>>

/**
 * Takes a whole import back: what it made goes to Removed, what it changed is as it was before, unless somebody has
 * stored it since; what was made of the structure for it goes, unless something else has come to need it.
 */
export async function takeBack(db: Database, id: Id, by: string, changed: () => Promise<void>): Promise<void> {
  const stored = await readImported(db, id)
  for (let i = 0; i < stored.length; i += AT_ONCE) {
    await takeBackEntries(db, stored.slice(i, i + AT_ONCE), by)
    await changed()
  }
  await takeBackStructure(db, id, by)
  await noteImport(db, id, { state: 'undone' })
  await changed()
}

async function takeBackEntries(db: Database, part: Imported, by: string): Promise<void> {
  const ids = part.map((p) => p.entry)
  const turn = takeTurns()
  await db.transaction().execute(async (trx) => {
    const now = new Map((await readEntriesBy(trx, ids)).map((s) => [s.entry.id, s]))
    for (const { entry, before, after } of part) {
      await turn()
      const is = now.get(entry)
      if (!is || is.revision !== after) continue
      const was = before === null ? null : await readState(trx, entry, before)
      if (before === null) await setEntryRemoved(trx, entry, true, by)
      else if (was) await updateEntry(trx, { entry: was, revision: after + 1 }, by)
    }
    await touchContent(trx, ids)
  })
}

async function takeBackStructure(db: Database, id: Id, by: string): Promise<void> {
  const edit = await readImportStructure(db, id)
  if (edit === null) return
  const spoilt = refusePlainEdit(edit)
  if (spoilt) return log('warn', 'import-structure-spoilt', { import: id, why: spoilt.sentence })
  await db
    .transaction()
    .execute((trx) => makeEdit<Structure, PlainEdit>(trx, STRUCTURE, STRUCTURE_ID, edit as PlainEdit, by))
    .catch((error: unknown) => {
      if (!(error instanceof ProblemError)) throw error
      log('info', 'import-structure-stays', { import: id, why: error.problem.sentence })
    })
}
