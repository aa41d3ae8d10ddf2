import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { ProblemError, fail } from '../../core/problems'
import type { Database } from '../database/open'
import { log } from '../services/log'
import { type Answer, Asked, type Heard, type Peer } from './asked'
import { jobsOver } from './jobs'
import type { Jobs } from './work'

export type { Jobs } from './work'

/** A job that takes longer is given up; nothing that is meant to be takes a tenth of it. */
const PATIENCE = 60_000

/** What reads files that others made has so much memory at most, in megabytes; and so long. */
const READING_MEMORY = 400
const READING_PATIENCE = 45_000

/** A thread over a data folder; with so much memory at most, where it is said. */
function startThread(file: string, folder: string, heard: Heard, megabytes?: number): Peer {
  const resourceLimits = megabytes ? { maxOldGenerationSizeMb: megabytes } : {}
  const worker = new Worker(file, { workerData: { folder }, resourceLimits })
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

/** A file that could not be read in the memory or the time that there is for it. */
function tooMuch(error: unknown): never {
  if (error instanceof ProblemError) throw error
  log('error', 'not-read', { error: String(error) })
  return fail('sheet-wrong', {
    why: 'reading it takes more memory or time than there is; split it, and bring the parts',
  })
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
  // What somebody sends to be read can end the thread that reads it, and no other.
  const reader = new Asked((heard) => startThread(file, folder, heard, READING_MEMORY), READING_PATIENCE)
  // Visitors do not wait for what is worked out for the studio.
  const finder = new Asked((heard) => startThread(file, folder, heard), PATIENCE)
  const job = <K extends keyof Jobs>(name: K): Jobs[K] => ((input: unknown) => thread.ask(name, input)) as Jobs[K]
  return {
    find: (input) => finder.ask('find', input) as ReturnType<Jobs['find']>,
    apply: job('apply'),
    rehearse: job('rehearse'),
    plan: job('plan'),
    sheet: (input) => reader.ask('sheet', input).catch(tooMuch) as ReturnType<Jobs['sheet']>,
    prepare: job('prepare'),
    unpackSite: (input) => reader.ask('unpackSite', input).catch(tooMuch) as ReturnType<Jobs['unpackSite']>,
    planSite: job('planSite'),
    end: async () => void (await Promise.all([thread.end(), reader.end(), finder.end()])),
  }
}
