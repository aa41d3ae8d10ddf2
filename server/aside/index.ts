import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import type { Database } from '../database/open'
import { type Answer, Asked, type Heard, type Peer } from './asked'
import { jobsOver } from './jobs'
import type { Jobs } from './work'

export type { Jobs } from './work'

/** A job that takes longer is given up; nothing that is meant to be takes a tenth of it. */
const PATIENCE = 60_000

/** A thread over a data folder. */
function startThread(file: string, folder: string, heard: Heard): Peer {
  const worker = new Worker(file, { workerData: { folder } })
  worker.on('message', (answer: Answer) => heard.answer(answer))
  worker.on('error', heard.ended)
  worker.on('exit', () => heard.ended(new Error('The thread beside the server has ended.')))
  worker.unref()
  return {
    post: (question) => worker.postMessage(question),
    end: async () => void (await worker.terminate()),
  }
}

export interface Aside extends Jobs {
  end(): Promise<void>
}

/** Where the built server has brought along a file that does work beside it; null where it has not. */
export function besideServer(name: string): string | null {
  const file = join(dirname(process.argv[1] ?? ''), name)
  return existsSync(file) ? file : null
}

/** The jobs in a thread of their own, where the built server has brought it along; else in this one. */
export function openAside(db: Database, folder: string): Aside {
  const file = besideServer('aside.mjs')
  if (!file) return { ...jobsOver(db), end: async () => {} }
  const thread = new Asked((heard) => startThread(file, folder, heard), PATIENCE)
  const job = <K extends keyof Jobs>(name: K): Jobs[K] => ((input: unknown) => thread.ask(name, input)) as Jobs[K]
  return {
    apply: job('apply'),
    rehearse: job('rehearse'),
    plan: job('plan'),
    sheet: job('sheet'),
    prepare: job('prepare'),
    end: () => thread.end(),
  }
}
