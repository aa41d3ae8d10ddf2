import { performance } from 'node:perf_hooks'
import { CompiledRules, type Outcome, compareTables, resolve, resolveInTurn, retabulate, tabulate } from '../core/rules'
import type { Page } from '../core/model'
import { benchAside } from './aside'
import { makeLarge, randomTarget, request } from './large'
import { type Result, median, round, sideBySide } from './measure'

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
  const { catalogue, rules, chance } = makeLarge()
  const sample = Array.from({ length: 400 }, () => catalogue.pages[Math.floor(chance.next() * catalogue.pages.length)]!)
  const before = new CompiledRules(rules, catalogue)
  for (const page of sample.slice(0, 60)) {
    const [quick, slow] = [resolve(before, page, request), resolveInTurn(rules, catalogue, page, request)]
    if (JSON.stringify(quick.regions) !== JSON.stringify(slow.regions))
      throw new Error(`The two resolvers differ on ${page.key}.`)
  }
  const taking = (work: (page: Page) => Pick<Outcome, 'page'>) => {
    let at = 0
    return () => work(sample[at++ % sample.length]!).page
  }
  const { fast, twin } = await sideBySide({
    fast: taking((page) => resolve(before, page, request)),
    twin: taking((page) => resolveInTurn(rules, catalogue, page, request)),
  })
  const kept = tabulate(before, request)
  const impacts = Array.from({ length: 24 }, (_, i) => {
    // Every fourth edit is to a frame that covers every page.
    const old = (i % 4 === 0 ? rules.frames.filter((f) => f.covers.some((c) => c.kind === 'every')) : rules.frames).at(
      (i * 37) % 20,
    )!
    const edited = {
      ...old,
      regions: { ...old.regions, body: { kind: 'use' as const, layout: 'body7' } },
      covers: [...old.covers, randomTarget(chance)],
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
      value: `${round(fast)} µs`,
      against: 'a bound',
      bound: 'under 20 µs',
      holds: fast < 20,
      data: { microseconds: round(fast) },
    },
    {
      name: 'One resolve: faster than',
      value: `${round(twin / fast, 0)} times`,
      against: 'testing every frame in turn',
      bound: 'at least 50',
      holds: twin / fast >= 50,
      data: { twinMicroseconds: round(twin, 0), ratio: round(twin / fast, 1) },
    },
    ...(await benchAside(catalogue, kept)),
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
