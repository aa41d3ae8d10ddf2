import { type ChildProcess, fork } from 'node:child_process'
import { readFile } from 'node:fs/promises'
import { setPriority } from 'node:os'
import { besideServer } from '../aside'
import { type Answer, Asked, type Heard, type Peer } from '../aside/asked'
import { type PictureWork, pictureWorkOver } from './work'

/** What counts the pages of a PDF that somebody made has so long, and so many bytes of memory. */
const PAGES_PATIENCE = 10_000
const PAGES_MEMORY = 300_000_000

/** Ends a process that takes more memory than it may, where the system tells how much it takes. */
function watchMemory(child: ChildProcess, most: number): void {
  const look = setInterval(() => {
    readFile(`/proc/${child.pid}/status`, 'utf8').then(
      (words) => {
        // In kB (proc(5)).
        if (Number(/^VmRSS:\s+(\d+) kB/m.exec(words)?.[1] ?? 0) * 1024 > most) child.kill('SIGKILL')
      },
      () => clearInterval(look),
    )
  }, 50).unref()
  child.once('exit', () => clearInterval(look))
}

/** The largest picture that is taken is done in a tenth of this, with the machine to itself. */
const PATIENCE = 10 * 60_000
/** The least of all: whoever wants an answer goes first. */
const LAST = 19

/**
 * A process that works on pictures, behind everybody else: a codec takes every core that it is given, and only a
 * process of its own can be told to stand back.
 */
function startProcess(file: string, folder: string, heard: Heard, most = 0): Peer {
  const execArgv = most ? [`--max-old-space-size=${Math.round(most / 2_000_000)}`] : []
  const child = fork(file, [folder], { execArgv, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] })
  child.on('message', (answer) => heard.answer(answer as Answer))
  child.on('error', heard.ended)
  child.on('exit', () => heard.ended(new Error('The process that works on pictures has ended.')))
  try {
    if (child.pid !== undefined) setPriority(child.pid, LAST)
  } catch (error) {
    // Some systems do not let anybody say so; then it works as everybody else does.
    if ((error as NodeJS.ErrnoException).code !== 'ERR_SYSTEM_ERROR') throw error
  }
  if (most) watchMemory(child, most)
  child.unref()
  child.channel?.unref()
  return {
    post: (question) => child.send(question),
    end: async () => void child.kill(),
  }
}

export interface Pictures extends PictureWork {
  end(): Promise<void>
}

/** The work in a process of its own, where the built server has brought it along; else in this one. */
export function openPictureWork(folder: string): Pictures {
  const file = besideServer('pictures.mjs')
  if (!file) return { ...pictureWorkOver(folder), end: async () => {} }
  const other = new Asked((heard) => startProcess(file, folder, heard), PATIENCE)
  const counting = new Asked((heard) => startProcess(file, folder, heard, PAGES_MEMORY), PAGES_PATIENCE)
  const job = <K extends keyof PictureWork>(name: K): PictureWork[K] =>
    ((input: unknown) => other.ask(name, input)) as PictureWork[K]
  return {
    clean: job('clean'),
    font: job('font'),
    sizes: job('sizes'),
    card: job('card'),
    icon: job('icon'),
    // Of a file that takes too much it is not known how many there are.
    pages: (input) => counting.ask('pages', input).catch(() => null) as Promise<number | null>,
    photograph: job('photograph'),
    end: async () => void (await Promise.all([other.end(), counting.end()])),
  }
}
