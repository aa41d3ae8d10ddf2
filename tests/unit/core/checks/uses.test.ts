import { usesOf } from '#core/checks'
import { Catalogue } from '#core/catalogue'
import { makeDemo } from '#demo/index'
import { drawn } from '../../../fixtures'

const { site, design } = makeDemo()
const catalogue = new Catalogue(site)
const uses = (used: Parameters<typeof usesOf>[0]) => usesOf(used, design, catalogue)

/** A slow twin for what a layout names: its JSON is looked through for the id as a value. */
const mentions = (id: string) =>
  design.layouts.filter((l) => JSON.stringify(drawn(design, l.id).children).includes(`"${id}"`)).map((l) => l.id)

test('a page type is used by its entries, the layouts and frames that name it, and the menus that lead to it', () => {
  const exhibit = uses({ kind: 'type', id: 'exhibit' })
  expect(exhibit.entries).toBe(site.entries.filter((e) => e.type === 'exhibit').length)
  expect(exhibit.frames).toEqual(expect.arrayContaining(['exhibits']))
  expect(exhibit.menus).toContain('main')
  for (const layout of mentions('exhibit')) expect(exhibit.layouts).toContain(layout)
  expect(uses({ kind: 'type', id: 'nothing' })).toEqual({
    layouts: [],
    frames: [],
    menus: [],
    entries: 0,
    told: false,
    sold: false,
  })
})

test('every field is used by the layouts that name it and the entries that hold something in it', () => {
  let met = 0
  for (const type of site.types)
    for (const { id } of type.fields) {
      const found = uses({ kind: 'field', type: type.id, id })
      const holding = site.entries.filter(
        (e) => e.type === type.id && ![undefined, null, ''].includes(e.fields[id] as never),
      )
      expect(found.entries).toBeLessThanOrEqual(holding.length)
      for (const layout of found.layouts) expect(mentions(id)).toContain(layout)
      met += found.layouts.length
    }
  expect(met).toBeGreaterThan(5)
})

test('a taxonomy is used by entries with its terms, by frames about them, and by layouts that show them', () => {
  const room = uses({ kind: 'taxonomy', id: 'room' })
  expect(room.entries).toBeGreaterThan(10)
  expect(room.frames.length).toBeGreaterThan(0)
  expect(room.layouts.length + room.menus.length).toBeGreaterThan(0)
})

test('a field is used where it says when something is over, and where programs are told from it', () => {
  expect(uses({ kind: 'field', type: 'talk', id: 'ends' }).layouts).toContain('talk-page')
  const telling = new Catalogue({
    ...site,
    types: site.types.map((t) =>
      t.id === 'talk' ? { ...t, tells: { from: { place: 'terms:room', price: 'price' } } } : t,
    ),
  })
  const told = (used: Parameters<typeof usesOf>[0]) => usesOf(used, design, telling).told
  expect(told({ kind: 'field', type: 'talk', id: 'price' })).toBe(true)
  expect(told({ kind: 'field', type: 'ticket', id: 'price' })).toBe(false)
  expect(told({ kind: 'taxonomy', id: 'room' })).toBe(true)
  expect(told({ kind: 'taxonomy', id: 'period' })).toBe(false)
})

test('a field is used where entries are sold by it, of its own page type alone', () => {
  const sold = (type: string, id: string) => uses({ kind: 'field', type, id }).sold
  const { sells } = catalogue.types.get('gift')!
  expect([sold('gift', sells!.price), sold('gift', sells!.offers!), sold('gift', 'nothing')]).toEqual([
    true,
    true,
    false,
  ])
  expect(uses({ kind: 'field', type: 'exhibit', id: sells!.price }).sold).toBe(false)
})
