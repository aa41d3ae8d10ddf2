import { isMainThread } from 'node:worker_threads'
import { answerAside } from './aside'
import { benchBench } from './bench'
import { benchContent } from './content'
import { benchBrowser } from './browser'
import { benchDrawing } from './drawing'
import type { Result } from './measure'
import { benchFrames } from './frames'
import { benchLists } from './lists'
import { benchPages } from './pages'
import { benchSearch } from './search'
import { benchServing } from './serving'
import { benchPieces } from './pieces'
import { benchReleases } from './releases'
import { benchShop } from './shop'
import { benchVariations } from './variations'

/** Runs every measurement, prints a table for people and one line of JSON for programs. */

const SUITES: [name: string, run: () => Promise<Result[]>][] = [
  ['drawing', benchDrawing],
  ['serving', benchServing],
  ['frames', benchFrames],
  ['browser', benchBench],
  ['browser', benchBrowser],
  ['content', benchContent],
  ['lists', benchLists],
  ['search', benchSearch],
  ['variations', benchVariations],
  ['pieces', benchPieces],
  ['releases', benchReleases],
  ['shop', benchShop],
  ['pages', benchPages],
]

async function main(): Promise<void> {
  const only = process.argv.slice(2)
  const results: Result[] = []
  for (const [name, run] of SUITES) {
    if (only.length > 0 && !only.includes(name)) continue
    results.push(...(await run()))
  }

  const columns = ['name', 'value', 'against', 'bound'] as const
  const heads = { name: 'Measured', value: 'Value', against: 'Against', bound: 'Bound' }
  const width = (c: (typeof columns)[number]) => Math.max(heads[c].length, ...results.map((r) => r[c].length))
  const row = (cells: Record<(typeof columns)[number], string>, mark: string) =>
    `| ${columns.map((c) => cells[c].padEnd(width(c))).join(' | ')} | ${mark} |`
  console.log(row(heads, 'Holds'))
  console.log(`|${columns.map((c) => '-'.repeat(width(c) + 2)).join('|')}|-------|`)
  for (const result of results) console.log(row(result, result.holds ? 'yes  ' : 'NO   '))
  console.log(`\n${JSON.stringify(results.map(({ name, bound, holds, data }) => ({ name, bound, holds, ...data })))}`)
  process.exitCode = results.every((r) => r.holds) ? 0 : 1
}

if (isMainThread) await main()
else answerAside()
