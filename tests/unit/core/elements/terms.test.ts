import fc from 'fast-check'
import { Catalogue } from '#core/catalogue'
import type { Term } from '#core/model'
import type { Value } from '#core/tree'
import { drawElement, element, entry, smallSite } from '../../../fixtures'

/** Terms as ways to their pages, and the tree that they stand in. */

const term = (id: string, parent: string | null = null, more: Partial<Term> = {}): Term => ({
  id,
  taxonomy: 'dome',
  slug: id,
  title: `The <${id}>`,
  tagline: '',
  description: '',
  picture: null,
  parent,
  ...more,
})
const TERMS = [term('a'), term('b', 'a'), term('c', 'b'), term('d', 'a'), term('e', null, { tagline: 'Last' })]
const catalogue = new Catalogue(
  smallSite(
    ['c', 'c', 'a', 'e'].map((t, i) => entry(`t${i}`, 'tool', { title: `T${i}`, terms: [t] })),
    { terms: TERMS },
  ),
)
const draw = (props: Record<string, Value>, page = 'term:a') =>
  drawElement(element('term-list', props), page, {}, catalogue)
const told = (html: string) => [...html.matchAll(/&lt;(\w+)&gt;<\/a>(?: <span[^>]*>(\d+)<)?/g)].map((m) => [m[1], m[2]])

test('those below the term shown, with what they and those below them hold', () => {
  expect(told(draw({}))).toEqual([['b', '2']])
  expect(told(draw({ empty: true }))).toEqual([
    ['b', '2'],
    ['d', '0'],
  ])
  expect(draw({}, 'term:e')).toBe('')
  expect(draw({}, 'home')).toBe('')
})

test('of a taxonomy the first ones, or all, no more than asked for; of none nothing', () => {
  const of = (props: Record<string, Value>) => told(draw({ taxonomy: 'terms:dome', ...props }, 'home'))
  expect(of({ source: 'top' })).toEqual([
    ['a', '3'],
    ['e', '1'],
  ])
  expect(of({ source: 'all' }).map(([id]) => id)).toEqual(['a', 'b', 'c', 'e'])
  expect(of({ source: 'all', most: 1 })).toEqual([['a', '3']])
  for (const odd of [null, 'title', 'terms:gone', 'dome', ''])
    expect(draw({ source: 'all', taxonomy: odd }, 'home')).toBe('')
})

test('its heading stands only where there are some, one step above their titles', () => {
  const html = draw({ above: 'Below <this>', level: '2' })
  expect(html).toMatch(/<h2[^>]*>Below &lt;this&gt;<\/h2><ul><li><h3/)
  expect(draw({ above: 'Below' }, 'home')).toBe('')
})

test('what stands below a term is what looking again and again finds, whatever the parents say', () => {
  const ids = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f')
  fc.assert(
    fc.property(fc.array(fc.option(ids), { minLength: 6, maxLength: 6 }), ids, (parents, of) => {
      const terms = [...'abcdef'].map((id, i) => term(id, parents[i] ?? null))
      const found = new Set<string>([of])
      for (let i = 0; i < terms.length; i++)
        for (const t of terms) if (t.parent !== null && found.has(t.parent)) found.add(t.id)
      const made = new Catalogue(smallSite([], { terms }))
      expect(new Set(made.termsBelow(of))).toEqual(found)
      expect(made.termsBelow(of)[0]).toBe(of)
    }),
  )
})
