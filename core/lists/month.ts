import type { Catalogue } from '../catalogue'
import type { Entry, Id } from '../model'
import { type Day, addDays, dayNumber, dayOfNumber, firstOfMonth, monthOfDay } from '../time'
import { eachBit } from './bits'
import { ledgerOf } from './ledger'

/** A month of entries, each at the day that one of its fields names. */
export interface Month {
  /** `YYYY-MM`. */
  month: string
  /** Entries by their day (`YYYY-MM-DD`), in the order of the moments that they name. */
  days: ReadonlyMap<string, readonly Entry[]>
  /** The months before and behind in which there is something; null where there are none. */
  previous: string | null
  next: string | null
}

/** A month as it stands in an address. */
export const isMonth = (text: string | undefined): text is string => /^\d{4}-(0[1-9]|1[0-2])$/.test(text ?? '')

const firstDay = (month: string): number => dayNumber(firstOfMonth(month))

/** The first day of the month behind: no month has more than 31 days. */
const behind = (month: string): number => firstDay(monthOfDay(addDays(firstOfMonth(month), 31)))

/**
 * The entries of some page types in a month: the one that is asked for, where it lies between the first and the last
 * in which there is something; else that of the next entry from today on, or of the last. Null where no entry names a day.
 */
export function monthOfEntries(
  catalogue: Catalogue,
  types: readonly Id[],
  field: Id,
  asked: string | null,
  today: Day,
): Month | null {
  const ledger = ledgerOf(catalogue)
  const among = new Set(types)
  for (const type of among) catalogue.entriesOfType(type)
  const all = ledger.setOf(`types ${[...among].sort().join()}`, (e) => among.has(e.type))
  const column = ledger.measures(field, 'day')
  const { measures } = column
  const extent = column.extent(all)
  if (!extent) return null
  const monthAt = (day: number) => monthOfDay(dayOfNumber(day))
  const [first, last] = [monthAt(extent.least), monthAt(extent.most)]
  const month = asked !== null && asked >= first && asked <= last ? asked : nextMonth(today)
  /** The month of the first entry from a day on. */
  function nextMonth(day: Day): string {
    const from = dayNumber(day)
    let next = Infinity
    eachBit(all, (at) => {
      const own = measures[at]!
      if (own >= from && own < next) next = own
    })
    return next === Infinity ? last : monthAt(next)
  }
  const [from, to] = [firstDay(month), behind(month)]
  let [before, after] = [-Infinity, Infinity]
  const found: Entry[] = []
  eachBit(all, (at) => {
    const own = measures[at]!
    if (own >= from && own < to) found.push(ledger.entries[at]!)
    else if (own < from && own > before) before = own
    else if (own >= to && own < after) after = own
  })
  const order = ledger.order({ group: null, sorts: [{ field, down: false }] })
  const days = new Map<string, Entry[]>()
  for (const at of order.slice(ledger.of(found.map((e) => e.id)), 0, found.length)) {
    const day = dayOfNumber(measures[at]!)
    const own = days.get(day)
    if (own) own.push(ledger.entries[at]!)
    else days.set(day, [ledger.entries[at]!])
  }
  return {
    month,
    days,
    previous: before === -Infinity ? null : monthAt(before),
    next: after === Infinity ? null : monthAt(after),
  }
}
