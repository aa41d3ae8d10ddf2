import { ELEMENTS } from '#core/elements'
import { type Parcel, beside, checkParcel, makeParcel } from '#core/formats'
import { Trees } from '#core/layouts'
import type { Variation } from '#core/tree'
import { makeDemo } from '../../../../demo'

/** Things of a parcel that come beside those that are here: under other ids, and with all that names them. */

const { design } = makeDemo()
const parcel = { ...makeParcel(design, 'Elsewhere', '2026-11-29'), house: null, menus: [] }
let made = 0
const renamed = (...keys: string[]) => beside(parcel, new Set(keys), () => `new${++made}`)
const byName = (all: Parcel, name: string) => all.layouts.find((l) => l.name.startsWith(name))!

test('nothing chosen is the same parcel', () => {
  expect(beside(parcel, new Set(), () => 'x')).toEqual(parcel)
})

test('what follows, places, draws or uses one of them names it as it is called then, and looks the same', () => {
  const now = renamed('layout exhibit-page', 'layout visit-band', 'layout exhibit-card', 'layout turret-exhibit')
  expect(checkParcel(now)).toEqual([])
  const turret = byName(now, 'Turret exhibit') as Variation
  expect(turret.follows.base).toBe(byName(now, 'Exhibit page').id)
  expect(turret.name).toBe('Turret exhibit, Elsewhere')
  // Drawn of them is what was drawn before, but for the ids of the layouts themselves.
  const text = (layouts: typeof parcel.layouts, id: string) => {
    const { children } = new Trees(layouts).tree(id)!
    return JSON.stringify(children)
      .replaceAll(/"card":"[^"]*"/g, '"card":"x"')
      .replaceAll(/"id":"[^".]*\./g, '"id":"x.')
  }
  expect(text(now.layouts, turret.id)).toBe(text(parcel.layouts, 'turret-exhibit'))
  const tower = now.frames.find((f) => f.id === 'tower')!
  expect(tower.regions.body).toEqual({ kind: 'use', layout: turret.id })
  expect(JSON.stringify(now)).not.toContain('"piece":"visit-band"')
  expect(JSON.stringify(now)).not.toContain('"card":"exhibit-card"')
})

test('frames come under ids of their own', () => {
  const now = renamed('frame tower')
  expect(now.frames.map((f) => f.id)).not.toContain('tower')
  expect(now.frames).toHaveLength(parcel.frames.length)
})

test('a property that names a layout or a look is called by a name that no other kind of property has', () => {
  const kinds = new Map<string, Set<string>>()
  for (const { props } of ELEMENTS)
    for (const [name, spec] of Object.entries(props))
      for (const [inner, one] of [[name, spec] as const, ...(spec.kind === 'items' ? Object.entries(spec.of) : [])])
        kinds.set(inner, (kinds.get(inner) ?? new Set()).add(one.kind === 'piece' ? 'card' : one.kind))
  for (const [name, of] of kinds)
    if (of.has('card') || of.has('look')) expect([name, [...of]]).toHaveProperty('1.length', 1)
})
