import { scriptAddress, scriptAt } from '#core/elements'
import type { Parameters } from '#core/addresses'
import type { Value } from '#core/tree'
import { VISITOR, drawElement, element } from '../../../fixtures'

/** Favourites: marked in the browser, shown by the address, told by count. */

const list = (parameters: Parameters, props: Record<string, Value> = {}) =>
  drawElement(element('entry-list', { source: 'marked', most: 10, empty: 'None are marked.', ...props }), 'home', {
    request: { ...VISITOR, parameters },
  })
const titles = (html: string) => [...html.matchAll(/of-card-title"><a[^>]*>([^<]*)</g)].map((m) => m[1])

test('a list of favourites shows what the address names, in that order, each once; what is none is left out', () => {
  expect(titles(list({ marked: ['mirror refractor'] }))).toEqual(['Mirror', 'Long refractor'])
  expect(titles(list({ marked: ['refractor gone refractor __proto__ '] }))).toEqual(['Long refractor'])
  for (const odd of [[''], ['x'.repeat(100_000)], ['a b '.repeat(50_000)], [' ']]) {
    expect(list({ marked: odd })).toContain('None are marked.')
  }
})

test('without any it says how else, in a place that the script finds', () => {
  expect(list({})).toMatch(/^<div class="of-list" data-list data-favourites>.*None are marked\./s)
})

test('the button is of the entry, is not there without script, and says both of its words', () => {
  const html = drawElement(element('favourite', { mark: 'Keep "it"', marked: 'Kept' }))
  expect(html).toMatch(/^<button type="button" hidden/)
  expect(html).toContain(
    'data-favourite="refractor" data-mark="Keep &quot;it&quot;" data-marked="Kept" aria-pressed="false"',
  )
  // Home shows an entry, and marks that; on a page that is of none there is nothing to mark.
  expect(drawElement(element('favourite'), 'home')).toContain('data-favourite="welcome"')
  expect(drawElement(element('favourite'), 'archive:tool')).toBe('')
})

test('the way to them leads somewhere, or is not drawn', () => {
  const html = drawElement(element('favourites-link', { link: '/kept', label: 'Mine' }))
  expect(html).toMatch(
    /<a class="of-favourites" href="\/kept">.*Mine<\/span><span[^>]* data-favourites-count hidden><\/span>/s,
  )
  expect(drawElement(element('favourites-link', {}))).toBe('')
})

test('the script is small and reads whatever stands in the store', () => {
  const script = scriptAt(scriptAddress('favourites'))!
  expect(Buffer.byteLength(script)).toBeLessThan(2000)
  expect(() => new Function(script)).not.toThrow()
})
