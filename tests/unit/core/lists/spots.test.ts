import fc from 'fast-check'
import { spotsOf } from '#core/lists'
import { Catalogue } from '#core/catalogue'
import type { Entry } from '#core/model'
import type { Position } from '#core/fields'
import { entry, smallSite } from '../../../fixtures'
import { runs } from '../../../runs'

/** What is nearest against an obvious twin that measures all, on content that goes on changing. */

const NAMES = ['a', 'b', 'c', 'd', 'e', 'f', 'g']
const coordinate = fc.integer({ min: 0, max: 6 })
const place = fc.oneof(
  fc.record({ x: coordinate, y: coordinate }) as fc.Arbitrary<unknown>,
  fc.constantFrom<unknown>(undefined, 'here', { x: 1 }, { x: null, y: 2 }),
)
const someEntry = fc
  .record({
    id: fc.constantFrom(...NAMES),
    type: fc.constantFrom('tool', 'tool', 'note'),
    published: fc.boolean(),
    stands: place,
  })
  .map(({ id, type, published, stands }): Entry => entry(id, type, { published, fields: { stands } }))

function nearestOfAll(catalogue: Catalogue, { x, y }: Position, most: number, passes: (at: Position) => boolean) {
  const isPlace = (at: unknown): at is Position =>
    typeof (at as Position | undefined)?.x === 'number' && typeof (at as Position).y === 'number'
  return catalogue
    .entriesOfType('tool')
    .flatMap((e) => (isPlace(e.fields.stands) ? [{ id: e.id, at: e.fields.stands }] : []))
    .filter(({ at }) => passes(at))
    .map(({ id, at }) => ({ id, far: (at.x - x) ** 2 + (at.y - y) ** 2 }))
    .sort((a, b) => a.far - b.far || (a.id < b.id ? -1 : 1))
    .slice(0, most)
    .map(({ id }) => id)
}

test('those nearest are found, whatever changes', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(someEntry, { selector: (e) => e.id }),
      fc.array(fc.oneof(someEntry, fc.constantFrom(...NAMES)), { maxLength: 8 }),
      fc.record({ x: coordinate, y: coordinate }),
      fc.integer({ min: 0, max: 5 }),
      (entries, changes, from, most) => {
        const catalogue = new Catalogue(smallSite(entries.map((e) => ({ ...e }))))
        const even = (at: Position) => at.x % 2 === 0
        for (const change of [null, ...changes]) {
          if (typeof change === 'string') catalogue.follow([{ id: change, entry: null }])
          else if (change) catalogue.follow([{ id: change.id, entry: change }])
          const spots = spotsOf(catalogue, 'tool', 'stands')
          expect(spots.nearest(from, most, () => true)).toEqual(nearestOfAll(catalogue, from, most, () => true))
          expect(spots.nearest(from, most, even)).toEqual(nearestOfAll(catalogue, from, most, even))
        }
      },
    ),
    { numRuns: runs(300) },
  )
})
