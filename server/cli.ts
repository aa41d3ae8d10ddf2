import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import Papa from 'papaparse'
import type { Choice, ImportPlan, Parcel } from '../core/formats'
import { CompiledRules, type Design, frameName, namesFrom, rulesOf, shownAt, deciderAt, tabulate } from '../core/frames'
import { REGIONS } from '../core/layouts'
import { ProblemError, fail } from '../core/problems'
import { PLAIN_HOUSE } from '../core/styles'
import type { WhyAnswer } from '../shared/api/types'
import { StartError, openDatabase } from './database/open'
import { readAsking } from './services/asking'
import { Content } from './services/content'
import { Draft } from './services/draft'
import { explain, pageFor } from './services/explain'
import { Parcels } from './services/parcels'
import { Releases } from './services/release'

/** The command `outer-frame`: the same core over the same database, without a server. */

const HELP = `outer-frame COMMAND [options]

  why ADDRESS                 why a page shows what it shows
      --role R --device D --at TIME --signed-in   who asks, and when
      --draft                 under the draft instead of the release
      --json                  as JSON
  map --json | --csv          what every region of every page shows, and by which frame
      --draft, --role, --device, --at, --signed-in   as above
  export-parcel FILE          the draft's layouts, frames and house style as one JSON document
  import-parcel FILE          takes such a document into the draft
      --preview               only says what it would do
      --use 'KIND ID=HERE'    uses something of this site for what does not fit, as often as needed
      --take-out 'KIND ID'    takes out what does not fit; the rest is kept and does nothing yet

  --data DIR                  the data folder (OUTER_FRAME_DATA, else .data/demo, else .data)
`

const OPTIONS = {
  role: { type: 'string' },
  device: { type: 'string' },
  at: { type: 'string' },
  'signed-in': { type: 'boolean' },
  draft: { type: 'boolean' },
  json: { type: 'boolean' },
  csv: { type: 'boolean' },
  preview: { type: 'boolean' },
  use: { type: 'string', multiple: true },
  'take-out': { type: 'string', multiple: true },
  data: { type: 'string' },
  help: { type: 'boolean' },
} as const

type Values = ReturnType<typeof parseArgs<{ options: typeof OPTIONS; allowPositionals: true }>>['values']

interface Site {
  content: Content
  draft: Draft
  releases: Releases
  parcels: Parcels
}

const say = (text: string): void => void process.stdout.write(text + '\n')

function folderOf(values: Values): string {
  const named = values.data ?? process.env.OUTER_FRAME_DATA
  const folder = resolve(named ?? (existsSync('.data/demo') ? '.data/demo' : '.data'))
  if (!existsSync(join(folder, 'outer-frame.sqlite'))) {
    throw new StartError(`There is no site in ${folder}. Name its data folder with --data.`)
  }
  return folder
}

async function designFor(site: Site, values: Values): Promise<{ design: Design; name: WhyAnswer['design'] }> {
  if (values.draft) return { design: await site.draft.design(), name: 'draft' }
  const released = await site.releases.latestDesign()
  return { design: released ?? { format: 1, layouts: [], frames: [], house: PLAIN_HOUSE }, name: 'released' }
}

function whyText(why: WhyAnswer): string {
  const lines = [`${why.page.title}  ${why.page.address || '(not found)'}  [${why.design}]`]
  for (const region of REGIONS) {
    const { says, by, losers } = why.regions[region]
    lines.push(`${region.padEnd(8)}${says}${by ? `, set by ${by.name}` : ', no frame has a say'}`)
    for (const l of losers) lines.push(`${' '.repeat(10)}not ${l.name}: ${l.why}`)
  }
  for (const n of why.near) lines.push(`nearly  ${n.name}: ${n.why}`)
  return lines.join('\n')
}

const asked = (values: Values) => ({
  role: values.role,
  device: values.device,
  at: values.at,
  ...(values['signed-in'] !== undefined && { signedIn: String(values['signed-in']) }),
})

async function why(site: Site, [address]: string[], values: Values): Promise<void> {
  if (!address) fail('input-wrong', { why: 'Say which page: outer-frame why /visit' })
  const { catalogue } = site.content
  const { page, parameters } = pageFor(catalogue, address!)
  const { design, name } = await designFor(site, values)
  const answer = explain(design, name, catalogue, page, readAsking(asked(values), parameters))
  say(values.json ? JSON.stringify(answer, null, 2) : whyText(answer))
}

async function map(site: Site, _: string[], values: Values): Promise<void> {
  if (!values.json && !values.csv) fail('input-wrong', { why: 'Say how to write it: --json or --csv' })
  const { catalogue } = site.content
  const { design } = await designFor(site, values)
  const names = namesFrom(catalogue)
  const layouts = new Map(design.layouts.map((l) => [l.id, l.name]))
  const frames = new Map(design.frames.map((f) => [f.id, frameName(f, names)]))
  const table = tabulate(new CompiledRules(rulesOf(design), catalogue), readAsking(asked(values), {}))
  const rows = catalogue.pages.map((page, i) => {
    const cells = REGIONS.flatMap((region, r) => {
      const shown = shownAt(table, i, r)
      const decider = deciderAt(table, i, r)
      const says = shown.kind === 'layout' ? (layouts.get(shown.layout) ?? shown.layout) : shown.kind
      return [
        [region, says],
        [`${region} by`, decider ? (frames.get(decider) ?? decider) : ''],
      ] as [string, string][]
    })
    return Object.fromEntries([['address', page.address], ['page', page.title], ['kind', page.kind], ...cells])
  })
  say(values.csv ? Papa.unparse(rows, { escapeFormulae: true }) : JSON.stringify(rows, null, 2))
}

async function exportParcel(site: Site, [file]: string[]): Promise<void> {
  if (!file) fail('input-wrong', { why: 'Say where to: outer-frame export-parcel site.parcel.json' })
  const parcel = await site.parcels.export()
  writeFileSync(file!, JSON.stringify(parcel, null, 2) + '\n')
  say(`${parcel.layouts.length} layouts, ${parcel.frames.length} frames and the house style stand in ${file}.`)
}

const MOST_BYTES = 20_000_000

function readParcel(file: string | undefined): Parcel {
  if (!file) return fail('input-wrong', { why: 'Say which file: outer-frame import-parcel site.parcel.json' })
  if (!existsSync(file)) return fail('parcel-shape', { why: `there is no file ${file}` })
  if (statSync(file).size > MOST_BYTES) return fail('body-large', { most: '20 MB' })
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Parcel
  } catch {
    return fail('parcel-shape', { why: 'it is not readable JSON; it may have been cut off' })
  }
}

/** What to do about what does not fit, as the options say it; each must name something that the plan lists. */
function choicesOf({ unfit }: ImportPlan, values: Values): Record<string, Choice> {
  const known = new Set(unfit.map((u) => u.key))
  const choices: Record<string, Choice> = {}
  const choose = (key: string, choice: Choice) => {
    if (!known.has(key)) fail('input-wrong', { why: `Nothing in this parcel is “${key}” and does not fit` })
    choices[key] = choice
  }
  for (const text of values.use ?? []) {
    const at = text.indexOf('=')
    if (at < 0) fail('input-wrong', { why: "--use is written as 'menu rooms=main'" })
    choose(text.slice(0, at).trim(), { do: 'use', id: text.slice(at + 1).trim() })
  }
  for (const key of values['take-out'] ?? []) choose(key.trim(), { do: 'drop' })
  return choices
}

async function importParcel(site: Site, [file]: string[], values: Values): Promise<void> {
  const parcel = readParcel(file)
  const plan = await site.parcels.plan(parcel)
  for (const item of plan.items)
    if (item.state !== 'same') say(`${item.state.padEnd(9)}${item.what.padEnd(8)}${item.name}`)
  for (const u of plan.unfit)
    say(`no such  ${u.kind.padEnd(9)}${u.id}, named by ${u.users.map((x) => `${x.what} ${x.id}`).join(', ')}`)
  if (values.preview) return say('Nothing was changed.')
  const taken = await site.parcels.import(
    { parcel, choices: choicesOf(plan, values), leaveOut: [] },
    'the command line',
  )
  const n = taken.items.length
  say(`${n} ${n === 1 ? 'thing was' : 'things were'} taken into the draft. Visitors see them after the next release.`)
}

const COMMANDS: Record<string, (site: Site, rest: string[], values: Values) => Promise<void>> = {
  why,
  map,
  'export-parcel': exportParcel,
  'import-parcel': importParcel,
}

async function run(): Promise<void> {
  const { values, positionals } = parseArgs({ options: OPTIONS, allowPositionals: true })
  const [name = '', ...rest] = positionals
  const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined
  if (values.help || !command) {
    say(HELP)
    if (!values.help && name) fail('input-wrong', { why: `There is no command called ${name}` })
    return
  }
  const db = await openDatabase(folderOf(values))
  try {
    const content = new Content(db)
    await content.reload()
    const draft = new Draft(db)
    const releases = new Releases(db, draft, () => content.catalogue)
    await command({ content, draft, releases, parcels: new Parcels(db, draft, () => content.catalogue) }, rest, values)
  } finally {
    await db.destroy()
  }
}

run().catch((error: unknown) => {
  const known =
    error instanceof ProblemError ||
    error instanceof StartError ||
    (error as { code?: string }).code?.startsWith('ERR_PARSE_ARGS')
  process.stderr.write(`${known ? (error as Error).message : ((error as Error).stack ?? String(error))}\n`)
  process.exitCode = 1
})
