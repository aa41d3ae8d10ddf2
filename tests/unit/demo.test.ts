import { checkFrame } from '#core/design'
import { resolveInTurn, rulesOf } from '#core/rules'
import { checkLayout, treesOf } from '#core/layouts'
import { elementsOf } from '#core/tree'
import { hasTitle } from '#core/render'
import { Catalogue } from '#core/catalogue'
import { isSlug } from '#core/addresses'
import { DEMO_USERS, PICTURES, makeDemo } from '#demo/index'
import { VISITOR, drawn } from '../fixtures'

const { site, design } = makeDemo()
const catalogue = new Catalogue(site)

test('the museum has what it says it has', () => {
  const count = (type: string) => site.entries.filter((e) => e.type === type).length
  expect([count('page'), count('exhibit'), count('talk'), count('story'), count('ticket')]).toEqual([9, 36, 12, 20, 6])
  // Of the stories one is in the making, and one waits for its moment.
  expect(new Catalogue(site).entriesOfType('story')).toHaveLength(18)
  expect(site.terms.filter((t) => t.taxonomy === 'room')).toHaveLength(5)
  expect(site.people).toHaveLength(4)
  expect(site.menus).toHaveLength(3)
  expect(DEMO_USERS.map((u) => u.role)).toEqual(['owner', 'designer', 'writer', 'member'])
})

test('the awkward ones are there', () => {
  const titles = site.entries.map((e) => e.title)
  expect(titles.some((t) => t.length >= 138 && t.length <= 142)).toBe(true)
  expect(titles).toContain('')
  expect(titles.some((t) => t.includes("'") && t.includes('&') && t.includes('<b>'))).toBe(true)
  expect(site.entries.some((e) => /\p{Script=Arabic}/u.test(e.title))).toBe(true)
  expect(site.entries.filter((e) => e.type === 'exhibit' && !e.picture).length).toBeGreaterThan(0)
  expect(site.terms.some((t) => catalogue.entriesInTerm(t.id).length === 0)).toBe(true)
})

test('its layouts and frames are valid, and nothing in them leads nowhere', () => {
  for (const layout of design.layouts) expect(checkLayout(layout)).toEqual([])
  for (const frame of design.frames) expect(checkFrame(frame)).toEqual([])
  const menus = design.layouts
    .flatMap((l) => elementsOf(drawn(design, l.id)))
    .flatMap((e) => (e.type === 'menu' ? [e.props.menu] : []))
  for (const menu of menus) expect(catalogue.menus.has(String(menu))).toBe(true)
  const links = site.menus.flatMap((m) => m.items).flatMap((i) => [i, ...i.items])
  for (const { link } of links) expect(typeof link === 'object' && catalogue.page(link.page)).toBeTruthy()
})

test('ids and addresses are unique, and slugs are slugs', () => {
  const addresses = catalogue.pages.map((p) => p.address).filter(Boolean)
  expect(new Set(addresses).size).toBe(addresses.length)
  expect(new Set(site.entries.map((e) => e.id)).size).toBe(site.entries.length)
  for (const entry of site.entries) expect(isSlug(entry.slug)).toBe(true)
})

test('every page has a header, a body and exactly one title', () => {
  const rules = rulesOf(design)
  const titled = new Set(design.layouts.filter((l) => hasTitle(treesOf(design).of(l).tree)).map((l) => l.id))
  for (const page of catalogue.pages) {
    const { regions } = resolveInTurn(rules, catalogue, page, VISITOR)
    const layouts = Object.values(regions).flatMap((r) => (r.shown.kind === 'layout' ? [r.shown.layout] : []))
    expect(regions.header.shown.kind).toBe('layout')
    expect(regions.body.shown.kind).toBe('layout')
    expect(layouts.filter((l) => titled.has(l))).toHaveLength(1)
  }
})

test('pictures are drawn, the same each time, without script, and every one that is named exists', () => {
  const ids = new Set(PICTURES.map((p) => p.id))
  for (const svg of PICTURES.map((p) => p.draw())) {
    expect(svg).toMatch(/^<svg xmlns.*<\/svg>$/s)
    expect(svg).not.toMatch(/NaN|undefined|<script/)
  }
  for (const entry of site.entries) {
    if (entry.picture) expect(ids.has(entry.picture)).toBe(true)
    for (const id of (entry.fields.pictures as string[] | undefined) ?? []) expect(ids.has(id)).toBe(true)
  }
  expect(makeDemo().pictures.map((p) => p.draw())).toEqual(PICTURES.map((p) => p.draw()))
})
