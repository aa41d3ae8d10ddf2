import type { Finding } from '#core/checks'
import type { Differing } from '#core/releases'
import type { Request } from '#core/conditions'
import type { Design, DisplayRule } from '#core/design'
import type { OutcomeTable, Rivals, RuleSet } from '#core/rules'
import type { SiteTold } from '~/stores/site'
import MapWorker from '~/workers/map.worker?worker'
import type { FromMap, SentRules, ToMap } from '~/workers/map.worker'

type Question = Extract<ToMap, { call: number }>

let worker: Worker | null = null
let told: SiteTold | null = null
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

/** The worker is told what it has not heard yet: everything, or what has changed since. */
function tell(site: SiteTold): void {
  if (told === site) return
  const known = told?.whole === site.whole ? told.changes.length : -1
  if (known < 0) started().postMessage({ kind: 'site', text: site.whole } satisfies ToMap)
  const changes = site.changes.slice(Math.max(known, 0))
  if (changes.length > 0) started().postMessage({ kind: 'changes', text: JSON.stringify(changes) } satisfies ToMap)
  told = site
}

function ask(site: SiteTold, question: (call: number) => Question): Promise<FromMap> {
  tell(site)
  const call = ++calls
  const answer = new Promise<FromMap>((done) => waiting.set(call, done))
  started().postMessage(question(call))
  return answer
}

const sent = ({ layoutRegions, work }: RuleSet): SentRules => ({ layoutRegions: [...layoutRegions], work: [...work] })

/** The outcome of every page under some rules, computed off the main thread. */
export async function tabulateAside(site: SiteTold, rules: RuleSet, request: Request): Promise<OutcomeTable> {
  const answer = await ask(site, (call) => ({
    kind: 'tabulate',
    call,
    frames: plain([...rules.frames]),
    rules: sent(rules),
    request: plain(request),
  }))
  return (answer as Extract<FromMap, { table: OutcomeTable }>).table
}

/** Everything in a design that will not do what was meant, found off the main thread. */
export async function checkAside(site: SiteTold, design: Design, request: Request): Promise<Finding[]> {
  const answer = await ask(site, (call) => ({ kind: 'check', call, design: plain(design), request: plain(request) }))
  return (answer as Extract<FromMap, { findings: Finding[] }>).findings
}

/** What looks different under another design, found off the main thread. */
export async function compareAside(
  site: SiteTold,
  before: Design,
  after: Design,
  request: Request,
): Promise<Differing> {
  const answer = await ask(site, (call) => ({
    kind: 'compare',
    call,
    before: plain(before),
    after: plain(after),
    request: plain(request),
  }))
  return (answer as Extract<FromMap, { differing: Differing }>).differing
}

/** How a frame stands to the others, worked out off the main thread. */
export async function rivalsAside(site: SiteTold, rules: RuleSet, frame: string): Promise<Rivals> {
  const answer = await ask(site, (call) => ({
    kind: 'rivals',
    call,
    frames: plain([...rules.frames]),
    rules: sent(rules),
    frame,
  }))
  return (answer as Extract<FromMap, { rivals: Rivals }>).rivals
}

/** How many pages conditions cover, whoever looks, counted off the main thread. */
export async function coveredAside(
  site: SiteTold,
  { covers, except }: Pick<DisplayRule, 'covers' | 'except'>,
): Promise<number> {
  const answer = await ask(site, (call) => ({ kind: 'cover', call, conditions: plain({ covers, except }) }))
  return (answer as Extract<FromMap, { covered: number }>).covered
}
