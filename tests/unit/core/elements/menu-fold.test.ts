import { elementSpec } from '#core/elements'
import { drawElement, element, observatory } from '../../../fixtures'

/** A menu behind a button: its panel is a popover, so that it needs no script. */

const menu = observatory().site.menus[0]!.id
const draw = (props: object) => drawElement(element('menu', { menu, ...props }))

test('a menu that never folds is a list and nothing else', () => {
  expect(draw({})).not.toMatch(/popover|<button/)
})

test('one that folds has a button that opens its panel, and one in it that closes it', () => {
  const html = draw({ fold: 'narrow', panel: 'side', button: 'All <pages>', close: '' })
  const id = /popover id="([^"]+)"/.exec(html)![1]!
  expect(html).toMatch(/^<nav class="of-menu of-across of-fold-narrow[ "]/)
  expect(html.match(new RegExp(`popovertarget="${id}"`, 'g'))).toHaveLength(2)
  expect(html).toContain('>All &lt;pages&gt;</button><div popover')
  expect(html).toContain('popovertargetaction="hide">Close</button><ul>')
  expect(html).toContain('class="of-menu-panel of-side"')
})

test('two menus on one page have panels of their own, and an empty menu has none', () => {
  const ids = ['a', 'b'].map(
    (id) => /popover id="([^"]+)"/.exec(drawElement({ ...element('menu', { menu, fold: 'always' }), id }))![1],
  )
  expect(new Set(ids).size).toBe(2)
  expect(drawElement(element('menu', { menu: 'gone', fold: 'always' }))).toBe('')
})

test('each width at which it may fold says where it stands in its place again', () => {
  const css = elementSpec('menu')!.css.join('')
  for (const [name, from] of [
    ['narrow', 640],
    ['medium', 1024],
  ] as const)
    expect(css).toContain(`@media (min-width:${from}px){.of-fold-${name}>.of-menu-panel{display:block;`)
  expect(css).not.toContain('Infinity')
})
