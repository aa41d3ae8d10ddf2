import { whyRelated } from '#core/elements'
import { PLAIN_HOUSE } from '#core/styles'
import { checkDesign, usesOf } from '#core/checks'
import type { Entry, Page, Site } from '#core/model'
import { Catalogue } from '#core/catalogue'
import { Formats, sceneOf } from '#core/drawing'
import { CompiledDesign, isBeyond, wellAsked } from '#core/render'
import { rulesOf, resolveInTurn } from '#core/rules'
import type { Layout, Value } from '#core/tree'
import { layoutEditUpToDate, layoutUpToDate } from '#core/layouts'
import { VISITOR, column, element, entry, frame, layout, row, smallSite } from '../../../fixtures'

/** What an entry list and the form beside it come to on a page that is asked for something. */

const tool = (id: string, fields: Record<string, unknown>, more: Partial<Entry> = {}): Entry =>
  entry(id, 'tool', { title: id, date: '2025-01-01', fields, ...more })
const TOOLS = [
  tool('ash', { kind: 'lens', width: 5, works: true, maker: 'Lund' }, { terms: ['east'], date: '2025-03-01' }),
  tool('birch', { kind: 'mirror', width: 9, works: true }, { terms: ['east-low'], date: '2025-02-01' }),
  tool('cedar', { kind: 'lens', width: 7, maker: '<Pell>' }, { terms: ['west'], person: 'nell' }),
]
const items = (...all: Record<string, Value>[]): Value => all.map((props, i) => ({ id: `i${i}`, props }))

interface Asked {
  list?: Record<string, Value>
  form?: Record<string, Value> | null
  parameters?: Record<string, string[]>
  page?: string
  entries?: Entry[]
  cards?: Layout[]
  site?: Partial<Site>
}

function drawn({
  list = {},
  form = null,
  parameters = {},
  page = 'archive:tool',
  entries = TOOLS,
  cards = [],
  site = {},
}: Asked) {
  const catalogue = new Catalogue(smallSite(entries, site))
  const elements = [
    ...(form ? [element('filter-form', form)] : []),
    element('entry-list', { source: 'page', ...list }, 'l'),
  ]
  const body = layout('b', 'body', row(column(12, ...elements)))
  const layouts = [body, ...cards]
  const frames = [frame('all', [{ kind: 'every' }], { body: { kind: 'use', layout: 'b' } })]
  const compiled = new CompiledDesign({ format: 1, layouts, frames, house: PLAIN_HOUSE }, { strict: true })
  const found = catalogue.page(page)!
  const request = { ...VISITOR, parameters }
  const outcomeOf = (at: Page) => resolveInTurn(rulesOf({ layouts, frames }), catalogue, at, request)
  const outcome = outcomeOf(found)
  const scene = sceneOf(catalogue, new Formats(catalogue.site.settings), found, {
    request,
    cards: compiled.cards,
    lists: (at) => compiled.listsShown(at, outcomeOf(at)),
  })
  const lists = compiled.listsShown(found, outcome)
  const { html } = compiled.draw(scene, outcome)
  return { html, main: /<main.*<\/main>/s.exec(html)![0], lists, scene }
}
const titles = (html: string) => [...html.matchAll(/href="\/tools\/(\w+)"/g)].map((m) => m[1])

describe('an entry list', () => {
  test('shows what the page lists, sorted, to fixed values or to the page’s own', () => {
    expect(titles(drawn({}).main)).toEqual(['ash', 'birch', 'cedar'])
    const sorts = items({ field: 'kind' }, { field: 'width', down: true })
    expect(titles(drawn({ list: { sorts } }).main)).toEqual(['cedar', 'ash', 'birch'])
    const where = items({ field: 'kind', op: 'is', value: 'lens' }, { field: 'width', op: 'at-least', value: 6 })
    expect(titles(drawn({ list: { where } }).main)).toEqual(['cedar'])
    const own = { kind: 'field', of: 'page', field: 'kind' } as Value
    const alike = { source: 'newest', type: 'tool', where: items({ field: 'kind', op: 'is', value: own }) }
    expect(titles(drawn({ page: 'entry:ash', list: alike }).main)).toEqual(['cedar'])
    expect(titles(drawn({ page: 'entry:welcome', list: alike }).main)).toEqual([])
  })

  test('on the page of a term it may hold what stands in the terms below it', () => {
    expect(titles(drawn({ page: 'term:east' }).main)).toEqual(['ash'])
    expect(titles(drawn({ page: 'term:east', list: { below: true } }).main)).toEqual(['ash', 'birch'])
  })

  test('shows related ones, never the entry itself, and those chosen by hand in their order', () => {
    const related = { source: 'related', relatedBy: 'field', relatedField: 'kind' }
    expect(titles(drawn({ page: 'entry:ash', list: related }).main)).toEqual(['cedar'])
    expect(titles(drawn({ page: 'entry:ash', list: { ...related, fill: true } }).main)).toEqual(['cedar', 'birch'])
    const chosen = items(
      { entry: { page: 'entry:cedar' } },
      { entry: { page: 'entry:gone' } },
      { entry: { page: 'entry:ash' } },
    )
    expect(titles(drawn({ list: { source: 'chosen', chosen } }).main)).toEqual(['cedar', 'ash'])
  })

  test('parts its entries by terms in the order of their tree, by letters, by months', () => {
    const heads = (list: Record<string, Value>) =>
      [...drawn({ list }).main.matchAll(/<section><h2[^>]*>(?:<a[^>]*>)?([^<]*)/g)].map((m) => m[1])
    expect(heads({ group: 'field', groupField: 'terms:dome' })).toEqual(['East dome', 'East, below', 'West dome'])
    expect(heads({ group: 'letter' })).toEqual(['A', 'B', 'C'])
    expect(heads({ group: 'month' })).toEqual(['March 2025', 'February 2025', 'January 2025'])
    expect(heads({ group: 'month', groupDown: true })).toEqual(['January 2025', 'February 2025', 'March 2025'])
    expect(heads({ group: 'field', groupField: 'gone' })).toEqual([])
  })

  test('puts numbers together below it, of all that it holds and not of one screen', () => {
    const sums = items(
      { field: 'width', how: 'sum', label: 'Together <' },
      { field: 'width', how: 'mean' },
      { field: 'cost', how: 'most' },
      { field: 'gone' },
      { how: 'sum' },
    )
    const said = (list: Record<string, Value>, parameters = {}) =>
      [...drawn({ list, parameters }).main.matchAll(/<dt[^>]*>(.*?)<\/dt><dd>(.*?)<\/dd>/g)].map((m) => [m[1], m[2]])
    const both = [
      ['Together &lt;', '21 cm'],
      ['Their mean', '7 cm'],
    ]
    expect(said({ sums })).toEqual(both)
    expect(said({ sums, most: 1, pages: 'numbers' }, { page: ['2'] })).toEqual(both)
    expect(said({ sums, where: items({ field: 'kind', op: 'is', value: 'mirror' }) })[0]).toEqual([
      'Together &lt;',
      '9 cm',
    ])
    expect(said({ sums: items({ field: 'width', how: 'least' }, { field: 'width', how: 'unheard of' }) })).toEqual([
      ['The least', '5 cm'],
      ['Their sum', '21 cm'],
    ])
    expect(said({ sums, where: items({ field: 'kind', op: 'is', value: 'none' }) })).toEqual([])
  })

  test('stands as a table of fields, whose lines lead to their pages', () => {
    const { main } = drawn({ list: { arrange: 'table', fields: items({ field: 'title' }, { field: 'maker' }) } })
    expect(main).toContain('<th scope="col">Maker</th>')
    expect(main).toContain('<td>&lt;Pell&gt;</td>')
    expect(titles(main)).toEqual(['ash', 'birch', 'cedar'])
  })

  test('draws the first and every so many in cards of their own, across its screens', () => {
    const card = (id: string) => ({
      ...layout(id, 'card', row(column(12, element('heading', { text: id, level: '3' })))),
    })
    const list = { most: 2, pages: 'numbers', card: 'plain', firstCard: 'big', every: 3, everyCard: 'third' }
    const said = (parameters: Record<string, string[]>) =>
      [
        ...drawn({ list, parameters, cards: [card('plain'), card('big'), card('third')] }).main.matchAll(
          /<h3[^>]*>(\w+)</g,
        ),
      ].map((m) => m[1])
    expect(said({})).toEqual(['big', 'plain'])
    expect(said({ page: ['2'] })).toEqual(['third'])
  })
})

describe('its screens', () => {
  const list = { most: 1, pages: 'numbers' }

  test('have addresses, numbers, neighbours, and are told to engines', () => {
    const { main, html } = drawn({ list, parameters: { page: ['2'] } })
    expect(titles(main)).toEqual(['birch'])
    expect(main).toContain('<a rel="prev" href="/tools">Previous</a>')
    expect(main).toContain('<span aria-current="page">2</span>')
    expect(main).toContain('<a rel="next" href="/tools?page=3">Next</a>')
    expect(html).toContain('<link rel="canonical" href="https://hillside.example.org/tools?page=2">')
    expect(html).toContain('<link rel="prev" href="/tools"><link rel="next" href="/tools?page=3">')
  })

  test('beyond the last, or none at all, there is none', () => {
    const beyond = (page: string) => {
      const { lists, scene } = drawn({ list, parameters: { page: [page] } })
      return isBeyond(lists, scene)
    }
    expect(['1', '3', '03'].map(beyond)).toEqual([false, false, false])
    expect(['0', '4', '-1', '1e9', 'two', '', '99999999999'].map(beyond)).toEqual(Array(7).fill(true))
  })
})

describe('what a list is asked for', () => {
  const filters = items(
    { field: 'terms:dome' },
    { field: 'kind' },
    { field: 'width' },
    { field: 'works' },
    { field: 'gone' },
  )
  const list = { filters, ways: items({ label: 'Widest', field: 'width', down: true }), words: true, tally: true }
  const asked = (parameters: Record<string, string[]>) => drawn({ list, form: {}, parameters })

  test('narrows it, and the form tells how many each choice would leave', () => {
    const { main } = asked({ kind: ['lens'] })
    expect(titles(main)).toEqual(['ash', 'cedar'])
    expect(main).toMatch(/value="mirror"> Reflector <span class="of-count">1</)
    expect(main).toMatch(/value="lens" checked> Refractor <span class="of-count">2</)
    expect(main).toContain('<strong>2</strong> of 3')
    expect(main).toContain('<a rel="nofollow" href="/tools">Kind: Refractor')
    // Nothing that would leave nothing is offered.
    expect(main).not.toContain('value="east-low"')
  })

  test.each([
    ['an unknown choice', { kind: ['nothing', 'lens'] }, { kind: ['lens'] }],
    ['an empty one', { kind: [''], works: ['yes'] }, { works: ['yes'] }],
    [
      'a range the wrong way round',
      { 'width-from': ['9'], 'width-to': ['5'] },
      { 'width-from': ['5'], 'width-to': ['9'] },
    ],
    ['an end that is no number', { 'width-from': ['much'], 'width-to': ['7.50'] }, { 'width-to': ['7.5'] }],
    ['another order', { works: ['yes'], kind: ['lens'] }, { kind: ['lens'], works: ['yes'] }],
    ['an order that is not offered', { sort: ['9'] }, {}],
    ['ten thousand values', { kind: Array.from({ length: 10_000 }, (_, i) => `k${i}`) }, {}],
  ] as [string, Record<string, string[]>, Record<string, string[]>][])(
    '%s has an address that says it well',
    (_, given, well) => {
      const { lists, scene } = asked(given)
      expect(wellAsked(lists, scene, given)).toEqual(well)
      const again = asked(well)
      expect(wellAsked(again.lists, again.scene, well)).toBeNull()
    },
  )

  test('is kept from engines beyond the first choice, and by an order', () => {
    const robots = (parameters: Record<string, string[]>) => asked(parameters).html.includes('content="noindex"')
    expect(robots({ kind: ['lens'] })).toBe(false)
    expect(robots({ kind: ['lens', 'mirror'] })).toBe(true)
    expect(robots({ kind: ['lens'], works: ['yes'] })).toBe(true)
    expect(robots({ sort: ['-width'] })).toBe(true)
  })

  test('what the address says besides goes along with the form, and not twice what the form says itself', () => {
    const { main } = asked({ kiosk: ['1'], kind: ['lens'], q: ['brass'], page: ['2'], sort: ['-width'] })
    const hiddenIn = [...main.matchAll(/<input type="hidden" name="([^"]+)" value="([^"]*)"/g)].map((m) => [m[1], m[2]])
    expect(hiddenIn).toEqual([['kiosk', '1']])
  })

  test('a text that is called as a term is by its id stays a text in addresses', () => {
    const site = { terms: smallSite().terms.map((t) => ({ ...t, slug: `slug-of-${t.slug}` })) }
    const entries = [tool('ash', { maker: 'east-low' }), tool('birch', { maker: 'Lund' })]
    const makers = { filters: items({ field: 'maker' }) }
    const { main } = drawn({ list: makers, form: {}, entries, site })
    const [, value] = /name="maker" value="([^"]*east[^"]*)"/.exec(main)!
    expect(titles(drawn({ list: makers, form: {}, entries, site, parameters: { maker: [value!] } }).main)).toEqual([
      'ash',
    ])
  })

  test('a form may stand on any page and lead to the list of another; where there is none it is nothing', () => {
    const there = {
      list,
      form: { link: { page: 'archive:tool' } },
      page: 'entry:welcome',
      parameters: { kind: ['lens'] },
    }
    const { main } = drawn(there)
    expect(main).toContain('action="/tools"')
    // What this page is asked for is not asked of the other.
    expect(main).not.toContain(' checked')
    expect(drawn({ form: {} }).main).not.toContain('<form')
    expect(drawn({ ...there, form: { link: { page: 'entry:gone' } } }).main).not.toContain('<form')
  })
})

test('a layout of the first format is brought up to date, with all that is given to its grids', () => {
  const old = {
    ...layout('x', 'body', row(column(12, { ...element('heading', {}, 'h') }))),
    format: 1,
    defaults: { 'entry-grid title': { size: { wide: 3 } }, 'entry-gridiron': {}, heading: {} },
  }
  const grid = {
    kind: 'element',
    id: 'g',
    type: 'entry-grid',
    props: { type: 'tool', title: 'entry-grid' },
    styles: {},
  }
  ;(old.children[0]!.children[0] as { children: unknown[] }).children.push(grid)
  const now = layoutUpToDate(old) as Layout & { format: number }
  expect(now.format).toBe(2)
  expect(Object.keys(now.defaults)).toEqual(['entry-list title', 'entry-gridiron', 'heading'])
  expect(now.children[0]!.children[0]!.children[1]).toMatchObject({
    type: 'entry-list',
    props: { type: 'tool', title: 'entry-grid' },
  })
  expect(layoutUpToDate(now)).toBe(now)
  expect(layoutEditUpToDate({ kind: 'insert', parent: 'c', index: 0, node: grid })).toMatchObject({
    node: { type: 'entry-list' },
  })
  expect(layoutEditUpToDate({ kind: 'setDefault', of: 'entry-grid title', property: 'size' })).toMatchObject({
    of: 'entry-list title',
  })
  for (const odd of [null, 3, 'x', [], { format: 9 }]) {
    expect(layoutUpToDate(odd)).toEqual(odd)
    expect(layoutEditUpToDate(odd)).toEqual(odd)
  }
  let deep: unknown = { format: 1 }
  for (let i = 0; i < 50_000; i++) deep = { format: 1, children: [deep] }
  expect(() => layoutUpToDate(deep)).not.toThrow()
})

test('a filter by texts that are all different offers those that leave most, and none that is chosen is lost', () => {
  const many = Array.from({ length: 400 }, (_, i) => tool(`t${i}`, { maker: i < 5 ? 'Lund' : `Maker ${i}` }))
  const list = { filters: items({ field: 'maker' }) }
  const { main } = drawn({ list, form: {}, entries: many, parameters: { maker: ['Maker 399'] } })
  expect(main.match(/type="checkbox"/g)).toHaveLength(100)
  expect(main).toContain('value="Lund"')
  expect(main).toContain('value="Maker 399" checked')
})

test('what a condition of a list asks for is told when it is gone, and named before it goes', () => {
  const where = items({ field: 'terms:dome', op: 'is', value: 'west' }, { field: 'person', op: 'is', value: 'nobody' })
  const made = layout('b', 'body', row(column(12, element('entry-list', { source: 'page', where }, 'l'))))
  const frames = [frame('all', [{ kind: 'every' }], { body: { kind: 'use', layout: 'b' } })]
  const design = { format: 1 as const, layouts: [made], frames, house: PLAIN_HOUSE }
  const site = smallSite(TOOLS)
  const gone = (terms: typeof site.terms) =>
    checkDesign(design, new Catalogue({ ...site, terms }), VISITOR).flatMap((f) =>
      f.kind === 'dangling' && f.layout ? f.id : [],
    )
  expect(gone(site.terms)).toEqual(['nobody'])
  expect(gone(site.terms.filter((t) => t.id !== 'west'))).toEqual(['west', 'nobody'])
  const catalogue = new Catalogue(site)
  expect(usesOf({ kind: 'term', id: 'west' }, design, catalogue).layouts).toEqual(['b'])
  expect(usesOf({ kind: 'term', id: 'east' }, design, catalogue).layouts).toEqual([])
})

describe('why entries are related', () => {
  const site = () =>
    new Catalogue(
      smallSite([
        entry('a', 'tool', { title: 'A', terms: ['east', 'west'], person: 'nell', fields: { kind: 'lens' } }),
        entry('b', 'tool', { title: 'B', terms: ['west', 'east'], fields: { kind: 'lens' } }),
        entry('c', 'tool', { title: 'C', terms: ['west'], person: 'nell' }),
        entry('d', 'tool', { title: 'D' }),
      ]),
    )
  const why = (props: Record<string, Value>, page = 'entry:a') => {
    const catalogue = site()
    const scene = sceneOf(catalogue, new Formats(catalogue.site.settings), catalogue.page(page)!)
    return whyRelated(element('entry-list', { source: 'related', most: 5, ...props }), scene)?.map((w) => [
      w.name,
      [...w.shares].sort(),
    ])
  }

  test('is told by what they share, as it is called; never of the entry itself', () => {
    const [b, c, ...others] = why({ relatedBy: 'terms' })!
    expect([b![0], (b![1] as string[]).length]).toEqual(['B', 2])
    expect([c![0], (c![1] as string[]).length]).toEqual(['C', 1])
    expect(others).toEqual([])
    expect(why({ relatedBy: 'person' })).toEqual([['C', [site().people.get('nell')!.name]]])
    const label = site()
      .types.get('tool')!
      .fields.find((f) => f.id === 'kind')!
      .choices!.find((x) => x.id === 'lens')!.label
    expect(why({ relatedBy: 'field', relatedField: 'kind' })).toEqual([['B', [label]]])
  })

  test('what fills up shares nothing; other lists, and pages without an entry, have no such reasons', () => {
    expect(
      why({ relatedBy: 'person', fill: true })!
        .slice(1)
        .every(([, shares]) => shares!.length === 0),
    ).toBe(true)
    expect(why({ source: 'newest', type: 'tool' })).toBeUndefined()
    expect(why({}, 'archive:tool')).toBeUndefined()
  })
})
