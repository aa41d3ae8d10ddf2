import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'
import Negotiator from 'negotiator'

/** How a body is sent: as it is, or compressed. */
export type Encoding = 'br' | 'gzip' | 'identity'

/** What browsers send is one of a few texts, so each is read once. */
const read = new Map<string, readonly Encoding[]>()
const MOST_KEPT = 200
const OFFERED: Encoding[] = ['br', 'gzip', 'identity']

/** Its types do not name what it knows: which of several is preferred where a request has no preference. */
type Negotiating = { encodings(offered: Encoding[], options: { preferred: Encoding[] }): Encoding[] }

function negotiated(accepted: string): Encoding[] {
  const negotiator = new Negotiator({ headers: { 'accept-encoding': accepted } }) as unknown as Negotiating
  return negotiator.encodings(OFFERED, { preferred: OFFERED })
}

/** The encodings that a request takes, the one it likes best first; ours decides between equals. */
export function encodingsOf(accepted: string | string[] | undefined): readonly Encoding[] {
  const text = String(accepted ?? '')
  let taken = read.get(text)
  if (!taken) {
    if (read.size >= MOST_KEPT) read.clear()
    taken = text === '' ? ['identity'] : negotiated(text)
    read.set(text, taken)
  }
  return taken
}

/** Whether an answer may be compressed with gzip, by what a request says it takes. */
export const takesGzip = (accepted: string | string[] | undefined): boolean => encodingsOf(accepted).includes('gzip')

const [gzipAsync, brotliAsync] = [promisify(gzip), promisify(brotliCompress)]
/** Pages are compressed once and sent often. */
const BROTLI_QUALITY = 10

/** Compresses beside the event loop. */
export function compress(body: Buffer, encoding: Exclude<Encoding, 'identity'>): Promise<Buffer> {
  if (encoding === 'gzip') return gzipAsync(body)
  return brotliAsync(body, {
    params: {
      [constants.BROTLI_PARAM_QUALITY]: BROTLI_QUALITY,
      [constants.BROTLI_PARAM_MODE]: constants.BROTLI_MODE_TEXT,
      [constants.BROTLI_PARAM_SIZE_HINT]: body.length,
    },
  })
}
