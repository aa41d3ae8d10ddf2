import fc from 'fast-check'
import { type Entry, blankEntry, changedParts, entryOfParts, mergeEntries, partsOfEntry } from '#core/model'

const fields = fc.dictionary(fc.constantFrom('maker', 'height', 'loan'), fc.constantFrom(null, 1, 'x', true), {
  maxKeys: 3,
})
const entries = fc
  .record({
    title: fc.constantFrom('', 'One', 'Two'),
    summary: fc.constantFrom('', 'Short'),
    person: fc.constantFrom(null, 'ada', 'wim'),
    terms: fc.subarray(['a', 'b', 'c', 'd']),
    published: fc.boolean(),
    from: fc.constantFrom(undefined, null, '2026-01-01T00:00'),
    fields,
  })
  .map((says): Entry => ({ ...blankEntry('e', 'story'), ...says }))

test('an entry comes apart and together again', () => {
  fc.assert(
    fc.property(entries, (entry) => {
      const { from, ...rest } = entry
      expect(entryOfParts(partsOfEntry(entry))).toEqual(from === undefined ? rest : entry)
    }),
  )
})

test('with only one who changed anything the other takes no part, and nothing is contested', () => {
  fc.assert(
    fc.property(entries, entries, (base, one) => {
      for (const merged of [mergeEntries(base, one, base), mergeEntries(base, base, one)]) {
        expect(merged.contests).toEqual([])
        expect(changedParts(merged.entry, one).filter((p) => p !== 'terms')).toEqual([])
        expect([...merged.entry.terms].sort()).toEqual([...one.terms].sort())
      }
    }),
  )
})

test('what only one changed is as that one has it; what both changed differently is contested, and mine stands', () => {
  fc.assert(
    fc.property(entries, entries, entries, (base, mine, theirs) => {
      const { entry, contests } = mergeEntries(base, mine, theirs)
      const [own, others] = [new Set(changedParts(base, mine)), new Set(changedParts(base, theirs))]
      const parts = partsOfEntry(entry)
      for (const what of new Set([...own, ...others])) {
        if (what === 'terms') continue
        const wanted = own.has(what) ? mine : theirs
        expect(parts[what] ?? null).toEqual(partsOfEntry(wanted)[what] ?? null)
        const both = own.has(what) && others.has(what) && changedParts(mine, theirs).includes(what)
        expect(contests.some((c) => c.what === what)).toBe(both)
      }
    }),
  )
})

test('terms merge one by one: added by either is there, taken by either is not', () => {
  fc.assert(
    fc.property(entries, entries, entries, (base, mine, theirs) => {
      const { terms } = mergeEntries(base, mine, theirs).entry
      for (const term of ['a', 'b', 'c', 'd']) {
        const [was, own, other] = [base, mine, theirs].map((e) => e.terms.includes(term))
        expect([term, terms.includes(term)]).toEqual([term, was ? own! && other! : own! || other!])
      }
      expect(new Set(terms).size).toBe(terms.length)
    }),
  )
})
