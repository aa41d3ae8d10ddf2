import { createHash, randomBytes } from 'node:crypto'
import { mkdir, open, readFile, readdir, rename, rm, stat } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { ProblemError, fail, problem } from '../../core/problems'
import { isFull } from '../database/full'

/** Files in the data folder, named by the hash of their content: one that is there is whole, and never changes. */

/** Begins the names of files that are on their way in. */
const COMING = 'coming-'
/** What nobody has written to for so long is left by a server that was stopped, in milliseconds. */
const ABANDONED = 10 * 60_000
const HASH = /^[0-9a-f]{64}$/

const sizeWords = (bytes: number): string => `${Math.round(bytes / 1_000_000)} MB`

/** A file that has come in and is not kept yet. */
export interface Incoming {
  path: string
  hash: string
  size: number
}

export class FileStore {
  private readonly folder: string

  constructor(data: string, folder = 'files') {
    this.folder = join(data, folder)
  }

  /** Where the file with a hash lies, or one of its sizes (`640.avif`). */
  path(hash: string, size = ''): string {
    if (!HASH.test(hash)) throw new Error(`no hash: ${hash}`)
    return join(this.folder, hash.slice(0, 2), size ? `${hash}-${size}` : hash)
  }

  /** Makes the folder, and takes away what came in halfway before the server was stopped. */
  async open(): Promise<void> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 })
    for (const name of await readdir(this.folder)) {
      const path = join(this.folder, name)
      // Another process may be taking something in just now.
      if (name.startsWith(COMING) && Date.now() - (await stat(path)).mtimeMs > ABANDONED) await this.drop(path)
    }
  }

  private coming = (): string => join(this.folder, COMING + randomBytes(9).toString('hex'))

  /** Takes in what comes, up to so many bytes; refused when it is more, when it ends too early, or the disk is full. */
  async receive(from: Readable, most: number, expected?: number): Promise<Incoming> {
    const path = this.coming()
    const hash = createHash('sha256')
    let size = 0
    const counting = async function* (source: AsyncIterable<Buffer>) {
      for await (const chunk of source) {
        size += chunk.length
        if (size > most) fail('body-large', { most: sizeWords(most) })
        hash.update(chunk)
        yield chunk
      }
    }
    // It is there before anything comes, so that it can be taken away whatever happens and however soon.
    const file = await open(path, 'wx', 0o600).catch((error: unknown) => {
      throw filesError(error)
    })
    try {
      await pipeline(from, counting, file.createWriteStream())
      if (expected !== undefined && size !== expected) fail('file-cut')
      return { path, hash: hash.digest('hex'), size }
    } catch (error) {
      await file.close()
      await this.drop(path)
      throw filesError(error)
    }
  }

  /** What a file is made of, written as a file that has come in. */
  async bring(bytes: Buffer): Promise<Incoming> {
    return this.receive(Readable.from([bytes]), Number.MAX_SAFE_INTEGER)
  }

  /** Keeps what has come in, under its hash; what is there already is not written again. */
  async keep({ path, hash }: Pick<Incoming, 'path' | 'hash'>, size = ''): Promise<void> {
    const to = this.path(hash, size)
    await mkdir(dirname(to), { recursive: true, mode: 0o700 })
    await rename(path, to)
  }

  /** Keeps one of the sizes of a file. */
  async keepSize(hash: string, size: string, bytes: Buffer): Promise<void> {
    const { path } = await this.bring(bytes)
    await this.keep({ path, hash }, size)
  }

  async drop(path: string): Promise<void> {
    await rm(path, { force: true })
  }

  /** The bytes of a file, or null when it is not there. */
  async read(hash: string, size = ''): Promise<Buffer | null> {
    try {
      return await readFile(this.path(hash, size))
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null
      throw error
    }
  }

  async has(hash: string, size = ''): Promise<boolean> {
    return stat(this.path(hash, size)).then(
      () => true,
      () => false,
    )
  }

  /**
   * Takes away all files but those with these hashes, and those that were written to since a moment, unless they are
   * among `cleared`; gives how many went.
   */
  async clearBut(
    wanted: ReadonlySet<string>,
    since = Infinity,
    cleared: ReadonlySet<string> = new Set(),
  ): Promise<number> {
    let gone = 0
    for (const part of await readdir(this.folder, { withFileTypes: true })) {
      if (!part.isDirectory()) continue
      for (const name of await readdir(join(this.folder, part.name))) {
        if (wanted.has(name.slice(0, 64))) continue
        const path = join(this.folder, part.name, name)
        const isCleared = cleared.has(name.slice(0, 64))
        if (since < Infinity && !isCleared && (await stat(path)).mtimeMs >= since) continue
        await rm(path, { force: true })
        gone++
      }
    }
    return gone
  }
}

/** What went wrong with a file, as a problem where it is one that people can do something about. */
export function filesError(error: unknown): unknown {
  if (error instanceof ProblemError) return error
  const code = (error as NodeJS.ErrnoException | null)?.code
  if (isFull(error)) return new ProblemError(problem('disk-full'))
  if (code === 'ECONNRESET' || code === 'ERR_STREAM_PREMATURE_CLOSE' || code === 'ABORT_ERR')
    return new ProblemError(problem('file-cut'))
  return error
}
