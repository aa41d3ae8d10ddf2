import Sqlite from 'better-sqlite3'
import { LRUCache } from 'lru-cache'
import type { Entry, Id } from '../../core/model'
import type { RichDoc } from '../../core/rich'
import { type Database, fileOf } from '../database/open'
import type { Holding } from '../database/entries'
import type { Light } from '../database/lights'
import { readSound } from '../database/sound'

/** A document, with the mark of the one that was judged when it was stored. */
interface Stored {
  doc: string
  judged: string
}

/** Characters of texts that are kept after they were read. */
const MOST_CHARACTERS = 16_000_000

/**
 * The texts of entries: read when one is drawn, over a connection of its own, and kept as long as there is room. So a
 * site may have more of them than memory.
 */
export class Texts {
  private readonly kept = new LRUCache<Id, { text: RichDoc | null; size: number }>({
    maxSize: MOST_CHARACTERS,
    sizeCalculation: ({ size }) => size,
  })
  private reading: Sqlite.Statement<[string], Stored> | null = null

  /** One for all entries: what has a getter of its own is held five times as large, and read more slowly. */
  private readonly later: PropertyDescriptor & ThisType<Entry>

  constructor(private readonly db: Database) {
    const read = (id: Id) => this.read(id)
    this.later = {
      get() {
        return read(this.id)
      },
      enumerable: true,
      configurable: true,
    }
  }

  /** An entry whose content is read when it is asked for. */
  lighten({ content, ...entry }: Entry): Entry {
    return this.heldOf({ entry, hasText: content !== null })
  }

  private readonly heldOf = ({ entry, hasText }: Light): Entry =>
    hasText ? (Object.defineProperty(entry, 'content', this.later) as Entry) : { ...entry, content: null }

  /** How entries are held whose texts are read later. */
  readonly holding: Holding = { whole: (entry) => this.lighten(entry), light: this.heldOf }

  private read(id: Id): RichDoc | null {
    const known = this.kept.get(id)
    if (known) return known.text
    this.reading ??= this.connect()
    const found = this.reading.get(id)
    const text = found ? (readSound<Entry>('entry', id, found.doc, [], found.judged)?.content ?? null) : null
    this.kept.set(id, { text, size: (found?.doc.length ?? 0) + 100 })
    return text
  }

  private connect(): Sqlite.Statement<[string], Stored> {
    const file = new Sqlite(fileOf(this.db), { readonly: true })
    return file.prepare<[string], Stored>('select doc, judged from entries where id = ?')
  }

  drop(id: Id): void {
    this.kept.delete(id)
  }

  clear(): void {
    this.kept.clear()
  }

  /** Ends the connection, if there is one. */
  end(): void {
    this.reading?.database.close()
    this.reading = null
  }
}
