import Papa from 'papaparse'
import { safeCell } from '../../core/formats'
import { fail } from '../../core/problems'
import { addDays, clockIn, todayIn } from '../../core/time'
import type { MessageInput, MessagesAnswer, MessagesAsked, StoredMessage } from '../../shared/api/types'
import { countMessages, deleteMessages, readMessages, readMoments, setMessage } from '../database/messages'
import type { Database } from '../database/open'
import type { Content } from './content'
import { takeTurns } from './turns'

/** What visitors sent, for those who work here: listed, searched, noted, taken away, and taken out as a table. */

const DAYS = 30
const DAY = 24 * 60 * 60_000
/** So many are told at once. */
const MOST = 100
/** So many are looked through for words at once. */
const AT_ONCE = 500

const textOf = ({ message, note }: StoredMessage): string =>
  [message.title, note, ...message.answers.flatMap((a) => [a.label, ...a.says])].join('\n').toLowerCase()

export class Messages {
  constructor(
    private readonly db: Database,
    private readonly content: Pick<Content, 'catalogue'>,
    /** Sends what was held. */
    private readonly wake: () => void = () => undefined,
    private readonly now: () => number = Date.now,
  ) {}

  /** The newest messages that were asked for, with how many there are of each form and on each day. */
  async list({ words = '', before, ...which }: MessagesAsked): Promise<MessagesAnswer> {
    const found: StoredMessage[] = []
    for await (const one of this.each(which, before)) {
      if (words && !textOf(one).includes(words.toLowerCase())) continue
      // One more than is told says that there are more.
      if (found.push(one) > MOST) break
    }
    return {
      messages: found.slice(0, MOST),
      more: found.length > MOST,
      counts: await countMessages(this.db),
      days: await this.days(),
    }
  }

  /** All that were asked for, the newest first; others have their turns meanwhile. */
  private async *each(which: Pick<MessagesAsked, 'state' | 'form'>, from?: number): AsyncGenerator<StoredMessage> {
    const turn = takeTurns()
    for (let before = from; ;) {
      const some = await readMessages(this.db, { ...which, before, most: AT_ONCE })
      for (const one of some) {
        await turn()
        yield one
      }
      const last = some.at(-1)
      if (!last) return
      before = last.id
    }
  }

  private async days(): Promise<MessagesAnswer['days']> {
    const { timeZone } = this.content.catalogue.site.settings
    const now = this.now()
    const moments = await readMoments(this.db, now - (DAYS + 1) * DAY)
    const today = todayIn(timeZone, now)
    const counts = new Map<string, number>()
    for (const at of moments) {
      const day = todayIn(timeZone, at)
      counts.set(day, (counts.get(day) ?? 0) + 1)
    }
    return Array.from({ length: DAYS }, (_, i) => {
      const day = addDays(today, i - DAYS + 1)
      return { day, count: counts.get(day) ?? 0 }
    })
  }

  async set(id: number, values: MessageInput): Promise<void> {
    if (!(await setMessage(this.db, id, values, this.now()))) fail('message-unknown')
    if (values.state !== undefined) this.wake()
  }

  remove(ids: readonly number[]): Promise<number> {
    return deleteMessages(this.db, ids)
  }

  /** Messages as a table: a column for every question that any of them answered. */
  async table(which: Pick<MessagesAsked, 'state' | 'form'>): Promise<string> {
    const all: StoredMessage[] = []
    for await (const one of this.each(which)) all.push(one)
    const { timeZone } = this.content.catalogue.site.settings
    const keys = [...new Set(all.flatMap((m) => m.message.answers.map((a) => a.key)))]
    const rows = all.map(({ id, at, state, note, message }) => {
      const says = new Map(message.answers.map((a) => [a.key, a.says.join('; ')]))
      const fixed = [String(id), clockIn(timeZone, at).replace('T', ' '), message.form, message.title, state, note]
      return [...fixed, ...keys.map((key) => says.get(key) ?? '')].map(safeCell)
    })
    const heads = ['id', 'sent', 'form', 'page', 'state', 'note', ...keys].map(safeCell)
    return Papa.unparse([heads, ...rows])
  }
}
