import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import type { SharedCard } from '../../core/machines'
import type { Pictures } from '../media/beside'
import type { Media } from './media'

/** So many pictures are kept; each is some ten thousand bytes. */
const MOST_KEPT = 200
/** So many wait at most; whoever comes then is told to come back. */
const MOST_WAITING = 24

const FONT = /^\/_of\/fonts\/([\w-]+)\/([\w-]+\.woff2)$/
const FILE = /^\/files\/([^/]+)\//

/** Where fonts lie that ship with the product: beside the built server, else among the packages. */
function shippedFont(folder: string, name: string): string {
  const built = join(dirname(process.argv[1] ?? ''), '..', 'public', '_of', 'fonts', folder, name)
  return existsSync(built) ? built : join('node_modules', '@fontsource-variable', folder, 'files', name)
}

/** Pictures of pages that have none, drawn when they are asked for and kept by their marks. */
export class SharedCards {
  private readonly kept = new Map<string, Promise<Buffer>>()
  private waiting = 0

  constructor(
    private readonly media: Pick<Media, 'file'>,
    private readonly work: Pick<Pictures, 'card'>,
  ) {}

  private async fontFile(address: string): Promise<string> {
    const shipped = FONT.exec(address)
    if (shipped) return shippedFont(shipped[1]!, shipped[2]!)
    const own = FILE.exec(address)
    const file = own && (await this.media.file(decodeURIComponent(own[1]!)))
    return file ? file.path : shippedFont('schibsted-grotesk', 'schibsted-grotesk-latin-wght-normal.woff2')
  }

  /** A picture as PNG, by the mark that stands for all that is on it; null while too many others are drawn. */
  async draw(mark: string, card: SharedCard): Promise<Buffer | null> {
    const kept = this.kept.get(mark)
    if (kept) return kept
    if (this.waiting >= MOST_WAITING) return null
    this.waiting++
    const drawn = this.fontFile(card.font)
      .then((font) => this.work.card({ card, font }))
      .then((png) => Buffer.from(png, 'base64'))
      .finally(() => this.waiting--)
    if (this.kept.size >= MOST_KEPT) this.kept.delete(this.kept.keys().next().value!)
    this.kept.set(mark, drawn)
    drawn.catch(() => this.kept.delete(mark))
    return drawn
  }
}
