import type { Finding } from '#core/checks'
import type { Design, Frame, OutcomeTable, Request, Rules } from '#core/frames'
import type { Site } from '#core/site'
import MapWorker from '~/workers/map.worker?worker'
import type { FromMap, ToMap } from '~/workers/map.worker'

type Question = Extract<ToMap, { call: number }>

let worker: Worker | null = null
let told: Site | null = null
let calls = 0
const waiting = new Map<number, (answer: FromMap) => void>()

function started(): Worker {
  if (worker) return worker
  worker = new MapWorker()
  worker.onmessage = ({ data }: MessageEvent<FromMap>) => {
    waiting.get(data.call)?.(data)
    waiting.delete(data.call)
  }
  return worker
}

/** Messages are copied by the browser, which cannot copy what Vue has made reactive. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

function ask(site: Site, question: (call: number) => Question): Promise<FromMap> {
  if (told !== site) {
    told = site
    started().postMessage({ kind: 'site', site: plain(site) } satisfies ToMap)
  }
  const call = ++calls
  const answer = new Promise<FromMap>((done) => waiting.set(call, done))
  started().postMessage(question(call))
  return answer
}

/** The outcome of every page under some rules, computed off the main thread. */
export async function tabulateAside(site: Site, rules: Rules, request: Request): Promise<OutcomeTable> {
  const answer = await ask(site, (call) => ({
    kind: 'tabulate',
    call,
    frames: plain([...rules.frames]),
    layoutRegions: [...rules.layoutRegions],
    request: plain(request),
  }))
  return (answer as Extract<FromMap, { table: OutcomeTable }>).table
}

/** Everything in a design that will not do what was meant, found off the main thread. */
export async function checkAside(site: Site, design: Design, request: Request): Promise<Finding[]> {
  const answer = await ask(site, (call) => ({ kind: 'check', call, design: plain(design), request: plain(request) }))
  return (answer as Extract<FromMap, { findings: Finding[] }>).findings
}

/** How many pages conditions cover, whoever looks, counted off the main thread. */
export async function coveredAside(site: Site, { covers, except }: Pick<Frame, 'covers' | 'except'>): Promise<number> {
  const answer = await ask(site, (call) => ({ kind: 'cover', call, conditions: plain({ covers, except }) }))
  return (answer as Extract<FromMap, { covered: number }>).covered
}
