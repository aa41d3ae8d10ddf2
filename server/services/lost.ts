import { isbot } from 'isbot'
import type { IncomingHttpHeaders } from 'node:http'
import { type Catalogue, likeliest } from '../../core/catalogue'
import { todayIn } from '../../core/time'
import type { LikelyAnswer, LostAnswer } from '../../shared/api/types'
import { type LostHits, type LostKind, MOST_ORIGINS, addLost, forgetLost, readLost } from '../database/lost'
import type { Database } from '../database/open'
import { log } from './log'
import { takeTurns } from './turns'

/** How often what came in is written down, in milliseconds. */
const EVERY = 5_000
/** So many addresses and searches are counted one by one until then; of more only the number is kept. */
const MOST_AT_ONCE = 300
const MOST_ADDRESS = 300
const MOST_WORDS = 80
const MOST_ORIGIN = 200
const DAY = 86_400_000

/** What is asked for by a program that shows a page, or looks for a weakness, and not by somebody who wants to read. */
const FILE = /\.(?!html?$)[a-z0-9]{1,8}$|^\/(pictures|files)\//i

interface Counted {
  what: 'page' | 'file'
  hits: number
  bots: number
  at: number
  origins: Map<string, number>
}

/** From where somebody came: a page of this site, or the name of another; nothing that tells who it was. */
export function originOf({ referer, host }: IncomingHttpHeaders): string {
  if (!referer || !URL.canParse(referer)) return ''
  const from = new URL(referer)
  return (from.host === host ? from.pathname : from.host).slice(0, MOST_ORIGIN)
}

/** Counts addresses that are no page and searches without result. Whatever comes in, it stays in bounds. */
export class Lost {
  private addresses = new Map<string, Counted>()
  private searches = new Map<string, { hits: number; at: number }>()
  private days = new Map<string, number>()
  private readonly timer = setInterval(() => void this.flush(), EVERY).unref()
  private writing: Promise<void> = Promise.resolve()

  constructor(
    private readonly db: Database,
    private readonly catalogue: () => Catalogue,
  ) {}

  private day(at: number): string {
    return todayIn(this.catalogue().site.settings.timeZone, at)
  }

  private count(what: LostKind, at: number): void {
    const key = `${this.day(at)} ${what}`
    this.days.set(key, (this.days.get(key) ?? 0) + 1)
  }

  /** Somebody has asked for an address, a path without escapes, that is no page. */
  note(path: string, headers: IncomingHttpHeaders, at = Date.now()): void {
    const bot = isbot(headers['user-agent'])
    const what = FILE.test(path) ? 'file' : 'page'
    this.count(bot ? 'bots' : what, at)
    const address = path.slice(0, MOST_ADDRESS)
    const known = this.addresses.get(address)
    if (!known && this.addresses.size >= MOST_AT_ONCE) return
    const counted = known ?? { what, hits: 0, bots: 0, at, origins: new Map<string, number>() }
    counted.at = at
    if (bot) counted.bots++
    else {
      counted.hits++
      const origin = originOf(headers)
      const { origins } = counted
      if (origin && (origins.has(origin) || origins.size < MOST_ORIGINS))
        origins.set(origin, (origins.get(origin) ?? 0) + 1)
    }
    this.addresses.set(address, counted)
  }

  /** Nothing was found for what somebody searched for. */
  noteSearch(words: string, headers: IncomingHttpHeaders, at = Date.now()): void {
    if (isbot(headers['user-agent'])) return
    const key = words.trim().toLowerCase().replace(/\s+/g, ' ').slice(0, MOST_WORDS)
    if (!key) return
    this.count('search', at)
    const known = this.searches.get(key)
    if (!known && this.searches.size >= MOST_AT_ONCE) return
    this.searches.set(key, { hits: (known?.hits ?? 0) + 1, at })
  }

  /** Writes down what came in. */
  flush(): Promise<void> {
    this.writing = this.writing.then(() => this.write())
    return this.writing
  }

  private async write(): Promise<void> {
    if (this.days.size === 0) return
    const hits: LostHits = {
      addresses: [...this.addresses].map(([address, counted]) => ({ address, ...counted })),
      searches: [...this.searches].map(([words, counted]) => ({ words, ...counted })),
      days: [...this.days].map(([key, count]) => {
        const [day = '', what] = key.split(' ')
        return { day, what: what as LostKind, hits: count }
      }),
    }
    this.addresses = new Map()
    this.searches = new Map()
    this.days = new Map()
    // What is only counted never stands in the way of anything.
    await addLost(this.db, hits, takeTurns()).catch((error: unknown) =>
      log('error', 'lost-not-counted', { error: String(error) }),
    )
  }

  /** What came in over so many days. */
  async report(days: number, now = Date.now()): Promise<LostAnswer> {
    await this.flush()
    const catalogue = this.catalogue()
    const found = await readLost(this.db, this.day(now - (days - 1) * DAY))
    const counts = new Map(found.days.map(({ day, what, hits }) => [`${day} ${what}`, hits]))
    const origins = new Map(found.addresses.map((a) => [a.address, [] as { origin: string; hits: number }[]]))
    for (const { address, origin, hits } of found.origins) origins.get(address)?.push({ origin, hits })
    return {
      days: Array.from({ length: days }, (_, i) => {
        const day = this.day(now - (days - 1 - i) * DAY)
        const of = (what: LostKind) => counts.get(`${day} ${what}`) ?? 0
        return { day, pages: of('page'), files: of('file'), bots: of('bots'), searches: of('search') }
      }),
      addresses: found.addresses.map(({ address, what, hits, bots, first_at, last_at }) => ({
        address,
        what: what as 'page' | 'file',
        hits,
        bots,
        firstAt: first_at,
        lastAt: last_at,
        origins: origins.get(address) ?? [],
        leads: catalogue.redirectOf(address) !== undefined || catalogue.pageAt(address) !== undefined,
      })),
      searches: found.searches.map(({ words, hits, last_at }) => ({ words, hits, lastAt: last_at })),
    }
  }

  /** The pages that somebody may have meant by an address, the likeliest first. */
  likely(address: string): LikelyAnswer {
    const catalogue = this.catalogue()
    return {
      likely: likeliest(address, catalogue.pages).map(({ page, sure }) => {
        const { title, address: own } = catalogue.page(page)!
        return { page, title, address: own, sure }
      }),
    }
  }

  forget(addresses: readonly string[], searches: readonly string[]): Promise<number> {
    return forgetLost(this.db, addresses, searches)
  }

  async end(): Promise<void> {
    clearInterval(this.timer)
    await this.flush()
  }
}
