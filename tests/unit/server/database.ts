import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Database, openDatabase } from '../../../server/database/open'

/** A real database file in a folder of its own, for the length of a test file. */
export function freshDatabase(): { db(): Database; folder: string } {
  const folder = mkdtempSync(join(tmpdir(), 'outer-frame-db-'))
  let opened: Database
  beforeAll(async () => {
    opened = await openDatabase(folder)
  })
  afterAll(async () => {
    await opened.destroy()
    rmSync(folder, { recursive: true, force: true })
  })
  return { db: () => opened, folder }
}
