import { parseHTML } from 'linkedom'
import { type RichDoc, type RichNode, headingsOf, minutesToRead } from '#core/rich'
import { Catalogue } from '#core/catalogue'
import type { LayoutElement, Slot } from '#core/tree'
import { column, drawElement, element, entry, field, row, smallSite } from '../../../fixtures'

/** What helps to read much: lists of contents, how long a text takes, sections side by side, sounds. */

const heading = (level: number, text: string): RichNode => ({
  type: 'heading',
  attrs: { level },
  content: [{ type: 'text', text }],
})
const words = (count: number): RichNode => ({
  type: 'paragraph',
  content: [{ type: 'text', text: 'word '.repeat(count) }],
})
const doc = (...content: RichNode[]): RichDoc => ({ type: 'doc', content })
const siteWith = (content: RichDoc | null) =>
  new Catalogue(smallSite([entry('long', 'tool', { title: 'Long', content })]))
const draw = (made: LayoutElement, content: RichDoc | null) => drawElement(made, 'entry:long', {}, siteWith(content))

const TEXT = doc(heading(2, 'How <it> works'), words(3), heading(3, 'How it works'), heading(2, ''), heading(4, 'ביתא'))

test('a list of contents leads to each heading where it stands, as deep as asked', () => {
  const html = draw(element('contents', { deep: '4' }), TEXT)
  expect([...html.matchAll(/href="(#[^"]+)"/g)].map((m) => m[1])).toEqual(['#how-it-works', '#how-it-works-2', '#ביתא'])
  expect(html).toContain('>How &lt;it&gt; works</a>')
  const { document } = parseHTML(`<body>${draw(element('entry-content'), TEXT)}</body>`)
  expect([...document.querySelectorAll('[id]')].map((e) => [e.localName, e.id])).toEqual([
    ['h2', 'how-it-works'],
    ['h3', 'how-it-works-2'],
    ['h4', 'ביתא'],
  ])
  expect(draw(element('contents', { deep: '2', least: 1 }), TEXT).match(/<li/g)).toHaveLength(1)
  expect(draw(element('contents', { deep: '2' }), TEXT)).toBe('')
  expect(draw(element('contents'), null)).toBe('')
})

test('anchors never meet, also where the same words come often and look like counted ones', () => {
  const texts = ['a', 'a-2', 'a', 'a', 'a 2', '???', '!!!', ...Array.from({ length: 3000 }, () => 'again')]
  const found = [...headingsOf(doc(...texts.map((t) => heading(2, t)))).values()].map((h) => h.anchor)
  expect(new Set(found).size).toBe(texts.length)
})

test('how long a text takes is told in minutes, as a field like any other', () => {
  expect([0, 1, 230, 231, 2300].map((n) => minutesToRead(doc(words(n))))).toEqual([null, 1, 1, 2, 10])
  expect(minutesToRead(null)).toBeNull()
  const shown = (content: RichDoc | null) =>
    draw(
      element('heading', { text: field('reading-time', { after: ' to read', fallback: 'Nothing to read' }) }),
      content,
    )
  expect(shown(doc(words(500)))).toMatch(/>3 mins to read</)
  expect(shown(null)).toMatch(/>Nothing to read</)
})

const place = (id: string, title: string, text: string): Slot => ({
  id,
  kind: 'place',
  type: 'tabs',
  props: { title },
  styles: {},
  children: [row(column(12, element('heading', { text })))],
})

test('sections side by side: one is chosen, each is known by its title, all stand in the page', () => {
  const tabs: LayoutElement = {
    ...element('tabs', { name: 'About it' }, 't'),
    children: [place('a', 'One <1>', 'First'), place('b', 'Two', 'Second')],
  }
  const { document } = parseHTML(`<body>${draw(tabs, null)}</body>`)
  const inputs = [...document.querySelectorAll('input[type=radio]')]
  expect(inputs.map((i) => i.hasAttribute('checked'))).toEqual([true, false])
  expect(new Set(inputs.map((i) => i.getAttribute('name'))).size).toBe(1)
  expect(inputs.map((i) => document.querySelector(`label[for="${i.id}"]`)!.textContent)).toEqual(['One <1>', 'Two'])
  expect([...document.querySelectorAll('.of-tabs>div')].map((d) => d.textContent)).toEqual(['First', 'Second'])
  expect(document.querySelector('.of-tabs[role=group]')!.getAttribute('aria-label')).toBe('About it')
})

test('a section that is not shown to somebody has no title either, and the first that is shown is chosen', () => {
  const hidden: Slot = { ...place('a', 'One', 'First'), when: [{ kind: 'signed-in', yes: true }] }
  const tabs: LayoutElement = { ...element('tabs', {}, 't'), children: [hidden, place('b', 'Two', 'Second')] }
  const html = draw(tabs, null)
  expect(html).not.toContain('One')
  expect(html).toMatch(/^<div[^>]*><input type="radio" checked [^>]*id="of-t-1"/)
  const none: LayoutElement = { ...tabs, children: [hidden] }
  expect(draw(none, null)).toBe('')
})

test('a sound of the site is played once it is pressed; one elsewhere is led to and not asked for', () => {
  const own = draw(element('sound', { sound: '/files/bell.mp3', title: '"Bell"' }), null)
  expect(own).toContain('<audio controls preload="none" src="/files/bell.mp3" aria-label="&quot;Bell&quot;">')
  const other = draw(element('sound', { sound: 'https://sounds.example.org/bell.mp3' }), null)
  expect(other).not.toContain('<audio')
  expect(other).toContain('<a href="https://sounds.example.org/bell.mp3">')
  for (const odd of ['javascript:alert(1)', '', null]) expect(draw(element('sound', { sound: odd }), null)).toBe('')
})
