import { type Command, Option } from 'commander'
import Papa from 'papaparse'
import { CompiledRules, deciderAt, frameName, rulesOf, shownAt, tabulate } from '../../core/rules'
import { namesFrom } from '../../core/targets'
import { REGIONS } from '../../core/tree'
import { readParameters } from '../../core/addresses'
import type { WhyAnswer } from '../../shared/api/types'
import { explain, pageFor } from '../services/explain'
import { type AskingOptions, askingText, requestOf, withAsking } from './asking'
import { designFor, say, withSite } from './site'

/** The commands that say what shows where, and why. */

function whyText(why: WhyAnswer, timeZone: string): string {
  const lines = [
    `${why.page.title}  ${why.page.address || '(not found)'}  [${why.design}]`,
    askingText(why.request, timeZone),
  ]
  for (const region of REGIONS) {
    const { says, by, candidates } = why.regions[region]
    lines.push(`${region.padEnd(8)}${says}${by ? `, set by ${by.name}` : ', no frame has a say'}`)
    for (const c of candidates) if (c.rule !== null) lines.push(`${' '.repeat(10)}not ${c.name}: ${c.why}`)
  }
  for (const n of why.near) lines.push(`nearly  ${n.name}: ${n.why}`)
  return lines.join('\n')
}

async function why(address: string, options: AskingOptions & { json?: boolean }): Promise<void> {
  await withSite(options.data, async (site) => {
    const { catalogue } = site.content
    const { page, parameters } = pageFor(catalogue, address)
    const { design, name } = await designFor(site, options.draft)
    const answer = explain(design, name, catalogue, page, requestOf(site, options, parameters))
    say(options.json ? JSON.stringify(answer, null, 2) : whyText(answer, catalogue.site.settings.timeZone))
  })
}

type MapOptions = AskingOptions & { json?: boolean; csv?: boolean; parameters?: string }

async function map(options: MapOptions): Promise<void> {
  await withSite(options.data, async (site) => {
    const { design } = await designFor(site, options.draft)
    const request = requestOf(site, options, readParameters((options.parameters ?? '').replace(/^\?/, '')))
    const catalogue = site.content.catalogue.asAt(request.at)
    const names = namesFrom(catalogue)
    const layouts = new Map(design.layouts.map((l) => [l.id, l.name]))
    const frames = new Map(design.frames.map((f) => [f.id, frameName(f, names)]))
    const table = tabulate(new CompiledRules(rulesOf(design), catalogue), request)
    const rows = catalogue.pages.map((page, i) => {
      const cells = REGIONS.flatMap((region, r) => {
        const shown = shownAt(table, i, r)
        const by = deciderAt(table, i, r) ?? ''
        const layout = shown.kind === 'layout' ? shown.layout : ''
        return [
          [region, layout ? (layouts.get(layout) ?? layout) : shown.kind],
          [`${region} layout`, layout],
          [`${region} by`, frames.get(by) ?? by],
          [`${region} frame`, by],
        ] as [string, string][]
      })
      const { key, address, title, kind } = page
      return { address, page: title, key, kind, ...Object.fromEntries(cells) }
    })
    say(options.csv ? Papa.unparse(rows, { escapeFormulae: true }) : JSON.stringify(rows, null, 2))
  })
}

export function explainCommands(program: Command): void {
  withAsking(program.command('why'))
    .description('why a page shows what it shows: every region, who decided it, and why nobody else did')
    .argument('<address>', 'the page, with address parameters if need be: /visit?kiosk')
    .option('--json', 'as JSON, with ids and codes')
    .action((address: string, _: unknown, command: Command) => why(address, command.opts()))
  withAsking(program.command('map'))
    .description('what every region of every page shows, and by which frame; with ids beside the names')
    .addOption(new Option('--json', 'as JSON (so it is unless you say otherwise)').conflicts('csv'))
    .addOption(new Option('--csv', 'as CSV').conflicts('json'))
    .option('--parameters <query>', 'address parameters that every page is asked with: ?kiosk&lang=de')
    .action((_: unknown, command: Command) => map(command.opts()))
}
