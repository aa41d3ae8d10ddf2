import sharp, { type Sharp } from 'sharp'
import { ProblemError, fail, problem } from '../../core/problems'
import { widthsOf } from './widths'

/** What is done to the pixels of pictures: by sharp, in threads of its own. */

/** A picture of more pixels is refused: it would take the memory of everything else. */
export const MOST_PIXELS = 50_000_000

// One picture at a time takes one core; visitors have the other.
sharp.concurrency(1)
sharp.cache(false)

const OPTIONS = { limitInputPixels: MOST_PIXELS, failOn: 'error', sequentialRead: true } as const

/** The kind in which a picture is kept, by its mime type: what browsers do not show becomes one that they do. */
const KEPT: Readonly<Record<string, { mime: string; ending: string; write(image: Sharp): Sharp }>> = {
  'image/jpeg': { mime: 'image/jpeg', ending: 'jpg', write: (i) => i.jpeg({ quality: 90 }) },
  'image/png': { mime: 'image/png', ending: 'png', write: (i) => i.png({ compressionLevel: 8 }) },
  'image/webp': { mime: 'image/webp', ending: 'webp', write: (i) => i.webp({ quality: 90 }) },
  'image/avif': { mime: 'image/avif', ending: 'avif', write: (i) => i.avif({ quality: 70, effort: 2 }) },
  'image/tiff': { mime: 'image/png', ending: 'png', write: (i) => i.png({ compressionLevel: 8 }) },
}

/** In which kinds sizes are made, by the ending of the file that is kept. */
const SIZED: Readonly<Record<string, (image: Sharp) => Sharp>> = {
  avif: (i) => i.avif({ quality: 50, effort: 2 }),
  webp: (i) => i.webp({ quality: 76, effort: 3 }),
  jpg: (i) => i.jpeg({ quality: 80 }),
  png: (i) => i.png({ compressionLevel: 8, palette: false }),
}

export interface CleanPicture {
  bytes: Buffer
  mime: string
  ending: string
  width: number
  height: number
}

/** Why a picture cannot be read, as a problem. */
function pictureError(error: unknown): unknown {
  if (error instanceof ProblemError) return error
  const words = String((error as Error)?.message ?? error)
  if (/pixel limit/i.test(words)) return new ProblemError(problem('picture-large', { most: MOST_PIXELS / 1_000_000 }))
  return new ProblemError(problem('picture-broken'))
}

/**
 * A picture turned upright, without what its camera wrote about place and owner, in a kind that browsers show. One
 * that moves is kept as it is. Throws a problem for what is too large, cut off or no picture at all.
 */
export async function cleanPicture(path: string, mime: string): Promise<CleanPicture> {
  try {
    const { width, height, pages = 1 } = await sharp(path, OPTIONS).metadata()
    if (!width || !height) fail('picture-broken')
    if (width * height * pages > MOST_PIXELS) fail('picture-large', { most: MOST_PIXELS / 1_000_000 })
    if (mime === 'image/gif') return await cleanGif(path, pages)
    const kept = KEPT[mime]
    if (!kept) return fail('file-kind', { name: 'This' })
    const { data, info } = await kept.write(sharp(path, OPTIONS).rotate()).toBuffer({ resolveWithObject: true })
    return { bytes: data, mime: kept.mime, ending: kept.ending, width: info.width, height: info.height }
  } catch (error) {
    throw pictureError(error)
  }
}

async function cleanGif(path: string, pages: number): Promise<CleanPicture> {
  const image = sharp(path, { ...OPTIONS, animated: pages > 1 })
  const { data, info } = await image.gif().toBuffer({ resolveWithObject: true })
  const height = pages > 1 ? Math.round(info.height / pages) : info.height
  return { bytes: data, mime: 'image/gif', ending: 'gif', width: info.width, height }
}

/** Makes every width of a picture in every kind, largest first, each handed over as it is done. */
export async function makeSizes(
  file: Buffer,
  { width, ending }: { width: number; ending: string },
  keep: (name: string, bytes: Buffer) => Promise<void>,
): Promise<number[]> {
  const widths = widthsOf(width, ending)
  let from = file
  for (const wide of [...widths].reverse()) {
    const smaller = sharp(from, OPTIONS).resize({ width: wide, withoutEnlargement: true })
    const raw = await smaller.png({ compressionLevel: 0 }).toBuffer()
    for (const kind of new Set(['avif', 'webp', ending])) {
      await keep(`${wide}.${kind}`, await SIZED[kind]!(sharp(raw, OPTIONS)).toBuffer())
    }
    // Each is made from the next larger one: that is quick, and no eye sees it.
    from = raw
  }
  return widths
}

/** A drawing as a photograph of it would be: 1,600 pixels wide. */
export const photographOf = (svg: Buffer): Promise<Buffer> =>
  sharp(svg, { density: 144 }).resize({ width: 1600 }).flatten({ background: '#fff' }).jpeg({ quality: 88 }).toBuffer()

/** So large, a system puts it on a ground of its own, which may be black: it brings one along. */
const WITH_GROUND = 180

/** A picture as a square, whole in it; a drawing as sharp as its size. */
export async function iconOf(bytes: Buffer, size: number): Promise<Buffer> {
  const { width = size, height = size } = await sharp(bytes, OPTIONS).metadata()
  // As many points as are needed, however large the drawing says that it is; 72 are what it says itself.
  const density = Math.min(2400, Math.max(1, Math.ceil((72 * size) / Math.max(width, height))))
  const square = sharp(bytes, { ...OPTIONS, density }).resize(size, size, {
    fit: 'contain',
    background: { r: 255, g: 255, b: 255, alpha: 0 },
  })
  return (size === WITH_GROUND ? square.flatten({ background: '#fff' }) : square).png().toBuffer()
}
