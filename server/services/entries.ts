import { type Entry, type HomeChoice, checkEntry, dayIn, newEntry, redirectOfEntry } from '../../core/site'
import { fail, failFirst } from '../../core/problems'
import type { EntryAnswer, NewEntryInput } from '../../shared/api/types'
import { insertEntry, readEntry, updateEntry, updateSettings } from '../database/content'
import type { Database } from '../database/open'
import type { Content } from './content'
import type { Draft } from './draft'

/** Entries and settings of the site. Whoever changes them tells the content and the published site afterwards. */
export class Entries {
  constructor(
    private readonly db: Database,
    private readonly draft: Draft,
    private readonly content: Pick<Content, 'catalogue' | 'spoilt'>,
  ) {}

  async read(id: string): Promise<EntryAnswer> {
    return (await readEntry(this.db, id)) ?? fail('entry-unknown', { id })
  }

  /** Stores an entry on top of the revision it was made from; gives it as it stands now when that has moved on. */
  async put(entry: unknown, revision: number): Promise<{ stored: EntryAnswer } | { stale: EntryAnswer }> {
    failFirst(checkEntry(entry, this.content.catalogue))
    const next = entry as Entry
    await this.checkChoice(next)
    return this.db.transaction().execute(async (trx) => {
      const current = (await readEntry(trx, next.id)) ?? fail('entry-unknown', { id: next.id })
      if (current.revision !== revision) return { stale: current }
      if (current.entry.type !== next.type) fail('type-kept')
      const stored = { entry: next, revision: revision + 1 }
      await updateEntry(trx, next, stored.revision, redirectOfEntry(current.entry, next, this.content.catalogue))
      return { stored }
    })
  }

  /** Makes an entry, not published yet: a new one, or what another says once more, at an address of its own. */
  async create({ id, type, title, from }: NewEntryInput): Promise<EntryAnswer> {
    const { catalogue } = this.content
    if (!catalogue.types.has(type)) fail('type-unknown', { id: type })
    const other = from === undefined ? null : (await this.read(from)).entry
    if (other && other.type !== type) fail('type-kept')
    const { day: today } = dayIn(catalogue.site.settings.timeZone, Date.now())
    const made = newEntry({ id, type, title, other, today }, catalogue)
    failFirst(checkEntry(made, catalogue))
    return this.db.transaction().execute(async (trx) => {
      if (await readEntry(trx, id)) fail('id-taken', { id })
      await insertEntry(trx, made)
      return { entry: made, revision: 1 }
    })
  }

  /** A frame can be chosen only where it is offered; a choice made earlier may stay as it is. */
  private async checkChoice(entry: Entry): Promise<void> {
    const { chosenFrame } = entry
    if (!chosenFrame || this.content.catalogue.entries.get(entry.id)?.chosenFrame === chosenFrame) return
    const { frames } = await this.draft.read()
    const offered = frames.some((f) => f.frame.id === chosenFrame && f.frame.offeredTo.includes(entry.type))
    if (!offered) fail('not-offered')
  }

  async setHome(home: HomeChoice): Promise<void> {
    // Settings that could not be read are not written over.
    const lost = this.content.spoilt.find((s) => s.what === 'settings')
    if (lost) fail('spoilt', { what: 'the settings', why: lost.why })
    const catalogue = this.content.catalogue
    const exists =
      home.kind === 'entry' ? catalogue.entries.get(home.entry)?.published : catalogue.types.get(home.type)?.archive
    if (!exists)
      fail('home-needs', { what: home.kind === 'entry' ? 'a published entry' : 'a page type with an archive' })
    await updateSettings(this.db, { ...catalogue.site.settings, home })
  }
}
