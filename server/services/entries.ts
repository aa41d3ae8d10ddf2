import type { Transaction } from 'kysely'
import { type Catalogue, checkEntry, newEntry, redirectOfEntry, takenAddress } from '../../core/catalogue'
import { type Entry, type Id, firstFree, workingShape } from '../../core/model'
import { dayIn } from '../../core/time'
import { type Problem, ProblemError, fail, failFirst, problem } from '../../core/problems'
import { refuse } from '../../core/shape'
import { asSentence, counted } from '../../core/text'
import type {
  BulkAnswer,
  BulkInput,
  EntryAnswer,
  NewEntryInput,
  OpenEntryAnswer,
  StaleEntryAnswer,
  StatesAnswer,
} from '../../shared/api/types'
import { REDIRECTS_CHANGED, contentVersion, touchContent } from '../database/content'
import {
  clearEntries,
  entryExists,
  insertEntry,
  readEntriesBy,
  readEntry,
  readState,
  readStates,
  setEntryRemoved,
  updateEntry,
} from '../database/entries'
import type { Database } from '../database/open'
import type { Tables } from '../database/schema'
import { dropWorkingCopy, readWorkingCopy, writeWorkingCopy } from '../database/working-copies'
import type { Content } from './content'
import type { Draft } from './draft'
import { giveTurn, takeTurns } from './turns'

/** So often what others store at the same time is taken over before what is stored here is refused. */
const MOST_CHECKS = 20

type By = { id: number; name: string }
type Stale = Omit<StaleEntryAnswer, 'problem'>

/** Entries of the site. Whoever changes them tells the content and the published site afterwards. */
export class Entries {
  constructor(
    private readonly db: Database,
    private readonly draft: Draft,
    private readonly content: Pick<Content, 'catalogue' | 'version' | 'follow'>,
    /** Takes over what is stored since, and tells of it. */
    private readonly follow: () => Promise<unknown> = () => content.follow(),
  ) {}

  private get catalogue(): Catalogue {
    return this.content.catalogue
  }

  /**
   * Checks against the content, and stores in a transaction over the same content: where others have stored something
   * meanwhile, here or in another process, that is taken over and it is checked once more. So no two entries are given
   * one address.
   */
  private async overPresent<T>(check: () => unknown, store: (trx: Transaction<Tables>) => Promise<T>): Promise<T> {
    for (let left = MOST_CHECKS; ; left--) {
      const { version } = this.content
      await check()
      await giveTurn()
      const stored = await this.db.transaction().execute(async (trx) => {
        const isPresent = (await contentVersion(trx)) === version && this.content.version === version
        return isPresent ? { value: await store(trx) } : null
      })
      if (stored) return stored.value
      if (left === 0) fail('content-moving')
      await this.follow()
    }
  }

  /** An entry as it stands, with what somebody is writing in it. */
  async open(id: Id, by: By): Promise<OpenEntryAnswer> {
    const stored = (await readEntry(this.db, id)) ?? fail('entry-unknown', { id })
    return { ...stored, working: await readWorkingCopy(this.db, id, by.id) }
  }

  /** Stores an entry on top of the revision it was made from; gives it as it stands now when that has moved on. */
  async put(entry: unknown, revision: number, by: By): Promise<{ stored: EntryAnswer } | { stale: Stale }> {
    const next = entry as Entry
    const check = () => {
      failFirst(checkEntry(entry, this.catalogue))
      return this.checkChoice(next)
    }
    return this.overPresent(check, async (trx) => {
      const current = (await readEntry(trx, next.id)) ?? fail('entry-unknown', { id: next.id })
      if (current.revision !== revision) return { stale: { current, base: await readState(trx, next.id, revision) } }
      if (current.entry.type !== next.type) fail('type-kept')
      const stored = { entry: next, revision: revision + 1 }
      const redirect = redirectOfEntry(current.entry, next, this.catalogue)
      await updateEntry(trx, stored, by.name, redirect)
      await dropWorkingCopy(trx, next.id, by.id)
      await touchContent(trx, redirect ? [next.id, REDIRECTS_CHANGED] : [next.id])
      return { stored }
    })
  }

  /** Makes an entry, not published yet: a new one, or what another says once more, at an address of its own. */
  async create({ id, type, title, from }: NewEntryInput, by: By): Promise<EntryAnswer> {
    const { catalogue } = this
    if (!catalogue.types.has(type)) fail('type-unknown', { id: type })
    const other = from === undefined ? null : (await this.open(from, by)).entry
    if (other && other.type !== type) fail('type-kept')
    const { day: today } = dayIn(catalogue.site.settings.timeZone, Date.now())
    let made!: Entry
    const make = () => {
      made = newEntry({ id, type, title, other, today }, this.catalogue)
      failFirst(checkEntry(made, this.catalogue))
    }
    return this.overPresent(make, async (trx) => {
      if (await entryExists(trx, id)) fail('id-taken', { id })
      await insertEntry(trx, made, by.name)
      await touchContent(trx, [made.id])
      return { entry: made, revision: 1 }
    })
  }

  /** Keeps what somebody is writing, storable or not, or drops it. */
  async keepWorking(id: Id, working: { entry: unknown; revision: number } | null, by: By): Promise<void> {
    if (!(await readEntry(this.db, id))) fail('entry-unknown', { id })
    if (!working) return dropWorkingCopy(this.db, id, by.id)
    const { entry, revision } = working
    const why = refuse(workingShape, entry)
    if (why !== null) fail('entry-shape', { why: asSentence(why) })
    if ((entry as Entry).id !== id) fail('other-id', { id })
    await writeWorkingCopy(this.db, by.id, { entry: entry as Entry, revision, at: Date.now() })
  }

  async states(id: Id): Promise<StatesAnswer> {
    if (!(await entryExists(this.db, id))) fail('entry-unknown', { id })
    return { states: await readStates(this.db, id) }
  }

  async state(id: Id, revision: number): Promise<{ entry: Entry }> {
    return { entry: (await readState(this.db, id, revision)) ?? fail('state-unknown', { id, revision }) }
  }

  /** Does the same to many entries, all that can have it done; tells why the others cannot. */
  async change({ ids, does }: BulkInput, by: By): Promise<BulkAnswer> {
    let refused: BulkAnswer['refused'] = []
    let done: Id[] = []
    const turn = takeTurns()
    const begin = () => {
      ;[refused, done] = [[], []]
    }
    await this.overPresent(begin, async (trx) => {
      const putsBack = does.kind === 'put-back'
      const given = new Set<string>()
      const order = new Map(ids.map((id, i) => [id, i]))
      const found = await readEntriesBy(trx, ids, putsBack)
      found.sort((a, b) => order.get(a.entry.id)! - order.get(b.entry.id)!)
      const known = new Set(found.map((f) => f.entry.id))
      for (const id of ids) if (!known.has(id)) refused.push({ id, problem: problem('entry-unknown', { id }) })
      for (const { entry, revision } of found) {
        await turn()
        const why = does.kind === 'remove' ? this.whyKept(entry, known) : null
        if (why) refused.push({ id: entry.id, problem: why })
        if (why) continue
        if (does.kind === 'remove') await setEntryRemoved(trx, entry.id, true, by.name)
        else {
          const next = putsBack ? this.back(entry, given) : changed(entry, does)
          const problems = checkEntry(next, this.catalogue)
          if (problems[0]) refused.push({ id: entry.id, problem: problems[0] })
          if (problems[0]) continue
          if (putsBack) await setEntryRemoved(trx, entry.id, false, by.name)
          if (JSON.stringify(next) !== JSON.stringify(entry))
            await updateEntry(trx, { entry: next, revision: revision + 1 }, by.name)
        }
        done.push(entry.id)
      }
      if (done.length > 0) await touchContent(trx, done)
    })
    return { done: done.length, refused }
  }

  /** An entry that was removed, at an address that is free by now; `given` are those of others that come back with it. */
  private back(entry: Entry, given: Set<string>): Entry {
    const type = this.catalogue.types.get(entry.type)
    if (!type) return entry
    const parent = entry.parent && this.catalogue.entries.has(entry.parent) ? entry.parent : null
    const free = { ...entry, parent }
    const nameOf = (slug: string) => `${type.id} ${parent} ${slug}`
    const taken = (slug: string) =>
      given.has(nameOf(slug)) || takenAddress({ ...free, slug }, type, this.catalogue) !== null
    const slug = firstFree(entry.slug, 80, taken)
    given.add(nameOf(slug))
    return { ...free, slug }
  }

  /** Why an entry cannot be removed together with some others; null when it can. */
  private whyKept({ id, title, type }: Entry, together: ReadonlySet<Id>): Problem | null {
    const { site } = this.catalogue
    if (site.settings.home.kind === 'entry' && site.settings.home.entry === id) return problem('home-shows-it')
    if (!this.catalogue.types.get(type)?.tree) return null
    const below = site.entries.filter((e) => e.parent === id && !together.has(e.id))
    return below.length ? problem('has-below', { title: title || id, count: counted(below.length, 'page') }) : null
  }

  /** Removed entries are gone for good. */
  clearRemoved(): Promise<number> {
    return this.db.transaction().execute((trx) => clearEntries(trx))
  }

  /** A frame can be chosen only where it is offered; a choice made earlier may stay as it is. */
  private async checkChoice(entry: Entry): Promise<void> {
    const { chosenFrame } = entry
    if (!chosenFrame || this.catalogue.entries.get(entry.id)?.chosenFrame === chosenFrame) return
    const { frames } = await this.draft.read()
    const offered = frames.some((f) => f.frame.id === chosenFrame && f.frame.offeredTo.includes(entry.type))
    if (!offered) fail('not-offered')
  }
}

/** An entry after one thing is done to it. */
function changed(entry: Entry, does: BulkInput['does']): Entry {
  switch (does.kind) {
    case 'publish':
      return { ...entry, published: true }
    case 'unpublish':
      return { ...entry, published: false }
    case 'add-term':
      return entry.terms.includes(does.term) ? entry : { ...entry, terms: [...entry.terms, does.term] }
    case 'take-term':
      return { ...entry, terms: entry.terms.filter((t) => t !== does.term) }
    case 'person':
      return { ...entry, person: does.person }
    default:
      throw new ProblemError(problem('unexpected'))
  }
}
