import type { Design, DisplayRule } from '#core/design'
import { type PartKey, comesAlong, partOf } from '#core/releases'
import { newPlace } from '#core/editor'
import { type Layout, type LayoutDocument, type Variation, emptyLayout } from '#core/tree'
import { PLAIN_HOUSE } from '#core/styles'
import { column, element, frame, layout, row } from '../../../fixtures'

/** A release of some of what waits: with what it needs, and without the rest. */

const nothing: Design = { format: 1, layouts: [], frames: [], house: PLAIN_HOUSE, menus: [] }
const empty = (id: string): Layout => ({ ...emptyLayout(id, id, 'body') })
const variation = (id: string, base: string): Variation => {
  const { defaults: _d, children: _c, ...rest } = empty(id)
  return { ...rest, follows: { base, changes: [] } }
}
const using = (id: string, of: string): DisplayRule =>
  frame(id, [{ kind: 'every' }], { body: { kind: 'use', layout: of } })
const along = (before: Design, after: Design, ...taken: PartKey[]) =>
  comesAlong(before, after, new Set(taken)).map((a) => `${a.key} for ${a.for}`)
const ids = (design: Design) => design.layouts.map((l) => l.id)

test('a frame brings its layout, that what it follows, and that the pieces, cards and menus that it names', () => {
  const piece = { ...empty('band'), region: 'piece' as const }
  const base = layout(
    'base',
    'body',
    row(
      column(
        12,
        newPlace('band', () => 'place'),
        element('entry-list', { card: 'card' }),
        element('menu', { menu: 'main' }),
      ),
    ),
  )
  const card = { ...empty('card'), region: 'card' as const }
  const layouts: LayoutDocument[] = [piece, base, card, variation('own', 'base'), empty('other')]
  const after: Design = {
    ...nothing,
    layouts,
    frames: [using('f', 'own')],
    menus: [{ id: 'main', name: 'Main', items: [] }],
  }
  expect(along(nothing, after, 'frame f')).toEqual([
    'layout own for frame f',
    'layout base for layout own',
    'layout band for layout own',
    'layout card for layout own',
    'menu main for layout own',
  ])
  const part = partOf(nothing, after, new Set<PartKey>(['frame f']))
  expect([ids(part), part.frames.length, part.menus?.length]).toEqual([['band', 'base', 'card', 'own'], 1, 1])
})

test('what visitors have already stays as they have it', () => {
  const before: Design = { ...nothing, layouts: [empty('base')] }
  const changed = { ...empty('base'), name: 'Changed' }
  const after: Design = { ...nothing, layouts: [changed, variation('own', 'base')] }
  expect(along(before, after, 'layout own')).toEqual([])
  expect(partOf(before, after, new Set<PartKey>(['layout own'])).layouts.map((l) => l.name)).toEqual(['base', 'own'])
})

test('a colour or a look that the house of visitors lacks brings the house', () => {
  const house = { ...PLAIN_HOUSE, palette: [...PLAIN_HOUSE.palette, { id: 'brick', name: 'Brick', value: '#aa3322' }] }
  const plain = row(column(12, element('heading')))
  const red = layout('red', 'body', { ...plain, styles: { background: { wide: '@brick' } } })
  const after: Design = { ...nothing, layouts: [red, layout('plain', 'body', plain)], house }
  expect(along(nothing, after, 'layout red')).toEqual(['house for layout red'])
  expect(along(nothing, after, 'layout plain')).toEqual([])
  expect(partOf(nothing, after, new Set<PartKey>(['layout plain'])).house).toBe(PLAIN_HOUSE)
})

test('where a layout goes, the frame that used it comes with it; what is left stays there', () => {
  const before: Design = { ...nothing, layouts: [empty('a'), empty('b')], frames: [using('f', 'a'), using('g', 'b')] }
  const after: Design = { ...nothing, layouts: [], frames: [using('f', 'b')] }
  expect(along(before, after, 'layout a')).toEqual(['frame f for layout a'])
  const part = partOf(before, after, new Set<PartKey>(['layout a']))
  expect([ids(part), part.frames.map((f) => f.id)]).toEqual([['b'], ['f', 'g']])
})
