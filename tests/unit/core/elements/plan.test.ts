import { Catalogue } from '#core/catalogue'
import type { FloorPlan } from '#core/model'
import { paperOf } from '#core/elements'
import { drawElement, element, entry, smallSite } from '../../../fixtures'

/** The floor plan, as it is drawn for one entry, for what a page lists, and where there is nothing to draw. */

const area = (name: string, x: number, term?: string) => ({
  kind: 'area' as const,
  name,
  ...(term && { term }),
  paths: [
    [
      [x, 0],
      [x + 10, 0],
      [x + 10, 8],
      [x, 8],
    ] as [number, number][],
  ],
})
const PLAN: FloorPlan = {
  floors: [
    { id: 'low', name: 'Below', shapes: [area('Hall <1>', 0, 'east'), area('Store', 10)] },
    { id: 'high', name: 'Above', shapes: [area('Dome', 0)] },
  ],
}

function site(plan: FloorPlan | null | undefined = PLAN, extra = {}) {
  const at = (id: string, x: number, y: number, floor?: string) =>
    entry(id, 'tool', { title: `The ${id}`, terms: ['east'], fields: { stands: { x, y, ...(floor && { floor }) } } })
  const made = smallSite([
    at('glass', 1, 1),
    at('near', 2, 1),
    at('far', 9, 7),
    at('above', 1, 1, 'high'),
    entry('lost', 'tool', { title: 'Lost' }),
    entry('odd', 'tool', { title: 'Odd', fields: { stands: 'in the hall' } }),
  ])
  const tool = made.types.find((t) => t.id === 'tool')!
  tool.fields = [...tool.fields, { id: 'stands', label: 'Stands', kind: 'position' }]
  return new Catalogue({
    ...made,
    settings: { ...made.settings, ...(plan !== undefined && { floorPlan: plan }) },
    ...extra,
  })
}
const draw = (page: string, catalogue = site(), props = {}) =>
  drawElement(element('floor-plan', props), page, {}, catalogue)
const titles = (html: string) => [...html.matchAll(/<li><a[^>]*>([^<]*)<\/a>/g)].map((m) => m[1])

test('an entry is marked in its room, with what is nearest on its floor numbered and listed', () => {
  const html = draw('entry:glass')
  expect(titles(html)).toEqual(['The near', 'The far'])
  expect(html.match(/<figure>/g)).toHaveLength(1)
  expect(html).toContain('Hall &lt;1&gt;</a>, Below')
  expect(html).toContain('href="/domes/east"')
  expect(html.match(/<text [^>]*>[12]<\/text>/g)).toHaveLength(2)
  expect(draw('entry:glass', site(), { most: 1 })).not.toContain('The far')
  expect(titles(draw('entry:above'))).toEqual([])
})

test('all floors are drawn where that is asked, and what is not shown is not drawn', () => {
  expect(draw('entry:glass', site(), { floors: 'all' }).match(/<figure>/g)).toHaveLength(2)
  const bare = { ...element('floor-plan'), hides: ['rooms', 'names', 'marks', 'caption', 'list'] }
  const html = drawElement(bare, 'entry:glass', {}, site())
  expect(html).not.toMatch(/<ol|<text|<figcaption|<path/)
  expect(html).toContain('<circle')
})

test('a page that lists entries marks those that stand somewhere, on each floor', () => {
  const html = draw('term:east')
  expect(titles(html).sort()).toEqual(['The above', 'The far', 'The glass', 'The near'])
  expect(html.match(/<figure>/g)).toHaveLength(2)
})

test('an entry without a position, a site without a plan, and a page without either are no error', () => {
  expect(draw('entry:lost')).toBe('')
  expect(draw('entry:odd')).toBe('')
  expect(draw('entry:glass', site(null))).toBe('')
  expect(draw('entry:glass', site({ floors: [] }))).toBe('')
  expect(draw('entry:glass', site(PLAN), { field: 'gone' })).toBe('')
  expect(draw('entry:visit').match(/<figure>/g)).toHaveLength(2)
})

test('what is pointed at on paper is what is drawn there, degrees and all', () => {
  const paper = paperOf(PLAN)
  const [x, y] = paper.pointAt(...paper.at([7, 3]))
  expect([Math.round(x * 10), Math.round(y * 10)]).toEqual([70, 30])
  const degrees: FloorPlan = {
    floors: [
      {
        id: 'a',
        name: '',
        shapes: [
          {
            ...area('', 0),
            paths: [
              [
                [10, 60],
                [11, 60],
                [11, 61],
                [10, 61],
              ],
            ],
          },
        ],
      },
    ],
  }
  const globe = paperOf(degrees)
  // At 60 degrees north a degree of longitude is about half one of latitude.
  expect(globe.height / globe.width).toBeGreaterThan(1.8)
})
