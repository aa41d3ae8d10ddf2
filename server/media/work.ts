import type { SharedCard } from '../../core/machines'
import { FileStore, type Incoming } from './store'
import type { FontFacts } from './fonts'
import type { CleanPicture } from './sizes'

/** A picture that was sent, cleaned and waiting as a file to be kept. */
export type Cleaned = Incoming & Omit<CleanPicture, 'bytes'>

/** Work on the pixels of pictures, and on what others made that must be judged. What goes in and out is plain data; the pixels stay in files. */
export interface PictureWork {
  /** Judges and cleans a file that has come in; throws a problem for what is no picture. */
  clean(input: { incoming: Incoming; name: string }): Promise<Cleaned>
  /** Makes the sizes of a kept picture, and keeps them; gives their widths. */
  sizes(input: { hash: string; width: number; ending: string }): Promise<number[]>
  /** Judges a font file that has come in, and tells what face it holds; throws a problem for what is none. */
  font(input: { incoming: Incoming }): Promise<FontFacts>
  /** How many pages a kept PDF has; null where that cannot be told. */
  pages(input: { hash: string }): Promise<number | null>
  /** The picture of a page that has none, as PNG (in base64, for it is told from process to process), in the font of a file. */
  card(input: { card: SharedCard; font: string }): Promise<string>
  /** A kept picture as a square of PNG, so many pixels wide; kept as one of its sizes, `icon-32.png`. */
  icon(input: { hash: string; size: number }): Promise<void>
  /** A kept drawing as a photograph of it would be. */
  photograph(input: { hash: string }): Promise<Incoming>
}

/** The work over a data folder, in the process that calls it. What it needs is large, and loaded when it is needed. */
export function pictureWorkOver(folder: string): PictureWork {
  const files = new FileStore(folder)
  const bytesOf = async (hash: string): Promise<Buffer> => {
    const bytes = await files.read(hash)
    if (!bytes) throw new Error(`the file ${hash} is gone`)
    return bytes
  }
  return {
    async clean({ incoming, name }) {
      const { cleanSent } = await import('./clean')
      const { bytes, ...clean } = await cleanSent(incoming, name)
      return { ...clean, ...(await files.bring(bytes)) }
    },
    async sizes({ hash, width, ending }) {
      const { makeSizes } = await import('./sizes')
      return makeSizes(await bytesOf(hash), { width, ending }, (name, made) => files.keepSize(hash, name, made))
    },
    async font({ incoming }) {
      const { readFont } = await import('./fonts')
      return readFont(incoming.path)
    },
    async pages({ hash }) {
      const { countPages } = await import('./pages')
      return countPages(await bytesOf(hash))
    },
    async card({ card, font }) {
      const { drawSharedCard } = await import('./card')
      return (await drawSharedCard(card, font)).toString('base64')
    },
    async icon({ hash, size }) {
      const { iconOf } = await import('./sizes')
      await files.keepSize(hash, `icon-${size}.png`, await iconOf(await bytesOf(hash), size))
    },
    async photograph({ hash }) {
      const { photographOf } = await import('./sizes')
      return files.bring(await photographOf(await bytesOf(hash)))
    },
  }
}
