import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import type { Command } from 'commander'
import type { Choice, ImportPlan, Parcel } from '../../core/formats'
import { fail } from '../../core/problems'
import { counted } from '../../core/words'
import { CallError, say, withSite } from './site'

/** The commands that take a design to another site, or bring one in. */

const MOST_BYTES = 20_000_000

/** Throws where a file cannot be written: there is no such folder, it is one itself, or it is there already. */
export function checkTarget(file: string, force: boolean | undefined): void {
  const folder = dirname(resolve(file))
  if (!existsSync(folder)) throw new CallError(`There is no folder ${folder}. Make it first; nothing was written.`)
  if (existsSync(file) && statSync(file).isDirectory()) throw new CallError(`${file} is a folder. Name a file in it.`)
  if (existsSync(file) && !force) throw new CallError(`${file} is there already. Write over it with --force.`)
}

async function exportParcel(file: string, options: { force?: boolean; data?: string }): Promise<void> {
  checkTarget(file, options.force)
  await withSite(options.data, async (site) => {
    const parcel = await site.parcels.export()
    writeFileSync(file, JSON.stringify(parcel, null, 2) + '\n')
    say(`${parcel.layouts.length} layouts, ${parcel.frames.length} frames and the house style stand in ${file}.`)
  })
}

function readParcel(file: string): Parcel {
  if (!existsSync(file) || statSync(file).isDirectory())
    return fail('parcel-shape', { why: `there is no file ${file}` })
  if (statSync(file).size > MOST_BYTES) return fail('body-large', { most: '20 MB' })
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
  data?: string
}

/** What to do about what does not fit, as the options say it; each must name something that the plan lists. */
function choicesOf({ unfit }: ImportPlan, { use = [], takeOut = [] }: ImportOptions): Record<string, Choice> {
  const known = new Set(unfit.map((u) => u.key))
  const choices: Record<string, Choice> = {}
  const choose = (key: string, choice: Choice) => {
    if (!known.has(key)) throw new CallError(`Nothing in this parcel is “${key}” and does not fit.`)
    choices[key] = choice
  }
  for (const text of use) {
    const at = text.indexOf('=')
    if (at < 0) throw new CallError("--use is written as 'menu rooms=main'.")
    choose(text.slice(0, at).trim(), { do: 'use', id: text.slice(at + 1).trim() })
  }
  for (const key of takeOut) choose(key.trim(), { do: 'drop' })
  return choices
}

async function importParcel(file: string, options: ImportOptions): Promise<void> {
  const parcel = readParcel(file)
  await withSite(options.data, async (site) => {
    const plan = await site.parcels.plan(parcel)
    for (const item of plan.items)
      if (item.state !== 'same') say(`${item.state.padEnd(9)}${item.what.padEnd(8)}${item.name}`)
    for (const u of plan.unfit)
      say(`no such  ${u.kind.padEnd(9)}${u.id}, named by ${u.users.map((x) => `${x.what} ${x.id}`).join(', ')}`)
    const choices = choicesOf(plan, options)
    if (options.preview) return say('Nothing was changed.')
    const taken = await site.parcels.import({ parcel, choices }, 'the command line')
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
    .action((file: string, _: unknown, command: Command) => exportParcel(file, command.optsWithGlobals()))
  program
    .command('import-parcel')
    .description('takes such a document into the draft')
    .argument('<file>', 'what to read')
    .option('--preview', 'only says what it would do')
    .option('--use <kind id=here>', 'uses something of this site for what does not fit, as often as needed', listed)
    .option('--take-out <kind id>', 'takes out what does not fit; the rest is kept and does nothing yet', listed)
    .action((file: string, _: unknown, command: Command) => importParcel(file, command.optsWithGlobals()))
}
