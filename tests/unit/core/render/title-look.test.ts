import { titleLook, plainTitleLook } from '#core/render'
import { cardAddress, cardAt, cardOf } from '#core/machines'
import { Formats, sceneOf } from '#core/drawing'
import { treeToDraw } from '#core/layouts'
import { LEAST_CONTRAST, PLAIN_HOUSE, contrastBetween } from '#core/styles'
import type { Layout, Row, Styles } from '#core/tree'
import { column, element, layout, observatory, row } from '../../../fixtures'

const titled = (rowStyles: Styles, columnStyles: Styles = {}, own: Styles = {}, picture = false): Layout => {
  const heading = { ...element('heading', { text: 'T', level: '1' }), styles: own }
  const made: Row = {
    ...row({ ...column(12, element('text'), heading), styles: columnStyles }),
    styles: rowStyles,
    props: picture ? { backgroundPicture: 'moon' } : {},
  }
  return layout('x', 'intro', row(column(12, element('heading', { text: 'No', level: '2' }))), made)
}
const lookOf = (made: Layout) => titleLook(treeToDraw(made), PLAIN_HOUSE)
const wide = (styles: Record<string, string>): Styles =>
  Object.fromEntries(Object.entries(styles).map(([name, value]) => [name, { wide: value }]))

test('a title is drawn in the colours of what it stands in, the nearest first', () => {
  expect(lookOf(titled(wide({ background: '#102030', colour: '#f0f0f0' })))).toMatchObject({
    ground: '#102030',
    ink: '#f0f0f0',
  })
  expect(
    lookOf(
      titled(
        wide({ background: '#102030', colour: '#f0f0f0' }),
        wide({ background: '#ffffff' }),
        wide({ colour: '#701010' }),
      ),
    ),
  ).toMatchObject({ ground: '#ffffff', ink: '#701010' })
})

test('where a picture lies behind it, what lies beneath that does; what cannot be read there is drawn so that it can', () => {
  expect(lookOf(titled(wide({ background: '#102030', colour: '#f0f0f0' }), {}, {}, true))).toMatchObject({
    ground: '#102030',
  })
  const faint = lookOf(titled(wide({ background: '#fefefe', colour: '#f0f0f0' })))!
  expect(contrastBetween(faint.ground, faint.ink)).toBeGreaterThanOrEqual(LEAST_CONTRAST)
  const clear = lookOf(titled(wide({ background: '#00000010', colour: '#00000080' })))!
  expect(clear.ground).toMatch(/^#[0-9a-f]{6}$/)
})

test('the font is a file: that of the title, else that of headings, else one that ships', () => {
  expect(lookOf(titled({}))!.font).toContain('newsreader')
  expect(lookOf(titled({}, {}, wide({ family: 'Lora' })))!.font).toContain('lora')
  expect(lookOf(titled({}, {}, wide({ family: 'System serif' })))!.font).toMatch(/woff2$/)
  expect(lookOf(layout('x', 'body', row(column(12, element('text')))))).toBeNull()
  expect(plainTitleLook(PLAIN_HOUSE).ground).toBe('#ffffff')
})

test('its address says all that is on it, and which page it is of', () => {
  const catalogue = observatory()
  const page = catalogue.page('entry:refractor')!
  const card = cardOf(sceneOf(catalogue, new Formats(catalogue.site.settings), page), plainTitleLook(PLAIN_HOUSE))
  expect(card).toMatchObject({ title: 'Long refractor', kind: 'tool', below: 'Hillside Observatory' })
  const address = cardAddress(page, card)
  expect(cardAt(decodeURIComponent(address))?.key).toBe('entry:refractor')
  expect(cardAddress(page, { ...card, ink: '#123456' })).not.toBe(address)
  const named = sceneOf(catalogue, new Formats(catalogue.site.settings), { ...page, title: '🦉'.repeat(500) })
  const long = cardOf(named, plainTitleLook(PLAIN_HOUSE))
  expect([...long.title]).toHaveLength(140)
  for (const path of ['/_of/shared/', '/_of/shared/a/.png', '/_of/shared/a/b/c.png', '/_of/shared/A/b.png', '/x'])
    expect(cardAt(path)).toBeNull()
})
