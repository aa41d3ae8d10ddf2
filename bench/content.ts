import { readFileSync } from 'node:fs'
import { performance } from 'node:perf_hooks'
import { chromium } from '@playwright/test'
import sharp from 'sharp'
import { type Entry, blankEntry } from '../core/model'
import { putEntry } from '../server/database/entries'
import { openDatabase } from '../server/database/open'
import { Client } from '../tests/api/client'
import { type TestServer, startServer } from '../tests/server'
import { type Result, median, round } from './measure'

/** A made-up site of 100,000 entries: its start, its memory, what is stored in it, found in it and brought into it. */

export const ENTRIES = 100_000
/** Made-up words, the first ones the most frequent: as in any language, each as often as its place says (Zipf). */
const SYLLABLES = 'ba co du fe gi ho lu ma ne po ra si to va we zi bra cle dro fla gri sto'.split(' ')
export const VOCABULARY = Array.from({ length: 6000 }, (_, i) => {
  const parts = [i % 22, Math.floor(i / 22) % 22, Math.floor(i / 484)]
  return parts.map((n) => SYLLABLES[n % 22]).join('')
})
/** Numbers from 0 to 1 that are the same in every run. */
const chance = (n: number) => (((Math.sin(n * 12.9898) * 43_758.5453) % 1) + 1) % 1
const words = (n: number, count: number) =>
  Array.from(
    { length: count },
    (_, i) => VOCABULARY[Math.floor(VOCABULARY.length ** chance(n * 131 + i)) - 1] ?? VOCABULARY[0],
  ).join(' ')

export async function fill(data: string): Promise<void> {
  const db = await openDatabase(data)
  const rooms = ['tower-room', 'long-gallery', 'watch-cabinet', 'night-room', 'workshop']
  for (let at = 0; at < ENTRIES; at += 5000) {
    await db.transaction().execute(async (trx) => {
      for (let i = at; i < at + 5000; i++) {
        const entry: Entry = {
          ...blankEntry(`many-${i}`, 'exhibit'),
          title: `Clock ${i} of many, ${words(i, 2)}`,
          summary: words(i, 8),
          content: {
            type: 'doc',
            content: [{ type: 'paragraph', content: [{ type: 'text', text: words(i + 1, 120) }] }],
          },
          date: `${2000 + (i % 25)}-0${1 + (i % 9)}-11`,
          terms: [rooms[i % 5]!],
          fields: { height: i % 300, maker: words(i, 1) },
        }
        await putEntry(trx, entry, 1000 + i, 'bench')
      }
    })
  }
  await db.destroy()
}

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** Asks for a page that stands ready again and again while something is done; how long each answer took. */
async function whileAsked<T>(server: TestServer, work: () => Promise<T>): Promise<{ made: T; waits: number[] }> {
  const waits: number[] = []
  let over = false
  const asking = (async () => {
    while (!over) {
      const start = performance.now()
      await (await fetch(`${server.origin}/visit`)).arrayBuffer()
      waits.push(performance.now() - start)
      await pause(4)
    }
  })()
  const made = await work()
  over = true
  await asking
  return { made, waits }
}

const at = (samples: readonly number[], part: number) =>
  [...samples].sort((a, b) => a - b)[Math.min(samples.length - 1, Math.floor(samples.length * part))] ?? 0
const memory = (pid: number) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1000

const line = (name: string, value: number, unit: string, most: number): Result => ({
  name: `With 100,000 entries: ${name}`,
  value: `${round(value, value < 20 ? 1 : 0)} ${unit}`,
  against: 'a bound',
  bound: `under ${most} ${unit}`,
  holds: value < most,
  data: { value: round(value, 1) },
})

/** An entry stored, until its own page and its archive show it: median of ten, and the longest wait meanwhile. */
async function storing(server: TestServer, client: Client): Promise<Result[]> {
  const times: number[] = []
  const { waits } = await whileAsked(server, async () => {
    for (let i = 0; i < 10; i++) {
      const id = `many-${i * 31}`
      const { body } = await client.call('GET', `/entries/${id}`)
      const { entry, revision } = body as unknown as { entry: Entry; revision: number }
      const title = `Seen anew ${i}`
      const start = performance.now()
      await client.call('PUT', `/entries/${id}`, { entry: { ...entry, title, date: '2030-01-01' }, revision })
      const pages = await Promise.all(
        [`/exhibits/${id}`, '/exhibits'].map(async (p) => (await fetch(server.origin + p)).text()),
      )
      if (!pages.every((html) => html.includes(title))) throw new Error(`${title} is not seen`)
      times.push(performance.now() - start)
      await pause(100)
    }
  })
  return [
    line('an entry stored and seen on its page and in its archive', median(times), 'ms', 150),
    line('the longest wait for others meanwhile', Math.max(...waits), 'ms', 50),
  ]
}

/** The table in a browser: from the press on its name to its first rows, and from a letter to its answer. */
async function table(server: TestServer): Promise<Result[]> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] })
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await page.goto(`${server.origin}/studio/sign-in`)
    await page.waitForFunction(
      () => (window as { useNuxtApp?: () => { isHydrating?: boolean } }).useNuxtApp?.().isHydrating === false,
    )
    await page.getByLabel('Mail address').fill('wim@quillmere.example.org')
    await page.getByLabel('Password').fill('wind-me-on-sunday')
    await page.getByRole('button', { name: 'Sign in' }).click()
    await page.getByRole('navigation', { name: 'Studio' }).waitFor()
    const rows = page.getByRole('link', { name: /of many/ }).first()
    const cold: number[] = []
    const opens: number[] = []
    for (let i = 0; i < 5; i++) {
      const start = performance.now()
      await page.goto(`${server.origin}/studio/content/entries`)
      await rows.waitFor()
      cold.push(performance.now() - start)
    }
    for (let i = 0; i < 5; i++) {
      await page.getByRole('link', { name: 'People', exact: true }).click()
      await page.getByRole('heading', { name: 'People' }).waitFor()
      await pause(300)
      const start = performance.now()
      await page.getByRole('link', { name: 'Entries', exact: true }).click()
      await rows.waitFor()
      opens.push(performance.now() - start)
    }
    const typed: number[] = []
    // Words of every frequency: the tenth of all stands in a third of all entries.
    const typing = [10, 40, 200, 1000, 5000].map((place) => VOCABULARY[place]!)
    for (const word of [...typing, `${typing[1]} ${typing[2]}`]) {
      const answered = page.waitForResponse((r) =>
        r.url().includes(`words=${encodeURIComponent(word).replace('%20', '+')}`),
      )
      const start = performance.now()
      await page.getByLabel('Find by words').fill(word)
      await answered
      typed.push(performance.now() - start)
    }
    return [
      line('the table of entries shows its first rows, gone to within the studio', median(opens), 'ms', 500),
      { ...line('the same, the studio itself being loaded with it', median(cold), 'ms', Infinity), bound: 'none' },
      line('the table answers a typed filter', median(typed), 'ms', 150),
    ]
  } finally {
    await browser.close()
  }
}

/** A table of 10,000 rows taken along while visitors read. */
async function bringing(server: TestServer, client: Client): Promise<Result[]> {
  const rows = Array.from(
    { length: 10_000 },
    (_, i) => `Brought ${i},"${words(i, 40)}",2026-01-0${1 + (i % 9)},${i % 300}`,
  )
  const csv = `title,content,date,height\n${rows.join('\n')}\n`
  const start = performance.now()
  const { waits } = await whileAsked(server, async () => {
    const sent = await client.fetch('/api/imports?name=many.csv', {
      method: 'POST',
      body: csv,
      headers: { 'content-type': 'application/octet-stream' },
    })
    const { id } = (await sent.json()) as { id: string }
    const columns = { title: 'title', content: 'content', date: 'date', height: 'field:height' }
    const plan = { type: { kind: 'there', id: 'exhibit' }, columns, published: true, make: false }
    await client.call('POST', `/imports/${id}/run`, plan)
    for (;;) {
      const { body } = await client.call('GET', '/imports')
      const [last] = (body as unknown as { imports: { state: string }[] }).imports
      if (last?.state !== 'running') return
      await pause(250)
    }
  })
  return [
    line('a CSV of 10,000 rows is taken along', (performance.now() - start) / 1000, 's', 60),
    line('visitors meanwhile, 99th percentile', at(waits, 0.99), 'ms', 50),
  ]
}

/** A photograph of 12 megapixels in all its sizes. */
async function photograph(server: TestServer, client: Client): Promise<Result[]> {
  const bytes = await sharp({
    create: {
      width: 4000,
      height: 3000,
      channels: 3,
      background: '#875',
      noise: { type: 'gaussian', mean: 120, sigma: 12 },
    },
  })
    .jpeg({ quality: 88 })
    .toBuffer()
  const start = performance.now()
  const { waits } = await whileAsked(server, async () => {
    const sent = await client.fetch('/api/pictures?name=large.jpg', {
      method: 'POST',
      body: new Uint8Array(bytes) as never,
      headers: { 'content-type': 'application/octet-stream' },
    })
    const { picture } = (await sent.json()) as { picture: { id: string } }
    for (;;) {
      const { body } = await client.call('GET', '/pictures')
      const { pictures } = body as unknown as { pictures: { picture: { id: string; widths?: number[] } }[] }
      if (pictures.find((p) => p.picture.id === picture.id)?.picture.widths) return
      await pause(200)
    }
  })
  return [
    line('a photograph of 12 megapixels in all its sizes', (performance.now() - start) / 1000, 's', 15),
    line('the longest wait for others meanwhile, at the 99th percentile', at(waits, 0.99), 'ms', 50),
  ]
}

export async function benchContent(): Promise<Result[]> {
  const server = await startServer()
  try {
    await fill(server.data)
    const start = performance.now()
    await server.restart()
    await (await fetch(`${server.origin}/exhibits/many-77`)).arrayBuffer()
    const started = (performance.now() - start) / 1000
    for (let i = 0; i < 300; i++) await (await fetch(`${server.origin}/exhibits/many-${i * 17}`)).arrayBuffer()
    const held = memory(server.pid())
    const client = await new Client(server).open()
    await client.signIn('ada')
    return [
      line('start to the first answered page', started, 's', 5),
      line('resident memory', held, 'MB', 700),
      ...(await storing(server, client)),
      ...(await table(server)),
      ...(await bringing(server, client)),
      ...(await photograph(server, client)),
    ]
  } finally {
    await server.stop()
  }
}
