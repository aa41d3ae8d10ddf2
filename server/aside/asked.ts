import { type Problem, ProblemError } from '../../core/problems'
import { log } from '../services/log'

/** Work that is asked of somebody beside the thread that answers requests: how questions go out and answers come back. */

export interface Question {
  call: number
  job: string
  input: unknown
}

export type Answer = { call: number } & ({ answer: unknown } | { problem: Problem } | { error: string })

/** A thread or a process that does what it is asked. */
export interface Peer {
  post(question: Question): void
  /** Ends it at once; what it was doing is given up. */
  end(): Promise<void>
}

/** What a peer tells of itself. */
export interface Heard {
  answer(answer: Answer): void
  ended(error: unknown): void
}

interface Waiting {
  question: Question
  /** Whether a peer has ended with it before. */
  again: boolean
  done(answer: unknown): void
  failed(error: unknown): void
  timer: NodeJS.Timeout
}

/**
 * One peer, started at the first question and again when it has ended: what it had is asked of the next one once more, but
 * for what ended it twice. What takes longer than `patience` is given up.
 */
export class Asked {
  private peer: Peer | null = null
  private readonly waiting = new Map<number, Waiting>()
  private calls = 0

  constructor(
    private readonly start: (heard: Heard) => Peer,
    private readonly patience: number,
  ) {}

  private started(): Peer {
    if (this.peer) return this.peer
    const peer: Peer = this.start({
      answer: (answer) => this.take(answer),
      ended: (error) => {
        if (this.peer === peer) this.goOn(error)
      },
    })
    return (this.peer = peer)
  }

  private take(answer: Answer): void {
    const waiting = this.waiting.get(answer.call)
    if (!waiting) return
    clearTimeout(waiting.timer)
    this.waiting.delete(answer.call)
    if ('answer' in answer) waiting.done(answer.answer)
    else waiting.failed('problem' in answer ? new ProblemError(answer.problem) : new Error(answer.error))
  }

  /** The peer is gone: all but `slow`, and what was with a peer that ended before, is asked of another. */
  private goOn(error: unknown, slow?: number): void {
    this.peer = null
    for (const [call, waiting] of [...this.waiting]) {
      if (call === slow || waiting.again) {
        clearTimeout(waiting.timer)
        this.waiting.delete(call)
        waiting.failed(error)
      } else {
        waiting.again = true
        this.started().post(waiting.question)
      }
    }
  }

  private lose(error: unknown): void {
    this.peer = null
    for (const { failed, timer } of this.waiting.values()) {
      clearTimeout(timer)
      failed(error)
    }
    this.waiting.clear()
  }

  ask(job: string, input: unknown): Promise<unknown> {
    const call = ++this.calls
    return new Promise((done, failed) => {
      const timer = setTimeout(() => {
        log('error', 'aside-slow', { job })
        const { peer } = this
        this.goOn(new Error('What works beside the server took too long.'), call)
        void peer?.end()
      }, this.patience)
      const question = { call, job, input }
      this.waiting.set(call, { question, again: false, done, failed, timer })
      this.started().post(question)
    })
  }

  async end(): Promise<void> {
    const { peer } = this
    if (!peer) return
    this.lose(new Error('What works beside the server was stopped.'))
    await peer.end()
  }
}

/** What a peer says to a question, whatever comes of it. */
export async function answerTo(
  { call, job, input }: Question,
  work: (job: string, input: unknown) => Promise<unknown>,
): Promise<Answer> {
  try {
    // Between processes, what is undefined is not told at all.
    return { call, answer: (await work(job, input)) ?? null }
  } catch (error) {
    if (error instanceof ProblemError) return { call, problem: error.problem }
    return { call, error: String((error as Error)?.stack ?? error) }
  }
}
