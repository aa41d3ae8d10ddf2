import { newElement } from '#core/elements'
import {
  type Edit,
  Trees,
  applyEdit,
  changeKey,
  checkLayout,
  layoutEditing,
  refuseEdit,
  settingIn,
} from '#core/layouts'
import { newPlace, ownPiece, placeIn, share } from '#core/editor'
import {
  type Fill,
  type Layout,
  type LayoutElement,
  type Variation,
  elementsOf,
  emptyLayout,
  emptyRow,
  find,
} from '#core/tree'

/** Pieces by example: what is drawn, what places say, and what is refused or waits. */

let made = 0
const newId = () => `n${++made}`

/** A piece of a heading and a button, of which the words of the heading are open. */
function piece(id: string, ...more: LayoutElement[]): Layout {
  const row = emptyRow(newId, [12])
  row.id = `${id}-row`
  row.styles = { paddingTop: { wide: 20 } }
  const heading = { ...newElement('heading', () => `${id}-title`), props: { text: 'Come by' }, open: ['text'] }
  row.children[0]!.children = [heading, newElement('button', () => `${id}-button`), ...more]
  return { ...emptyLayout(id, `Piece ${id}`, 'piece'), children: [row] }
}
const place = (id: string, of: string, fills?: Fill[]): LayoutElement => ({
  ...newPlace(of, () => id),
  ...(fills && { fills }),
})
function layoutWith(id: string, ...places: LayoutElement[]): Layout {
  const rows = places.map((p) => {
    const row = emptyRow(() => `${p.id}-${newId()}`, [12])
    row.children[0]!.children = [p]
    return row
  })
  return { ...emptyLayout(id, id, 'footer'), children: rows }
}
const words = (text: string, id = 'band-title'): Fill => ({ kind: 'setProperty', id, property: 'text', value: text })
const textAt = (layout: Layout | undefined, id: string) => layout && find(layout, id)?.node.props.text

test('a row of a piece is drawn where a row holds nothing but its place; each thing has a path for an id', () => {
  const trees = new Trees([piece('band'), layoutWith('foot', place('one', 'band'))])
  const tree = trees.tree('foot')!
  expect(tree.children.map((r) => [r.id, r.styles])).toEqual([['one.band-row', { paddingTop: { wide: 20 } }]])
  expect(elementsOf(tree).map((e) => e.id)).toEqual(['one.band-title', 'one.band-button'])
  expect(trees.of(trees.document('foot')!).made).toBe(trees.document('foot'))
})

test('a layout without pieces is drawn as the very same tree', () => {
  const layout = layoutWith('foot', newElement('heading', newId))
  expect(new Trees([layout]).tree('foot')).toBe(layout)
})

test('each place says its own; what is not open, of the wrong kind or gone waits, and takes nothing with it', () => {
  const wrong: Fill = { kind: 'setProperty', id: 'band-title', property: 'text', value: 7 }
  const closed = words('Press', 'band-button')
  const gone = words('Nobody', 'nobody')
  const foot = layoutWith('foot', place('one', 'band', [words('Here')]), place('two', 'band', [wrong, closed, gone]))
  const drawn = new Trees([piece('band'), foot]).of(foot)
  expect([textAt(drawn.tree, 'one.band-title'), textAt(drawn.tree, 'two.band-title')]).toEqual(['Here', 'Come by'])
  expect(drawn.places).toEqual([{ node: 'two', piece: 'band', because: null, waiting: [wrong, closed, gone] }])
})

test('a piece in a piece is filled by either: the outer place is heard last', () => {
  const inner = piece('band')
  const outer = piece('outer', place('in', 'band', [words('Inside')]))
  const path = words('Outside', 'in.band-title')
  const foot = layoutWith('foot', place('one', 'outer'), place('two', 'outer', [path]))
  const tree = new Trees([inner, outer, foot]).tree('foot')
  expect([textAt(tree, 'one.in.band-title'), textAt(tree, 'two.in.band-title')]).toEqual(['Inside', 'Outside'])
})

test('a piece that would hold itself through three others is refused; where a file holds it nothing is drawn of it', () => {
  const chain = ['b', 'c', 'd'].map((id, i) => piece(id, place(`in-${id}`, ['c', 'd', 'a'][i]!)))
  const a = piece('a')
  const edits = layoutEditing(() => new Trees([a, ...chain]))
  const node = place('back', 'b')
  const result = edits.apply(a, { kind: 'insert', parent: a.children[0]!.children[0]!.id, index: 0, node })
  expect(result.ok ? '' : result.problem.sentence).toBe(
    'A piece cannot hold itself, also not through others: Piece a would.',
  )
  const file = piece('a', place('back', 'b'))
  const foot = layoutWith('foot', place('one', 'a'), place('two', 'elsewhere'))
  const drawn = new Trees([file, ...chain, foot]).of(foot)
  expect(drawn.places.map((p) => [p.node, p.because])).toEqual([
    ['one', 'loop'],
    ['two', 'missing'],
  ])
  expect(elementsOf(drawn.tree).map((e) => e.id)).toEqual(['one', 'two'])
})

test('a piece that places what follows it would hold itself, too', () => {
  const base = piece('base')
  const { defaults: _d, children: _c, ...rest } = emptyLayout('own', 'Own', 'piece')
  const variation: Variation = { ...rest, follows: { base: 'base', changes: [] } }
  const edits = layoutEditing(() => new Trees([base, variation]))
  const parent = base.children[0]!.children[0]!.id
  const result = edits.apply(base, { kind: 'insert', parent, index: 0, node: place('in', 'own') })
  expect(result.ok ? '' : result.problem.code).toBe('piece-loop')
})

test('pieces in pieces that come to too much are left out, and told', () => {
  const many = (id: string, of: string) => piece(id, ...Array.from({ length: 40 }, (_, i) => place(`${id}-${i}`, of)))
  const pieces = [piece('p0'), many('p1', 'p0'), many('p2', 'p1'), many('p3', 'p2')]
  const foot = layoutWith('foot', place('one', 'p3'), place('two', 'p0'))
  const drawn = new Trees([...pieces, foot]).of(foot)
  expect(drawn.places.map((p) => p.because)).not.toContain('loop')
  expect(elementsOf(drawn.tree).length).toBeLessThan(12_000)
  expect(find(drawn.tree, 'two.p0-title')).not.toBeNull()
})

test('what follows a layout with a place has changes of its own about what the place says', () => {
  const base = layoutWith('foot', place('one', 'band', [words('Here')]))
  const { defaults: _d, children: _c, ...rest } = emptyLayout('own', 'Own', 'footer')
  const variation: Variation = { ...rest, follows: { base: 'foot', changes: [] } }
  const trees = new Trees([piece('band'), base, variation])
  const edits = layoutEditing(() => trees)
  const result = edits.apply(variation, { kind: 'setFill', id: 'one', fill: words('Mine') })
  if (!result.ok) throw new Error(result.problem.sentence)
  const own = result.document as Variation
  expect(own.follows.changes.map(changeKey)).toEqual(['fill/one/value/band-title/text'])
  const now = new Trees([piece('band'), base, own])
  expect(textAt(now.tree('own'), 'one.band-title')).toBe('Mine')
  const said = settingIn(base, { kind: 'setFill', id: 'one', fill: words('Mine') })
  expect(said).toEqual({ kind: 'setFill', id: 'one', fill: words('Here') })
})

test('what is open stands in pieces alone, and names what there is', () => {
  const p = piece('band')
  const open = (layout: Layout, property: string) =>
    applyEdit(layout, { kind: 'setOpen', id: elementsOf(layout)[1]!.id, property, open: true })
  const told = (result: ReturnType<typeof open>) => (result.ok ? 'done' : result.problem.code)
  expect(told(open(p, 'label'))).toBe('done')
  expect(told(open(p, 'nothing'))).toBe('property-unknown')
  expect(told(open({ ...p, region: 'footer', children: p.children }, 'label'))).not.toBe('done')
})

test('a place says a thing once, of what can be a thing in a piece', () => {
  const twice = layoutWith('foot', place('one', 'band', [words('a'), words('b')]))
  expect(
    checkLayout(twice)
      .map((p) => p.sentence)
      .join(),
  ).toContain('two things of the same')
  const other = layoutWith('foot', { ...newElement('heading', newId), fills: [words('a')] })
  expect(checkLayout(other)).not.toEqual([])
  const long: Edit = { kind: 'setFill', id: 'one', fill: words('a', Array(12).fill('x').join('.')) }
  expect(refuseEdit(long)?.code).toBe('edit-shape')
  expect(refuseEdit({ kind: 'setFill', id: 'one', fill: { kind: 'remove', id: 'x' } })?.code).toBe('edit-shape')
})

test('the content of an entry does not stand in a piece', () => {
  const p = piece('band')
  const node = newElement('entry-content', newId)
  const result = applyEdit(p, { kind: 'insert', parent: p.children[0]!.children[0]!.id, index: 0, node })
  expect(result.ok ? '' : result.problem.code).toBe('element-region')
})

test('only rows and elements are shared, and no place of a piece again', () => {
  const layout = layoutWith(
    'foot',
    place('one', 'band'),
    newElement('heading', () => 'title'),
  )
  const as = { id: 'new', name: 'New' }
  expect(share(layout, layout.children[0]!.children[0]!.id, as, newId)).toBeNull()
  expect(share(layout, 'one', as, newId)).toBeNull()
  expect(share(layout, 'title', as, newId)?.piece.children).toHaveLength(1)
  expect([placeIn('column', 'band', newId).kind, placeIn('layout', 'band', newId).kind]).toEqual(['element', 'row'])
})

test('pieces that double at every level, and four thousand one in the other, are drawn as far as goes, at once', () => {
  const twice = Array.from({ length: 40 }, (_, i) =>
    i === 0 ? piece('d0') : piece(`d${i}`, place(`d${i}-a`, `d${i - 1}`), place(`d${i}-b`, `d${i - 1}`)),
  )
  const chain = Array.from({ length: 4000 }, (_, i) =>
    i === 0 ? piece('c0') : piece(`c${i}`, place(`c${i}-in`, `c${i - 1}`)),
  )
  const foot = layoutWith('foot', place('one', 'd39'), place('two', 'c3999'), place('three', 'c8'))
  const trees = new Trees([...twice, ...chain, foot])
  expect(trees.of(foot).places.map((p) => [p.node, p.because])).toEqual([
    ['one', 'deep'],
    ['two', 'deep'],
  ])
  expect(elementsOf(trees.tree('d8')!).length).toBeLessThan(12_000)
})

test('a row that says something of its own keeps that when what stands in it becomes the layout’s own', () => {
  const foot = layoutWith('foot', place('one', 'band'))
  foot.children[0]!.styles = { background: { wide: '@ink' } }
  const trees = new Trees([piece('band'), foot])
  const { edit } = ownPiece(trees, foot, 'one', newId)!
  const result = applyEdit(foot, edit)
  if (!result.ok) throw new Error(result.problem.sentence)
  expect(result.document.children[0]!.styles).toEqual({ background: { wide: '@ink' } })
  expect(elementsOf(result.document).map((e) => e.type)).toEqual(['heading', 'button'])
})

test('what a place says is one thing that is set: typed on as one step, and contested by two hands', () => {
  const { targets } = layoutEditing(() => new Trees([]))
  const said = (text: string): Edit => ({ kind: 'setFill', id: 'one', fill: words(text) })
  expect(targets(said('a'))).toEqual(targets(said('ab')))
  expect(targets({ kind: 'setFill', id: 'one', fill: words('a', 'other') })).not.toEqual(targets(said('a')))
  expect(targets({ kind: 'setOpen', id: 'x', property: 'text', open: true })).toHaveLength(1)
  expect(targets({ kind: 'setLook', id: 'x', look: 'quiet' })).toHaveLength(1)
})
