import Database from 'better-sqlite3'
import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { gzipSync } from 'node:zlib'
import type { Layout, Row } from '../core/tree'
import { openMailStandIn } from '../stand-ins/mail'
import { Client } from '../tests/api/client'
import { Buyer, RIGHT } from '../tests/buyer'
import { type TestServer, freePort, startServer } from '../tests/server'
import { ensureTools, requestsPerSecond } from './load'
import { type Result, median, round } from './measure'

/** What visitors send: the last tickets, messages while no mail goes out; and what a basket costs the pages that show it. */

const BUYERS = 200
const TICKETS = 10
const MESSAGES = 500
const WITHIN = 10_000
const AWAY = 60_000

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))
const over = async <T>(work: (server: TestServer) => Promise<T>, env: Record<string, string> = {}): Promise<T> => {
  const server = await startServer({ env: { OUTER_FRAME_TRUST_PROXY: 'yes', ...env } })
  try {
    return await work(server)
  } finally {
    await server.stop()
  }
}
const signedIn = async (server: TestServer, who: string): Promise<Client> => {
  const client = await new Client(server).open()
  await client.signIn(who)
  return client
}
const rowsIn = <T>(server: TestServer, query: string): T[] => {
  const db = new Database(join(server.data, 'outer-frame.sqlite'), { readonly: true })
  try {
    return db.prepare(query).all() as T[]
  } finally {
    db.close()
  }
}

/** The 99th percentile of a page's answers, in milliseconds, asked one after the other for so many seconds. */
function percentile(url: string, seconds: number): Promise<number> {
  return new Promise((done, fail) => {
    const run = spawn('/usr/bin/wrk', ['-t1', '-c1', `-d${seconds}s`, '--latency', url])
    let said = ''
    run.stdout.on('data', (chunk) => (said += String(chunk)))
    run.on('close', () => {
      const [, value, unit] = /99%\s+([\d.]+)(us|ms|s)/.exec(said) ?? []
      if (!value) return fail(new Error(`wrk told no percentile: ${said}`))
      done(Number(value) * { us: 0.001, ms: 1, s: 1000 }[unit as 'us' | 'ms' | 's'])
    })
  })
}

async function benchLastTickets(server: TestServer): Promise<Result[]> {
  // All but ten places of a talk are gone before.
  const ticket = '/talks/what-the-tower-hears'
  let left = 22
  for (; left > TICKETS; left -= Math.min(6, left - TICKETS)) {
    const early = new Buyer(server)
    await early.put(ticket, String(Math.min(6, left - TICKETS)))
    await early.press('/checkout', 'place', { ...RIGHT, ...(await agreed(early)) })
  }
  const buyers = Array.from({ length: BUYERS }, () => new Buyer(server))
  await Promise.all(buyers.map((b) => b.put(ticket)))
  const agrees = await agreed(buyers[0]!)
  const page = percentile(`${server.origin.replace('localhost', '127.0.0.1')}/visit`, 4)
  await pause(300)
  const waits: number[] = []
  const statuses = await Promise.all(
    buyers.map(async (buyer) => {
      const start = performance.now()
      const { status } = await buyer.press('/checkout', 'place', { ...RIGHT, ...agrees })
      waits.push(performance.now() - start)
      return status
    }),
  )
  const slowest = Math.max(...waits)
  const worst = await page
  const [{ sold }] = rowsIn<{ sold: number }>(
    server,
    `select sum(count) as sold from order_lines where sku = 'what-the-tower-hears' and holds = 1`,
  ) as [{ sold: number }]
  const orders = statuses.filter((s) => s === 303).length
  const right = orders === TICKETS && sold === 22 && statuses.every((s) => s < 500)
  return [
    {
      name: `${BUYERS} buyers at once for the last ${TICKETS} tickets: orders made`,
      value: `${orders}, ${statuses.filter((s) => s >= 500).length} answers of 5xx`,
      against: 'a bound',
      bound: `exactly ${TICKETS}, none`,
      holds: right,
      data: { orders, sold },
    },
    {
      name: 'The longest that any of them waited',
      value: `${round(slowest / 1000)} s`,
      against: 'a bound',
      bound: 'at most 2 s',
      holds: slowest <= 2000,
      data: { milliseconds: round(slowest, 0), median: round(median(waits), 0) },
    },
    {
      name: 'A page of the site meanwhile, 99th percentile',
      value: `${round(worst, 1)} ms`,
      against: 'a bound',
      bound: 'under 100 ms',
      holds: worst < 100,
      data: { milliseconds: round(worst, 2) },
    },
  ]
}

/** What a checkout asks to be agreed to. */
const agreed = async (buyer: Buyer): Promise<Record<string, string>> =>
  Object.fromEntries([...(await buyer.page('/checkout')).matchAll(/name="(agree\.[^"]+)"/g)].map((m) => [m[1]!, 'yes']))

/** What is sent to the form of a page, filled in with whatever its fields take. */
function filled(html: string, words: string): Record<string, string> {
  const form = /<form[^>]*class="[^"]*of-form[\s\S]*?<\/form>/.exec(html)![0]
  const values: Record<string, string> = {}
  for (const [tag, , name] of form.matchAll(/<(input|textarea|select)[^>]*? name="([^"]+)"[^>]*>/g)) {
    const type = / type="(\w+)"/.exec(tag)?.[1] ?? 'text'
    if (type === 'file') continue
    if (type === 'hidden' || type === 'checkbox') values[name!] = / value="([^"]*)"/.exec(tag)?.[1] ?? ''
    else if (name!.startsWith('q.')) values[name!] = type === 'email' ? 'inez@example.org' : words
  }
  return values
}

async function benchMessages(server: TestServer): Promise<Result[]> {
  const orla = await signedIn(server, 'orla')
  const port = await freePort()
  const way = {
    format: 1,
    host: '127.0.0.1',
    port,
    security: 'none',
    user: '',
    from: 'desk@quillmere.example.org',
    name: '',
  }
  const set = await orla.call('PUT', '/visitors/mail/server', { server: way, password: '' })
  if (set.status !== 200) throw new Error(`The mail server was not set: ${JSON.stringify(set.body)}`)
  const path = '/exhibits/the-night-regulator'
  const html = await new Buyer(server).page(path)
  const began = performance.now()
  const statuses = await Promise.all(
    Array.from({ length: MESSAGES }, async (_, i) => {
      await pause((i * WITHIN) / MESSAGES)
      return (await new Buyer(server).send(path, filled(html, `Question ${i}`))).status
    }),
  )
  const took = performance.now() - began
  const count = (table: string) => rowsIn<{ n: number }>(server, `select count(*) as n from ${table}`)[0]!.n
  const [messages, mails] = [count('messages'), count('mails')]
  await pause(Math.max(0, AWAY - took))
  const folder = mkdtempSync(join(tmpdir(), 'outer-frame-inbox-'))
  const inbox = await openMailStandIn(folder, { smtp: port })
  const back = performance.now()
  const came = () => readdirSync(folder).filter((name) => name.endsWith('.eml')).length
  while (came() < mails && performance.now() - back < 3 * AWAY) await pause(500)
  const arrived = came()
  const seconds = (performance.now() - back) / 1000
  await inbox.close()
  rmSync(folder, { recursive: true, force: true })
  const kept = statuses.filter((s) => s === 303).length
  return [
    {
      name: `${MESSAGES} messages in ${WITHIN / 1000} s from as many places: kept`,
      value: `${messages} in ${round(took / 1000, 1)} s`,
      against: 'a bound',
      bound: 'all of them',
      holds: messages === MESSAGES && kept === MESSAGES,
      data: { messages, kept, milliseconds: round(took, 0) },
    },
    {
      name: 'Their mail, once the server of it was back after a minute',
      value: `${arrived} of ${mails}, ${round(seconds, 0)} s after`,
      against: 'a bound',
      bound: 'all of it',
      holds: arrived === mails && mails >= MESSAGES,
      data: { mails, arrived, seconds: round(seconds, 1) },
    },
  ]
}

/** Releases the site without the way to the basket in its header; gives what has visitors see the release before. */
async function withoutBasket(server: TestServer): Promise<() => Promise<unknown>> {
  const ada = await signedIn(server, 'ada')
  const { body } = await ada.call('GET', '/layouts/house-header')
  const row = (body.layout as unknown as Layout).children.find((r: Row) => r.name === 'Bar')!
  const [, , { children: [basket] = [] } = {}] = row.children
  const edits = [{ id: 'b1', does: 'edit', edit: { kind: 'remove', id: basket!.id } }]
  const sent = await ada.call('POST', '/layouts/house-header/edits', { revision: body.revision, edits })
  const released = await ada.call('POST', '/releases', { note: 'No basket' })
  if (sent.status !== 200 || released.status !== 200) throw new Error(JSON.stringify([sent.body, released.body]))
  return () => ada.call('POST', '/releases/back')
}

const ROUNDS = 10

/** One server shows the one release and the other in turn, so that both are as warm. */
async function benchCount(server: TestServer): Promise<Result> {
  const buyer = new Buyer(server)
  await buyer.put('/tickets/day-ticket', '3')
  const cookie = ['-H', `Cookie: ${buyer.cookie}`]
  const url = `http://127.0.0.1:${server.port}/visit`
  const rounds: { ours: number; other: number }[] = []
  const back = await withoutBasket(server)
  for (let i = -2; i < ROUNDS; i++) {
    const other = await requestsPerSecond(url, 2, cookie)
    await back()
    const ours = await requestsPerSecond(url, 2, cookie)
    await back()
    // The first two warm it up.
    if (i >= 0) rounds.push({ ours, other })
  }
  const ratio = median(rounds.map((r) => r.ours / r.other))
  return {
    name: 'A ready page with three things counted in its header: requests per second',
    value: `${round(ratio * 100, 0)}%`,
    against: 'the same page without',
    bound: 'at least 70%',
    holds: ratio >= 0.7,
    data: {
      ours: round(median(rounds.map((r) => r.ours)), 0),
      other: round(median(rounds.map((r) => r.other)), 0),
      ratio: round(ratio, 3),
    },
  }
}

async function benchWeight(server: TestServer): Promise<Result[]> {
  const buyer = new Buyer(server)
  await buyer.put('/gifts/winding-key-in-brass')
  await buyer.put('/tickets/day-ticket')
  const html = await buyer.page('/checkout')
  const bytes = gzipSync(html).length
  const script = /src="(\/_of\/el\/shop\.[^"]+)"/.exec(html)![1]!
  const weighs = Buffer.byteLength(await buyer.page(script))
  const line = (name: string, value: number, most: number): Result => ({
    name,
    value: `${round(value / 1024)} KB`,
    against: 'a bound',
    bound: `under ${most} KB`,
    holds: value < most * 1024,
    data: { bytes: value },
  })
  return [
    line('The checkout with two things in it, compressed', bytes, 14),
    line('Its script, as it is written', weighs, 4),
  ]
}

export async function benchShop(): Promise<Result[]> {
  ensureTools()
  return [
    ...(await over(benchLastTickets)),
    ...(await over(async (server) => [await benchCount(server)])),
    ...(await over(benchWeight)),
    ...(await over(benchMessages)),
  ]
}
