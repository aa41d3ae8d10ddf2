import type { Id } from '../../core/model'
import { type StoredPicture, readPicture } from '../database/pictures'
import type { Database } from '../database/open'
import { log } from '../services/log'
import type { PictureWork } from './work'

/** Pictures whose sizes are to be made: one after the other, so that there is always time for visitors. */
export class Sizing {
  private readonly queue: Id[] = []
  private working: Promise<void> | null = null
  private ended = false

  constructor(
    private readonly db: Database,
    private readonly work: Pick<PictureWork, 'sizes'>,
    /** Stores a picture whose sizes are there. */
    private readonly store: (stored: StoredPicture) => Promise<void>,
  ) {}

  enqueue(ids: readonly Id[]): void {
    for (const id of ids) if (!this.queue.includes(id)) this.queue.push(id)
    this.working ??= this.goThrough().finally(() => (this.working = null))
  }

  private async goThrough(): Promise<void> {
    for (let id = this.queue.shift(); id !== undefined && !this.ended; id = this.queue.shift()) {
      await this.makeSizesOf(id).catch((error: unknown) => {
        // A server that stops does not wait for them: they are made after its next start.
        if (!this.ended)
          log('error', 'sizes-not-made', { picture: id, error: String((error as Error)?.stack ?? error) })
      })
    }
  }

  private async makeSizesOf(id: Id): Promise<void> {
    const before = await readPicture(this.db, id)
    if (!before || before.hash === '') return
    const { picture, hash } = before
    const ending = /\.([a-z0-9]+)$/.exec(picture.fileName)?.[1] ?? ''
    const widths = await this.work.sizes({ hash, width: picture.width, ending })
    // It may have been replaced or described meanwhile.
    const now = await readPicture(this.db, id)
    if (now?.hash === hash && !this.ended) await this.store({ ...now, picture: { ...now.picture, widths } })
  }

  /** Waits until all sizes are made: for tests, and for what measures. */
  async settled(): Promise<void> {
    while (this.working) await this.working
  }

  /** Makes no more of them; what is being made is to be ended by whoever does the work. */
  stop(): void {
    this.ended = true
  }
}
