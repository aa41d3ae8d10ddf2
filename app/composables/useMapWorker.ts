import type { OutcomeTable, Request, Rules } from '#core/frames'
import type { Site } from '#core/site'
import MapWorker from '~/workers/map.worker?worker'
import type { FromMap, ToMap } from '~/workers/map.worker'

let worker: Worker | null = null
let told: Site | null = null
let calls = 0
const waiting = new Map<number, (table: OutcomeTable) => void>()

function started(): Worker {
  if (worker) return worker
  worker = new MapWorker()
  worker.onmessage = ({ data }: MessageEvent<FromMap>) => {
    waiting.get(data.call)?.(data.table)
    waiting.delete(data.call)
  }
  return worker
}

/** The outcome of every page under some rules, computed off the main thread. */
export function tabulateAside(site: Site, rules: Rules, request: Request): Promise<OutcomeTable> {
  const post = (message: ToMap) => started().postMessage(message)
  if (told !== site) {
    told = site
    post({ kind: 'site', site: JSON.parse(JSON.stringify(site)) as Site })
  }
  const call = ++calls
  const answer = new Promise<OutcomeTable>((done) => waiting.set(call, done))
  const plain = JSON.parse(JSON.stringify({ frames: rules.frames, request })) as Pick<
    Extract<ToMap, { kind: 'tabulate' }>,
    'frames' | 'request'
  >
  post({ kind: 'tabulate', call, ...plain, layoutRegions: [...rules.layoutRegions] })
  return answer
}
