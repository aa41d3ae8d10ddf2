import { parentPort, workerData } from 'node:worker_threads'
import { type Problem, ProblemError } from '../../core/problems'
import { openDatabase } from '../database/open'
import { jobsOver } from './jobs'
import type { Jobs } from './work'

/** The thread itself: it is asked for one job after the other, over a connection of its own. */

export interface Question {
  call: number
  job: keyof Jobs
  input: unknown
}

export type Answer = { call: number } & ({ answer: unknown } | { problem: Problem } | { error: string })

const { folder } = workerData as { folder: string }

async function answer({ call, job, input }: Question): Promise<Answer> {
  const db = await openDatabase(folder)
  try {
    const work = jobsOver(db)[job] as (input: unknown) => Promise<unknown>
    return { call, answer: await work(input) }
  } catch (error) {
    if (error instanceof ProblemError) return { call, problem: error.problem }
    return { call, error: String((error as Error)?.stack ?? error) }
  } finally {
    await db.destroy()
  }
}

let last: Promise<unknown> = Promise.resolve()
parentPort!.on('message', (question: Question) => {
  last = last.then(async () => parentPort!.postMessage(await answer(question)))
})
