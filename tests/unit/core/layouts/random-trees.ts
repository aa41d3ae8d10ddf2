import { newElement } from '#core/elements'
import { type Edit, applyEdit } from '#core/layouts'
import {
  evenSpans,
  type Column,
  type Layout,
  type Row,
  type TreeNode,
  emptyColumn,
  emptyLayout,
  emptyRow,
  find,
  walk,
} from '#core/tree'
import type { Dice } from './random'

/** Layouts of some size, and edits of them that can nearly always be made: things are put, moved, taken and changed. */

let made = 0
const newId = () => `t${++made}`

const TYPES = ['heading', 'text', 'button', 'divider', 'link-list', 'sections', 'image', 'entry-content']

function someElement(dice: Dice): TreeNode {
  return newElement(dice.pick(TYPES), newId)
}

function fill(column: Column, dice: Dice, depth: number): void {
  for (let i = dice.below(4); i > 0; i--)
    column.children.push(dice.below(5) === 0 && depth < 2 ? someRow(dice, depth + 1) : (someElement(dice) as never))
}

function someRow(dice: Dice, depth = 0): Row {
  const row = emptyRow(newId, evenSpans(1 + dice.below(4)))
  for (const column of row.children) fill(column, dice, depth)
  return row
}

/** A valid layout of some twenty to sixty things. */
export function randomTree(id: string, dice: Dice): Layout {
  let layout = emptyLayout(id, 'Base', 'body')
  for (let i = 2 + dice.below(4); i > 0; i--) {
    const node = someRow(dice)
    const result = applyEdit(layout, { kind: 'insert', parent: id, index: layout.children.length, node })
    if (result.ok) layout = result.document
  }
  return layout
}

const ofKind = <K extends TreeNode['kind']>(layout: Layout, kind: K) =>
  [...walk(layout)].filter((n): n is Extract<TreeNode, { kind: K }> => n.kind === kind)

/** A row with one column more or less, or one that comes from another row. */
function columnEdit(layout: Layout, dice: Dice): Edit {
  const rows = ofKind(layout, 'row')
  const row = dice.pick(rows)
  if (!row) return { kind: 'remove', id: 'nowhere' }
  const spans = (n: number, of = row.id): Edit => ({ kind: 'setSpans', row: of, spans: evenSpans(n) })
  const many = row.children.length
  const batch = (...edits: Edit[]): Edit => ({ kind: 'batch', label: 'columns', edits })
  if (dice.yes() || many < 2)
    return batch(
      { kind: 'insert', parent: row.id, index: dice.below(many + 1), node: emptyColumn(newId(), 1) },
      spans(many + 1),
    )
  const column = dice.pick(row.children)
  const other = dice.pick(rows)
  if (dice.yes()) return batch({ kind: 'remove', id: column.id }, spans(many - 1))
  if (other === row) return { kind: 'move', id: column.id, parent: row.id, index: dice.below(many) }
  return batch(
    { kind: 'move', id: column.id, parent: other.id, index: dice.below(other.children.length + 1) },
    spans(many - 1),
    spans(other.children.length + 1, other.id),
  )
}

function valueEdit(layout: Layout, dice: Dice): Edit {
  const node = dice.pick([...walk(layout)])
  if (!node) return { kind: 'rename', id: layout.id, name: 'Other' }
  const { id } = node
  const step = dice.pick(['wide', 'narrow'] as const)
  if (node.kind === 'element' && node.type === 'heading' && dice.yes())
    return { kind: 'setProperty', id, property: 'text', value: dice.pick(['One', 'Two', 'Three']) }
  if (node.kind === 'element' && node.type === 'link-list' && dice.yes())
    return {
      kind: 'insertItem',
      id,
      property: 'links',
      index: 0,
      item: { id: newId(), props: { label: 'Visit', link: '/visit' } },
    }
  if (dice.below(4) === 0) return { kind: 'rename', id, name: dice.pick(['', 'Here', 'There']) }
  return { kind: 'setStyle', id, property: 'marginTop', step, value: dice.pick([null, 4, 8, 20]) }
}

/** An edit that can nearly always be made. */
export function likelyEdit(layout: Layout, dice: Dice): Edit {
  const columns = ofKind(layout, 'column')
  const column = dice.pick(columns)
  const within = column?.children ?? []
  const movable = [...ofKind(layout, 'element'), ...ofKind(layout, 'row')]
  switch (dice.below(7)) {
    case 0:
      return { kind: 'insert', parent: layout.id, index: dice.below(layout.children.length + 1), node: someRow(dice) }
    case 1:
      if (!column) break
      return {
        kind: 'insert',
        parent: column.id,
        index: dice.below(within.length + 1),
        node: dice.yes() ? someElement(dice) : someRow(dice, 2),
      }
    case 2:
      if (movable.length < 4) break
      return { kind: 'remove', id: dice.pick(movable).id }
    case 3:
    case 4: {
      const node = dice.pick(movable)
      if (!node || !column) break
      const parent = node.kind === 'row' && dice.yes() ? layout.id : column.id
      const holder = parent === layout.id ? layout : find(layout, parent)!.node
      const left = (holder.children ?? []).filter((c) => c.id !== node.id).length
      return { kind: 'move', id: node.id, parent, index: dice.below(left + 1) }
    }
    case 5:
      return columnEdit(layout, dice)
  }
  return valueEdit(layout, dice)
}
