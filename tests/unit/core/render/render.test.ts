import { minorOf, writeMoney } from '#core/selling'
import { resolveInTurn, rulesOf } from '#core/rules'
import type { Layout, Row, Value } from '#core/tree'
import { applyEdit, treeToDraw } from '#core/layouts'
import { CompiledDesign, compileLayout, hasTitle } from '#core/render'
import { Formats, escapeHtml, fill, sceneOf } from '#core/drawing'
import { Catalogue } from '#core/catalogue'
import { firstCharacters } from '#core/rich'
import { PLAIN_HOUSE } from '#core/styles'
import {
  VISITOR,
  column,
  element,
  field,
  entry,
  frame,
  layout,
  observatory,
  refractor,
  rich,
  row,
  smallSite,
  withoutOurScripts,
} from '../../../fixtures'

const catalogue = observatory()
const formats = new Formats(catalogue.site.settings)

function page(
  key: string,
  layouts: Layout[],
  frames = [
    frame(
      'all',
      [{ kind: 'every' }],
      Object.fromEntries(layouts.map((l) => [l.region, { kind: 'use', layout: l.id }])),
    ),
  ],
  at = catalogue,
) {
  const compiled = new CompiledDesign({ format: 1, layouts, frames, house: PLAIN_HOUSE })
  const found = at.page(key)!
  const outcome = resolveInTurn(rulesOf({ layouts, frames }), at, found, VISITOR)
  return compiled.draw(sceneOf(at, new Formats(at.site.settings), found, { cards: compiled.cards }), outcome)
}

describe('a whole page', () => {
  const header = layout('head', 'header', row(column(12, element('site-name'))))
  const footer = layout('foot', 'footer', row(column(12, element('text'))))

  test('is written from right to left where the language of the site is', () => {
    const arabic = smallSite([], { settings: { ...smallSite().settings, locale: 'ar-EG' } })
    const { html } = page('home', [header], undefined, new Catalogue(arabic))
    expect(html).toContain('<html lang="ar-EG" dir="rtl">')
  })

  test('of what one visitor has or does, no engine is told, and each screen of a list has a title and an address', () => {
    const open = { ...smallSite().settings, shop: true, signIn: true }
    const at = new Catalogue(smallSite([], { settings: open }))
    for (const key of ['basket', 'checkout', 'receipt', 'order-status', 'sign-in', 'member', 'search', 'not-found']) {
      const { html } = page(key, [header], undefined, at)
      expect(html).toContain('<meta name="robots" content="noindex">')
      expect(html).not.toMatch(/rel="canonical"|property="og:|ld\+json/)
    }
  })

  test('has landmarks, a skip link, a title, a description, a canonical address and its language', () => {
    const { html } = page('entry:refractor', [header, footer])
    expect(html).toMatch(
      /^<!DOCTYPE html><html lang="en-GB" dir="ltr"><head><meta charset="utf-8"><title>Long refractor – Hillside Observatory<\/title>/,
    )
    expect(html).toContain('<meta name="description" content="Brass, and long.">')
    expect(html).toContain('<link rel="canonical" href="https://hillside.example.org/tools/refractor">')
    expect(html).toMatch(
      /<body><a class="of-skip" href="#main">.*<header>.*<\/header><main id="main">.*<\/main><footer>.*<\/footer><\/body><\/html>$/s,
    )
    expect(withoutOurScripts(html)).not.toMatch(/<script|\son\w+=|\sstyle=/)
  })

  test('a page that says nothing short of itself is described by its own words, cut at one, or by the line of the site', () => {
    const said = (html: string) => /<meta name="description" content="([^"]*)">/.exec(html)?.[1]
    const long = 'A mirror ground by hand, and silvered in the kitchen. '.repeat(20)
    const at = new Catalogue(smallSite([entry('mute', 'tool', { content: rich(long) }), entry('empty', 'tool')]))
    const own = said(page('entry:mute', [], [], at).html)!
    expect(own.length).toBeLessThanOrEqual(161)
    expect(long.startsWith(own.slice(0, -1))).toBe(true)
    expect(own).toMatch(/\w…$/)
    expect(said(page('entry:empty', [], [], at).html)).toBe('Clear nights only')
    expect(said(page('archive:tool', [], []).html)).toBe('Clear nights only')
  })

  test('without any frame it stands in its plain body', () => {
    const { html } = page('entry:refractor', [], [])
    expect(html).toContain('<h1 class="of-heading">Long refractor</h1>')
    expect(html).toContain('It stands in the east.')
    expect(html).not.toMatch(/<header|<footer/)
    expect(page('search', [], []).html).toContain('action="/search"')
    expect(page('archive:tool', [], []).html).toContain('href="/tools/mirror"')
    const lost = page('not-found', [], []).html
    expect(lost).toContain('Nothing stands at this address.')
    expect(lost).toContain('<meta name="robots" content="noindex">')
    expect(lost).not.toContain('canonical')
  })

  test('the plain body leaves the title to an intro that shows it', () => {
    const intro = layout('band', 'intro', row(column(12, element('heading', { text: field('title'), level: '1' }))))
    expect(hasTitle(treeToDraw(intro))).toBe(true)
    expect(page('entry:refractor', [intro]).html.match(/<h1/g)).toHaveLength(1)
  })

  test('markup in names, titles and addresses stays text', () => {
    const site = smallSite([{ ...refractor, title: '</title><script>alert(1)</script>', summary: '"><script>' }])
    site.settings = { ...site.settings, name: '<b>Site</b>', origin: 'https://x"onload="' }
    const { html } = page('entry:refractor', [header], undefined, new Catalogue(site))
    expect(withoutOurScripts(html)).not.toContain('<script')
    expect(html).not.toContain('<b>Site')
    expect(html).not.toContain('"onload="')
  })

  test('only what the page uses stands in its CSS, and only once', () => {
    const body = (type: string) => layout('b', 'body', row(column(12, element(type))))
    expect(page('home', [body('divider')]).css).toContain('.of-divider{')
    expect(page('home', [body('divider')]).css).not.toContain('.of-menu')
    const twice = layout('b', 'body', row(column(12, element('image'), element('lead-picture'))))
    expect(page('home', [twice]).css.match(/\.of-pic img/g)).toHaveLength(1)
  })

  test('two things with the same looks share one class', () => {
    const styled = (id: string) => ({ ...element('heading', {}, id), styles: { size: { wide: 30 } } })
    const program = compileLayout(treeToDraw(layout('b', 'body', row(column(12, styled('one'), styled('two'))))))
    expect(program.rules).toHaveLength(1)
  })

  test("the layout's own looks reach its elements, unless they say otherwise", () => {
    const made: Layout = {
      ...layout(
        'b',
        'body',
        row(
          column(
            12,
            { ...element('heading', {}, 'one'), styles: { size: { wide: 40 } } },
            element('heading', {}, 'two'),
          ),
        ),
      ),
      defaults: { heading: { size: { wide: 22 }, weight: { wide: 400 } } },
    }
    const { css } = page('home', [made])
    expect(css).toContain('{font-size:40px;font-weight:400}')
    expect(css).toContain('{font-size:22px;font-weight:400}')
  })

  test('a row gives looks to what stands in it, over those of the layout, and a column over those of the row', () => {
    const text = (id: string) => element('heading', { level: '2' }, id)
    const first = {
      ...row(column(6, text('a')), { ...column(6, text('b')), gives: { heading: { size: { wide: 50 } } } }),
    }
    const made: Layout = {
      ...layout('b', 'body', { ...first, gives: { heading: { size: { wide: 33 } } } }, row(column(12, text('c')))),
      defaults: { heading: { weight: { wide: 400 } }, 'heading.2': { size: { wide: 22 } } },
    }
    const { css, html } = page('home', [made])
    const sizes = [...html.matchAll(/<h2 class="of-heading (of-\w+)"/g)].map(
      ([, name]) => new RegExp(`[.]${name}[{]font-size:(\\d+)px;font-weight:400`).exec(css)?.[1],
    )
    expect(sizes).toEqual(['33', '50', '22'])
  })

  test('families chosen by an element are fetched too', () => {
    const made = layout(
      'b',
      'body',
      row(column(12, { ...element('heading', {}, 'mono'), styles: { family: { wide: 'Spline Sans Mono' } } })),
    )
    expect(page('home', [made]).css).toContain('spline-sans-mono-latin')
  })
})

describe('compiling', () => {
  const background = (picture: Value): Row => ({
    ...row(column(12, element('text'))),
    props: { backgroundPicture: picture },
  })

  test('the bench adds the ids of nodes and nothing else', () => {
    const made = layout(
      'b',
      'body',
      background(field('picture')),
      row(
        column(4, element('heading', { text: field('title') }, 'h'), element('menu', { menu: 'main' }, 'm')),
        column(8, element('entry-content', {}, 'c')),
      ),
    )
    const drawWith = (ids: boolean) => {
      const compiled = new CompiledDesign(
        { format: 1, layouts: [made], frames: [], house: PLAIN_HOUSE },
        { withIds: ids ? 'b' : undefined },
      )
      const found = catalogue.page('entry:refractor')!
      const outcome = resolveInTurn(
        {
          frames: [frame('f', [{ kind: 'every' }], { body: { kind: 'use', layout: 'b' } })],
          layoutRegions: new Map([['b', 'body']]),
          work: new Map(),
        },
        catalogue,
        found,
        VISITOR,
      )
      return compiled.draw(sceneOf(catalogue, new Formats(catalogue.site.settings), found, {}), outcome).html
    }
    expect(drawWith(true)).toContain('data-node="h"')
    expect(drawWith(true).replace(/ data-(node|words)="[^"]*"/g, '')).toBe(drawWith(false))
  })

  test('a background picture is drawn behind, and not at all where there is none', () => {
    const made = layout('b', 'body', background(field('picture')))
    expect(page('entry:refractor', [made]).html).toContain(
      '<div class="of-bg"><img src="/pictures/moon/moon.svg" alt=""',
    )
    expect(page('entry:mirror', [made]).html).not.toContain('class="of-bg"')
  })

  test('a program that reads the visitor is personal', () => {
    const made = layout(
      'b',
      'body',
      row(column(12, element('heading', { text: { kind: 'field', of: 'visitor', field: 'name', fallback: 'Guest' } }))),
    )
    const reads = (target: Layout) =>
      new CompiledDesign({ format: 1, layouts: [target], frames: [], house: PLAIN_HOUSE })
        .dependsOn(target.id)
        .needs.has('session')
    expect(reads(made)).toBe(true)
    expect(reads(layout('b', 'body', row(column(12, element('text')))))).toBe(false)
  })

  test('a layout is compiled once for each state of it', () => {
    const made = layout('b', 'body', row(column(12, element('heading', {}, 'h'))))
    const one = new CompiledDesign({ format: 1, layouts: [made], frames: [], house: PLAIN_HOUSE }).program('b')
    expect(new CompiledDesign({ format: 1, layouts: [made], frames: [], house: PLAIN_HOUSE }).program('b')).toBe(one)
    const edited = applyEdit(made, { kind: 'setProperty', id: 'h', property: 'text', value: 'New' })
    if (!edited.ok) throw new Error('refused')
    expect(
      new CompiledDesign({ format: 1, layouts: [edited.document], frames: [], house: PLAIN_HOUSE }).program('b'),
    ).not.toBe(one)
  })

  test('an element that does not exist is a failure, not a gap', () => {
    const broken = layout('b', 'body', row(column(12, { ...element('text'), type: 'gone' })))
    expect(() => compileLayout(treeToDraw(broken))).toThrow('There is no element called gone.')
  })
})

describe('Formats', () => {
  const formats = new Formats({ locale: 'en-GB', currency: 'GBP', timeZone: 'Europe/London' })

  test.each<[currency: string, amount: number, written: string]>([
    ['GBP', 9, '£9.00'],
    ['GBP', 21.5, '£21.50'],
    ['GBP', -3, '-£3.00'],
    ['KWD', 1.255, 'KWD\u00a01.255'],
    ['JPY', 1200, 'JP¥1,200'],
    ['HUF', 12.5, 'HUF\u00a012.50'],
    ['IDR', 12.5, 'IDR\u00a012.50'],
  ])('money has the digits of its currency (ISO 4217): %s %p', (currency, amount, written) => {
    const of = new Formats({ locale: 'en-GB', currency, timeZone: 'UTC' })
    expect(of.money(amount, {})).toBe(written)
    // Pages and the shop write it alike.
    expect(writeMoney(minorOf(Math.abs(amount), currency)! * Math.sign(amount), currency, 'en-GB')).toBe(written)
  })

  test('a designer may ask for other digits', () => expect(formats.money(9, { digits: 0 })).toBe('£9'))

  test.each<[written: string, zone: string, shown: string]>([
    // As the studio writes them: without a zone, which is the site's.
    ['2026-07-01T14:00', 'Europe/London', '14:00'],
    ['2026-07-01T14:00', 'America/New_York', '14:00'],
    ['2026-07-01T14:00', 'Asia/Tokyo', '14:00'],
    ['2026-07-01T14:00Z', 'Asia/Tokyo', '23:00'],
    // A time that the clocks skip moves forward; of one that comes twice it is the first.
    ['2026-03-29T01:30', 'Europe/London', '02:30'],
    ['2026-03-08T02:30', 'America/New_York', '03:30'],
    ['2026-10-25T01:30', 'Europe/London', '01:30'],
  ])('%p on a site in %s is shown as %s, whatever the zone of the process', (written, timeZone, shown) => {
    const of = new Formats({ locale: 'en-GB', currency: 'GBP', timeZone })
    expect(of.moment(written, { date: 'time' })).toBe(shown)
  })

  test('moments are told in the time zone of the site', () => {
    expect(formats.moment('2027-07-01T18:30:00Z', { date: 'time' })).toBe('19:30')
    expect(formats.moment('2027-01-01T18:30:00Z', { date: 'time' })).toBe('18:30')
    expect(formats.moment('2027-01-01T18:30:00Z', {})).toMatch(/^1 January 2027.*18:30$/)
  })

  test('a text that is no date stays as it is', () => {
    expect(formats.date('about 1780', {})).toBe('about 1780')
    expect(formats.moment('soon', {})).toBe('soon')
  })

  test('other locales write it their way', () => {
    const german = new Formats({ locale: 'de-DE', currency: 'EUR', timeZone: 'Europe/Berlin' })
    expect(german.date('2026-11-02', {})).toBe('2. November 2026')
    expect(german.number(1234.5, {})).toBe('1.234,5')
    expect(german.list(['Eisen', 'Messing', 'Glas'], {})).toBe('Eisen, Messing und Glas')
    expect(german.list(['Eisen', 'Messing'], { list: 'comma' })).toBe('Eisen, Messing')
  })
})

test('escaping leaves nothing that could end a text or an attribute', () => {
  expect(escapeHtml('plain')).toBe('plain')
  expect(escapeHtml('<a href="x" id=\'y\'>&</a>')).toBe('&lt;a href=&quot;x&quot; id=&#39;y&#39;&gt;&amp;&lt;/a&gt;')
})

describe('what cannot be drawn', () => {
  /** A catalogue whose menus cannot be asked for, as an error of ours would have it. */
  const broken = () => {
    const made = observatory()
    return Object.assign(Object.create(made) as typeof made, {
      menus: {
        get() {
          throw new Error('menus are broken')
        },
      },
    })
  }
  const made = layout(
    'h',
    'header',
    row(column(12, element('menu', { menu: 'main' }, 'm'), element('heading', { text: 'Still here' }, 'x'))),
  )
  const none = { shown: { kind: 'none' as const }, by: null }
  const header = { shown: { kind: 'layout' as const, layout: 'h' }, by: null }
  const drawWith = (options: { strict?: boolean; faults?: unknown[] }) => {
    const at = broken()
    const design = { format: 1 as const, layouts: [made], frames: [], house: PLAIN_HOUSE }
    const compiled = new CompiledDesign(design, { strict: options.strict, fault: (f) => options.faults?.push(f) })
    const scene = sceneOf(at, new Formats(at.site.settings), at.page('entry:refractor')!, {})
    return compiled.draw(scene, { regions: { header, intro: none, body: none, footer: none } }).html
  }

  test('is left out and told, and all else is drawn', () => {
    const faults: unknown[] = []
    const html = drawWith({ faults })
    expect(html).toContain('Still here')
    expect(html).not.toContain('<nav')
    expect(faults).toEqual([{ layout: 'h', node: 'm', page: 'entry:refractor', why: 'menus are broken' }])
  })

  test('is an error where nothing may be left out', () => {
    expect(() => drawWith({ strict: true })).toThrow('menus are broken')
  })
})

describe('links that were left open', () => {
  const list = element('link-list', {
    links: [
      { id: 'a', props: { label: 'Visit', link: '/visit' } },
      { id: 'b', props: { label: 'Later' } },
    ],
  })
  const open = layout('L', 'body', row(column(12, element('button', { label: 'Soon', link: null }, 'b'), list)))
  const drawn = (options: { ids?: boolean }) =>
    fill(compileLayout(treeToDraw(open), options).chunks, sceneOf(catalogue, formats, catalogue.page('home')!, {}))

  test('are drawn on the bench and left out for visitors', () => {
    expect(drawn({})).not.toMatch(/Soon|Later/)
    expect(drawn({})).toContain('Visit')
    expect(drawn({ ids: true })).toMatch(/<a [^>]*data-words="label">Soon<[\s\S]*data-item="b">Later</)
    expect(drawn({ ids: true })).not.toMatch(/href=""/)
  })
})

test.each([
  ['short', 20, 'short'],
  ['just as long', 12, 'just as long'],
  ['one two three', 9, 'one two…'],
  ['one two, three', 9, 'one two…'],
  ['unbroken'.repeat(9), 10, 'unbrokenu…'],
  ['', 5, ''],
])('%j in %i characters is %j', (text, most, short) => expect(firstCharacters(text, most)).toBe(short))
