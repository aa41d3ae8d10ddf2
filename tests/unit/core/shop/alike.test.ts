import { clock } from '../../../times'
import fc from 'fast-check'
import { alikeTo, goodsOfEntry } from '#core/shop'
import { Catalogue } from '#core/catalogue'
import { type Entry, blankEntry } from '#core/model'
import { makeDemo } from '#demo/index'
import { runs } from '../../../runs'

/** What goes with what somebody looks at; against a list that is sorted by pairs, one at a time. */

const { site } = makeDemo()
const NOW = clock('2026-11-30T12:00')
const terms = ['tower-room', 'long-gallery', 'workshop']
const entry = fc.record({
  type: fc.constantFrom('gift', 'ticket', 'exhibit'),
  terms: fc.uniqueArray(fc.constantFrom(...terms)),
  price: fc.option(fc.integer({ min: 0, max: 50 })),
  stock: fc.option(fc.integer({ min: 0, max: 2 })),
})

/** Picks the nearest that is left, one after the other. */
function slowly(looked: readonly string[], catalogue: Catalogue, most: number): string[] {
  const of = looked.map((id) => catalogue.entries.get(id)!)
  const near = (e: Entry) =>
    2 * e.terms.filter((t) => of.some((l) => l.terms.includes(t))).length + Number(of.some((l) => l.type === e.type))
  const around = { catalogue, taken: () => 0, now: NOW }
  const can = (e: Entry) => goodsOfEntry(e.id, around).some((g) => g.left !== 0)
  let left = ['talk', 'ticket', 'gift']
    .flatMap((t) => catalogue.entriesOfType(t))
    .filter((e) => !looked.includes(e.id) && can(e))
  const found: string[] = []
  while (found.length < most && left.length > 0) {
    const best = left.reduce((a, b) => (near(b) > near(a) ? b : a))
    found.push(best.id)
    left = left.filter((e) => e !== best)
  }
  return found
}

test('the nearest come first, nothing twice, nothing that is looked at or cannot be had', () => {
  fc.assert(
    fc.property(fc.array(entry, { maxLength: 12 }), fc.integer({ min: 1, max: 6 }), fc.nat(3), (made, most, looks) => {
      const entries = made.map(({ type, terms, price, stock }, i) => ({
        ...blankEntry(`e${i}`, type),
        title: `E${i}`,
        terms,
        fields: { price, stock },
      }))
      const catalogue = new Catalogue({ ...site, entries })
      const looked = entries.slice(0, looks).map((e) => e.id)
      const found = alikeTo(looked, catalogue, NOW, most)
      expect(found.map((f) => f.entry.id)).toEqual(slowly(looked, catalogue, most))
    }),
    { numRuns: runs(80) },
  )
})

test('of sorts at several prices the least is told, and that there are others', () => {
  const catalogue = new Catalogue(site)
  const found = alikeTo(['winding-key-in-brass'], catalogue, NOW, 10)
  const apron = found.find((f) => f.entry.id.startsWith('keeper'))!
  expect([apron.from.each, apron.several]).toEqual([3200, true])
  expect(found.find((f) => f.entry.id === 'a-year-of-dials')).toMatchObject({ several: false, from: { each: 1400 } })
})
