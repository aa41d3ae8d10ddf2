import { prepareImport } from '../../../server/services/import'
import { makeParcel } from '#core/formats'
import type { Design } from '#core/frames'
import { Catalogue } from '#core/site'
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
