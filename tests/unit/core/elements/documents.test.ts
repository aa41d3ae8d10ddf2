import { Catalogue } from '#core/catalogue'
import { drawElement, element, entry, field, smallSite } from '../../../fixtures'

const tool = (papers: unknown) => new Catalogue(smallSite([entry('glass', 'tool', { fields: { papers } })]))
const draw = (papers: unknown, more = {}) =>
  drawElement({ ...element('documents', { value: field('papers') }), ...more }, 'entry:glass', {}, tool(papers))

test('a document says its kind, its size and its pages, where they are known', () => {
  const html = draw([
    { name: 'Log', address: '/files/a/log.pdf', size: 2_345_678, pages: 12 },
    { name: 'Note', address: '/files/b/note.txt', size: 812, pages: 1 },
    { name: 'Page', address: '/visit' },
  ])
  const lines = html
    .split('<li>')
    .slice(1)
    .map((line) => line.replace(/<[^>]+>/g, '').trim())
  expect(lines).toEqual(['Log PDF · 2.3 MB · 12 pages', 'Note TXT · 812 byte · 1 page', 'Page'])
})

test('parts that are hidden are not there, and nothing is drawn of what leads nowhere', () => {
  expect(
    draw([{ name: 'Log', address: '/a.pdf', size: 9, pages: 2 }], { hides: ['kind', 'size', 'pages'] }),
  ).not.toContain('<span')
  expect(draw([{ name: 'Bad', address: 'javascript:alert(1)' }])).toBe('')
  expect(draw([])).toBe('')
  expect(draw('of another kind')).toBe('')
  expect(draw([{ name: '<b>', address: '/x' }])).toContain('&lt;b&gt;')
})
