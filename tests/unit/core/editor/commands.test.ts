import {
  type Box,
  addColumn,
  dropAt,
  duplicateNode,
  giveLooks,
  giveLooksToAll,
  insertElement,
  mergeColumns,
  duplicateNodes,
  moveAllTo,
  moveEdge,
  moveTo,
  removeNodes,
  setPropertyOfAll,
  setStyleOfAll,
  splitColumn,
  stepAll,
  pasteNodes,
  placeAfter,
  readSpans,
  removeNode,
  setColumns,
  step,
  widen,
} from '#core/editor'
import { type Edit, applyEdit, checkLayout } from '#core/layouts'
import { evenSpans, type Layout, find, pathTo } from '#core/tree'
import { looksGiven } from '#core/elements'
import { column, element, layout, row } from '../../../fixtures'

let n = 0
const newId = () => `new${++n}`

function apply(target: Layout, edit: Edit | null | undefined): Layout {
  const result = applyEdit(target, edit!)
  if (!result.ok) throw new Error(result.problem.sentence)
  return result.document
}

function sample() {
  const [a, b, c] = [element('heading', {}, 'a'), element('text', {}, 'b'), element('button', {}, 'c')]
  const left = column(5, a, b)
  const right = column(7, c)
  const first = row(left, right)
  const second = row(column(12))
  return { left, right, first, second, root: layout('root', 'body', first, second) }
}
const ids = (target: Layout, parent: string) => {
  const { node } = find(target, parent)!
  return node.kind === 'element' ? [] : node.children.map((c) => c.id)
}
const spans = (target: Layout, rowId: string) => {
  const { node } = find(target, rowId)!
  return node.kind === 'row' ? node.children.map((c) => c.span) : []
}

describe('columns of a row', () => {
  test('more columns are added empty at the end', () => {
    const { root, first, left, right } = sample()
    const next = apply(root, setColumns(root, first.id, [4, 4, 4], newId))
    expect(spans(next, first.id)).toEqual([4, 4, 4])
    expect(ids(next, left.id)).toEqual(['a', 'b'])
    expect(ids(next, right.id)).toEqual(['c'])
  })

  test('fewer columns lose nothing: what stood in them moves into the last one', () => {
    const { root, first, left } = sample()
    const next = apply(root, setColumns(root, first.id, [12], newId))
    expect(spans(next, first.id)).toEqual([12])
    expect(ids(next, left.id)).toEqual(['a', 'b', 'c'])
  })

  test('the same columns are no edit', () => {
    const { root, first } = sample()
    expect(setColumns(root, first.id, [5, 7], newId)).toBeNull()
  })

  test('an edge moves between two columns and stops where one unit is left', () => {
    const { root, first } = sample()
    expect(spans(apply(root, moveEdge(first, 0, 2)), first.id)).toEqual([7, 5])
    expect(spans(apply(root, moveEdge(first, 0, -40)), first.id)).toEqual([1, 11])
    expect(moveEdge(first, 1, 2)).toBeNull()
    expect(moveEdge(first, 0, 0.2)).toBeNull()
  })

  test('the last column widens at the cost of the one before', () => {
    const { root, first, left, right } = sample()
    expect(spans(apply(root, widen(root, right.id, 1)), first.id)).toEqual([4, 8])
    expect(spans(apply(root, widen(root, left.id, 1)), first.id)).toEqual([6, 6])
  })

  test('12 units are shared out evenly', () => {
    for (let k = 1; k <= 12; k++) expect(evenSpans(k).reduce((x, y) => x + y)).toBe(12)
    expect(evenSpans(5)).toEqual([3, 3, 2, 2, 2])
  })
})

describe('making columns', () => {
  test('one is added beside another, and the widest make room', () => {
    const { root, first, left } = sample()
    const next = apply(root, addColumn(root, left.id, column(3)))
    expect(spans(next, first.id)).toEqual([4, 4, 4])
    const twelve = layout('root', 'body', row(...Array.from({ length: 12 }, () => column(1))))
    expect(addColumn(twelve, twelve.children[0]!.id, column(1))).toBeNull()
  })

  test('one is split, and neighbours become one with all that stands in them', () => {
    const { root, first, left, right } = sample()
    expect(spans(apply(root, splitColumn(root, left.id, newId)!.edit), first.id)).toEqual([3, 2, 7])
    expect(splitColumn(root, 'a', newId)).toBeNull()
    const merged = apply(root, mergeColumns(root, [right.id, left.id]))
    expect([spans(merged, first.id), ids(merged, left.id)]).toEqual([[12], ['a', 'b', 'c']])
    expect(mergeColumns(root, [left.id])).toBeNull()
    const three = layout('root', 'body', row(column(4), column(4), column(4)))
    const [one, , last] = three.children[0]!.children
    expect(mergeColumns(three, [one!.id, last!.id])).toBeNull()
  })

  test.each([
    ['5+7', [5, 7]],
    ['8 4', [8, 4]],
    ['4, 4, 4', [4, 4, 4]],
    ['0 + 12', 'A column takes at least one unit.'],
    ['5 + 5', 'Columns add up to 12 in all; these add up to 10.'],
    ['six', '“six” is no whole number.'],
    ['', expect.stringContaining('such as 5 + 7') as string],
  ])('spans written as “%s”', (text, read) => {
    expect(readSpans(text)).toEqual(read)
  })
})

describe('pasting', () => {
  test('several things stand after each other with new ids, also in another layout', () => {
    const { root, left, first } = sample()
    const nodes = ['a', 'b'].map((id) => find(root, id)!.node)
    const pasted = pasteNodes(root, 'b', nodes, newId)!
    expect(ids(apply(root, pasted.edit), left.id)).toEqual(['a', 'b', ...pasted.ids])
    const empty = layout('other', 'body')
    const whole = pasteNodes(empty, null, [first, find(root, 'c')!.node], newId)!
    const next = apply(empty, whole.edit)
    expect(next.children.map((r) => r.children.length)).toEqual([2])
    expect(pathTo(next, whole.ids[1]!)).toHaveLength(3)
  })

  test('a column comes beside the one in hand, or as a row of its own', () => {
    const { root, left, first } = sample()
    expect(spans(apply(root, pasteNodes(root, left.id, [left], newId)!.edit), first.id)).toEqual([4, 4, 4])
    const empty = layout('other', 'body')
    expect(apply(empty, pasteNodes(empty, null, [left], newId)!.edit).children[0]!.children).toHaveLength(1)
  })
})

describe('removing and duplicating', () => {
  test('the units of a removed column go to its neighbour', () => {
    const { root, first, left, right } = sample()
    expect(spans(apply(root, removeNode(root, right.id)), first.id)).toEqual([12])
    expect(spans(apply(root, removeNode(root, left.id)), first.id)).toEqual([12])
  })

  test('a row goes with its last column', () => {
    const { root, second } = sample()
    expect(apply(root, removeNode(root, second.children[0]!.id)).children).toHaveLength(1)
  })

  test('a copy has ids of its own throughout and stands right after', () => {
    const { root, first } = sample()
    const { edit, id } = duplicateNode(root, first.id, newId)!
    const next = apply(root, edit)
    expect(next.children[1]!.id).toBe(id)
    expect(next.children).toHaveLength(3)
  })

  test('a column shares its units with its copy, and a column of one unit has none to share', () => {
    const { root, first, left } = sample()
    expect(spans(apply(root, duplicateNode(root, left.id, newId)!.edit), first.id)).toEqual([3, 2, 7])
    const narrow = layout('root', 'body', row(column(1), column(11)))
    expect(duplicateNode(narrow, narrow.children[0]!.children[0]!.id, newId)).toBeNull()
  })
})

describe('where new things go', () => {
  test('after an element, at the end of a column, and in a new row when nothing is there', () => {
    const { root, left } = sample()
    expect(placeAfter(root, 'a', 'element')).toEqual({ parent: left.id, index: 1 })
    expect(placeAfter(root, left.id, 'element')).toEqual({ parent: left.id, index: 2 })
    expect(placeAfter(root, null, 'row')).toEqual({ parent: 'root', index: 2 })
    const empty = layout('root', 'body')
    const next = apply(empty, insertElement(empty, null, element('heading', {}, 'h'), newId))
    expect(pathTo(next, 'h').map((p) => p.kind)).toEqual(['row', 'column', 'element'])
  })

  test('with a row in hand, an element goes into its last column', () => {
    const { root, first, right } = sample()
    expect(ids(apply(root, insertElement(root, first.id, element('text', {}, 'z'), newId)), right.id)).toEqual([
      'c',
      'z',
    ])
  })
})

describe('moving by keys', () => {
  test('down among siblings, then into the column that lies below, and back', () => {
    const { root, left, right, second } = sample()
    let next = apply(root, step(root, 'a', 'down'))
    expect(ids(next, left.id)).toEqual(['b', 'a'])
    next = apply(next, step(next, 'a', 'down'))
    expect(ids(next, second.children[0]!.id)).toEqual(['a'])
    // Of the columns above, the right one lies more over it.
    next = apply(next, step(next, 'a', 'up'))
    expect(ids(next, right.id)).toEqual(['c', 'a'])
  })

  test('sideways: elements between columns, columns within their row', () => {
    const { root, first, left, right } = sample()
    expect(ids(apply(root, step(root, 'a', 'right')), right.id)).toEqual(['a', 'c'])
    expect(ids(apply(root, step(root, 'b', 'right')), right.id)).toEqual(['c', 'b'])
    expect(ids(apply(root, step(root, left.id, 'right')), first.id)).toEqual([right.id, left.id])
    expect(step(root, left.id, 'left')).toBeNull()
    expect(step(root, left.id, 'up')).toBeNull()
  })

  test('past a nested row, and out of one to before or after it, as one sees them', () => {
    const inner = row(column(6, element('text', {}, 'x')), column(6))
    const outer = column(12, element('heading', {}, 'top'), inner, element('button', {}, 'end'))
    const root = layout('root', 'body', row(outer))
    expect(ids(apply(root, step(root, 'top', 'down')), outer.id)).toEqual([inner.id, 'top', 'end'])
    expect(ids(apply(root, step(root, 'x', 'up')), outer.id)).toEqual(['top', 'x', inner.id, 'end'])
    expect(ids(apply(root, step(root, 'x', 'down')), outer.id)).toEqual(['top', inner.id, 'x', 'end'])
    expect(step(root, 'x', 'left')).toBeNull()
  })

  test('a nested row that leaves its column stands beside the row that it was in', () => {
    const inner = row(column(12))
    const outer = row(column(12, inner))
    const root = layout('root', 'body', outer)
    expect(ids(apply(root, step(root, inner.id, 'up')), outer.children[0]!.id)).toEqual([])
    expect(apply(root, step(root, inner.id, 'up')).children.map((r) => r.id)).toEqual([inner.id, outer.id])
    expect(apply(root, step(root, inner.id, 'down')).children.map((r) => r.id)).toEqual([outer.id, inner.id])
  })

  test('out of a place of an element to beside the element', () => {
    const place = {
      kind: 'place' as const,
      id: 'p',
      type: 'sections',
      props: {},
      styles: {},
      children: [row(column(12, element('text', {}, 'x')))],
    }
    const holder = column(12, { ...element('sections', {}, 's'), children: [place] })
    const root = layout('root', 'body', row(holder))
    expect(ids(apply(root, step(root, 'x', 'up')), holder.id)).toEqual(['x', 's'])
    expect(ids(apply(root, step(root, 'x', 'down')), holder.id)).toEqual(['s', 'x'])
  })

  test('nothing moves past the ends', () => {
    const { root, first, second } = sample()
    expect(step(root, first.id, 'up')).toBeNull()
    expect(step(root, second.id, 'down')).toBeNull()
    expect(step(root, 'a', 'up')).toBeNull()
  })

  test('a place counted with the thing itself is put right for the move', () => {
    const { root, left } = sample()
    expect(moveTo(root, 'a', left.id, 2)).toEqual({ kind: 'move', id: 'a', parent: left.id, index: 1 })
    expect(moveTo(root, 'a', left.id, 1)).toBeNull()
    expect(moveTo(root, 'a', 'nowhere', 0)).toBeNull()
  })
})

describe('several things', () => {
  test('go, are duplicated and move together, one step of undo', () => {
    const { root, left, right, first } = sample()
    expect(ids(apply(root, removeNodes(root, ['a', 'c'])), left.id)).toEqual(['b'])
    expect(apply(root, removeNodes(root, ['a', first.id])).children).toHaveLength(1)
    const copies = duplicateNodes(root, ['a', 'c'], newId)!
    expect(ids(apply(root, copies.edit), left.id)).toEqual(['a', copies.ids[0], 'b'])
    expect(ids(apply(root, moveAllTo(root, ['a', 'b'], right.id, 1)), right.id)).toEqual(['c', 'a', 'b'])
    expect(ids(apply(root, moveAllTo(root, ['c', 'b'], left.id, 0)), left.id)).toEqual(['b', 'c', 'a'])
    expect(apply(root, moveAllTo(root, ['a', 'b'], left.id, 1))).toBe(root)
  })

  test('step together or not at all, and keep their order', () => {
    const { root, left, right } = sample()
    expect(stepAll(root, ['a', 'b'], 'up')).toBeNull()
    expect(ids(apply(root, stepAll(root, ['a', 'b'], 'right')), right.id)).toEqual(['a', 'c', 'b'])
    expect(ids(apply(root, stepAll(root, ['a', 'b'], 'down')), left.id)).toEqual([])
  })

  test('take a look and a property together; what cannot take it is left alone', () => {
    const { root } = sample()
    const styled = apply(root, setStyleOfAll(root, ['a', 'b'], { property: 'marginTop', step: 'wide', value: 9 }))
    expect(['a', 'b', 'c'].map((id) => find(styled, id)!.node.styles.marginTop?.wide)).toEqual([9, 9, undefined])
    const said = apply(root, setPropertyOfAll(root, ['a', 'c'], 'level', '3'))
    expect([find(said, 'a')!.node.props.level, find(said, 'c')!.node.props.level]).toEqual(['3', undefined])
  })
})

describe('dropAt', () => {
  const { root, first, second, left, right } = sample()
  const boxes = new Map<string, Box>([
    ['root', { x: 0, y: 0, width: 240, height: 300 }],
    [first.id, { x: 0, y: 0, width: 240, height: 120 }],
    [left.id, { x: 0, y: 20, width: 100, height: 100 }],
    ['a', { x: 4, y: 24, width: 92, height: 20 }],
    ['b', { x: 4, y: 50, width: 92, height: 20 }],
    [right.id, { x: 104, y: 20, width: 136, height: 100 }],
    ['c', { x: 108, y: 24, width: 128, height: 20 }],
    [second.id, { x: 0, y: 230, width: 240, height: 40 }],
  ])

  const boxOf = (id: string) => boxes.get(id)
  test('an element lands between the things of the column under the pointer', () => {
    expect(dropAt(root, boxOf, { x: 50, y: 46 }, { kind: 'element', id: 'c' })).toMatchObject({
      parent: left.id,
      index: 1,
    })
    expect(dropAt(root, boxOf, { x: 150, y: 110 }, { kind: 'element', id: 'a' })).toMatchObject({
      parent: right.id,
      index: 1,
    })
  })

  test('a column lands in a row, beside the others', () => {
    expect(dropAt(root, boxOf, { x: 230, y: 60 }, { kind: 'column', id: left.id })).toMatchObject({
      parent: first.id,
      index: 2,
    })
  })

  test('a row lands in a column or in the layout, never inside itself', () => {
    expect(dropAt(root, boxOf, { x: 50, y: 200 }, { kind: 'row', id: first.id })).toMatchObject({
      parent: 'root',
      index: 1,
    })
    expect(dropAt(root, boxOf, { x: 50, y: 46 }, { kind: 'row', id: first.id })).toBeNull()
  })

  test('an element has no place outside of columns', () => {
    expect(dropAt(root, boxOf, { x: 50, y: 290 }, { kind: 'element', id: 'a' })).toBeNull()
  })
})

describe('looks as a whole', () => {
  const styled = () => {
    const h = (id: string, level: string, styles = {}) => ({ ...element('heading', { text: id, level }, id), styles })
    const one = h('one', '2', { size: { wide: 30, narrow: 20 }, colour: { wide: '@ink' } })
    const two = h('two', '2', { size: { wide: 44 } })
    return layout('root', 'body', row(column(12, one, two, h('three', '3'), element('image', {}, 'pic'))))
  }
  const size = (root: Layout, id: string) => {
    const { node } = find(root, id)!
    return [node.styles.size?.wide, looksGiven(root.defaults, node)?.size?.wide]
  }

  test('are given to others as far as they suit them', () => {
    const root = styled()
    const next = apply(root, giveLooks(root, find(root, 'one')!.node.styles, ['two', 'pic']))
    expect(find(next, 'two')!.node.styles).toEqual(find(root, 'one')!.node.styles)
    expect(find(next, 'pic')!.node.styles).toEqual({})
    expect(giveLooks(next, find(next, 'one')!.node.styles, ['two'])).toBeNull()
  })

  test('become those of all of its sort; others keep what they say themselves', () => {
    const root = styled()
    const next = apply(root, giveLooksToAll(root, 'one'))
    expect(['one', 'two', 'three'].map((id) => size(next, id))).toEqual([
      [undefined, 30],
      [44, 30],
      [undefined, undefined],
    ])
    expect(next.defaults['heading.2']?.size).toEqual({ wide: 30, narrow: 20 })
    expect(checkLayout(next)).toEqual([])
    expect(checkLayout({ ...next, defaults: { 'heading.9': {} } })).not.toEqual([])
    expect(checkLayout({ ...next, defaults: { 'row.2': {} } })).not.toEqual([])
  })
})
