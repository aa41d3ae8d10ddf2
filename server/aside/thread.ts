import { parentPort, workerData } from 'node:worker_threads'
import { openDatabase } from '../database/open'
import { type Question, answerTo } from './asked'
import { jobsOver } from './jobs'
import type { Jobs } from './work'

/** The thread itself: it is asked for one job after the other, over a connection of its own. */

const { folder } = workerData as { folder: string }

async function work(job: string, input: unknown): Promise<unknown> {
  const db = await openDatabase(folder)
  try {
    return await (jobsOver(db)[job as keyof Jobs] as (input: unknown) => Promise<unknown>)(input)
  } finally {
    await db.destroy()
  }
}

let last: Promise<unknown> = Promise.resolve()
parentPort!.on('message', (question: Question) => {
  last = last.then(async () => parentPort!.postMessage(await answerTo(question, work)))
})
