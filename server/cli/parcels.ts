import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import type { Command } from 'commander'
import { Readable } from 'node:stream'
import { type ImportChoice, type ImportPlan, type Parcel, type ParcelPicture, withoutFiles } from '../../core/formats'
import { fail } from '../../core/problems'
import { counted } from '../../core/text'
import type { Media } from '../services/media'
import { withMedia } from './media'
import { CallError, say, withSite } from './site'

/** The commands that take a design to another site, or bring one in. */

const MOST_BYTES = 60_000_000
const BY = 'the command line'

/** Throws where a file cannot be written: there is no such folder, it is one itself, or it is there already. */
export function checkTarget(file: string, force: boolean | undefined): void {
  const folder = dirname(resolve(file))
  if (!existsSync(folder)) throw new CallError(`There is no folder ${folder}. Make it first; nothing was written.`)
  if (existsSync(file) && statSync(file).isDirectory()) throw new CallError(`${file} is a folder. Name a file in it.`)
  if (existsSync(file) && !force) throw new CallError(`${file} is there already. Write over it with --force.`)
}

interface ExportOptions {
  force?: boolean
  data?: string
  layout?: string[]
  alone?: boolean
}

async function exportParcel(file: string, options: ExportOptions): Promise<void> {
  checkTarget(file, options.force)
  await withSite(options.data, async (site) => {
    const chosen = options.layout && { layouts: options.layout, alone: options.alone ?? false }
    const parcel = await site.parcels.export(chosen)
    writeFileSync(file, JSON.stringify(parcel, null, 2) + '\n')
    say(
      chosen
        ? `${counted(parcel.layouts.length, 'layout')}, with all that they need, stand in ${file}.`
        : `${parcel.layouts.length} layouts, ${parcel.frames.length} frames and the house style stand in ${file}.`,
    )
  })
}

function readParcel(file: string): Parcel {
  if (!existsSync(file) || statSync(file).isDirectory())
    return fail('parcel-shape', { why: `there is no file ${file}` })
  if (statSync(file).size > MOST_BYTES) return fail('body-large', { most: '60 MB' })
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Parcel
  } catch (error) {
    if (error instanceof SyntaxError) {
      return fail('parcel-shape', { why: 'it is not readable JSON; it may have been cut off' })
    }
    throw error
  }
}

interface ImportOptions {
  preview?: boolean
  use?: string[]
  takeOut?: string[]
  create?: string[]
  createAll?: boolean
  data?: string
}

/** What to do about what does not fit, as the options say it; each must name something that the plan lists. */
function choicesOf(
  { unfit }: ImportPlan,
  { use = [], takeOut = [], create = [], createAll }: ImportOptions,
): Record<string, ImportChoice> {
  const known = new Map(unfit.map((u) => [u.key, u]))
  const choices: Record<string, ImportChoice> = {}
  const choose = (key: string, choice: ImportChoice) => {
    if (!known.has(key)) throw new CallError(`Nothing in this parcel is “${key}” and does not fit.`)
    if (choice.do === 'create' && !known.get(key)!.carried)
      throw new CallError(`The parcel does not carry “${key}”, so it cannot be created.`)
    choices[key] = choice
  }
  if (createAll) for (const { key, carried } of unfit) if (carried) choose(key, { do: 'create' })
  for (const key of create) choose(key.trim(), { do: 'create' })
  for (const text of use) {
    const at = text.indexOf('=')
    if (at < 0) throw new CallError("--use is written as 'menu rooms=main'.")
    choose(text.slice(0, at).trim(), { do: 'use', id: text.slice(at + 1).trim() })
  }
  for (const key of takeOut) choose(key.trim(), { do: 'drop' })
  return choices
}

/** Takes in the pictures that are not here, or are others here; gives what they are called, as choices. */
async function takePictures(
  media: Media,
  { items }: ImportPlan,
  pictures: readonly ParcelPicture[] = [],
): Promise<Record<string, ImportChoice>> {
  const choices: Record<string, ImportChoice> = {}
  const brought = new Set(items.filter((i) => i.what === 'picture' && i.state !== 'same').map((i) => i.id))
  for (const { id, bytes, fileName, alt, caption, focus } of pictures) {
    if (!bytes || !brought.has(id)) continue
    const stream = Readable.from([Buffer.from(bytes, 'base64')])
    const { picture } = await media.addPicture({ stream, name: fileName }, BY)
    if (picture.alt === '' && alt) await media.describe(picture.id, { alt, caption, focus: focus ?? null })
    choices[`picture ${id}`] = { do: 'use', id: picture.id }
  }
  return choices
}

async function importParcel(file: string, options: ImportOptions): Promise<void> {
  const whole = readParcel(file)
  const parcel = withoutFiles(whole)
  await withMedia(options.data, async (site) => {
    const plan = await site.parcels.plan(parcel)
    for (const item of plan.items)
      if (item.state !== 'same') say(`${item.state.padEnd(9)}${item.what.padEnd(9)}${item.name}`)
    for (const u of plan.unfit)
      say(
        `no such  ${u.kind.padEnd(9)}${u.id}${u.name && ` (${u.name})`}, named by ${u.users.map((x) => `${x.what} ${x.id}`).join(', ')}`,
      )
    const chosen = choicesOf(plan, options)
    if (options.preview) return say('Nothing was changed.')
    const choices = { ...(await takePictures(site.media, plan, whole.pictures)), ...chosen }
    const taken = await site.parcels.import({ parcel, choices }, BY)
    const n = taken.items.length
    say(`${counted(n, 'thing was', 'things were')} taken into the draft. Visitors see them after the next release.`)
  })
}

const listed = (value: string, before: string[] = []): string[] => [...before, value]

export function parcelCommands(program: Command): void {
  program
    .command('export-parcel')
    .description("the draft's layouts, frames and house style as one JSON document")
    .argument('<file>', 'where to write it')
    .option('--force', 'write over a file that is there')
    .option('--layout <id>', 'only this layout with all that it needs, as often as there are some', listed)
    .option('--alone', 'variations come standing alone, without what they follow')
    .action((file: string, _: unknown, command: Command) => exportParcel(file, command.opts()))
  program
    .command('import-parcel')
    .description('takes such a document into the draft')
    .argument('<file>', 'what to read')
    .option('--preview', 'only says what it would do')
    .option('--create <kind id>', 'creates what does not fit, as the parcel carries it, as often as needed', listed)
    .option('--create-all', 'creates all that the parcel carries and this site lacks')
    .option('--use <kind id=here>', 'uses something of this site for what does not fit, as often as needed', listed)
    .option('--take-out <kind id>', 'takes out what does not fit; the rest is kept and does nothing yet', listed)
    .action((file: string, _: unknown, command: Command) => importParcel(file, command.opts()))
}
