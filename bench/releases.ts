import { get } from 'node:http'
import { performance } from 'node:perf_hooks'
import type { DisplayRule } from '../core/design'
import type { Target } from '../core/targets'
import { newFrame } from '../core/rules'
import type { LayoutDocument } from '../core/tree'
import type { Parcel } from '../core/formats'
import { chanceOf } from '../demo/pictures/chance'
import { Client } from '../tests/api/client'
import { type TestServer, startServer } from '../tests/server'
import { type Result, median, round } from './measure'

/** A release of a large design on the real server, while visitors go on asking for pages. */

const LAYOUTS = 500
const FRAMES = 1_000
const ROUNDS = 9
/** Kept ready, drawn by what is released, drawn anew at every asking, and lost. */
const ASKED = ['/', '/exhibits/rolling-ball-clock', '/exhibits?n=', '/stories', '/nowhere/'] as const

/** How long one visitor waits for a page, in milliseconds. */
function visit(origin: string, path: string): Promise<number> {
  const start = performance.now()
  return new Promise((done, fail) => {
    get(origin + path, { headers: { 'accept-encoding': 'gzip' } }, (answer) => {
      answer.resume()
      answer.on('end', () => done(performance.now() - start))
    }).on('error', fail)
  })
}

/** One visitor comes every so many milliseconds, whatever became of those before. */
const EVERY = 20

/** Visitors who come one after the other; gives the longest that one waited. */
function watchVisitors(origin: string): () => Promise<number> {
  const all: Promise<number>[] = []
  let n = 0
  const timer = setInterval(() => {
    const path = ASKED[n % ASKED.length]!
    all.push(visit(origin, path.endsWith('=') || path === '/nowhere/' ? `${path}${n}` : path))
    n++
  }, EVERY)
  return async () => {
    clearInterval(timer)
    return Math.max(...(await Promise.all(all)))
  }
}

/** The museum's layouts, so often that there are 500, and 1,000 frames that put them on single pages. */
function largeDesign(parcel: Parcel): Parcel {
  const chance = chanceOf('a large release')
  const own = parcel.layouts as LayoutDocument[]
  const plain = own.filter((l) => 'children' in l && !l.id.startsWith('piece'))
  const layouts = Array.from({ length: LAYOUTS - own.length }, (_, i): LayoutDocument => {
    const from = plain[i % plain.length]!
    return { ...from, id: `large-layout-${i}`, name: `${from.name} ${i}` }
  })
  const bodies = layouts.filter((l) => l.region === 'body' || l.region === 'footer' || l.region === 'header')
  const targets: Target[] = (parcel.frames as DisplayRule[]).flatMap((f) => f.covers)
  const frames = Array.from({ length: FRAMES - parcel.frames.length }, (_, i): DisplayRule => {
    const frame = newFrame(`large-${i}`, [chance.pick(targets)], 100 + i)
    const layout = bodies[i % bodies.length]!
    frame.regions[layout.region as 'body'] = { kind: 'use', layout: layout.id }
    // Most stand where they meet nothing that is asked for here; a tenth does.
    if (i % 10 > 0) frame.onlyWhen = [{ kind: 'device', devices: ['tablet'] }]
    return frame
  })
  return { ...parcel, layouts, frames }
}

async function must(client: Client, method: string, path: string, body?: unknown): Promise<void> {
  const answer = await client.call(method, path, body)
  if (answer.status >= 300) throw new Error(`${method} ${path}: ${answer.status} ${answer.body.problem?.sentence}`)
}

/** So many layouts are sent at once. */
const TOGETHER = 20
const bring = (client: Client, parcel: Parcel) => must(client, 'POST', '/parcel', { parcel, choices: {} })

interface Round {
  took: number
  waited: number
}

async function during(server: TestServer, work: () => Promise<void>): Promise<Round> {
  const stop = watchVisitors(server.origin)
  await new Promise((done) => setTimeout(done, 100))
  const start = performance.now()
  await work()
  const took = performance.now() - start
  await new Promise((done) => setTimeout(done, 300))
  return { took, waited: await stop() }
}

async function quiet(server: TestServer): Promise<number> {
  const { waited } = await during(server, () => new Promise((done) => setTimeout(done, 400)))
  return waited
}

async function measure(server: TestServer): Promise<Result[]> {
  const client = await new Client(server).open()
  await client.signIn('orla')
  const parcel = (await client.call('GET', '/parcel')).body as unknown as Parcel
  const { layouts, frames } = largeDesign(parcel)
  for (let i = 0; i < layouts.length; i += TOGETHER)
    await bring(client, { ...parcel, layouts: layouts.slice(i, i + TOGETHER), frames: [], house: null, menus: [] })
  for (let i = 0; i < frames.length; i += 10 * TOGETHER)
    await bring(client, { ...parcel, layouts: [], frames: frames.slice(i, i + 10 * TOGETHER), house: null, menus: [] })
  await must(client, 'POST', '/releases', { note: 'large' })
  const releases: Round[] = []
  const backs: Round[] = []
  const quiets: number[] = []
  for (let i = 0; i < ROUNDS; i++) {
    // A word in each of many layouts, so that there is something to release.
    await must(client, 'POST', '/layouts', { id: `more-${i}`, name: `More ${i}`, region: 'footer' })
    quiets.push(await quiet(server))
    releases.push(await during(server, () => must(client, 'POST', '/releases', { note: `${i}` })))
    backs.push(await during(server, () => must(client, 'POST', '/releases/back')))
  }
  const alone = median(quiets)
  const line = (name: string, rounds: Round[]): Result[] => {
    const [took, waited] = [median(rounds.map((r) => r.took)), median(rounds.map((r) => r.waited))]
    return [
      {
        name: `${name} of ${LAYOUTS} layouts and ${FRAMES} frames reaches visitors`,
        value: `${round(took, 0)} ms`,
        against: 'a bound',
        bound: 'under 1 s',
        holds: took < 1000,
        data: { took: round(took, 0) },
      },
      {
        name: `${name}: the longest that a visitor waits meanwhile, the median of ${ROUNDS} rounds`,
        value: `${round(waited, 0)} ms`,
        against: `with nothing released: ${round(alone, 0)} ms`,
        bound: 'at most 50 ms',
        holds: waited <= 50,
        data: { waited: round(waited, 1), alone: round(alone, 1) },
      },
    ]
  }
  return [...line('A release', releases), ...line('Taking back one', backs)]
}

export async function benchReleases(): Promise<Result[]> {
  const server = await startServer()
  try {
    return await measure(server)
  } finally {
    await server.stop()
  }
}
