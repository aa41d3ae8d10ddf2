import { parseHTML } from 'linkedom'
import { scriptAddress, scriptAt } from '#core/elements'
import type { Item, Value } from '#core/tree'
import { Catalogue } from '#core/catalogue'
import { drawElement, element, entry, field, smallSite } from '../../../fixtures'

/** A set of pictures: which it holds, how it stands, and what is large on request. */

const PICTURES = Array.from({ length: 80 }, (_, i) => ({
  id: `p${i}`,
  fileName: `p${i}.jpg`,
  alt: i === 2 ? '"><b>x' : `Picture ${i}`,
  width: 400 + i,
  height: 300,
}))
const held = (count: number) => PICTURES.slice(0, count).map((p) => p.id)

const siteWith = (picture: string | null, views: unknown) =>
  new Catalogue(
    smallSite([entry('lens', 'tool', { title: 'Lens', picture, fields: { maker: 'Odell', views } })], {
      pictures: PICTURES,
    }),
  )
const draw = (props: Record<string, Value>, catalogue = siteWith('p5', held(4))) =>
  drawElement(element('picture-set', { value: field('views'), ...props }), 'entry:lens', {}, catalogue)
const sources = (html: string) => [...html.matchAll(/<img src="\/pictures\/(p\d+)\//g)].map((m) => m[1])

test('the pictures of a field, the entry’s own first, each once and no more than asked for', () => {
  expect(sources(draw({}))).toEqual(['p5', 'p0', 'p1', 'p2', 'p3'])
  expect(sources(draw({ first: false }))).toEqual(['p0', 'p1', 'p2', 'p3'])
  expect(sources(draw({}, siteWith('p2', held(4))))).toEqual(['p2', 'p0', 'p1', 'p3'])
  expect(sources(draw({ most: 2 }))).toEqual(['p5', 'p0'])
  expect(sources(draw({}, siteWith('p5', held(80))))).toHaveLength(12)
})

test('nothing stands where there is none, also where what is stored is no picture', () => {
  for (const views of [null, [], ['gone'], 'gone', 7, { a: 1 }, [[]]]) expect(draw({}, siteWith(null, views))).toBe('')
  expect(draw({ from: 'chosen' })).toBe('')
  expect(draw({ value: null, first: false })).toBe('')
})

test('pictures chosen here have captions of their own, from fields too', () => {
  const pictures: Item[] = [
    { id: 'a', props: { picture: 'p1', caption: field('maker', { before: 'By ' }) } },
    { id: 'b', props: { picture: field('picture') } },
    { id: 'c', props: { picture: 'gone', caption: 'Nowhere' } },
  ]
  const html = draw({ from: 'chosen', pictures, captions: true })
  expect(sources(html)).toEqual(['p1', 'p5'])
  expect(html).toContain('>By Odell</figcaption>')
  expect(html).not.toContain('Nowhere')
})

test('a field stands over a corner of the first picture alone; without words, nothing does', () => {
  const html = draw({ corner: field('maker'), where: 'below-end' })
  expect(html.match(/of-corner/g)).toHaveLength(1)
  expect(html).toMatch(/<li><figure[^>]*>.*<p class="of-corner of-below-end">Odell<\/p><\/figure><\/li>/s)
  expect(draw({ corner: field('nothing') })).not.toContain('of-corner')
})

test.each(['lead', 'grid', 'uneven', 'strip', 'slides'])(
  'standing as %s: one and many, what they say is no markup',
  (form) => {
    for (const count of [1, 3, 60]) {
      const html = draw({ form, most: 60, captions: true, first: false }, siteWith(null, held(count)))
      const { document } = parseHTML(`<body>${html}</body>`)
      expect(document.querySelectorAll('img')).toHaveLength(count)
      expect(document.querySelectorAll('b')).toHaveLength(0)
      expect([...document.querySelectorAll('img')].every((i) => i.hasAttribute('alt'))).toBe(true)
      // Each is large on request, and without script leads to its file.
      const links = [...document.querySelectorAll('a[data-large]')].map((a) => a.getAttribute('href'))
      expect(links).toEqual(held(count).map((id) => `/pictures/${id}/${id}.jpg`))
      expect(document.querySelector('[aria-label="Pictures"]')).not.toBeNull()
    }
  },
)

test('a set that is not large on request leads nowhere and asks for no script', () => {
  const html = draw({ large: false })
  expect(html).not.toContain('<a')
  expect(html).not.toContain('data-close')
})

test('the script of the large view is small and says nothing by itself: its words come from the page', () => {
  const script = scriptAt(scriptAddress('large'))!
  expect(Buffer.byteLength(script)).toBeLessThan(2300)
  expect(() => new Function(script)).not.toThrow()
  expect(draw({ close: 'Shut' })).toContain('data-close="Shut"')
})
