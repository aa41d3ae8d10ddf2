import { gzipSync } from 'node:zlib'
import { allScripts, scriptAddress, scriptAt } from '#core/elements'
import type { MenuItem } from '#core/model'
import { drawElement, element, observatory } from '../../../fixtures'

/** A menu of the observatory with other items, drawn with some properties. */
function drawMenu(items: MenuItem[], props: object = {}): string {
  const site = observatory()
  const menus = site.site.menus.map((m, i) => (i === 0 ? { ...m, items } : m))
  site.followMenus(menus)
  return drawElement(element('menu', { menu: menus[0]!.id, ...props }), undefined, {}, site)
}
const leaf = (label: string, link: MenuItem['link'] = '/x'): MenuItem => ({ id: label, label, link, items: [] })

test('500 links and six levels: three are shown, each list that drops has a button, and all are closed tags', () => {
  let deep = leaf('six')
  for (const name of ['five', 'four', 'three', 'two', 'one']) deep = { ...leaf(name), items: [deep] }
  const html = drawMenu([deep, ...Array.from({ length: 500 }, (_, i) => leaf(`n${i}`))])
  expect(html).toContain('>three<')
  expect(html).not.toContain('>four<')
  expect(html.match(/<details/g)).toHaveLength(2)
  expect(html.match(/<li>/g)).toHaveLength(503)
  expect(html.match(/<ul>/g)).toHaveLength(html.match(/<\/ul>/g)!.length)
})

test('levels, halves, and what stands between are said by the menu; running down nothing drops', () => {
  const five = ['a', 'b', 'c', 'd', 'e'].map((name) => leaf(name))
  expect(drawMenu(five, { half: 'first' })).toMatch(/>a<.*>b<.*>c</)
  expect(drawMenu(five, { half: 'first' })).not.toContain('>d<')
  expect(drawMenu(five, { half: 'second' })).toMatch(/aria-label="[^"]+, continued, body">.*>d<.*>e</)
  expect(drawMenu(five, { between: 'slash' })).toContain('of-between-slash')
  const nested = [{ ...leaf('top'), items: [leaf('under')] }]
  expect(drawMenu(nested, { levels: 1 })).not.toMatch(/under|details/)
  expect(drawMenu(nested, { direction: 'down' })).toMatch(/under/)
  expect(drawMenu(nested, { direction: 'down' })).not.toMatch(/details/)
})

test('what leads nowhere opens its list by its own words; words of strangers stay words', () => {
  const html = drawMenu([{ ...leaf('<b>"x"', ''), items: [leaf('in')] }])
  expect(html).toContain('<details><summary>&lt;b&gt;&quot;x&quot;</summary></details><ul>')
  expect(drawMenu([{ ...leaf('x'), items: [leaf('in')] }], { more: '<i>mehr' })).toContain(
    'aria-label="x: &lt;i&gt;mehr"',
  )
  const long = 'w'.repeat(300)
  expect(drawMenu([{ ...leaf(long), items: [leaf('in')] }])).toContain(`<summary aria-label="${long}: more">`)
})

test('several menus stand in one panel in their order; none that is gone, and no panel without any', () => {
  const menus = observatory().site.menus
  const items = [menus[1] ?? menus[0]!, menus[0]!, { id: 'gone' }].map(({ id }, i) => ({
    id: `i${i}`,
    props: { menu: id, title: true },
  }))
  const html = drawElement(element('menu-panel', { menus: items, button: 'All' } as never))
  expect(html).toMatch(/^<nav class="of-panel of-below-narrow"/)
  expect(html.match(/of-panel-name/g)).toHaveLength(2)
  expect(drawElement(element('menu-panel', { menus: [{ id: 'x', props: { menu: 'gone' } }] } as never))).toBe('')
  expect(drawElement(element('menu-panel', {}))).toBe('')
})

test('scripts of what every page may have stay under 3 KB together, those of what is looked for, looked at and bought under 1.2 KB each; each stands at an address of its own', () => {
  const size = (script: string) => gzipSync(script, { level: 9 }).length
  const all = [...allScripts().values()]
  const apart = (['list', 'large', 'suggest', 'favourites', 'shop'] as const).map((name) =>
    scriptAt(scriptAddress(name))!,
  )
  const others = all.filter((script) => !apart.includes(script))
  expect(others.reduce((sum, script) => sum + size(script), 0)).toBeLessThan(3 * 1024)
  for (const script of apart) expect(size(script)).toBeLessThan(1200)
  for (const script of all) expect(() => new Function(script)).not.toThrow()
  expect(scriptAt(scriptAddress('menu'))).toContain('ArrowDown')
  expect(scriptAt('/_of/el/menu.js')).toBeNull()
})
