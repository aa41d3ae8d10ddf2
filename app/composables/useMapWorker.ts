import type { Finding } from '#core/checks'
import type { Request } from '#core/conditions'
import type { Design, Frame, OutcomeTable, Rivals, Rules } from '#core/frames'
import MapWorker from '~/workers/map.worker?worker'
import type { FromMap, ToMap } from '~/workers/map.worker'

type Question = Extract<ToMap, { call: number }>

let worker: Worker | null = null
let told = ''
let calls = 0
const waiting = new Map<number, (answer: FromMap) => void>()

function started(): Worker {
  if (worker) return worker
  worker = new MapWorker()
  worker.onmessage = ({ data }: MessageEvent<FromMap>) => {
    // Taking a large answer over and drawing it are two tasks, so that nobody waits for both at once.
    setTimeout(() => {
      waiting.get(data.call)?.(data)
      waiting.delete(data.call)
    })
  }
  return worker
}

/** Messages are copied by the browser, which cannot copy what Vue has made reactive. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** `site` is the text in which the server told it; the worker is told anew whenever it is another. */
function ask(site: string, question: (call: number) => Question): Promise<FromMap> {
  if (told !== site) {
    told = site
    started().postMessage({ kind: 'site', text: site } satisfies ToMap)
  }
  const call = ++calls
  const answer = new Promise<FromMap>((done) => waiting.set(call, done))
  started().postMessage(question(call))
  return answer
}

/** The outcome of every page under some rules, computed off the main thread. */
export async function tabulateAside(site: string, rules: Rules, request: Request): Promise<OutcomeTable> {
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
export async function checkAside(site: string, design: Design, request: Request): Promise<Finding[]> {
  const answer = await ask(site, (call) => ({ kind: 'check', call, design: plain(design), request: plain(request) }))
  return (answer as Extract<FromMap, { findings: Finding[] }>).findings
}

/** How a frame stands to the others, worked out off the main thread. */
export async function rivalsAside(site: string, rules: Rules, frame: string): Promise<Rivals> {
  const answer = await ask(site, (call) => ({
    kind: 'rivals',
    call,
    frames: plain([...rules.frames]),
    layoutRegions: [...rules.layoutRegions],
    frame,
  }))
  return (answer as Extract<FromMap, { rivals: Rivals }>).rivals
}

/** How many pages conditions cover, whoever looks, counted off the main thread. */
export async function coveredAside(
  site: string,
  { covers, except }: Pick<Frame, 'covers' | 'except'>,
): Promise<number> {
  const answer = await ask(site, (call) => ({ kind: 'cover', call, conditions: plain({ covers, except }) }))
  return (answer as Extract<FromMap, { covered: number }>).covered
}
