import { createReadStream, existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { basename, join, resolve } from 'node:path'
import { Readable } from 'node:stream'
import { type Zippable, zipSync } from 'fflate'
import type { Command } from 'commander'
import { type ColumnWay, guessTargets } from '../../core/importing'
import { counted } from '../../core/text'
import type { BringInput } from '../../shared/api/types'
import { restoreBackup, writeBackup } from '../database/backup'
import { EXPORTS, Export, type ExportFormat } from '../services/export'
import type { Sent } from '../services/media'
import { checkTarget } from './parcels'
import { withMedia } from './media'
import { CallError, folderOf, say } from './site'

/** The commands that bring content along, take it out, and keep a copy of everything. */

interface ImportOptions {
  data?: string
  type?: string
  new?: string
  column?: string[]
  publish?: boolean
  encoding?: string
  dry?: boolean
  way?: string[]
}

/** `--column "Headline=title"`: what a column is, where its name does not say it. */
function namedColumns(given: readonly string[]): Record<string, string> {
  return Object.fromEntries(
    given.map((one) => {
      const at = one.lastIndexOf('=')
      if (at < 1) throw new CallError(`A column is given as "Headline=title"; ${one} is not.`)
      return [one.slice(0, at), one.slice(at + 1)]
    }),
  )
}

const WAYS: readonly string[] = ['day-first', 'month-first', 'point', 'comma']

/** `--way "Price=comma"`: how a column is written that can be read in two ways. */
function namedWays(given: readonly string[]): Record<string, ColumnWay> {
  const ways = namedColumns(given)
  const wrong = Object.values(ways).find((way) => !WAYS.includes(way))
  if (wrong !== undefined) throw new CallError(`A way is one of ${WAYS.join(', ')}; ${wrong} is not.`)
  return ways as Record<string, ColumnWay>
}

/** A file as it is, or a folder as a zip of all that lies in it. */
function sentFrom(path: string): Sent {
  if (!statSync(path).isDirectory())
    return { stream: createReadStream(path), name: basename(path), bytes: statSync(path).size }
  const files: Zippable = {}
  for (const name of readdirSync(path, { recursive: true, encoding: 'utf8' })) {
    const own = join(path, name)
    if (statSync(own).isFile()) files[name.replaceAll('\\', '/')] = [readFileSync(own), { level: 1 }]
  }
  return { stream: Readable.from([Buffer.from(zipSync(files))]), name: `${basename(path)}.zip` }
}

async function importContent(file: string, options: ImportOptions): Promise<void> {
  if (!existsSync(file)) throw new CallError(`There is no file ${file}.`)
  if (!options.type === !options.new)
    throw new CallError('Say of which page type with --type ID, or make one with --new NAME.')
  await withMedia(options.data, async ({ bring, content }) => {
    const sent = sentFrom(file)
    const sheet = await bring.receive(sent, options.encoding)
    const { types, site } = content.catalogue
    const type = options.type ? (types.get(options.type) ?? null) : null
    if (options.type && !type)
      throw new CallError(`There is no page type ${options.type}; there are ${[...types.keys()].join(', ')}.`)
    const guessed = guessTargets(sheet.columns, type, site.taxonomies)
    if (!type) for (const column of sheet.columns) guessed[column] ||= `new:${sheet.kinds[column] ?? 'text'}`
    const columns = { ...guessed, ...namedColumns(options.column ?? []) }
    const plan: BringInput = {
      type: type ? { kind: 'there', id: type.id } : { kind: 'new', name: options.new!, plural: `${options.new!}s` },
      columns,
      published: options.publish ?? false,
      make: true,
      ways: namedWays(options.way ?? []),
    }
    const unknown = Object.keys(plan.ways ?? {}).find((column) => !sheet.columns.includes(column))
    if (unknown !== undefined) throw new CallError(`The file has no column ${unknown}.`)
    const strange = Object.keys(namedColumns(options.column ?? [])).find((column) => !sheet.columns.includes(column))
    if (strange !== undefined) throw new CallError(`The file has no column ${strange}.`)
    const { questions } = await bring.preview(sheet.id, plan)
    for (const { column, way, examples } of questions)
      say(
        `${column} can be read in two ways (${examples.join(', ')}); it is read ${way}. Say otherwise with --way "${column}=...".`,
      )
    for (const [column, target] of Object.entries(columns)) say(`${column.padEnd(24)}${target || 'left out'}`)
    if (options.dry) {
      const seen = await bring.preview(sheet.id, plan)
      say(
        `${counted(seen.fresh, 'new entry', 'new entries')}, ${counted(seen.replaced, 'entry', 'entries')} changed, ${seen.same} as before. Nothing was stored.`,
      )
      for (const { row, why } of seen.problems) say(`Row ${row}: ${why}`)
      return
    }
    const { id } = await bring.run(sheet.id, plan, 'the command line')
    await bring.settled()
    const done = (await bring.list()).find((i) => i.id === id)!
    for (const { row, why } of done.problems) say(`Row ${row}: ${why}`)
    say(
      `${counted(done.made, 'new entry', 'new entries')}, ${counted(done.replaced, 'entry', 'entries')} brought up to date.`,
    )
  })
}

async function exportContent(
  file: string,
  options: { data?: string; type?: string; format?: string; force?: boolean },
): Promise<void> {
  checkTarget(file, options.force)
  const format = options.format ?? 'csv'
  if (!EXPORTS.includes(format as ExportFormat)) throw new CallError(`A format is one of ${EXPORTS.join(', ')}.`)
  if (!options.type) throw new CallError('Say of which page type with --type ID.')
  await withMedia(options.data, async ({ content, media }) => {
    const { bytes } = await new Export(content, media).make(options.type!, format as ExportFormat)
    writeFileSync(file, bytes)
    say(`${file} has ${bytes.length.toLocaleString('en')} bytes.`)
  })
}

async function backup(file: string, options: { data?: string; force?: boolean }): Promise<void> {
  checkTarget(file, options.force)
  const count = await writeBackup(folderOf(options.data), file)
  say(`The database and ${counted(count, 'file')} stand in ${file}.`)
}

async function restore(file: string, options: { data?: string }): Promise<void> {
  if (!options.data) throw new CallError('Say into which new folder with --data FOLDER.')
  const count = await restoreBackup(file, resolve(options.data))
  say(`The site stands in ${options.data}, with ${counted(count, 'file')}. Start it with --data ${options.data}.`)
}

export function contentCommands(program: Command): void {
  program
    .command('import-content <file>')
    .description('brings content along: CSV, TSV, JSON lines, Markdown, Atom, RSS, or a zip or folder of them')
    .option('--type <id>', 'the page type whose entries the rows become')
    .option('--new <name>', 'makes a page type of the columns')
    .option('--column <column=target...>', 'what a column is: title, content, field:ID, terms:ID, new:KIND')
    .option('--way <column=way...>', 'how a column is written: day-first, month-first, point, comma')
    .option('--publish', 'new entries are published at once')
    .option('--encoding <name>', 'in which the file is written, where it does not say')
    .option('--dry', 'only says what it would come to')
    .action(importContent)
  program
    .command('export-content <file>')
    .description('takes the entries of a page type out')
    .option('--type <id>', 'the page type')
    .option('--format <format>', EXPORTS.join(', '))
    .option('--force', 'writes over a file that is there')
    .action(exportContent)
  program
    .command('backup <file>')
    .description('keeps the database and all files in one file; the server may be running')
    .option('--force', 'writes over a file that is there')
    .action(backup)
  program.command('restore <file>').description('makes a new data folder of a backup').action(restore)
}
