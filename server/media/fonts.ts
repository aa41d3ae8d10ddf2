import { readFile } from 'node:fs/promises'
import { type Font, create } from 'fontkit'
import { fail } from '../../core/problems'

/** A face, as its file says of itself. */
export interface FontFacts {
  family: string
  style: 'normal' | 'italic'
  /** One weight, or the two between which it can be drawn: `400`, `200 900`. */
  weight: string
}

/** Bytes that a font may come to once it is unpacked. */
const MOST_UNPACKED = 30_000_000

const SIGNATURE = 0x774f4632
const HEADER = 48

/** What the header of a WOFF2 file promises (WOFF File Format 2.0, section 4); null where there is none. */
function unpackedSize(bytes: Buffer): number | null {
  if (bytes.length < HEADER || bytes.readUInt32BE(0) !== SIGNATURE) return null
  const [length, unpacked] = [bytes.readUInt32BE(8), bytes.readUInt32BE(16)]
  return length === bytes.length ? unpacked : null
}

function weightOf(font: Font): string {
  const axis = font.variationAxes.wght
  if (axis) return `${Math.max(1, Math.round(axis.min))} ${Math.min(1000, Math.round(axis.max))}`
  const single = Math.round(font['OS/2'].usWeightClass)
  return String(single >= 1 && single <= 1000 ? single : 400)
}

/** What a family is called, without what tells its faces apart: a name is written into lists, whatever stands in a file. */
const familyOf = (font: Font): string =>
  String(font.familyName ?? '')
    .replace(/[^\p{L}\p{N}\p{P}\p{Zs}]|[<>"'\\]/gu, '')
    .trim()
    .slice(0, 60) || 'Unnamed family'

/** Judges a font file by all that is in it: its header, its tables, whether there are letters. Throws a problem for what is none. */
export async function readFont(path: string): Promise<FontFacts> {
  const bytes = await readFile(path)
  const unpacked = unpackedSize(bytes)
  if (unpacked === null) return fail('font-kind')
  if (unpacked > MOST_UNPACKED) return fail('font-large', { most: MOST_UNPACKED / 1_000_000 })
  try {
    const font = create(bytes) as Font
    const style = font.italicAngle !== 0 || /italic|oblique/i.test(font.subfamilyName ?? '') ? 'italic' : 'normal'
    if (font.numGlyphs < 2 || font.characterSet.length === 0) return fail('font-broken')
    // Letters are unpacked by themselves; one that cannot be told the whole is cut off.
    void font.glyphForCodePoint(font.characterSet.at(-1)!).path
    return { family: familyOf(font), style, weight: weightOf(font) }
  } catch {
    return fail('font-broken')
  }
}
