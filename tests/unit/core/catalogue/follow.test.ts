import fc from 'fast-check'
import { Catalogue, followTaken } from '#core/catalogue'
import { type Entry, type Site, blankEntry } from '#core/model'
import { makeDemo } from '#demo/index'
import { runs } from '../../../runs'

const { site } = makeDemo()
const NOW = Date.parse('2026-11-25T12:00:00Z')

/** A small site in which much is alike: few types, terms, people, addresses and days. */
function smallSite(): Site {
  const types = site.types
    .filter((t) => ['page', 'story', 'exhibit'].includes(t.id))
    .map((t) => ({ ...t, fields: [], tree: t.id !== 'story' }))
  const entries = ['a', 'b', 'c', 'd', 'e'].map((id, i): Entry => {
    return { ...blankEntry(id, types[i % 3]!.id), title: id, date: `2026-0${i + 1}-01` }
  })
  const settings = { ...site.settings, home: { kind: 'entry' as const, entry: 'a' } }
  return { ...site, settings, types, terms: site.terms.slice(0, 3), people: site.people.slice(0, 2), entries }
}
const small = smallSite()
const ids = ['a', 'b', 'c', 'd', 'e', 'f', 'g']
const moments = fc.constantFrom(null, '2026-11-25T11:59', '2026-11-25T12:00', '2026-11-26T00:00')

const change = fc.record({
  id: fc.constantFrom(...ids),
  gone: fc.integer({ min: 0, max: 4 }).map((n) => n === 0),
  slug: fc.constantFrom('one', 'two', 'three', 'visit'),
  title: fc.constantFrom('', 'One', 'Two'),
  parent: fc.constantFrom(null, ...ids),
  date: fc.constantFrom(null, '2026-01-01', '2026-02-01', '2025-02-01'),
  person: fc.constantFrom(null, ...small.people.map((p) => p.id), 'gone'),
  terms: fc.subarray([...small.terms.map((t) => t.id), 'gone']),
  published: fc.boolean(),
  from: moments,
  until: moments,
})
type Change = typeof change extends fc.Arbitrary<infer C> ? C : never

const entryOf = (catalogue: Catalogue, { id, gone, ...says }: Change): Entry | null => {
  const type = catalogue.entries.get(id)?.type ?? small.types[ids.indexOf(id) % small.types.length]!.id
  return gone ? null : { ...blankEntry(id, type), ...says }
}

/** Everything that can be asked of a catalogue, as plain data. */
function told(catalogue: Catalogue): unknown {
  const { pages } = catalogue
  const addresses = new Set([...pages.map((p) => p.address), '/one', '/two', '/one/two', '/visit'])
  const names = (entries: readonly Entry[]) => entries.map((e) => e.id)
  return {
    entries: catalogue.site.entries,
    pages,
    at: [...addresses].map((a) => [a, catalogue.pageAt(a)?.key, catalogue.redirectOf(a)]),
    keys: pages.map((p) => [catalogue.page(p.key), catalogue.indexOf(p.key), names(catalogue.listing(p))]),
    types: small.types.map((t) => names(catalogue.entriesOfType(t.id))),
    terms: [...small.terms.map((t) => t.id), 'gone'].map((t) => names(catalogue.entriesInTerm(t))),
    people: small.people.map((p) => names(catalogue.entriesBy(p.id))),
    each: ids.map((id) => [catalogue.isOut({ id }), catalogue.addressOf(id), catalogue.ownAddressOf(id)]),
  }
}

test('a catalogue that follows changes is the same as one made anew, whatever changes', () => {
  fc.assert(
    fc.property(fc.array(fc.array(change, { maxLength: 3 }), { maxLength: 8 }), (steps) => {
      const followed = new Catalogue(small, NOW)
      for (const step of steps) {
        const state = followed.state
        const changes: { id: string; entry: Entry | null }[] = []
        for (const one of step) changes.push({ id: one.id, entry: entryOf(followed, one) })
        followed.follow(changes)
        if (changes.length > 0) expect(followed.state).not.toBe(state)
        expect(told(followed)).toEqual(told(new Catalogue(followed.site, NOW)))
      }
    }),
    { numRuns: runs(400) },
  )
})

test('entries come out and go when their time comes, as in a catalogue made at that time', () => {
  const later = fc.integer({ min: 0, max: 3 * 24 * 60 })
  fc.assert(
    fc.property(fc.array(change, { maxLength: 6 }), fc.array(later, { maxLength: 4 }), (changes, times) => {
      const followed = new Catalogue(small, NOW)
      followed.follow(changes.map((one) => ({ id: one.id, entry: entryOf(followed, one) })))
      for (const minutes of times.sort((a, b) => a - b)) {
        const now = NOW + minutes * 60_000
        const { turned } = followed.turn(now)
        expect(told(followed)).toEqual(told(new Catalogue(followed.site, now)))
        expect(followed.turn(now).turned).toEqual([])
        for (const { from, until } of turned) expect(from ?? until).toBeTruthy()
      }
    }),
    { numRuns: runs(200) },
  )
})

test('the site that a catalogue was made of is left as it was', () => {
  const before = JSON.stringify(small)
  new Catalogue(small).follow([{ id: 'a', entry: null }])
  expect(JSON.stringify(small)).toBe(before)
})

test('what is taken over brings what time has done with it, in every catalogue alike', () => {
  const soon: Entry = { ...blankEntry('soon', 'story'), slug: 'soon', published: true, from: '2026-11-25T12:30' }
  const later = NOW + 60 * 60_000
  const change = { entries: [{ id: 'f', entry: null }], pictures: [], menus: null, redirects: null }
  const withSoon = { ...small, entries: [...small.entries, soon] }
  const [one, other] = [new Catalogue(withSoon, NOW), new Catalogue(withSoon, NOW + 5000)]
  expect(one.isOut(soon)).toBe(false)
  for (const catalogue of [one, other]) followTaken(catalogue, { at: later, change })
  expect(one.isOut(soon)).toBe(true)
  expect(told(one)).toEqual(told(other))
})
