import { fork } from 'node:child_process'
import { setPriority } from 'node:os'
import { besideServer } from '../aside'
import { type Answer, Asked, type Heard, type Peer } from '../aside/asked'
import { type PictureWork, pictureWorkOver } from './work'

/** The largest picture that is taken is done in a tenth of this, with the machine to itself. */
const PATIENCE = 10 * 60_000
/** The least of all: whoever wants an answer goes first. */
const LAST = 19

/**
 * A process that works on pictures, behind everybody else: a codec takes every core that it is given, and only a
 * process of its own can be told to stand back.
 */
function startProcess(file: string, folder: string, heard: Heard): Peer {
  const child = fork(file, [folder], { execArgv: [], stdio: ['ignore', 'inherit', 'inherit', 'ipc'] })
  child.on('message', (answer) => heard.answer(answer as Answer))
  child.on('error', heard.ended)
  child.on('exit', () => heard.ended(new Error('The process that works on pictures has ended.')))
  try {
    if (child.pid !== undefined) setPriority(child.pid, LAST)
  } catch (error) {
    // Some systems do not let anybody say so; then it works as everybody else does.
    if ((error as NodeJS.ErrnoException).code !== 'ERR_SYSTEM_ERROR') throw error
  }
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
  const job = <K extends keyof PictureWork>(name: K): PictureWork[K] =>
    ((input: unknown) => other.ask(name, input)) as PictureWork[K]
  return {
    clean: job('clean'),
    font: job('font'),
    sizes: job('sizes'),
    card: job('card'),
    pages: job('pages'),
    photograph: job('photograph'),
    end: () => other.end(),
  }
}
