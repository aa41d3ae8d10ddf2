import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { ProblemError } from '../../core/problems'
import type { Database } from '../database/open'
import { log } from '../services/log'
import { jobsOver } from './jobs'
import type { Answer, Question } from './thread'
import type { Jobs } from './work'

export type { Jobs } from './work'

/** A job that takes longer is given up; nothing that is meant to be takes a tenth of it. */
const PATIENCE = 60_000

interface Waiting {
  done(answer: unknown): void
  failed(error: unknown): void
  timer: NodeJS.Timeout
}

/** One thread beside ours, started at the first job and again when it has ended. */
class Thread {
  private worker: Worker | null = null
  private readonly waiting = new Map<number, Waiting>()
  private calls = 0

  constructor(
    private readonly file: string,
    private readonly folder: string,
  ) {}

  private started(): Worker {
    if (this.worker) return this.worker
    const worker = new Worker(this.file, { workerData: { folder: this.folder } })
    worker.on('message', (answer: Answer) => this.take(answer))
    worker.on('error', (error) => this.lose(worker, error))
    worker.on('exit', () => this.lose(worker, new Error('The thread beside the server has ended.')))
    worker.unref()
    return (this.worker = worker)
  }

  private take(answer: Answer): void {
    const waiting = this.waiting.get(answer.call)
    if (!waiting) return
    clearTimeout(waiting.timer)
    this.waiting.delete(answer.call)
    if ('answer' in answer) waiting.done(answer.answer)
    else waiting.failed('problem' in answer ? new ProblemError(answer.problem) : new Error(answer.error))
  }

  private lose(worker: Worker, error: unknown): void {
    if (this.worker !== worker) return
    this.worker = null
    for (const { failed, timer } of this.waiting.values()) {
      clearTimeout(timer)
      failed(error)
    }
    this.waiting.clear()
  }

  ask(job: keyof Jobs, input: unknown): Promise<unknown> {
    const call = ++this.calls
    return new Promise((done, failed) => {
      const timer = setTimeout(() => {
        log('error', 'aside-slow', { job })
        void this.end()
      }, PATIENCE)
      this.waiting.set(call, { done, failed, timer })
      this.started().postMessage({ call, job, input } satisfies Question)
    })
  }

  async end(): Promise<void> {
    const { worker } = this
    if (!worker) return
    this.lose(worker, new Error('The thread beside the server was stopped.'))
    await worker.terminate()
  }
}

export interface Aside extends Jobs {
  end(): Promise<void>
}

/** The jobs in a thread of their own, where the built server has brought it along; else in this one. */
export function openAside(db: Database, folder: string): Aside {
  const file = join(dirname(process.argv[1] ?? ''), 'aside.mjs')
  if (!existsSync(file)) return { ...jobsOver(db), end: async () => {} }
  const thread = new Thread(file, folder)
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
