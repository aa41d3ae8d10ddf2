import fc from 'fast-check'
import { makeDemo } from '#demo/index'
import { Formats } from '#core/drawing'
import { Catalogue } from '#core/catalogue'
import type { Entry } from '#core/model'
import { readAddress } from '#core/addresses'
import type { Content } from '../../../server/services/content'
import { ANYBODY } from '../../../server/services/asked'
import { Published } from '../../../server/services/published'
import { ReadyPages } from '../../../server/services/ready'
import { runs } from '../../runs'

/** After a change of content only those pages are drawn anew that may show it; all others are what they would be. */

const { site, design } = makeDemo()
const change = fc.record({
  entry: fc.nat({ max: site.entries.length - 1 }),
  gone: fc.nat({ max: 5 }).map((n) => n === 0),
  title: fc.constantFrom(undefined, 'Another title'),
  slug: fc.constantFrom(undefined, 'another-address'),
  published: fc.constantFrom(undefined, false, true),
  person: fc.constantFrom(undefined, null, ...site.people.map((p) => p.id)),
  terms: fc.constantFrom(undefined, [], [site.terms[0]!.id], [site.terms[1]!.id]),
  date: fc.constantFrom(undefined, '2020-02-02', '2027-01-01'),
  parent: fc.constantFrom(undefined, null, 'visit'),
})

const changed = (entry: Entry, says: object): Entry => ({
  ...entry,
  ...Object.fromEntries(Object.entries(says).filter(([, value]) => value !== undefined)),
})

test('what is kept after random changes is what would be drawn anew', async () => {
  let [kept, dropped] = [0, 0]
  await fc.assert(
    fc.asyncProperty(fc.array(change, { minLength: 1, maxLength: 3 }), async (changes) => {
      const catalogue = new Catalogue(site)
      const content = { catalogue, formats: new Formats(site.settings), search: async () => [] } as unknown as Content
      const published = new Published(content)
      published.swap(design)
      const all = catalogue.pages.filter((p) => p.address).map((p) => p.address)
      for (const address of all) await published.answer(readAddress(address), ANYBODY)
      const before = published.ready.size
      const stale = catalogue.follow(
        changes.map(({ entry, gone, ...says }) => {
          const { id } = site.entries[entry]!
          const is = catalogue.entries.get(id) ?? site.entries[entry]!
          return { id, entry: gone ? null : changed(is, says) }
        }),
      )
      published.refresh(stale)
      const fresh = { ...content, catalogue: new Catalogue(catalogue.site) } as Content
      const anew = new Published(fresh, {}, new ReadyPages(0))
      anew.swap(design)
      for (const address of all) {
        const was = published.readyAt(address)
        if (!was) continue
        expect([address, was.answer.body.toString()]).toEqual([
          address,
          (await anew.answer(readAddress(address), ANYBODY)).body.toString(),
        ])
      }
      kept += published.ready.size
      dropped += before - published.ready.size
    }),
    { numRuns: runs(25) },
  )
  expect(kept).toBeGreaterThan(0)
  expect(dropped).toBeGreaterThan(0)
}, 300_000)
