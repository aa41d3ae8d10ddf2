import { performance } from 'node:perf_hooks'
import { Worker, parentPort } from 'node:worker_threads'
import { CompiledRules, type OutcomeTable, compareTables, tabulate } from '../core/rules'
import { groupPages, mapRows } from '../core/map'
import type { Catalogue } from '../core/catalogue'
import { makeLarge, request } from './large'
import { type Result, median, round } from './measure'

/** The whole map computed in a worker, while the thread that asked goes on answering. */

const ROUNDS = 7

/** What the worker does: it makes the same site and rules, says so, and then answers with the whole table. */
export function answerAside(): void {
  const { catalogue, rules } = makeLarge()
  parentPort!.on('message', () => {
    const start = performance.now()
    const table = tabulate(new CompiledRules(rules, catalogue), request)
    parentPort!.postMessage({ table, took: performance.now() - start })
  })
  parentPort!.postMessage('ready')
}

/** Looks every two milliseconds how late it comes; gives the longest time for which nothing else was answered. */
function watchWaits(): () => number {
  let longest = 0
  let last = performance.now()
  const timer = setInterval(() => {
    const now = performance.now()
    longest = Math.max(longest, now - last - 2)
    last = now
  }, 2)
  return () => {
    clearInterval(timer)
    return longest
  }
}

interface Answer {
  table: OutcomeTable
  took: number
}

/** `kept` is the table that the answer is compared with, as the impact of an edit is. */
export async function benchAside(catalogue: Catalogue, kept: OutcomeTable): Promise<Result[]> {
  const worker = new Worker(new URL(import.meta.url))
  const next = <T>() => new Promise<T>((done, failed) => worker.once('message', done).once('error', failed))
  await next()
  const groups = groupPages(catalogue)
  const [took, whole, waits]: [number[], number[], number[]] = [[], [], []]
  for (let i = -2; i < ROUNDS; i++) {
    const waited = watchWaits()
    const start = performance.now()
    worker.postMessage('tabulate')
    const answer = await next<Answer>()
    const rest = () => new Promise((done) => setTimeout(done, 4))
    await rest()
    if (compareTables(kept, answer.table).length > 0) throw new Error('The worker made another table.')
    await rest()
    mapRows(groups, catalogue, answer.table, { open: new Set(), filter: '' })
    const all = performance.now() - start
    await rest()
    const longest = waited()
    if (i < 0) continue
    took.push(answer.took)
    whole.push(all)
    waits.push(longest)
  }
  await worker.terminate()
  return [
    {
      name: 'The whole map of 100,000 pages, in a worker',
      value: `${round(median(whole) / 1000)} s`,
      against: 'a bound',
      bound: 'under 2 s',
      holds: median(whole) < 2000,
      data: { milliseconds: round(median(whole), 0), inTheWorker: round(median(took), 0) },
    },
    {
      name: 'Longest wait of the thread that asked for it',
      value: `${round(median(waits), 0)} ms`,
      against: 'a bound',
      bound: 'at most 50 ms',
      holds: median(waits) <= 50,
      data: { milliseconds: round(median(waits), 1), slowest: round(Math.max(...waits), 1) },
    },
  ]
}
