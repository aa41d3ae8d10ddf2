import { existsSync } from 'node:fs'
import { copyFile, mkdir, readFile, readdir, rename, rm, writeFile } from 'node:fs/promises'
import { dirname, join, relative } from 'node:path'
import Sqlite from 'better-sqlite3'
import { StartError } from './open'

/**
 * A backup is one file: the database, copied while the server may be running, with the files and the secrets of the
 * data folder in a table of their own. Whoever has it has all of the site, so it is kept as safe as the folder.
 */

const DATABASE = 'outer-frame.sqlite'
const FOLDER = 'files'
/** What visitors sent; its names in a backup begin with its own. */
const SENT = 'sent'
const TABLE = 'backed_up_files'
/** What the server seals links, codes and passwords of others with: without it no link that was mailed is answered. */
const SECRETS = 'secrets.json'
/** Files have names made of the hash of what is in them, and of a width and a kind. */
const NAME = /^(sent\/)?[0-9a-f]{2}\/[0-9a-f]{64}(-\d{1,5}\.[a-z]{3,4})?$/

async function filesBelow(folder: string, at = folder): Promise<string[]> {
  if (!existsSync(at)) return []
  const found = await readdir(at, { withFileTypes: true })
  const parts = await Promise.all(
    found.map((f) => (f.isDirectory() ? filesBelow(folder, join(at, f.name)) : [relative(folder, join(at, f.name))])),
  )
  return parts.flat().filter((name) => NAME.test(name))
}

/** Where a file lies in a data folder, by its name in a backup. */
const pathOf = (data: string, name: string): string =>
  join(data, name === SECRETS || name.startsWith(`${SENT}/`) ? '' : FOLDER, name)

/** Copies the files and the secrets of a data folder into another; gives how many files there are. */
export async function copyFiles(data: string, target: string): Promise<number> {
  let count = 0
  for (const part of [FOLDER, SENT]) {
    for (const name of await filesBelow(join(data, part))) {
      const path = join(target, part, name)
      await mkdir(dirname(path), { recursive: true, mode: 0o700 })
      await copyFile(join(data, part, name), path)
      count++
    }
  }
  if (existsSync(join(data, SECRETS))) await copyFile(join(data, SECRETS), join(target, SECRETS))
  return count
}

/** Writes a backup of a data folder; gives how many files are in it. Nothing stands at `target` unless all of it does. */
export async function writeBackup(data: string, target: string): Promise<number> {
  const coming = `${target}.coming`
  await rm(coming, { force: true })
  const from = new Sqlite(join(data, DATABASE), { readonly: true })
  try {
    await from.backup(coming)
  } finally {
    from.close()
  }
  const to = new Sqlite(coming)
  try {
    to.pragma('journal_mode = DELETE')
    to.exec(`create table ${TABLE} (name text primary key, bytes blob not null)`)
    const insert = to.prepare(`insert into ${TABLE} values (?, ?)`)
    const sent = (await filesBelow(join(data, SENT))).map((name) => `${SENT}/${name}`)
    const names = [...(await filesBelow(join(data, FOLDER))), ...sent]
    for (const name of names) insert.run(name, await readFile(pathOf(data, name)))
    if (existsSync(join(data, SECRETS))) insert.run(SECRETS, await readFile(join(data, SECRETS)))
    to.close()
    await rename(coming, target)
    return names.length
  } catch (error) {
    if (to.open) to.close()
    await rm(coming, { force: true })
    throw error
  }
}

/**
 * Makes a data folder of a backup; gives how many files it has. Refused where there is a site already, and for what is
 * no backup or a damaged one; nothing is left then.
 */
export async function restoreBackup(file: string, data: string): Promise<number> {
  const database = join(data, DATABASE)
  if (existsSync(database)) throw new StartError(`There is a site in ${data} already. Name a new folder with --data.`)
  if (!existsSync(file)) throw new StartError(`There is no file ${file}.`)
  await mkdir(data, { recursive: true, mode: 0o700 })
  const coming = `${database}.coming`
  await copyFile(file, coming)
  try {
    const count = await unpack(coming, data, file)
    await rename(coming, database)
    return count
  } catch (error) {
    await rm(coming, { force: true })
    throw error
  }
}

async function unpack(database: string, data: string, named: string): Promise<number> {
  const db = openBackup(database, named)
  try {
    let count = 0
    for (const { name, bytes } of db.prepare(`select name, bytes from ${TABLE}`).iterate() as Iterable<{
      name: string
      bytes: Buffer
    }>) {
      // Whatever a file says of itself, nothing is written anywhere else.
      if (name !== SECRETS && !NAME.test(name)) continue
      const path = pathOf(data, name)
      await mkdir(dirname(path), { recursive: true, mode: 0o700 })
      await writeFile(path, bytes, { mode: 0o600 })
      if (name !== SECRETS) count++
    }
    db.exec(`drop table ${TABLE}`)
    // The files lie in the folder now; their space in the database is given back.
    db.exec('vacuum')
    return count
  } finally {
    db.close()
  }
}

function openBackup(database: string, named: string): Sqlite.Database {
  const refuse = (why: string) => new StartError(`${named} cannot be restored: ${why}. Nothing was changed.`)
  const db = new Sqlite(database)
  try {
    const sound = db.pragma('integrity_check', { simple: true })
    if (sound !== 'ok') throw refuse(`it is damaged (${String(sound).split('\n')[0]})`)
    const tables = db.prepare("select name from sqlite_master where type = 'table'").pluck().all() as string[]
    if (!tables.includes(TABLE) || !tables.includes('site')) throw refuse('it is no backup of a site')
    return db
  } catch (error) {
    db.close()
    if (error instanceof StartError) throw error
    throw refuse('it is no backup, or a damaged one')
  }
}
