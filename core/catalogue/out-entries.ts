import { momentIn } from '../time'
import { type Times, countTime } from './pages'
import { SortedLists, newestFirst, type Entry, type Id } from '../model'

/**
 * The entries that visitors can see, now: newest first by type, term and person, and counted by years and months. An
 * entry is counted in and out one by one; the clock says whose moment has come.
 */
export class OutEntries {
  readonly byType = new SortedLists((e) => [e.type])
  readonly byTerm = new SortedLists((e) => e.terms)
  readonly byPerson = new SortedLists((e) => [e.person])
  readonly times: Times = new Map()
  private readonly out = new Set<Id>()
  /** Ids of the entries that are out from or until a moment. */
  private readonly timed = new Set<Id>()
  /** The moment at which entries are looked at, in milliseconds since 1970. */
  private now: number

  constructor(
    entries: readonly Entry[],
    private readonly timeZone: string,
    now: number,
  ) {
    this.now = now
    const out = entries.filter((e) => this.isDue(e)).sort(newestFirst)
    for (const entry of out) {
      this.out.add(entry.id)
      countTime(this.times, entry, 1)
    }
    for (const entry of entries) if (entry.from || entry.until) this.timed.add(entry.id)
    for (const lists of [this.byType, this.byTerm, this.byPerson]) lists.fill(out)
  }

  /** Whether an entry is to be out at a moment. */
  private isDue(entry: Entry, at = this.now): boolean {
    if (!entry.published) return false
    if (!entry.from && !entry.until) return true
    const { from, until } = this.timesOf(entry)
    return from <= at && at < until
  }

  private readonly known = new WeakMap<Entry, { from: number; until: number }>()

  /**
   * From and until when an entry is out, as moments: clock texts come twice when clocks go back, and an entry would go
   * out, in and out again by them.
   */
  private timesOf(entry: Entry): { from: number; until: number } {
    let times = this.known.get(entry)
    if (!times) {
      const moment = (text: string | null | undefined, none: number) =>
        text ? (momentIn(text, this.timeZone) ?? none) : none
      this.known.set(entry, (times = { from: moment(entry.from, -Infinity), until: moment(entry.until, Infinity) }))
    }
    return times
  }

  /** Whether the same entries are out at another moment. */
  isSameAt(at: number, entryOf: (id: Id) => Entry): boolean {
    return ![...this.timed].some((id) => this.isDue(entryOf(id), at) !== this.out.has(id))
  }

  has(id: Id): boolean {
    return this.out.has(id)
  }

  isBusy(person: Id): boolean {
    return this.byPerson.get(person).length > 0
  }

  /** Goes on to another time; gives the entries whose moment has come by it, or is over. They are to be counted then. */
  turn(now: number, entryOf: (id: Id) => Entry): Entry[] {
    this.now = now
    return [...this.timed].map(entryOf).filter((entry) => this.isDue(entry) !== this.out.has(entry.id))
  }

  /** Counts an entry out of the lists it stood in and into those it stands in now; says whether other pages come or go. */
  count(before: Entry | null, after: Entry | null): boolean {
    const { id } = (after ?? before)!
    if (after?.from || after?.until) this.timed.add(id)
    else this.timed.delete(id)
    const was = before && this.out.has(id) ? before : null
    const is = after && this.isDue(after) ? after : null
    const people = [was, is].flatMap((e) => e?.person ?? [])
    const busy = people.map((person) => this.isBusy(person)).join()
    const gone = was !== null && this.countOne(was, -1)
    const come = is !== null && this.countOne(is, 1)
    // A month that goes and comes again tells of a change that is none: then pages are listed once more than needed.
    return gone || come || people.map((person) => this.isBusy(person)).join() !== busy
  }

  /** Counts an entry in or out; says whether a year or a month comes or goes with it. */
  private countOne(entry: Entry, by: 1 | -1): boolean {
    const lists = [this.byType, this.byTerm, this.byPerson]
    for (const list of lists) list[by === 1 ? 'add' : 'remove'](entry)
    if (by === 1) this.out.add(entry.id)
    else this.out.delete(entry.id)
    return countTime(this.times, entry, by)
  }
}
