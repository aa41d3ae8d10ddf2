import { ICONS, iconSvg, isIcon } from '#core/drawing'
import { elementSpec } from '#core/elements'
import type { Item, Value } from '#core/tree'
import { readFileSync } from 'node:fs'
import { drawElement, element } from '../../../fixtures'

/** Icons and what is made with them, notices, slides, films, tables, words for the lost page, words in other languages. */

const doc = (words: string): Value => ({
  type: 'doc',
  content: [{ type: 'paragraph', content: [{ type: 'text', text: words }] }],
})
const items = (count: number, make: (i: number) => Record<string, Value>): Value =>
  Array.from({ length: count }, (_, i): Item => ({ id: `i${i}`, props: make(i) }))
const field = (name: string, more: object = {}): Value => ({ kind: 'field', of: 'page', field: name, ...more })
const EVIL = '<script>"&\'</script>'
const draw = (type: string, props: Record<string, Value>) => drawElement(element(type, props as never))

test('every icon that is offered is as the open set has it, and only what is drawn is sent', () => {
  expect(ICONS.length).toBeGreaterThan(150)
  for (const name of ICONS) {
    const svg = readFileSync(`node_modules/lucide-static/icons/${name}.svg`, 'utf8')
      .replace(/\s+/g, '')
      .replaceAll('/>', '/>')
    const shapes = /aria-hidden="true">(.*)<\/svg>$/.exec(iconSvg(name))![1]!.replace(/\s+/g, '')
    expect([name, svg.includes(shapes)]).toEqual([name, true])
  }
  for (const odd of ['', 'no-such', '__proto__', 'constructor', null, 7]) expect(isIcon(odd)).toBe(false)
})

test('an icon: decorates, or says what it means; it leads somewhere only with words', () => {
  expect(draw('icon', { icon: 'clock' })).toMatch(/^<div class="of-icon"><svg class="of-i" [^>]*aria-hidden/)
  expect(draw('icon', { icon: 'clock', label: EVIL })).toContain('&lt;script&gt;')
  expect(draw('icon', { icon: 'clock', link: '/x' })).not.toContain('<a')
  expect(draw('icon', { icon: 'clock', link: '/x', label: 'Hours' })).toContain('<a href="/x"><svg')
  expect(draw('icon', { icon: 'no-such' })).toBe('')
  expect(draw('icon', { icon: null })).toBe('')
  expect(draw('icon', { icon: field('title', { fallback: 'bell' }) })).toBe('')
  expect(draw('icon', { icon: field('nothing', { fallback: 'bell' }) })).toContain('<svg')
})

test('an icon with words: nothing without them, its link around the title, its parts hidden one by one', () => {
  expect(draw('icon-words', { icon: 'bell', title: '', text: null })).toBe(
    '<div class="of-iw"><span class="of-iw-icon">' + iconSvg('bell') + '</span></div>',
  )
  expect(draw('icon-words', { icon: 'bell', title: EVIL, link: '/x', text: doc('more') })).toMatch(
    /<a href="\/x">&lt;script&gt;.*<div class="of-rich"><p>more/,
  )
  const hidden = {
    ...element('icon-words', { icon: 'bell', title: 'T', text: doc('x') } as never),
    hides: ['icon', 'text'],
  }
  expect(drawElement(hidden)).toBe('<div class="of-iw"><div><p class="of-iw-title">T</p></div></div>')
})

test('lines and places with signs: one and twenty, empty ones left out, every value from a field', () => {
  for (const count of [1, 20]) {
    const lines = draw('icon-list', { lines: items(count, (i) => ({ text: `L${i}`, icon: 'check' })) })
    expect(lines.match(/<li>/g)).toHaveLength(count)
    const places = draw('social', {
      places: items(count, (i) => ({ name: `P${i}`, icon: 'rss', link: `https://p${i}.example.org/` })),
    })
    expect(places.match(/rel="me"/g)).toHaveLength(count)
  }
  expect(draw('icon-list', { lines: items(2, () => ({ text: '' })) })).toBe('')
  expect(
    draw('icon-list', {
      lines: items(1, () => ({ text: field('title'), icon: field('nothing', { fallback: 'bell' }) })),
    }),
  ).toContain('refractor')
  expect(draw('social', { places: items(1, () => ({ name: 'X', link: '' })) })).toBe('')
  expect(draw('social', { places: items(1, () => ({ name: EVIL, link: 'javascript:x' })) })).toBe('')
  expect(
    draw('social', { shows: 'icon', places: items(1, () => ({ name: 'Feed', icon: 'rss', link: '/x' })) }),
  ).toContain('<span class="of-sr">Feed</span>')
})

test('a notice is known by its words: other words are another notice', () => {
  const key = (words: string) => /data-notice="(\w+)"/.exec(draw('notice', { text: doc(words) }))![1]
  // The visitor's browser keeps the key: it may not change from one version of the product to the next.
  expect(key('one')).toBe('13am6jk')
  expect(key('one')).not.toBe(key('two'))
  expect(draw('notice', { text: doc('x'), closes: false })).not.toMatch(/button|data-notice/)
  expect(draw('notice', { text: doc('x'), close: EVIL })).toContain('hidden>&lt;script&gt;')
  const close = field('nothing', { fallback: 'Seen' })
  expect(draw('notice', { text: doc('x'), close })).toContain('hidden>Seen</button>')
  expect(draw('notice', { text: doc('x'), close: '' })).toContain('hidden>Close</button>')
  expect(draw('notice', { text: { type: 'doc', content: [] } })).toBe('')
})

test('slides: one and twenty; buttons only where there are several, and to stop only where it runs', () => {
  const slides = (count: number) => items(count, (i) => ({ picture: 'moon', title: `S${i}`, link: '/x' }))
  expect(draw('slideshow', { slides: slides(1) })).not.toContain('data-go')
  const many = draw('slideshow', { slides: slides(20), seconds: 5, name: EVIL })
  expect(many.match(/<li>/g)).toHaveLength(20)
  expect(many).toContain('data-seconds="5"')
  expect(many).toContain('data-go="stop"')
  expect(many).toContain('aria-label="&lt;script&gt;')
  const own = { previous: 'Zurück', next: field('nothing', { fallback: EVIL }), stop: '', run: 'Weiter' }
  const worded = draw('slideshow', { slides: slides(2), seconds: 5, ...own })
  expect(worded).toContain('data-go="-1" aria-label="Zurück"')
  expect(worded).toMatch(/data-go="1" aria-label="&lt;script&gt;/)
  expect(worded).toContain('data-go="stop" aria-label="Stop" data-stop="Stop" data-run="Weiter"')
  expect(many.match(/fetchpriority/g)).toHaveLength(1)
  expect(draw('slideshow', { slides: slides(2) })).not.toContain('data-go="stop"')
  expect(draw('slideshow', { slides: items(2, () => ({})) })).toBe('')
  expect(draw('slideshow', { slides: [] })).toBe('')
})

test('a film is a link to itself until it is pressed; one elsewhere is never played here', () => {
  expect(draw('film', { film: '/files/a/winding.mp4', still: 'moon', title: EVIL })).toMatch(
    /<a href="\/files\/a\/winding.mp4" data-film><img.*&lt;script&gt;/,
  )
  expect(draw('film', { film: 'https://films.example.org/x.mp4' })).not.toContain('data-film')
  for (const none of [null, '', 'javascript:alert(1)']) expect(draw('film', { film: none })).toBe('')
})

test('a table: heads, empty columns and lines left out, cells from fields, words of strangers stay words', () => {
  const rows = items(3, (i) => ({ first: `a${i}`, third: i === 0 ? 'Head' : EVIL }))
  const html = draw('table', { rows, caption: 'All' })
  expect(html).toContain(
    '<caption>All</caption><thead><tr><th scope="col">a0</th><th scope="col">Head</th></tr></thead>',
  )
  expect(html.match(/<td/g)).toHaveLength(4)
  expect(html).not.toContain('<script>')
  expect(draw('table', { rows, head: false, side: true })).toMatch(/<tbody><tr><th scope="row">a0/)
  expect(draw('table', { rows: items(1, () => ({ first: field('title') })), head: false })).toContain('refractor')
  expect(draw('table', { rows: items(5, () => ({})) })).toBe('')
  expect(draw('table', { rows: items(120, (i) => ({ first: `${i}` })) }).match(/<tr>/g)).toHaveLength(120)
})

test('the lost page has two dozen words to choose from, or one’s own', () => {
  const { words } = elementSpec('lost-words')!.props
  const options = words!.kind === 'choice' ? words!.options.filter((o) => o.value !== 'own') : []
  expect(options).toHaveLength(24)
  const titles = options.map(({ value }) => draw('lost-words', { words: value }))
  expect(new Set(titles).size).toBe(24)
  expect(draw('lost-words', { words: 'nothing' })).toMatch(/^<div class="of-lost"><h1>There is nothing here<\/h1><p>/)
  expect(draw('lost-words', { words: 'own', title: EVIL, text: '' })).toBe(
    '<div class="of-lost"><h1>&lt;script&gt;&quot;&amp;&#39;&lt;/script&gt;</h1></div>',
  )
  expect(draw('lost-words', { words: 'own' })).toBe('')
})

test('words in another language say so, and run as it runs; what is no language says nothing', () => {
  expect(draw('heading', { text: 'Bonjour', language: 'fr' })).toContain(' lang="fr" dir="ltr">')
  expect(draw('text', { text: doc('شمس'), language: 'ar' })).toContain(' lang="ar" dir="rtl">')
  expect(draw('text', { text: doc('x'), language: field('nothing', { fallback: 'la' }) })).toContain(
    ' lang="la" dir="ltr">',
  )
  for (const odd of ['', 'f', 'fr"x', '<b>', 'toolongalanguage'])
    expect(draw('text', { text: doc('x'), language: odd })).not.toContain('lang=')
})
