import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import Sqlite from 'better-sqlite3'
import { startServer } from '../tests/server'
import { ENTRIES, VOCABULARY, fill } from './content'
import { type Result, median, round } from './measure'

/**
 * Searches among 100,000 entries, by visitors: the whole page. Three words of middling frequency, against looking at
 * every text for them; and one word that stands in most entries.
 */

const ASKED = 120
/** Words of middling frequency: the fortieth stands in every tenth entry, the thousandth in few. */
const word = (i: number) => VOCABULARY[(i * 37) % 900]!
const asking = (i: number): string[] => [word(i + 3), word(i * 7 + 40), word(i * 13 + 11)]
const LOOKED_AT = 8
/** The commonest words: each stands in most entries. */
const COMMON = VOCABULARY.slice(0, 5)

async function ask(origin: string, words: string): Promise<{ time: number; html: string }> {
  const start = performance.now()
  const html = await (await fetch(`${origin}/search?q=${encodeURIComponent(words)}`)).text()
  return { time: performance.now() - start, html }
}

/** How long whoever else asks waits at most while work is done, in milliseconds. */
async function othersWait(origin: string, work: () => Promise<unknown>): Promise<number> {
  let [most, done] = [0, false]
  const asking = (async () => {
    while (!done) {
      const start = performance.now()
      await (await fetch(`${origin}/robots.txt`)).text()
      most = Math.max(most, performance.now() - start)
    }
  })()
  await work()
  done = true
  await asking
  return most
}

export async function benchSearch(): Promise<Result[]> {
  const server = await startServer()
  try {
    await fill(server.data)
    await server.restart()
    for (let i = 0; i < 20; i++) await ask(server.origin, asking(1000 + i).join(' '))
    const [times, offers, looks]: [number[], number[], number[]] = [[], [], []]
    let found = 0
    for (let i = 0; i < ASKED; i++) {
      const { time, html } = await ask(server.origin, asking(i).join(' '))
      times.push(time)
      if (html.includes('<mark>')) found++
      const start = performance.now()
      await (await fetch(`${server.origin}/_of/suggest?q=${word(i).slice(0, 4)}`)).text()
      offers.push(performance.now() - start)
    }
    if (found < ASKED / 2) throw new Error(`Only ${found} of ${ASKED} searches found anything.`)
    const [common, waits]: [number[], number[]] = [[], []]
    for (let i = 0; i < ASKED / 4; i++) {
      // No two addresses are the same, so that none is kept ready.
      const words = `${COMMON[i % COMMON.length]!} ${COMMON[(i + 1 + (i >> 3)) % COMMON.length]!}`
      const { time, html } = await ask(server.origin, words)
      // Asked once more in another order, with others who ask for something else.
      const again = () => ask(server.origin, `${words.split(' ').reverse().join(' ')} ${'.'.repeat(i + 1)}`)
      waits.push(await othersWait(server.origin, again))
      if (!html.includes('<mark>')) throw new Error('A search for common words found nothing.')
      common.push(time)
    }
    const db = new Sqlite(join(server.data, 'outer-frame.sqlite'), { readonly: true })
    const look = db.prepare('select id from entries where doc like ? and doc like ? and doc like ? limit 12')
    for (let i = 0; i < LOOKED_AT; i++) {
      const start = performance.now()
      look.all(...asking(i).map((w) => `%${w}%`))
      looks.push(performance.now() - start)
    }
    db.close()
    const [ours, looking, offered, often, waited] = [times, looks, offers, common, waits].map((all) =>
      round(median(all), 2),
    ) as [number, number, number, number, number]
    return [
      {
        name: `A search of three words among ${ENTRIES.toLocaleString('en')} entries: its whole page, over HTTP`,
        value: `${ours} ms`,
        against: 'a bound',
        bound: 'under 30 ms',
        holds: ours < 30,
        data: { ours, found },
      },
      {
        name: 'The same: faster than',
        value: `${round(looking / ours, 1)} times`,
        against: 'looking for them in every text',
        bound: 'at least 3',
        holds: looking / ours >= 3,
        data: { ours, looking },
      },
      {
        name: 'A search for two of the commonest words',
        value: `${often} ms`,
        against: 'a bound',
        bound: 'under 60 ms',
        holds: often < 60,
        data: { often },
      },
      {
        name: 'While it is searched for, whoever else asks waits at most, median',
        value: `${waited} ms`,
        against: 'a bound',
        bound: 'under 50 ms',
        holds: waited < 50,
        data: { waited },
      },
      {
        name: 'Titles offered while one types',
        value: `${offered} ms`,
        against: 'a bound',
        bound: 'under 20 ms',
        holds: offered < 20,
        data: { offered },
      },
    ]
  } finally {
    await server.stop()
  }
}
