import { readFile } from 'node:fs/promises'
import { fail } from '../../core/problems'
import { judge } from './judge'
import { type CleanPicture, cleanPicture } from './sizes'
import type { Incoming } from './store'
import { cleanSvg } from './svg'

const MOST_DRAWING = 2_000_000

/**
 * What was sent as a picture, judged by what stands in it and cleaned. Throws a problem for what is none, or cannot be
 * read. What works on pixels and drawings is large: whoever needs this loads it then.
 */
export async function cleanSent({ path, size }: Incoming, name: string): Promise<CleanPicture> {
  const judged = await judge(path, name)
  if (judged?.kind === 'picture') return cleanPicture(path, judged.mime)
  if (judged?.kind !== 'drawing') return fail('file-kind', { name: name.slice(0, 80) || 'This' })
  if (size > MOST_DRAWING) fail('body-large', { most: `${MOST_DRAWING / 1_000_000} MB for a drawing` })
  const drawing = cleanSvg(await readFile(path, 'utf8'))
  if (!drawing) return fail('picture-broken')
  const { svg, width, height } = drawing
  return { bytes: Buffer.from(svg), mime: judged.mime, ending: judged.ending, width, height }
}
