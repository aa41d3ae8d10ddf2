import { chromium } from '@playwright/test'
import lighthouse from 'lighthouse'
import { gzipSync } from 'node:zlib'
import { makeDemo } from '../demo'
import { type TestServer, startServer } from '../tests/server'
import { type Result, median } from './measure'

/** The published pages as Lighthouse sees them on a phone, and how much of them is sent. */

const PORT = 9333
const RUNS = 5
const MOST_BYTES = 14 * 1024

/** One page of every main kind. */
const KINDS: readonly (readonly [name: string, path: string])[] = [
  ['home', '/'],
  ['page', '/visit'],
  ['exhibit', '/exhibits/rolling-ball-clock'],
  ['turret exhibit', '/exhibits/fenwick-turret-clock'],
  ['archive', '/exhibits'],
  ['room', '/rooms/tower-room'],
  ['story', '/stories/the-part-left-over'],
  ['ticket', '/tickets/child-6-to-15'],
  ['search', '/search?q=clock'],
]

interface Seen {
  performance: number
  accessibility: number
  practices: number
  search: number
  shift: number
  strangers: number
}

async function look(url: string): Promise<Seen> {
  const run = await lighthouse(url, {
    port: PORT,
    output: 'json',
    logLevel: 'silent',
    onlyCategories: ['performance', 'accessibility', 'best-practices', 'seo'],
  })
  const { categories, audits } = run!.lhr
  const score = (name: string) => Math.round((categories[name]?.score ?? 0) * 100)
  const items = (audits['network-requests']?.details as { items?: { url: string }[] } | undefined)?.items ?? []
  const host = new URL(url).host
  return {
    performance: score('performance'),
    accessibility: score('accessibility'),
    practices: score('best-practices'),
    search: score('seo'),
    shift: audits['cumulative-layout-shift']?.numericValue ?? 1,
    strangers: items.filter((i) => /^https?:/.test(i.url) && new URL(i.url).host !== host).length,
  }
}

const line = (name: string, value: number, bound: string, holds: boolean, unit = ''): Result => ({
  name,
  value: `${value}${unit}`,
  against: 'a bound',
  bound,
  holds,
  data: { value },
})

async function byLighthouse(server: TestServer): Promise<Result[]> {
  const results: Result[] = []
  for (const [name, path] of KINDS) {
    const seen: Seen[] = []
    for (let i = 0; i < RUNS; i++) seen.push(await look(server.origin + path))
    const of = (key: keyof Seen) => seen.map((s) => s[key])
    const performance = median(of('performance'))
    const least = Math.min(...of('accessibility'), ...of('practices'))
    const shift = Math.round(Math.max(...of('shift')) * 1000) / 1000
    // Search results ask not to be indexed, as they should; that alone costs them here.
    const search = Math.min(...of('search'))
    results.push(
      line(`${name}: performance, the median of ${RUNS}`, performance, 'at least 98', performance >= 98),
      line(`${name}: accessibility and best practices, the least`, least, '100', least === 100),
      line(`${name}: search`, search, name === 'search' ? 'none' : '100', name === 'search' || search === 100),
      line(`${name}: layout shift, the most`, shift, 'under 0.02', shift < 0.02),
      line(`${name}: requests to other hosts`, Math.max(...of('strangers')), '0', Math.max(...of('strangers')) === 0),
    )
  }
  return results
}

/** The HTML and CSS of every page of the demo, compressed; the largest. */
async function bySize(server: TestServer): Promise<Result> {
  const addresses = makeDemo().site.entries.length
  const map = await (await fetch(`${server.origin}/exhibits`)).text()
  const links = [...map.matchAll(/<a\b[^>]* href="(\/[^"#?]*)"/g)].map((m) => m[1]!)
  const seen = new Set(['/', ...KINDS.map(([, path]) => path), '/nowhere', ...links])
  let [most, worst] = [0, '']
  for (const path of seen) {
    const bytes = gzipSync(await (await fetch(server.origin + path)).text(), { level: 9 }).length
    if (bytes > most) [most, worst] = [bytes, path]
  }
  return {
    ...line(
      `The largest of ${seen.size} pages, HTML and CSS compressed (${worst})`,
      Math.round(most / 102.4) / 10,
      'under 14 KB',
      most < MOST_BYTES,
      ' KB',
    ),
    data: { bytes: most, pages: seen.size, entries: addresses },
  }
}

export async function benchPages(): Promise<Result[]> {
  const server = await startServer({ demo: 'full', env: { OUTER_FRAME_DEMO_PHOTOGRAPHS: '1' } })
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', `--remote-debugging-port=${PORT}`],
  })
  try {
    // Photographs are made in their sizes first.
    await new Promise((done) => setTimeout(done, 15_000))
    return [await bySize(server), ...(await byLighthouse(server))]
  } finally {
    await browser.close()
    await server.stop()
  }
}
