import fc from 'fast-check'
import { type Relating, ledgerOf, relatedTo } from '#core/lists'
import { byHowMany, hasBit, noBits, putBit } from '#core/lists/bits'
import { Catalogue } from '#core/catalogue'
import { type Entry, newestFirst } from '#core/model'
import { entry, smallSite } from '../../../fixtures'
import { runs } from '../../../runs'

/** What is related to an entry, against an obvious twin, on content that goes on changing. */

const NAMES = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h']
const someEntry = fc
  .record({
    id: fc.constantFrom(...NAMES),
    type: fc.constantFrom('tool', 'tool', 'note'),
    date: fc.constantFrom(null, '2025-01-01', '2025-01-15', '2026-02-01'),
    person: fc.constantFrom(null, 'nell', 'gone'),
    terms: fc.array(fc.constantFrom('east', 'east-low', 'west', 'gone'), { maxLength: 4 }),
    published: fc.boolean(),
    kind: fc.constantFrom<unknown>(undefined, 'lens', 'mirror'),
  })
  .map(({ id, type, kind, ...more }): Entry => entry(id, type, { ...more, fields: { kind } }))

const how = fc.record({
  by: fc.constantFrom<Relating['by']>('terms', 'person', 'field'),
  field: fc.constantFrom('kind', 'terms:dome', 'nothing'),
  types: fc.subarray(['tool', 'note']),
  fill: fc.boolean(),
})

const ABOVE: Record<string, string[]> = { 'east-low': ['east-low', 'east'], east: ['east'], west: ['west'] }

function keysOf({ by, field }: Relating, of: Entry): string[] {
  if (by === 'terms') return [...new Set(of.terms)]
  if (by === 'person') return of.person ? [of.person] : []
  if (field === 'terms:dome') return [...new Set(of.terms.flatMap((t) => ABOVE[t] ?? []))]
  return field === 'kind' && of.type === 'tool' && of.fields.kind ? [String(of.fields.kind)] : []
}

function slowly(catalogue: Catalogue, of: Entry, relating: Relating, most: number) {
  const types = relating.types.length > 0 ? relating.types : [of.type]
  const others = catalogue.site.entries.filter((e) => e.id !== of.id && types.includes(e.type) && catalogue.isOut(e))
  const own = keysOf(relating, of)
  const all = others
    .map((other) => ({ other, shares: own.filter((key) => keysOf(relating, other).includes(key)) }))
    .sort((a, b) => b.shares.length - a.shares.length || newestFirst(a.other, b.other))
  const alike = all.filter((r) => r.shares.length > 0).slice(0, most)
  const rest = relating.fill ? all.filter((r) => r.shares.length === 0 || !alike.includes(r)) : []
  const filled = [...alike, ...rest.sort((a, b) => newestFirst(a.other, b.other)).map((r) => ({ ...r, shares: [] }))]
  return filled.slice(0, most).map(({ other, shares }) => [other.id, shares])
}

test('what shares most comes first, then what is newest; what is too few is filled up where that is wished', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(someEntry, { minLength: 1, selector: (e) => e.id }),
      fc.array(someEntry, { maxLength: 5 }),
      how,
      fc.integer({ min: 0, max: 5 }),
      (entries, changes, relating, most) => {
        const catalogue = new Catalogue(smallSite(entries.map((e) => ({ ...e }))))
        for (const change of [null, ...changes]) {
          if (change) catalogue.follow([{ id: change.id, entry: change }])
          const of = catalogue.entries.get(entries[0]!.id)!
          const found = relatedTo(of, relating, catalogue, ledgerOf(catalogue), most)
          expect(found.map((r) => [r.entry.id, [...r.shares]])).toEqual(slowly(catalogue, of, relating, most))
        }
      },
    ),
    { numRuns: runs(400) },
  )
})

test('numbers are parted by in how many sets they are', () => {
  fc.assert(
    fc.property(fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 70 })), { maxLength: 9 }), (lists) => {
      const sets = lists.map((list) => {
        const bits = noBits(71)
        for (const at of list) putBit(bits, at, true)
        return bits
      })
      byHowMany(sets, 71).forEach((bits, i) => {
        for (let at = 0; at <= 70; at++)
          expect(hasBit(bits, at)).toBe(lists.filter((list) => list.includes(at)).length === i + 1)
      })
    }),
  )
})
