import { performance } from 'node:perf_hooks'
import {
  CompiledRules,
  type Frame,
  type Request,
  type Target,
  compareTables,
  newFrame,
  resolve,
  resolveInTurn,
  retabulate,
  tabulate,
} from '../core/frames'
import type { LayoutRegion } from '../core/layouts'
import { Catalogue, type Entry, type Site } from '../core/site'
import { chanceOf } from '../demo/pictures/chance'
import { makeDemo } from '../demo'
import { type Result, median, round } from './measure'

/** A generated site of 100,000 pages and a design of 1,000 frames over it. */

const PAGES = 100_000
const FRAMES = 1_000
const TERMS = 200
const LAYOUTS: [string, LayoutRegion][] = (['header', 'intro', 'body', 'footer'] as const).flatMap((region) =>
  Array.from({ length: 20 }, (_, i): [string, LayoutRegion] => [`${region}${i}`, region]),
)
const chance = chanceOf('a hundred thousand pages')

function largeSite(pages: number): Site {
  const { site } = makeDemo()
  const terms = Array.from({ length: TERMS }, (_, i) => ({
    ...site.terms[0]!,
    id: `t${i}`,
    slug: `t${i}`,
    title: `Room ${i}`,
  }))
  const types = ['exhibit', 'talk', 'story', 'ticket']
  const entries = Array.from({ length: pages }, (_, i): Entry => {
    const type = types[i % 4]!
    return {
      ...site.entries[0]!,
      id: `e${i}`,
      slug: `e${i}`,
      type,
      title: `Thing number ${i}`,
      terms: [`t${Math.floor(chance.next() * TERMS)}`],
      person: `p${i % 40}`,
      date: `20${10 + (i % 15)}-0${1 + (i % 9)}-11`,
      fields: { height: i % 300, loan: i % 7 === 0, condition: ['running', 'at-rest', 'under-repair'][i % 3]! },
    }
  })
  const people = Array.from({ length: 40 }, (_, i) => ({ ...site.people[0]!, id: `p${i}`, slug: `p${i}` }))
  return { ...site, entries, terms, people, settings: { ...site.settings, home: { kind: 'entry', entry: 'e0' } } }
}

function randomTarget(): Target {
  const type = chance.pick(['exhibit', 'talk', 'story', 'ticket'])
  const term = `t${Math.floor(chance.next() * TERMS)}`
  const dice = chance.next()
  if (dice < 0.02) return { kind: 'every' }
  if (dice < 0.05) return { kind: 'kind', pages: chance.pick(['entries', 'archives', 'working']) }
  if (dice < 0.1) return { kind: 'type', type }
  if (dice < 0.5) return { kind: 'page', page: `entry:e${Math.floor(chance.next() * PAGES)}` }
  const inTerm = { kind: 'term' as const, taxonomy: 'room', terms: [term], below: false }
  if (dice < 0.8) return { kind: 'entries', type, where: [inTerm] }
  const tall = {
    kind: 'field' as const,
    field: 'height',
    op: 'at-least' as const,
    value: Math.floor(chance.next() * 300),
  }
  return { kind: 'entries', type, where: dice < 0.97 ? [inTerm, tall] : [tall] }
}

function randomFrame(i: number): Frame {
  const made = newFrame(`f${i}`, Array.from({ length: 1 + Math.floor(chance.next() * 2) }, randomTarget), i)
  for (const region of ['header', 'intro', 'body', 'footer'] as const) {
    if (chance.next() < 0.5)
      made.regions[region] = { kind: 'use', layout: `${region}${Math.floor(chance.next() * 20)}` }
  }
  if (chance.next() < 0.1) made.onlyWhen = [{ kind: 'device', devices: ['phone'] }]
  if (chance.next() < 0.1) made.except = [randomTarget()]
  return made
}

const request: Request = {
  role: 'visitor',
  signedIn: false,
  device: 'desktop',
  parameters: {},
  at: Date.parse('2026-11-23T12:00:00Z'),
}

function time(work: () => void, rounds: number): number {
  const samples: number[] = []
  for (let i = -rounds / 2; i < rounds; i++) {
    const start = performance.now()
    work()
    if (i >= 0) samples.push(performance.now() - start)
  }
  return median(samples)
}

/** 1,000 frames over 100,000 pages: one resolve, the whole map, the impact of an edit, and memory. */
export async function benchFrames(): Promise<Result[]> {
  const catalogue = new Catalogue(largeSite(PAGES))
  const rules = { frames: Array.from({ length: FRAMES }, (_, i) => randomFrame(i)), layoutRegions: new Map(LAYOUTS) }
  const sample = Array.from({ length: 400 }, () => catalogue.pages[Math.floor(chance.next() * catalogue.pages.length)]!)
  const before = new CompiledRules(rules, catalogue)
  for (const page of sample.slice(0, 60)) {
    const [quick, slow] = [resolve(before, page, request), resolveInTurn(rules, catalogue, page, request)]
    if (JSON.stringify(quick.regions) !== JSON.stringify(slow.regions))
      throw new Error(`The two resolvers differ on ${page.key}.`)
  }
  const fast = time(() => sample.forEach((p) => resolve(before, p, request)), 60) / sample.length
  const twin = time(() => sample.slice(0, 60).forEach((p) => resolveInTurn(rules, catalogue, p, request)), 15) / 60

  const whole = time(() => tabulate(new CompiledRules(rules, catalogue), request), 3)
  const kept = tabulate(before, request)
  const impacts = Array.from({ length: 24 }, (_, i) => {
    // Every fourth edit is to a frame that covers every page.
    const old = (i % 4 === 0 ? rules.frames.filter((f) => f.covers.some((c) => c.kind === 'every')) : rules.frames).at(
      (i * 37) % 20,
    )!
    const edited = {
      ...old,
      regions: { ...old.regions, body: { kind: 'use' as const, layout: 'body7' } },
      covers: [...old.covers, randomTarget()],
    }
    const frames = rules.frames.map((f) => (f === old ? edited : f))
    return time(() => {
      const after = new CompiledRules({ ...rules, frames }, catalogue)
      compareTables(kept, retabulate(kept, before, after, old.id, request))
    }, 1)
  })
  globalThis.gc?.()
  const start = process.memoryUsage().heapUsed
  const many = Array.from({ length: 4 }, () => new CompiledRules({ ...rules }, catalogue))
  globalThis.gc?.()
  const memory = (process.memoryUsage().heapUsed - start) / many.length / 1024 / 1024
  return [
    {
      name: 'One resolve, median',
      value: `${round(fast * 1000)} µs`,
      against: 'a bound',
      bound: 'under 20 µs',
      holds: fast * 1000 < 20,
      data: { microseconds: round(fast * 1000) },
    },
    {
      name: 'One resolve: faster than',
      value: `${round(twin / fast, 0)} times`,
      against: 'testing every frame in turn',
      bound: 'at least 50',
      holds: twin / fast >= 50,
      data: { twinMicroseconds: round(twin * 1000, 0), ratio: round(twin / fast, 1) },
    },
    {
      name: 'The whole map of 100,000 pages',
      value: `${round(whole / 1000)} s`,
      against: 'a bound',
      bound: 'under 2 s',
      holds: whole < 2000,
      data: { milliseconds: round(whole, 0) },
    },
    {
      name: "The impact of one frame's edit, median of 24",
      value: `${round(median(impacts), 0)} ms`,
      against: 'a bound',
      bound: 'under 150 ms',
      holds: median(impacts) < 150,
      data: { milliseconds: round(median(impacts), 1), slowest: round(Math.max(...impacts), 1) },
    },
    {
      name: 'Memory of the compiled index',
      value: `${round(memory, 1)} MB`,
      against: 'a bound',
      bound: 'under 150 MB',
      holds: memory < 150,
      data: { megabytes: round(memory, 2) },
    },
  ]
}
