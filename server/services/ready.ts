import { LRUCache } from 'lru-cache'
import pLimit from 'p-limit'
import type { Answer } from './answer'
import { type Encoding, compress } from './encoding'
import { log } from './log'

/** An answer as it goes out: whole headers for each encoding that it stands ready in. */
export class Ready {
  readonly headers: Readonly<Record<string, string>>
  private readonly bodies = new Map<Encoding, { body: Buffer; headers: Record<string, string | number> }>()

  constructor(readonly answer: Answer) {
    this.headers = { ...answer.headers, etag: answer.etag }
    this.add('identity', answer.body)
  }

  add(encoding: Encoding, body: Buffer): void {
    const coded: Record<string, string> = encoding === 'identity' ? {} : { 'content-encoding': encoding }
    this.bodies.set(encoding, { body, headers: { ...this.headers, ...coded, 'content-length': body.length } })
  }

  has(encoding: Encoding): boolean {
    return this.bodies.has(encoding)
  }

  /** The body in the first of some encodings in which it stands ready. */
  in(encodings: readonly Encoding[]): { body: Buffer; headers: Record<string, string | number> } {
    for (const encoding of encodings) {
      const found = this.bodies.get(encoding)
      if (found) return found
    }
    return this.bodies.get('identity')!
  }

  get bytes(): number {
    let bytes = 600
    for (const { body } of this.bodies.values()) bytes += body.length
    return bytes
  }
}

/** Nothing is gained by compressing less. */
const SMALL = 200
/**
 * What fits into the first packets that a connection may carry (RFC 6928: ten of them) arrives as soon plain as
 * compressed, so nobody waits until it is.
 */
const FIRST_FLIGHT = 14_000

/** Makes an answer ready to be sent; what is large is compressed first, beside the event loop. */
export async function readyOf(answer: Answer): Promise<Ready> {
  const ready = new Ready(answer)
  if (answer.body.length > FIRST_FLIGHT && isText(answer)) ready.add('gzip', await compress(answer.body, 'gzip'))
  return ready
}

const isText = ({ headers }: Answer): boolean =>
  /^(text\/|image\/svg|application\/(json|xml))/.test(headers['content-type'] ?? '')

/** Whether two sets have something in common: the smaller one is gone through. */
function meet(a: ReadonlySet<string>, b: ReadonlySet<string>): boolean {
  const [few, many] = a.size < b.size ? [a, b] : [b, a]
  for (const key of few) if (many.has(key)) return true
  return false
}

const MOST_PAGES = 20_000
const MEGABYTE = 1024 * 1024

/** Megabytes of pages kept ready, unless OUTER_FRAME_READY says otherwise; 0 keeps none. */
export function readyMegabytes(text = process.env.OUTER_FRAME_READY): number {
  const number = Number(text ?? 64)
  return Number.isFinite(number) && number >= 0 ? number : 64
}

/**
 * Answers that every visitor gets alike, as they go out, by their canonical address; those used least go when there
 * are too many, or too large ones.
 */
export class ReadyPages {
  private readonly kept: LRUCache<string, Ready> | null
  /** The smallest form takes long to make: one after the other, so that whatever else is done beside is not kept waiting. */
  private readonly smallest = pLimit(1)

  constructor(megabytes = readyMegabytes()) {
    const maxSize = Math.floor(megabytes * MEGABYTE)
    this.kept =
      maxSize > 0 ? new LRUCache({ max: MOST_PAGES, maxSize, sizeCalculation: (ready: Ready) => ready.bytes }) : null
  }

  get(key: string): Ready | undefined {
    return this.kept?.get(key)
  }

  /** Keeps an answer, and makes the smaller forms of it that it has not yet, for those who ask later. */
  keep(key: string, ready: Ready): void {
    if (!this.kept) return
    this.kept.set(key, ready)
    if (ready.answer.body.length <= SMALL || !isText(ready.answer)) return
    this.compressAll(key, ready).catch((error: unknown) => log('error', 'not-compressed', { error: String(error) }))
  }

  private async compressAll(key: string, ready: Ready): Promise<void> {
    await this.addForm(key, ready, 'gzip')
    await this.smallest(() => this.addForm(key, ready, 'br'))
  }

  /** Adds a form to what is kept, as long as it is; its size is counted anew. */
  private async addForm(key: string, ready: Ready, encoding: Exclude<Encoding, 'identity'>): Promise<void> {
    if (ready.has(encoding) || this.kept?.peek(key) !== ready) return
    const body = await compress(ready.answer.body, encoding)
    if (this.kept.peek(key) !== ready) return
    ready.add(encoding, body)
    // What is put in the place of itself keeps the size that it had.
    this.kept.delete(key)
    this.kept.set(key, ready)
  }

  /** Lets go of what was made from any of these keys, and of what may show anything. */
  drop(stale: ReadonlySet<string>): void {
    if (!this.kept || stale.size === 0) return
    for (const [key, { answer }] of this.kept.entries()) {
      const { seen } = answer.depends
      if (!seen || seen.has('anything') || meet(seen, stale)) this.kept.delete(key)
    }
  }

  clear(): void {
    this.kept?.clear()
  }

  get size(): number {
    return this.kept?.size ?? 0
  }

  get bytes(): number {
    return this.kept?.calculatedSize ?? 0
  }
}
