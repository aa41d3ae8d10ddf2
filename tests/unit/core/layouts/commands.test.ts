import {
  type Box,
  type Edit,
  applyEdit,
  dropAt,
  duplicateNode,
  evenSpans,
  insertElement,
  moveEdge,
  moveTo,
  placeAfter,
  removeNode,
  setColumns,
  step,
  widen,
} from '#core/layouts'
import { type Layout, find, pathTo } from '#core/tree'
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
  test('down among siblings, then on into the next column', () => {
    const { root, left, right } = sample()
    let next = apply(root, step(root, 'a', 'down'))
    expect(ids(next, left.id)).toEqual(['b', 'a'])
    next = apply(next, step(next, 'a', 'down'))
    expect(ids(next, right.id)).toEqual(['a', 'c'])
    next = apply(next, step(next, 'a', 'up'))
    expect(ids(next, left.id)).toEqual(['b', 'a'])
  })

  test('sideways: elements between columns, columns within their row', () => {
    const { root, first, left, right } = sample()
    expect(ids(apply(root, step(root, 'a', 'right')), right.id)).toEqual(['a', 'c'])
    expect(ids(apply(root, step(root, left.id, 'right')), first.id)).toEqual([right.id, left.id])
    expect(step(root, left.id, 'left')).toBeNull()
    expect(step(root, left.id, 'up')).toBeNull()
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
