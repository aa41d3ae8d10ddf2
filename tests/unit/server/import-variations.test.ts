import { prepareImport } from '../../../server/services/import'
import { makeParcel } from '#core/formats'
import type { Design } from '#core/design'
import { Catalogue } from '#core/catalogue'
import { type Change, isVariation } from '#core/tree'
import { makeDemo } from '../../../demo'
import { madeOf } from '../../fixtures'

/** Variations that come in a parcel, with what they follow and without. */

const { site, design } = makeDemo()
const catalogue = new Catalogue(site)
const bare: Design = { ...design, layouts: [], frames: [] }
const parcel = { ...makeParcel(design, 'Elsewhere', '2026-11-29'), frames: [], house: null, menus: [] }
const turret = design.layouts.find((l) => l.id === 'turret-exhibit')!

test('with its base it comes as it is, also where the base is here already', () => {
  const { layouts } = prepareImport({ parcel }, bare, catalogue)
  expect(layouts.find((l) => l.id === turret.id)).toEqual(turret)
  const here = { ...bare, layouts: [madeOf(design, 'exhibit-page')] }
  const alone = prepareImport({ parcel: { ...parcel, layouts: [turret] } }, here, catalogue)
  expect(alone.layouts).toEqual([turret])
})

test('what is here exactly so stays, also where a look that it has comes beside', () => {
  const looks = design.house.looks.map((l) => ({ ...l, styles: { ...l.styles, radius: { wide: 17 } } }))
  const changed = design.layouts.map((l) => (l.id === 'room-archive' ? { ...l, name: 'Their archive' } : l))
  const both = looks.map((l) => `look ${l.id}`)
  const made = prepareImport({ parcel: { ...parcel, layouts: changed, looks }, both }, design, catalogue)
  expect(made.layouts.map((l) => l.name)).toEqual(['Their archive'])
  expect(made.looks).toHaveLength(looks.length)
})

test('where its base is left out it comes standing alone, as it looks', () => {
  const leaveOut = design.layouts.filter((l) => l.id !== turret.id).map((l) => `layout ${l.id}`)
  const { layouts } = prepareImport({ parcel, leaveOut }, bare, catalogue)
  expect(layouts.map(isVariation)).toEqual([false])
  expect(layouts[0]).toEqual(madeOf(design, turret.id))
})

test('where its base is nowhere it is refused, and so is one that cannot follow what is here', () => {
  const import1 = (layouts: typeof design.layouts, into = bare) =>
    prepareImport({ parcel: { ...parcel, layouts } }, into, catalogue)
  expect(() => import1([turret])).toThrow('follows a layout that is not there')
  const changes: Change[] = []
  const follows = (id: string, base: string) => ({ ...turret, id, name: id, follows: { base, changes } })
  const chain = [turret, follows('a', turret.id), follows('b', 'a'), follows('c', 'b')]
  const into = { ...bare, layouts: [madeOf(design, 'exhibit-page'), ...chain] }
  expect(() => import1([follows('d', 'c')], into)).toThrow('Variations can follow one another 4 deep')
})
