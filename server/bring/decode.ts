import { fail } from '../../core/problems'

/** Bytes as text: by the mark at their beginning, by what is asked, as UTF-8, or else as most of Europe once wrote. */
export function textOf(bytes: Uint8Array, encoding?: string): string {
  const marked = markOf(bytes)
  if (marked) return decode(bytes, marked)
  if (encoding) return decode(bytes, encoding)
  const wide = looksWide(bytes)
  if (wide) return decode(bytes, wide)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return decode(bytes, 'windows-1252')
  }
}

/** What stands in windows-1252 where Latin-1 has signs for machines (WHATWG Encoding, index windows-1252). */
const OFFICE = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ'
/** Names of it that the platform takes for Latin-1. */
const OFFICE_NAMES = /^(windows-1252|cp-?1252|iso-8859-1|latin-?1|ascii)$/i

function decode(bytes: Uint8Array, encoding: string): string {
  if (OFFICE_NAMES.test(encoding))
    return Buffer.from(bytes)
      .toString('latin1')
      .replace(/[\u0080-\u009f]/g, (c) => OFFICE[c.charCodeAt(0) - 0x80]!)
  try {
    return new TextDecoder(encoding).decode(bytes).replace(/^\ufeff/, '')
  } catch (error) {
    if (error instanceof RangeError)
      return fail('sheet-wrong', { why: `nothing is written in ${encoding.slice(0, 30)}` })
    throw error
  }
}

function markOf([a, b, c]: Uint8Array): string | null {
  if (a === 0xef && b === 0xbb && c === 0xbf) return 'utf-8'
  if (a === 0xff && b === 0xfe) return 'utf-16le'
  return a === 0xfe && b === 0xff ? 'utf-16be' : null
}

/** Two bytes for each letter, told by every other one being nothing. */
function looksWide(bytes: Uint8Array): string | null {
  const head = bytes.subarray(0, 400)
  const nothing = [0, 0]
  for (const [i, byte] of head.entries()) if (byte === 0) nothing[i % 2]!++
  if (head.length < 8) return null
  if (nothing[1]! > head.length / 4) return 'utf-16le'
  return nothing[0]! > head.length / 4 ? 'utf-16be' : null
}
