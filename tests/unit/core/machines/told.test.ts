import { Formats, sceneOf } from '#core/drawing'
import { descriptionOf, fieldsFor, linkedData, sharedAs, titleOf, toldAs } from '#core/machines'
import { Catalogue } from '#core/catalogue'
import { type PageType, type Tells, pageTypeShape } from '#core/model'
import { refuse } from '#core/shape'
import { entry, rich, smallSite } from '../../../fixtures'

/** What a page type tells programs of its entries, from the fields that it names; and what it tells by itself. */

const site = (tells?: Tells) => {
  const made = smallSite(
    [
      entry('lens', 'tool', {
        title: 'The Lens',
        summary: 'A summary.',
        picture: 'moon',
        terms: ['east'],
        fields: {
          maker: 'O’Dell',
          bought: '2026-03-10',
          cost: 12.5,
          about: rich('Told at length.'),
          views: ['sun'],
        } as never,
      }),
    ],
    {
      pictures: ['moon', 'sun'].map((id) => ({ id, fileName: `${id}.jpg`, alt: id, width: 10, height: 10 })),
    },
  )
  const types = made.types.map((t) => (t.id === 'tool' ? { ...t, ...(tells && { tells }) } : t))
  return new Catalogue({ ...made, types })
}
const sceneFor = (catalogue: Catalogue) =>
  sceneOf(catalogue, new Formats(catalogue.site.settings), catalogue.page('entry:lens')!)
const told = (tells?: Tells) => {
  const scene = sceneFor(site(tells))
  const graph = (linkedData(scene) as { '@graph': Record<string, unknown>[] })['@graph']
  return graph[0]!
}
const typeOf = (catalogue: Catalogue): PageType => catalogue.types.get('tool')!

test('what a type says goes before what its fields suggest; what it does not say stays as it was', () => {
  expect(told()['@type']).toBe('Product')
  expect(
    told({ as: 'event', from: { starts: 'bought', person: 'maker', place: 'terms:dome', price: 'cost' } }),
  ).toEqual(
    expect.objectContaining({
      '@type': 'Event',
      startDate: '2026-03-10',
      performer: { '@type': 'Person', name: 'O’Dell' },
      offers: expect.objectContaining({ '@type': 'Offer', price: '12.50', priceCurrency: 'GBP' }) as object,
      location: expect.objectContaining({ name: expect.stringContaining('East') as string }) as object,
    }),
  )
  expect(told({ as: 'article' })).toEqual(expect.objectContaining({ '@type': 'Article', headline: 'The Lens' }))
  expect(told({ as: 'work', from: { person: 'maker' } })).toEqual(
    expect.objectContaining({ '@type': 'CreativeWork', creator: { '@type': 'Person', name: 'O’Dell' } }),
  )
})

test('the line and the picture are those of the fields that are named, wherever a page is found or shared', () => {
  const scene = sceneFor(site({ from: { description: 'maker', picture: 'views' } }))
  expect(descriptionOf(scene)).toBe('O’Dell')
  const shared = Object.fromEntries(sharedAs(scene, titleOf(scene), descriptionOf(scene)))
  expect(shared['og:image']).toMatch(/\/pictures\/sun\/sun\.jpg$/)
  expect(shared['og:description']).toBe('O’Dell')
  expect(descriptionOf(sceneFor(site()))).toBe('A summary.')
})

test('a field that is gone, empty, or of another kind is as if it were not named', () => {
  for (const field of ['gone', 'works', 'terms:gone', 'views']) {
    const scene = sceneFor(site({ from: { description: field, starts: field, price: field, picture: 'maker' } }))
    expect(descriptionOf(scene)).toBe('A summary.')
    expect(Object.fromEntries(sharedAs(scene, 't', 'd'))['og:image']).toMatch(/moon\.jpg$/)
    expect(told({ as: 'event', from: { starts: field } })).not.toHaveProperty('startDate')
  }
})

test('for each role those fields are offered that suit it, its taxonomies for where something is', () => {
  const catalogue = site()
  const type = typeOf(catalogue)
  expect(toldAs(type)).toBe('product')
  expect(fieldsFor('price', type, catalogue).map((f) => f.id)).toEqual(['cost'])
  expect(fieldsFor('starts', type, catalogue).map((f) => f.id)).toEqual(['bought'])
  expect(fieldsFor('place', type, catalogue)[0]!.id).toBe('terms:dome')
})

test.each<[string, unknown]>([
  ['a kind that is none', { as: 'Event' }],
  ['a role that is none', { from: { colour: 'maker' } }],
  ['a field that is none', { from: { price: '<b>' } }],
  ['a list', []],
  ['more', { as: 'event', more: true }],
  ['nothing', null],
])('refuses %s', (_, tells) => {
  const type = { ...typeOf(site()), tells }
  expect(refuse(pageTypeShape, type)).not.toBeNull()
})

test('what is said well is taken', () => {
  for (const tells of [undefined, {}, { as: 'work' }, { from: {} }, { from: { place: 'terms:dome' } }]) {
    const { tells: _, ...type } = { ...typeOf(site()), tells: null }
    expect(refuse(pageTypeShape, { ...type, ...(tells && { tells }) })).toBeNull()
  }
})
