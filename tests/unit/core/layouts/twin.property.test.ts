import fc from 'fast-check'
import { ProblemError } from '#core/problems'
import { type Edit, applyEdit, refuseEdit } from '#core/layouts'
import { attempt } from '#core/layouts/apply'
import { checkRules } from '#core/layouts/check'
import { newElement } from '#core/elements'
import {
  type Layout,
  type Parent,
  type Row,
  type TreeNode,
  childrenOf,
  copyOf,
  emptyLayout,
  emptyPlace,
  emptyRow,
  find,
  pathTo,
  walk,
} from '#core/tree'
import { type Dice, diceOf, randomEdit, seeds } from './random'
import { runs } from '../../../runs'

/** Slow twins: where a node stands, by looking everywhere; what an edit breaks, by going through the whole layout. */

function findSlowly(parent: Parent, id: string): [TreeNode, Parent][] {
  const here = childrenOf(parent).flatMap((n): [TreeNode, Parent][] => (n.id === id ? [[n, parent]] : []))
  return [...here, ...childrenOf(parent).flatMap((n) => findSlowly(n, id))]
}

function judgeSlowly(layout: Layout, edit: Edit): string[] {
  const refused = refuseEdit(edit)
  if (refused) return [refused.sentence]
  try {
    return checkRules(attempt(copyOf(layout), edit).draft.layout).map((p) => p.sentence)
  } catch (error) {
    if (error instanceof ProblemError) return [error.problem.sentence]
    throw error
  }
}

let made = 0
const newId = () => `t${++made}`

/** Rows in rows, almost as deep as they may be, and an element of which there may be one. */
function deep(dice: Dice): Layout {
  const layout = emptyLayout('root', 'Deep', 'body')
  let row = emptyRow(newId, [6, 6])
  layout.children.push(row)
  for (let i = dice.below(3); i < 3; i++) {
    const inner = emptyRow(newId, [12])
    row.children[0]!.children.push(inner)
    row = inner
  }
  row.children[0]!.children.push(newElement('entry-content', newId), newElement('sections', newId))
  return layout
}

const insert = (parent: string, node: TreeNode): Edit => ({ kind: 'insert', parent, index: 0, node })

/** Edits that are likely to break one rule or another: chance alone would seldom do so. */
function breaking(layout: Layout, dice: Dice): Edit {
  const nodes = [...walk(layout)]
  const columns = nodes.filter((n) => n.kind === 'column')
  const rows = nodes.filter((n) => n.kind === 'row')
  const column = columns.length ? dice.pick(columns).id : layout.id
  return dice.pick([
    // Something whose ids stand here already, or stand in it twice.
    () => insert(layout.id, dice.pick([emptyRow(() => 'same', [6, 6]), ...layout.children])),
    () => insert(columns.at(-1)?.id ?? layout.id, rowsIn(1 + dice.below(4))),
    () => insert(column, newElement(dice.pick(['entry-content', 'sections', 'trail', 'search-box']), newId)),
    () => insert(dice.pick([layout.id, column]), emptyPlace(newId, 'sections')),
    (): Edit => ({ kind: 'setSpans', row: rows.length ? dice.pick(rows).id : 'nowhere', spans: [5, 6] }),
    () => insert(layout.id, { ...emptyRow(newId, [7, 6]) }),
  ])()
}

/** Rows that stand in one another. */
function rowsIn(depth: number): Row {
  const row = emptyRow(newId, [12])
  if (depth > 1) row.children[0]!.children.push(rowsIn(depth - 1))
  return row
}

test('an edit is judged from what it changed exactly as from the whole layout', () => {
  const seen = new Set<string>()
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      let layout = dice.yes() ? deep(dice) : emptyLayout('root', 'Empty', dice.pick(['body', 'header']))
      for (let i = 0; i < 40; i++) {
        const edit = dice.below(6) === 0 ? breaking(layout, dice) : randomEdit(layout, dice)
        const wrong = judgeSlowly(layout, edit)
        const result = applyEdit(layout, edit)
        if (result.ok) expect(wrong).toEqual([])
        else {
          expect(wrong).toContain(result.problem.sentence)
          seen.add(result.problem.code)
        }
        if (result.ok) layout = result.document
      }
    }),
    { numRuns: runs(150) },
  )
  // What it is judged by did come up.
  for (const code of ['too-deep', 'element-once', 'element-region', 'spans-sum', 'wrong-place', 'id-taken'])
    expect([...seen]).toContain(code)
})

test('everything is found where it stands, in the layout edited last and in those before it', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      const layouts = [deep(dice)]
      for (let i = 0; i < 25; i++) {
        const result = applyEdit(layouts.at(-1)!, randomEdit(layouts.at(-1)!, dice))
        if (result.ok) layouts.push(result.document)
      }
      for (const layout of [layouts.at(-1)!, dice.pick(layouts), layouts.at(-1)!]) {
        for (const { id } of [...walk(layout), { id: 'nowhere' }]) {
          const [[node, parent] = []] = findSlowly(layout, id)
          const found = find(layout, id)
          expect(found?.node).toBe(node)
          expect(found?.parent).toBe(parent)
          if (found) expect(childrenOf(found.parent)[found.index]).toBe(node)
          expect(pathTo(layout, id).at(-1)).toBe(node)
        }
      }
    }),
    { numRuns: runs(60) },
  )
})
