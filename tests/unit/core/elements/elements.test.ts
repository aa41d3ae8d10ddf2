import { ELEMENTS, elementSpec, newElement, refuseProperty } from '#core/elements'
import type { Value } from '#core/tree'
import { checkLayout } from '#core/layouts'
import { Catalogue } from '#core/catalogue'
import {
  column,
  drawElement,
  element,
  entry,
  field,
  layout,
  observatory,
  refractor,
  rich,
  row,
  smallSite,
} from '../../../fixtures'

/** Ids counted up. */
const newIds = () => {
  let n = 0
  return () => `new-${n++}`
}

describe('every element', () => {
  test.each(ELEMENTS.map((e) => [e.type, e] as const))(
    '%s: its defaults are accepted, it can be new, it says what it is for',
    (type, spec) => {
      expect(spec.about).toMatch(/\.$/)
      for (const property of Object.values(spec.props))
        expect(refuseProperty(property, property.default as Value)).toBeNull()
      const region = spec.regions?.[0] ?? 'body'
      expect(checkLayout(layout('x', region, row(column(12, newElement(type, newIds())))))).toEqual([])
      expect(typeof spec.summary({}, { field: () => null, menu: () => null, type: () => null })).toBe('string')
    },
  )

  test('there is none of an unknown type', () => {
    expect(elementSpec('script')).toBeUndefined()
    expect(() => newElement('script', () => 'x')).toThrow('There is no element called script.')
  })
})

describe('drawing', () => {
  const evil = '<img src=x onerror=alert(1)>"\'&'
  const safe = '&lt;img src=x onerror=alert(1)&gt;&quot;&#39;&amp;'

  test('markup in any text is text', () => {
    for (const made of [
      element('heading', { text: evil }),
      element('button', { label: evil, link: '/x' }),
      element('text', { text: rich(evil) }),
      element('field', { label: evil, value: field('title') }),
      element('search-box', { label: evil }),
      element('trail', { home: evil }),
    ]) {
      const html = drawElement(made)
      expect(html).toContain(safe)
      expect(html).not.toContain('<img src=x')
    }
  })

  test('markup in a field, before it, after it and as its fallback is text', () => {
    const html = drawElement(element('heading', { text: field('maker', { before: '<i>', after: '</i>' }) }))
    expect(html).toContain('&lt;i&gt;O&#39;Dell &amp; &lt;Sons&gt;&lt;/i&gt;')
    expect(drawElement(element('heading', { text: field('gone', { before: 'x', fallback: '<b>' }) }))).toContain(
      '>&lt;b&gt;</h2>',
    )
  })

  test('heading: level, link, and nothing at all when it is empty', () => {
    expect(drawElement(element('heading', { text: 'Stars', level: '1', link: '/stars' }))).toBe(
      '<h1 class="of-heading"><a href="/stars">Stars</a></h1>',
    )
    expect(drawElement(element('heading', { text: 'Stars', link: 'javascript:x' }))).toBe(
      '<h2 class="of-heading">Stars</h2>',
    )
    expect(drawElement(element('heading', { text: field('summary') }), 'entry:mirror')).toBe('')
  })

  test('text: lists, links and fields inside; links that are not allowed keep their words', () => {
    const text = (href: string) => ({
      type: 'text',
      text: 'here',
      marks: [{ type: 'link', attrs: { href } }, { type: 'bold' }],
    })
    const doc = {
      type: 'doc' as const,
      content: [
        {
          type: 'bulletList',
          content: [
            {
              type: 'listItem',
              content: [
                {
                  type: 'paragraph',
                  content: [
                    text('/a'),
                    text('javascript:b'),
                    { type: 'field', attrs: { value: field('width', { before: ' ' }) } },
                  ],
                },
              ],
            },
          ],
        },
        { type: 'heading', attrs: { level: 1 }, content: [{ type: 'text', text: 'Not level 1' }] },
        { type: 'iframe', content: [{ type: 'text', text: 'inside' }] },
        { type: 'paragraph', content: [{ type: 'text', text: 'مرحبا' }] },
      ],
    }
    expect(drawElement(element('text', { text: doc }))).toBe(
      '<div class="of-rich"><ul><li><p><strong><a href="/a">here</a></strong><strong>here</strong> 12.5 cm</p></li></ul>' +
        '<h2>Not level 1</h2>inside<p dir="rtl">مرحبا</p></div>',
    )
  })

  test('button: only with a label and somewhere to go', () => {
    expect(drawElement(element('button', { label: 'Go', link: { page: 'archive:tool' } }))).toBe(
      '<a class="of-btn of-l-filled" href="/tools">Go</a>',
    )
    expect(drawElement(element('button', { label: 'Go', link: { page: 'entry:gone' } }))).toBe('')
    expect(drawElement(element('button', { label: '', link: '/x' }))).toBe('')
    expect(
      drawElement(element('button', { label: 'Write', link: { kind: 'field', of: 'person', field: 'mail' } })),
    ).toContain('href="mailto:nell@hillside.example.org"')
  })

  test('pictures have their size, their description and the shape asked for', () => {
    expect(drawElement(element('image', { picture: 'moon', shape: 'square', alt: 'Full "moon"' }))).toBe(
      '<figure class="of-pic of-square"><img src="/pictures/moon/moon.svg" alt="Full &quot;moon&quot;" width="800" height="600" loading="lazy" decoding="async"></figure>',
    )
    expect(drawElement(element('image', { picture: 'gone' }))).toBe('')
  })

  test("lead picture: the page's own, else its fallback, else the site's, else nothing", () => {
    expect(drawElement(element('lead-picture'))).toContain('moon.svg')
    expect(drawElement(element('lead-picture', { fallback: 'blank' }), 'entry:mirror')).toContain('blank.svg')
    expect(drawElement(element('lead-picture'), 'entry:mirror')).toBe('')
    const site = smallSite([refractor, entry('bare', 'tool')])
    site.settings = { ...site.settings, fallbackPicture: 'blank' }
    expect(drawElement(element('lead-picture'), 'entry:bare', {}, new Catalogue(site))).toContain('blank.svg')
    expect(drawElement(element('lead-picture', { site: false }), 'entry:bare', {}, new Catalogue(site))).toBe('')
  })

  test('menu: links that lead nowhere are left out, the page shown is marked', () => {
    const html = drawElement(element('menu', { menu: 'main' }), 'archive:tool')
    expect(html).toBe(
      '<nav class="of-menu of-across of-line of-drops" aria-label="Main, body"><ul><li><a href="/tools" aria-current="page">Tools &amp; more</a></li>' +
        '<li><a href="https://away.example.org/?a=1&amp;b=2">Away</a></li></ul></nav>',
    )
    expect(drawElement(element('menu', { menu: 'gone' }))).toBe('')
    expect(drawElement(element('menu'))).toBe('')
  })

  test.each([
    ['maker', {}, 'O&#39;Dell &amp; &lt;Sons&gt;'],
    ['width', {}, '12.5 cm'],
    ['width', { format: { unit: 'hidden', digits: 0 } }, '13'],
    ['cost', {}, '£1,200.00'],
    ['bought', {}, '7 May 1961'],
    ['bought', { format: { date: 'year' } }, '1961'],
    ['works', {}, 'Yes'],
    ['works', { format: { yes: 'It does' } }, 'It does'],
    ['kind', {}, 'Refractor'],
    ['terms:dome', {}, '<a href="/domes/east">East dome</a>'],
    ['person', {}, '<a href="/people/nell">Nell &lt;Ash&gt;</a>'],
    ['twin', {}, '<a href="/tools/mirror">Mirror</a>'],
  ])('field %s %j', (name, more, expected) => {
    expect(drawElement(element('field', { value: field(name, more as object) }))).toBe(
      `<div class="of-field">${expected}</div>`,
    )
  })

  test('field: pictures, documents and rich text; a label only where there is a value', () => {
    expect(drawElement(element('field', { value: field('views') }))).toContain(
      '<span class="of-pics"><img src="/pictures/moon/moon.svg"',
    )
    expect(drawElement(element('field', { value: field('papers') }))).toContain(
      '<ul><li><a href="/log">Log</a></li></ul>',
    )
    expect(drawElement(element('field', { value: field('content') }))).toContain('<p>It stands in the east.</p>')
    expect(drawElement(element('field', { label: 'Made by', value: field('maker') }), 'entry:mirror')).toBe('')
    expect(
      drawElement(
        element('field', { label: 'Made by', value: field('maker', { fallback: 'unknown' }) }),
        'entry:mirror',
      ),
    ).toContain('Made by</span> <span class="of-value">unknown')
  })

  test('entry content: what writers wrote, and nothing on other pages', () => {
    expect(drawElement(element('entry-content'))).toBe(
      '<div class="of-rich of-content"><p>It stands in the east.</p></div>',
    )
    expect(drawElement(element('entry-content'), 'archive:tool')).toBe('')
  })

  test('entry grid: the newest of a type without the page itself, or the entries of the page', () => {
    expect(drawElement(element('entry-list', { type: 'tool' }))).toContain('<a href="/tools/mirror">Mirror</a>')
    expect(drawElement(element('entry-list', { type: 'tool' }))).not.toContain('Long refractor')
    expect(drawElement(element('entry-list', { source: 'page', most: 1 }), 'archive:tool').match(/<li>/g)).toHaveLength(
      1,
    )
    expect(drawElement(element('entry-list', { source: 'page', empty: 'None yet' }), 'term:west')).toBe(
      '<p>None yet</p>',
    )
    expect(drawElement(element('entry-list', { source: 'page' }), 'search', { found: [refractor] })).toContain(
      'Long refractor',
    )
  })

  test('entry grid: a card layout draws each entry as its own subject; a card that is gone is drawn plainly', () => {
    const card = layout(
      'card',
      'card',
      row(column(12, element('heading', { text: field('title'), link: field('address'), level: '3' }))),
    )
    const html = drawElement(element('entry-list', { type: 'tool', card: 'card' }), 'home', {}, observatory(), [card])
    expect(html).toContain('<h3 class="of-heading"><a href="/tools/mirror">Mirror</a></h3>')
    expect(drawElement(element('entry-list', { type: 'tool', card: 'gone' }), 'home')).toContain('card-title')
  })

  test('trail: the way down to the page, not on home', () => {
    expect(drawElement(element('trail'), 'entry:hours')).toContain(
      '<li><a href="/">Home</a></li><li><a href="/visit">Visit</a></li>',
    )
    expect(drawElement(element('trail', { own: true }), 'entry:refractor')).toContain(
      '<li><a href="/tools">tools</a></li><li>Long refractor</li>',
    )
    expect(drawElement(element('trail'), 'home')).toBe('')
  })

  test('search box: filled with what was searched for', () => {
    expect(drawElement(element('search-box'), 'search', { query: '"moon"' })).toContain('value="&quot;moon&quot;"')
  })

  test('site name: the logo only where there is one', () => {
    expect(drawElement(element('site-name', { show: 'logo' }))).toBe(
      '<div class="of-site-name"><a href="/"><span>Hillside Observatory</span></a></div>',
    )
    const site = smallSite([refractor])
    site.settings = { ...site.settings, logo: 'moon' }
    expect(drawElement(element('site-name', { show: 'logo', height: 30 }), 'home', {}, new Catalogue(site))).toContain(
      'alt="Hillside Observatory" width="40" height="30"',
    )
  })
})

describe('refuseProperty', () => {
  const refuse = (type: string, name: string, value: unknown) =>
    refuseProperty(elementSpec(type)!.props[name]!, value as Value)

  test.each([
    ['heading', 'text', 7],
    ['heading', 'text', 'x'.repeat(501)],
    ['heading', 'level', '7'],
    ['heading', 'link', 'javascript:alert(1)'],
    ['heading', 'link', { page: '<b>' }],
    ['heading', 'text', { kind: 'field', of: 'database', field: 'x' }],
    ['heading', 'text', { kind: 'field', of: 'page', field: '' }],
    ['heading', 'text', { kind: 'field', of: 'term', field: 'title' }],
    ['heading', 'text', field('title', { format: { digits: 99 } })],
    ['heading', 'text', field('title', { format: { script: 1 } as never })],
    ['heading', 'text', field('title', { before: 'x'.repeat(300) })],
    ['text', 'text', 'plain'],
    ['text', 'text', { type: 'paragraph' }],
    ['text', 'text', { type: 'doc', content: [{ type: 'field' }] }],
    ['text', 'text', { type: 'doc', content: [{ type: 'text', text: 'x'.repeat(20_001) }] }],
    ['text', 'text', { type: 'doc', content: [{ type: 'text', text: 'x', marks: [null] }] }],
    ['image', 'picture', '../../etc/passwd'],
    ['entry-list', 'most', 1.5],
    ['entry-list', 'most', 1000],
    ['entry-list', 'card', '<b>'],
    ['lead-picture', 'site', 'yes'],
    ['field', 'value', 'title'],
  ])('%s %s refuses %j', (type, name, value) => {
    expect(refuse(type, name, value)).toEqual(expect.any(String))
  })

  test('rich text nested too deep, and fallbacks that go on and on, are refused', () => {
    let node: object = { type: 'text', text: 'x' }
    for (let i = 0; i < 40; i++) node = { type: 'blockquote', content: [node] }
    expect(refuse('text', 'text', { type: 'doc', content: [node] })).toContain('too deep')
    let value: Value = 'x'
    for (let i = 0; i < 8; i++) value = field('title', { fallback: value })
    expect(refuse('heading', 'text', value)).toContain('fallbacks')
  })

  test('what is meant to be there is accepted', () => {
    expect(
      refuse('heading', 'text', field('title', { fallback: field('summary', { fallback: 'Untitled' }) })),
    ).toBeNull()
    expect(refuse('image', 'picture', field('picture', { fallback: 'moon' }))).toBeNull()
    expect(refuse('heading', 'link', null)).toBeNull()
  })
})
