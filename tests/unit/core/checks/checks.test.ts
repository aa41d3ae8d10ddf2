import { type Finding, type FindingKind, checkDesign } from '#core/checks'
import { CompiledRules, resolve, rulesOf } from '#core/rules'
import type { Design, DisplayRule } from '#core/design'
import type { Target } from '#core/targets'
import { hasWork, lackingOn, workOf } from '#core/elements'
import type { Layout } from '#core/tree'
import { Catalogue } from '#core/catalogue'
import { PLAIN_SHOP } from '#core/selling'
import { PLAIN_HOUSE } from '#core/styles'
import {
  VISITOR,
  column,
  element,
  entry,
  field,
  frame,
  layout,
  mirror,
  note,
  refractor,
  row,
  smallSite,
} from '../../../fixtures'

const EVERY: Target = { kind: 'every' }
const TOOLS: Target = { kind: 'type', type: 'tool' }
const use = (id: string) => ({ kind: 'use' as const, layout: id })

const titled = (id: string, ...more: Parameters<typeof column>[1][]) =>
  layout(
    id,
    'body',
    row(column(12, element('heading', { text: field('title'), level: '1' }), element('entry-content'), ...more)),
  )
const BODY = titled('B')
const base = frame('base', [EVERY], { body: use('B') })

function findings(
  frames: DisplayRule[],
  layouts: Layout[] = [BODY],
  catalogue = new Catalogue(smallSite([refractor, mirror, note])),
): Finding[] {
  const design: Design = { format: 1, layouts, frames, house: PLAIN_HOUSE }
  // The menu of the small site has an item whose page is gone; see below.
  return checkDesign(design, catalogue, VISITOR).filter((f) => !('menu' in f))
}
const of = <K extends FindingKind>(kind: K, all: Finding[]) =>
  all.filter((f) => f.kind === kind) as Extract<Finding, { kind: K }>[]

test('a design that does what is meant has no finding, and an empty one neither', () => {
  expect(findings([base])).toEqual([])
  expect(findings([], [])).toEqual([])
})

test('an item of a menu whose page is gone, or is not out, is told by its menu', () => {
  const design: Design = { format: 1, layouts: [BODY], frames: [base], house: PLAIN_HOUSE }
  const site = smallSite([refractor, mirror, note])
  const gone = { kind: 'dangling', what: 'page', id: 'entry:nowhere', menu: site.menus[0]!.id }
  expect(checkDesign(design, new Catalogue(site), VISITOR)).toEqual([gone])
  expect(checkDesign(design, new Catalogue({ ...site, menus: [] }), VISITOR)).toEqual([])
})

describe('tie', () => {
  const pair = (a: Partial<DisplayRule>, b: Partial<DisplayRule>) =>
    of(
      'tie',
      findings(
        [base, frame('x', [TOOLS], { body: use('B') }, a), frame('y', [TOOLS], { body: use('C') }, b)],
        [BODY, titled('C')],
      ),
    )

  test('two frames equal down to order where both have a say', () => {
    expect(pair({ order: 1 }, { order: 1 })).toEqual([
      { kind: 'tie', frames: ['x', 'y'], region: 'body', pages: ['entry:refractor', 'entry:mirror'] },
    ])
  })

  test.each<[string, Partial<DisplayRule>, Partial<DisplayRule>]>([
    ['another order', { order: 1 }, { order: 2 }],
    ['another narrowness', {}, { covers: [{ kind: 'page', page: 'entry:mirror' }] }],
    ['one of them off', {}, { on: false }],
    ['one has circumstances', {}, { onlyWhen: [{ kind: 'signed-in', yes: true }] }],
    [
      'circumstances that cannot hold together',
      { onlyWhen: [{ kind: 'signed-in', yes: true }] },
      { onlyWhen: [{ kind: 'signed-in', yes: false }] },
    ],
    [
      'devices that cannot be one',
      { onlyWhen: [{ kind: 'device', devices: ['phone'] }] },
      { onlyWhen: [{ kind: 'device', devices: ['desktop', 'tablet'] }] },
    ],
    ['no page in common', {}, { except: [TOOLS] }],
  ])('is none with %s', (_, a, b) => {
    expect(pair(a, b)).toEqual([])
  })

  test('is one with different circumstances that may hold together', () => {
    expect(
      pair({ onlyWhen: [{ kind: 'signed-in', yes: true }] }, { onlyWhen: [{ kind: 'device', devices: ['phone'] }] }),
    ).toHaveLength(1)
  })

  test('is none where a third frame decides anyway', () => {
    const x = frame('x', [TOOLS], { body: use('B') })
    const y = frame('y', [TOOLS], { body: use('B') })
    const above = frame('above', [TOOLS], { body: use('B') }, { outranks: true })
    expect(of('tie', findings([base, x, y, above]))).toEqual([])
  })
})

describe('dead', () => {
  const dead = (...frames: DisplayRule[]) => of('dead', findings([base, ...frames]))

  test('a frame that narrower ones shadow everywhere, and by which', () => {
    const wide = frame('wide', [TOOLS], { body: { kind: 'empty' } })
    const one = frame('one', [{ kind: 'page', page: 'entry:refractor' }], { body: use('B') })
    const two = frame('two', [{ kind: 'page', page: 'entry:mirror' }], { body: use('B') })
    expect(dead(wide, one, two)).toEqual([{ kind: 'dead', frame: 'wide', because: 'shadowed', by: ['one', 'two'] }])
    expect(dead(wide, one)).toEqual([])
  })

  test('a frame that covers nothing, or whose Except takes back all it covers', () => {
    expect(dead(frame('x', [], { body: use('B') }))).toEqual([
      { kind: 'dead', frame: 'x', because: 'covers-nothing', by: [] },
    ])
    expect(dead(frame('x', [TOOLS], { body: use('B') }, { except: [TOOLS] }))[0]).toMatchObject({
      because: 'covers-nothing',
    })
  })

  test('a frame that passes everywhere, or whose layouts cannot be used', () => {
    expect(dead(frame('x', [TOOLS], {}))[0]).toMatchObject({ because: 'says-nothing' })
    expect(dead(frame('x', [TOOLS], { header: use('B') }))[0]).toMatchObject({ because: 'says-nothing' })
  })

  test('circumstances do not kill: a frame is alive if it decides when they hold', () => {
    const phone = { onlyWhen: [{ kind: 'device' as const, devices: ['phone' as const] }] }
    expect(dead(frame('x', [TOOLS], { body: { kind: 'empty' } }, phone))).toEqual([])
    const twin = frame('y', [TOOLS], { body: { kind: 'empty' } }, { ...phone, order: 5 })
    expect(dead(frame('x', [TOOLS], { body: { kind: 'empty' } }, phone), twin)).toEqual([
      { kind: 'dead', frame: 'y', because: 'shadowed', by: ['x'] },
    ])
    expect(
      dead(
        frame('x', [EVERY], { body: use('B') }, { outranks: true }),
        frame('z', [TOOLS], { body: use('B') }, phone),
      ).map((d) => d.frame),
    ).toEqual(['base', 'z'])
  })

  test('a frame that is offered to writers waits for one, unless it says nothing that can be used', () => {
    const offered = { offeredTo: ['tool'] }
    expect(dead(frame('x', [], { body: use('B') }, offered))).toEqual([])
    expect(dead(frame('x', [], {}, offered))).toMatchObject([{ frame: 'x', because: 'says-nothing' }])
  })

  test('a frame that is off is not dead, it is off', () => {
    expect(dead(frame('x', [], {}, { on: false }))).toEqual([])
  })
})

describe('layouts', () => {
  test('unreached: used by no frame that is on, and by no grid of one that is used', () => {
    const grid = titled('G', element('entry-list', { type: 'tool', card: 'K' }))
    const card = layout('K', 'card', row(column(12, element('lead-picture'))))
    expect(of('unreached', findings([base], [BODY, grid, card])).map((f) => f.layout)).toEqual(['G', 'K'])
    expect(of('unreached', findings([base, frame('g', [TOOLS], { body: use('G') })], [BODY, grid, card]))).toEqual([])
    expect(
      of('unreached', findings([base, frame('g', [TOOLS], { body: use('G') }, { on: false })], [BODY, grid])),
    ).toHaveLength(1)
  })

  test('unreached: every frame that uses it is outranked wherever it covers; one that waits for writers is not', () => {
    const other = titled('O')
    const above = frame('above', [TOOLS], { body: use('B') }, { outranks: true })
    const below = frame('below', [TOOLS], { body: use('O') })
    expect(of('unreached', findings([base, above, below], [BODY, other])).map((f) => f.layout)).toEqual(['O'])
    expect(of('unreached', findings([base, below], [BODY, other]))).toEqual([])
    expect(of('unreached', findings([base, above, { ...below, offeredTo: ['tool'] }], [BODY, other]))).toEqual([])
  })

  test('content never shown: only where there is some', () => {
    const bare = layout('N', 'body', row(column(12, element('heading', { text: field('title'), level: '1' }))))
    expect(of('content-never-shown', findings([base, frame('n', [TOOLS], { body: use('N') })], [BODY, bare]))).toEqual([
      { kind: 'content-never-shown', layout: 'N', pages: ['entry:refractor'] },
    ])
    const byField = layout(
      'N',
      'body',
      row(column(12, element('heading', { level: '1' }), element('field', { value: field('content') }))),
    )
    expect(
      of('content-never-shown', findings([base, frame('n', [TOOLS], { body: use('N') })], [BODY, byField])),
    ).toEqual([])
  })

  test('missing field: on a page type that does not have it, in an element, in text, in a fallback, in a card', () => {
    const wants = (props: Parameters<typeof element>[1], type = 'heading') =>
      of(
        'missing-field',
        findings([base, frame('t', [TOOLS], { body: use('T') })], [BODY, titled('T', element(type, props, 'probe'))]),
      )
    expect(wants({ text: field('maker') })).toEqual([])
    expect(wants({ text: field('gone') })).toEqual([
      { kind: 'missing-field', layout: 'T', node: 'probe', field: 'gone', type: 'tool' },
    ])
    expect(
      wants({ text: { type: 'doc', content: [{ type: 'field', attrs: { value: field('gone') } }] } }, 'text'),
    ).toHaveLength(1)
    expect(wants({ text: field('maker', { fallback: field('gone') }) })).toHaveLength(1)
    expect(wants({ text: { kind: 'field', of: 'reference', via: 'twin', field: 'title' } })).toEqual([])
    expect(wants({ text: { kind: 'field', of: 'reference', via: 'gone', field: 'title' } })).toHaveLength(1)
    expect(wants({ text: { kind: 'field', of: 'term', via: 'dome', field: 'constructor' } })).toHaveLength(1)
    const grid = titled('G', element('entry-list', { source: 'page', card: 'K' }))
    const card = layout('K', 'card', row(column(12, element('heading', { text: field('maker') }, 'probe'))))
    const archive = frame('a', [{ kind: 'type-archives', type: 'note' }], { body: use('G') })
    expect(of('missing-field', findings([base, archive], [BODY, grid, card]))).toEqual([
      { kind: 'missing-field', layout: 'K', node: 'probe', field: 'maker', type: 'note' },
    ])
  })

  test('missing field: in a test of a frame', () => {
    const test = (type: string | null, name: string) =>
      of(
        'missing-field',
        findings([
          base,
          frame(
            'f',
            [{ kind: 'entries', type, where: [{ kind: 'field', field: name, op: 'is-empty', value: null }] }],
            { header: { kind: 'empty' } },
          ),
        ]),
      )
    expect(test('tool', 'maker')).toEqual([])
    expect(test('note', 'maker')).toEqual([{ kind: 'missing-field', frame: 'f', field: 'maker', type: 'note' }])
    expect(test(null, 'maker')).toEqual([])
    expect(test(null, 'picture')).toEqual([])
    expect(test(null, 'gone')).toHaveLength(1)
  })

  test('no title: none, or more than one; the plain body has its own', () => {
    const none = layout('N', 'body', row(column(12, element('entry-content'))))
    expect(
      of(
        'no-title',
        findings([base, frame('n', [{ kind: 'page', page: 'entry:visit' }], { body: use('N') })], [BODY, none]),
      ),
    ).toEqual([{ kind: 'no-title', titles: 0, pages: ['entry:visit'] }])
    const intro = layout('I', 'intro', row(column(12, element('heading', { level: '1' }))))
    expect(
      of(
        'no-title',
        findings([base, frame('i', [{ kind: 'page', page: 'entry:visit' }], { intro: use('I') })], [BODY, intro]),
      ),
    ).toEqual([{ kind: 'no-title', titles: 2, pages: ['entry:visit'] }])
    expect(
      of('no-title', findings([frame('i', [{ kind: 'page', page: 'entry:visit' }], { intro: use('I') })], [intro])),
    ).toEqual([])
  })

  test('plain body: pages of a designed site that no frame gives a body', () => {
    expect(of('plain-body', findings([frame('t', [TOOLS], { body: use('B') })]))[0]!.pages).toContain('entry:note')
  })
})

test('dangling: targets, layouts, and all that layouts and entries name', () => {
  const frames = [
    base,
    frame(
      'f',
      [
        { kind: 'page', page: 'entry:gone' },
        { kind: 'type', type: 'gone' },
        { kind: 'term-pages', taxonomy: 'gone' },
      ],
      { header: use('gone'), footer: use('B') },
      {
        except: [
          {
            kind: 'entries',
            type: 'tool',
            where: [
              { kind: 'term', taxonomy: 'dome', terms: ['gone', 'east'], below: false },
              { kind: 'person', people: ['gone'] },
              { kind: 'below', entries: ['gone'] },
            ],
          },
        ],
        offeredTo: ['gone'],
      },
    ),
  ]
  const broken = titled(
    'B',
    element('menu', { menu: 'gone' }),
    element('image', { picture: 'gone' }),
    element('image', { picture: field('picture', { fallback: 'gone' }) }),
    element('entry-list', { type: 'gone', card: 'gone' }),
    element('button', { link: { page: 'entry:gone' } }),
  )
  const catalogue = new Catalogue(
    smallSite([{ ...refractor, chosenFrame: 'gone' }, entry('x', 'tool', { chosenFrame: 'base' })]),
  )
  const found = of('dangling', findings(frames, [broken], catalogue))
  expect(found.map((f) => [f.what, f.frame ?? f.layout ?? f.entry])).toEqual([
    ['page', 'f'],
    ['type', 'f'],
    ['taxonomy', 'f'],
    ['term', 'f'],
    ['person', 'f'],
    ['page', 'f'],
    ['type', 'f'],
    ['layout', 'f'],
    ['wrong-region', 'f'],
    ['menu', 'B'],
    ['picture', 'B'],
    ['picture', 'B'],
    ['type', 'B'],
    ['card', 'B'],
    ['page', 'B'],
    ['frame', 'refractor'],
    ['frame', 'x'],
  ])
})

test('a link left open is told with its words; one that a field fills, or without words, is not', () => {
  const more = [
    element('button', { label: 'Soon', link: null }, 'soon'),
    element('button', { label: 'Mail', link: field('website') }),
    element('button', { label: '', link: null }),
    element('link-list', { links: [{ id: 'a', props: { label: 'Later' } }] }, 'list'),
    element('heading', { text: 'Not a link' }),
  ]
  expect(of('open-link', findings([base], [titled('B', ...more)]))).toEqual([
    { kind: 'open-link', layout: 'B', node: 'soon', words: 'Soon' },
    { kind: 'open-link', layout: 'B', node: 'list', words: 'Later' },
  ])
})

test('a page type that is sold by a field it has not, or of another kind, or by a tax that is gone; not where nothing is sold', () => {
  const site = smallSite([refractor, mirror, note])
  const sells = { price: 'made', stock: 'nowhere', most: 5, tax: 'gone', delivers: false }
  const unsold = (shop: boolean) => {
    const types = site.types.map((t) => (t.id === 'tool' ? { ...t, sells } : t))
    const over = new Catalogue({ ...site, types, settings: { ...site.settings, shop } })
    return of('unsold', findings([base], [BODY], over))
  }
  expect(unsold(true)).toEqual([
    { kind: 'unsold', type: 'tool', by: 'price', id: 'made' },
    { kind: 'unsold', type: 'tool', by: 'stock', id: 'nowhere' },
    { kind: 'unsold', type: 'tool', by: 'tax', id: 'gone' },
  ])
  expect(unsold(false)).toEqual([])
})

describe('pages that have work to do', () => {
  const site = { ...smallSite([refractor, mirror, note]), menus: [] }
  const open = new Catalogue({ ...site, settings: { ...site.settings, shop: true, signIn: true } })
  const CHECKOUT: Target = { kind: 'page', page: 'checkout' }
  const till = (...types: string[]) => layout('T', 'body', row(column(12, ...types.map((t) => element(t)))))
  const lacking = (tree: Layout, catalogue = open, more: Layout[] = []) =>
    of(
      'lacking',
      findings(
        [frame('c', [CHECKOUT], { body: use('T'), ...(more[0] && { header: use(more[0].id) }) }), base],
        [tree, BODY, ...more],
        catalogue,
      ),
    ).filter((f) => f.layout === 'T')

  test('a checkout needs a buyer and a button; an address only where something is brought', () => {
    expect(lacking(till('buyer', 'place-order'))).toEqual([])
    expect(lacking(till('buyer'))).toEqual([
      { kind: 'lacking', layout: 'T', pages: ['checkout'], lacks: ['place-order'] },
    ])
    expect(lacking(till())[0]!.lacks).toEqual(['buyer', 'place-order'])
    const sells = { price: 'price', most: 3, tax: 'full', delivers: true }
    const way = { id: 'w', label: 'Way', about: '', price: 1, freeFrom: null, countries: [], collected: false }
    const selling = { ...PLAIN_SHOP, deliveries: [way, { ...way, id: 'v' }] }
    const brings = new Catalogue({
      ...site,
      settings: { ...site.settings, shop: true, selling },
      types: site.types.map((t) => ({ ...t, sells })),
    })
    expect(lacking(till('buyer', 'place-order'), brings)[0]!.lacks).toEqual(['delivery-address', 'delivery-choice'])
    expect(lacking(till('buyer', 'billing-address', 'delivery-choice', 'place-order'), brings)).toEqual([])
  })

  test('what stands in another region of the page counts; an empty body does nothing', () => {
    const header = layout('H', 'header', row(column(12, element('place-order'))))
    expect(lacking(till('buyer'), open, [header])).toEqual([])
    const empty = findings([frame('c', [CHECKOUT], { body: { kind: 'empty' } }), base], [BODY], open)
    expect(of('lacking', empty)).toContainEqual({
      kind: 'lacking',
      pages: ['checkout'],
      lacks: ['buyer', 'place-order'],
    })
  })

  test('what a working page lacks is what says that a body is for it', () => {
    const kinds = open.pages.map((p) => p.kind).filter(hasWork)
    expect(kinds.length).toBeGreaterThanOrEqual(5)
    for (const kind of kinds) expect(workOf(lackingOn(kind, new Set(), open))).toBe(kind)
  })

  test('the renderer and the checks agree on which page gives way to the plain one', () => {
    for (const types of [[], ['buyer'], ['place-order'], ['buyer', 'place-order']]) {
      const tree = till(...types)
      const design: Design = {
        format: 1,
        layouts: [tree, BODY],
        frames: [frame('c', [CHECKOUT], { body: use('T') }), base],
        house: PLAIN_HOUSE,
      }
      const page = open.page('checkout')!
      const { body } = resolve(new CompiledRules(rulesOf(design), open), page, VISITOR).regions
      expect([types, body.shown.kind]).toEqual([types, lacking(tree).length > 0 ? 'plain' : 'layout'])
    }
  })
})

test('a question outside of a form, and a form in another, are told', () => {
  const inside = {
    ...element('form'),
    id: 'f',
    children: [
      {
        kind: 'place',
        id: 'p',
        type: 'form',
        props: {},
        styles: {},
        children: [row(column(12, element('question'), element('newsletter', {}, 'n')))],
      },
    ],
  }
  const tree = layout(
    'B',
    'body',
    row(
      column(
        12,
        element('heading', { text: field('title'), level: '1' }),
        element('entry-content'),
        inside as never,
        element('question', {}, 'q'),
      ),
    ),
  )
  expect(of('outside-form', findings([base], [tree])).map((f) => [f.node, f.because])).toEqual([
    ['n', 'in-form'],
    ['q', 'no-form'],
  ])
  // What stands in a piece may stand in a form wherever it is placed.
  const piece = layout('P', 'piece', row(column(12, element('question', {}, 'q'))))
  expect(of('outside-form', findings([base], [BODY, piece]))).toEqual([])
})
