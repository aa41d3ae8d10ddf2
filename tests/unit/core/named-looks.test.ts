import { checkThings, houseUses, namedOf } from '#core/checks'
import { DOCUMENTS } from '#core/documents'
import { type Edit, Trees, applyEdit, changeKey, layoutEditing, treeToDraw } from '#core/layouts'
import { compileLayout } from '#core/render'
import { type SiteStyle, type NamedLook, PLAIN_HOUSE, namedRules, rulesCss } from '#core/styles'
import type { Layout, Variation } from '#core/tree'
import { column, drawElement, element, layout, observatory, row } from '../../fixtures'

/** Named looks for any kind of thing: kept with the house style, and followed where they are used. */

const QUIET: NamedLook = {
  id: 'quiet',
  name: 'Quiet',
  for: 'field',
  styles: { size: { wide: 14 } },
  looks: { label: { weight: { wide: 700 } }, 'label:hover': { decoration: { wide: 'underline' } } },
}
const house: SiteStyle = { ...PLAIN_HOUSE, looks: [...PLAIN_HOUSE.looks, QUIET] }
const one = layout('one', 'body', row(column(12, element('heading', { text: 'Title' }, 'h'))))
const apply = (from: Layout, edit: Edit): Layout => {
  const result = applyEdit(from, edit)
  if (!result.ok) throw new Error(result.problem.sentence)
  return result.document
}
const look = (id: string, of: string): Edit => ({ kind: 'setLook', id, look: of })

test('a thing has the class of its look, beneath its own looks and instead of what is given to its kind', () => {
  const given = { ...one, defaults: { heading: { size: { wide: 40 } } } }
  const html = (of: Layout) =>
    compileLayout(treeToDraw(of))
      .rules.map((r) => rulesCss([r]))
      .join('')
  expect(html(given)).toContain('40px')
  const named = apply(given, look('h', 'quiet'))
  const program = compileLayout(treeToDraw(named))
  expect([html(named).includes('40px'), [...program.looks]]).toEqual([false, ['quiet']])
  const own = apply(named, { kind: 'setStyle', id: 'h', property: 'size', step: 'wide', value: 22 })
  expect(html(own)).toContain('22px')
  // Taken away, it is as it was before.
  expect(apply(named, look('h', ''))).toEqual(given)
})

test('a look says how parts of a thing look, each by a rule of its own', () => {
  const rules = namedRules(QUIET)
  expect(rules.map((r) => r.name)).toEqual(['of-l-quiet', 'of-l-quiet-label'])
  const css = rulesCss(rules)
  expect(css).toContain('.of-l-quiet-label')
  expect(css).toMatch(/:hover/)
  const html = drawElement({
    ...element('field', { label: 'Maker', value: { kind: 'field', of: 'page', field: 'maker' } }),
    look: 'quiet',
  })
  expect(html).toContain('of-l-quiet-label')
})

test('it is known where a look is used, and told where it is gone', () => {
  const named = apply(one, look('h', 'quiet'))
  expect(houseUses({ layouts: [named], house }).layouts.get('look quiet')).toEqual(['one'])
  const told = (of: SiteStyle) =>
    checkThings(treeToDraw(named), observatory(), namedOf({ layouts: [named], house: of })).map((f) => f.kind)
  expect(told(house)).toEqual([])
  expect(told(PLAIN_HOUSE)).toEqual(['dangling'])
})

test('in a variation a look is one change of its own', () => {
  const { defaults: _d, children: _c, ...rest } = one
  const variation: Variation = { ...rest, id: 'own', follows: { base: 'one', changes: [] } }
  const result = layoutEditing(() => new Trees([one, variation])).apply(variation, look('h', 'quiet'))
  if (!result.ok) throw new Error(result.problem.sentence)
  expect((result.document as Variation).follows.changes.map(changeKey)).toEqual(['named/h'])
})

test('a house keeps looks for rows and parts, and none that such a thing cannot have', () => {
  const withLook = (more: Partial<NamedLook>) =>
    DOCUMENTS.house({ ...house, looks: [{ ...QUIET, ...more }, ...PLAIN_HOUSE.looks] })
  expect(DOCUMENTS.house(house)).toBeNull()
  expect(withLook({ for: 'row', styles: { stack: { narrow: 'beside' } }, looks: {} })).toBeNull()
  expect(withLook({ styles: { stack: { narrow: 'beside' } } })).not.toBeNull()
  expect(DOCUMENTS['layout-edit']({ kind: 'setLook', id: 'h', look: 'a b' })).not.toBeNull()
})
