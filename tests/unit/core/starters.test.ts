import { checkDesign } from '#core/checks'
import { workOf } from '#core/elements'
import { checkParcel } from '#core/formats'
import { checkLayout } from '#core/layouts'
import { Catalogue } from '#core/catalogue'
import type { PageType } from '#core/model'
import { SITES, STARTERS, type Starter, fitted, matchesFor, siteParcel } from '#core/starters'
import { PLAIN_HOUSE } from '#core/styles'
import { LAYOUT_REGIONS, type Layout, type TreeNode, childrenOf, elementsOf } from '#core/tree'
import { makeDemo } from '../../../demo'
import { prepareImport } from '../../../server/services/import'
import { VISITOR, observatory, smallSite } from '../../fixtures'

/** Starters: on the museum, on a small site of another kind, and on one that has next to nothing. */

let made = 0
const newId = () => `n${++made}`
const museum = new Catalogue(makeDemo().site)
const bare = new Catalogue({ ...smallSite(), types: [], taxonomies: [], terms: [], menus: [], people: [] })
const SITES_HERE = { museum, observatory: observatory(), bare }

const typeFor = (catalogue: Catalogue): PageType | null => [...catalogue.types.values()].at(-1) ?? null
const fit = (starter: Starter, catalogue: Catalogue, type = typeFor(catalogue)) =>
  fitted(
    starter.layout,
    { id: newId(), name: starter.name },
    matchesFor(starter.wants, catalogue, type),
    PLAIN_HOUSE,
    newId,
  )

test('there are enough of each, by names of their own', () => {
  const count = (of: (s: Starter) => boolean) => STARTERS.filter(of).length
  for (const region of LAYOUT_REGIONS.filter((r) => r !== 'piece'))
    expect([region, count((s) => s.region === region) >= 4]).toEqual([region, true])
  for (const use of ['lost', 'person', 'term', 'search', 'entry', 'list'])
    expect([use, count((s) => s.use === use) >= 3]).toEqual([use, true])
  for (const use of ['sign-in', 'member', 'basket', 'checkout', 'receipt', 'order-status'])
    expect([use, count((s) => s.use === use) >= 2]).toEqual([use, true])
  expect(SITES).toHaveLength(3)
  for (const said of ['id', 'name'] as const) expect(new Set(STARTERS.map((s) => s[said])).size).toBe(STARTERS.length)
})

/** What a layout is made of, whatever it looks like and says. */
function shape(node: Layout | TreeNode): string {
  const what = node.kind === 'element' ? node.type : node.kind === 'column' ? `column ${node.span}` : node.kind
  return `${what}(${childrenOf(node).map(shape).join()})`
}

test('which working page a body is for is known by what it holds, also where it was not said', () => {
  const workFor = ({ layout }: Starter) => workOf(elementsOf(layout).map((e) => e.type))
  const works = ['sign-in', 'member', 'basket', 'checkout', 'receipt', 'order-status']
  for (const starter of STARTERS.filter((s) => s.region === 'body'))
    expect([starter.id, workFor(starter)]).toEqual([starter.id, works.find((w) => w === starter.use) ?? null])
})

test('no two of a region are made alike', () => {
  for (const region of LAYOUT_REGIONS) {
    const shapes = STARTERS.filter((s) => s.region === region).map((s) => shape(s.layout))
    expect(new Set(shapes).size).toBe(shapes.length)
  }
})

test.each(Object.entries(SITES_HERE))('each is a valid layout on a site of its own: %s', (_, catalogue) => {
  for (const starter of STARTERS) {
    const layout = fit(starter, catalogue)
    expect([starter.id, checkLayout(layout).map((p) => p.sentence)]).toEqual([starter.id, []])
    expect(JSON.stringify(layout)).not.toContain('want-')
    expect(layout.children.length).toBeGreaterThan(0)
  }
})

test('fields are matched by kind and by what they are called, none twice; what is not there is left out', () => {
  const talk = museum.types.get('talk')!
  const event = STARTERS.find((s) => s.id === 'body-event')!
  const found = matchesFor(event.wants, museum, talk).map((m) => [m.want.label, m.id])
  expect(found).toEqual([
    ['When it is', 'starts'],
    ['What it costs', 'price'],
    ['How to reach somebody', 'entry:contact'],
  ])
  const facts = matchesFor(STARTERS.find((s) => s.id === 'body-shown')!.wants, museum, museum.types.get('exhibit')!)
  const ids = facts.map((m) => m.id)
  expect(new Set(ids).size).toBe(ids.length)
  expect(facts[0]!.id).toBe('pictures')
  // A note has no such field: the countdown and the price are left out, what is not about them stays.
  const without = fit(event, observatory(), observatory().types.get('note')!)
  const types = elementsOf(without).map((e) => e.type)
  expect([types.includes('countdown'), types.includes('entry-content')]).toEqual([false, true])
})

test('what was chosen by hand stands instead; colours that the palette lacks are left to the house', () => {
  const starter = STARTERS.find((s) => s.id === 'header-line')!
  const matches = matchesFor(starter.wants, museum, null).map((m) => ({ ...m, id: 'small-print' }))
  const house = { ...PLAIN_HOUSE, palette: PLAIN_HOUSE.palette.filter((c) => c.id !== 'wash') }
  const layout = fitted(starter.layout, { id: 'x', name: 'X' }, matches, house, newId)
  expect(elementsOf(layout).find((e) => e.type === 'menu')?.props.menu).toBe('small-print')
  expect(layout.children[0]!.styles.edgeColour).toBeUndefined()
  expect(layout.children[0]!.styles.background).toEqual({ wide: '@paper' })
})

test.each(SITES.map((s) => [s.name, s] as const))(
  'a whole site can be brought in and does what is meant: %s',
  (_, site) => {
    for (const catalogue of [museum, observatory()]) {
      const parcel = siteParcel(site, catalogue, newId, '2026-11-29')
      expect(checkParcel(parcel)).toEqual([])
      const empty = { format: 1 as const, layouts: [], frames: [], house: PLAIN_HOUSE }
      const { layouts, frames, house, plan } = prepareImport({ parcel }, empty, catalogue)
      expect(plan.unfit).toEqual([])
      const design = { format: 1 as const, layouts, frames, house: house! }
      // What the site itself lacks is nothing of the design.
      const told = checkDesign(design, catalogue, VISITOR).filter((f) => !('menu' in f) && !('entry' in f))
      const kinds = new Set(told.map((f) => f.kind))
      for (const kind of [
        'dangling',
        'tie',
        'dead',
        'unreached',
        'missing-field',
        'plain-body',
        'content-never-shown',
        'lacking',
        'outside-form',
        'open-link',
      ])
        expect([site.id, kind, kinds.has(kind as never)]).toEqual([site.id, kind, false])
    }
  },
)
