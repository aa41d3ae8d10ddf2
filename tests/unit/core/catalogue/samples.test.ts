import { Catalogue } from '#core/catalogue'
import { MANY_SCREENS, type Sample, awkwardPages, hasSample, sampled } from '#core/editor'
import { mirror, note, observatory, refractor, smallSite } from '../../../fixtures'

/** What a page that lists entries is looked at with while it is designed. */

const look = (key: string, sample: Sample, catalogue = observatory(), most = 3) => {
  const found = sampled(catalogue, catalogue.page(key)!, sample, most)
  return { ...found, listed: found.catalogue.listing(found.page) }
}

test('an archive is looked at as it is, with nothing in it, and with forty screens; what is stored stays as it is', () => {
  const catalogue = observatory()
  expect(look('archive:tool', 'real', catalogue).catalogue).toBe(catalogue)
  expect(look('archive:tool', 'none', catalogue).listed).toEqual([])
  const many = look('archive:tool', 'many', catalogue)
  expect(many.listed).toHaveLength(3 * MANY_SCREENS)
  expect(many.screen).toBe(MANY_SCREENS / 2)
  expect(many.catalogue.pageAt(many.page.address)?.key).toBe('archive:tool')
  expect(catalogue.listing(catalogue.page('archive:tool')!)).toHaveLength(2)
})

test('so is a term, also one that has no entries of its own', () => {
  expect(look('term:east', 'none').listed).toEqual([])
  expect(look('term:east', 'many').listed).toHaveLength(3 * MANY_SCREENS)
  const west = look('term:west', 'many')
  expect(west.listed).toHaveLength(3 * MANY_SCREENS)
  expect(west.listed.every((e) => e.type === 'tool')).toBe(true)
})

test('the page of a person or a month is never without entries', () => {
  const catalogue = observatory()
  for (const key of ['person:nell', 'month:note:2025-06']) {
    expect(hasSample(catalogue.page(key)!, 'none')).toBe(false)
    expect(look(key, 'none', catalogue).listed.length).toBeGreaterThan(0)
    expect(look(key, 'many', catalogue).listed).toHaveLength(3 * MANY_SCREENS)
  }
})

test('a search finds something, or nothing, or very much', () => {
  const real = look('search', 'real')
  expect(real.query).not.toBe('')
  expect(real.found.length).toBeGreaterThan(0)
  const none = look('search', 'none')
  expect([none.found, none.likely.length > 0]).toEqual([[], true])
  expect(look('search', 'many').found).toHaveLength(3 * MANY_SCREENS)
  expect(look('not-found', 'real').likely.length).toBeGreaterThan(0)
})

test('where there is nothing at all, nothing is made up', () => {
  const bare = new Catalogue(smallSite([], { entries: [] }))
  expect(look('archive:tool', 'many', bare).listed).toEqual([])
  expect(look('search', 'real', bare)).toMatchObject({ query: '', found: [] })
  expect(look('search', 'many', bare).found).toEqual([])
})

test('it is made once, and anew when the content changes', () => {
  const catalogue = observatory()
  const first = look('archive:tool', 'many', catalogue).catalogue
  expect(look('archive:tool', 'many', catalogue).catalogue).toBe(first)
  catalogue.follow([{ id: 'mirror', entry: null }])
  expect(look('archive:tool', 'many', catalogue).catalogue).not.toBe(first)
})

test('terms have awkward ones too: the longest title, the one without a picture, the one with the fewest entries', () => {
  const catalogue = new Catalogue(smallSite([refractor, mirror, note]))
  const terms = catalogue.pages.filter((p) => p.kind === 'term')
  const found = awkwardPages(catalogue, terms)
  expect([found.longest?.key, found['no-picture']?.key, found.emptiest?.key]).toEqual([
    'term:east-low',
    'term:east',
    'term:west',
  ])
})
