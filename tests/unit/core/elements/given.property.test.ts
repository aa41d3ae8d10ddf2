import fc from 'fast-check'
import { giverOf, givenTo, looksGiven, newElement, sortOf } from '#core/elements'
import { applyEdit } from '#core/layouts'
import { type Layout, STEPS, type Styles, type TreeNode, defaultsKey, emptyLayout, pathTo, walk } from '#core/tree'
import { diceOf, randomEdit, seeds } from '../layouts/random'
import { runs } from '../../../runs'

/** A slow twin: all who give are asked in turn from the outside, each for the kind and then for the sort. */
function givenSlowly(layout: Layout, node: TreeNode, at: string): Styles {
  const kinds = [node.kind === 'element' ? node.type : node.kind]
  const sort = node.kind === 'element' ? sortOf(node) : null
  if (sort !== null) kinds.push(sort)
  const boxes = pathTo(layout, node.id).slice(0, -1)
  const found: Styles = {}
  for (const gives of [layout.defaults, ...boxes.map((b) => ('gives' in b ? (b.gives ?? {}) : {}))])
    for (const kind of kinds)
      for (const [property, stepped] of Object.entries(gives[defaultsKey(kind, at)] ?? {}))
        found[property] = { ...found[property], ...stepped }
  return found
}

test('what is given to a thing is what the nearest that gives something says, and that one is named', () => {
  let [fromBoxes, fromSorts] = [0, 0]
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      let layout: Layout = emptyLayout('root', 'Given', 'body')
      for (let i = 0; i < 60; i++) {
        const result = applyEdit(layout, randomEdit(layout, dice))
        if (result.ok) layout = result.document
      }
      // Things of which there are sorts stand in it, whatever dice say.
      for (const column of [...walk(layout)].filter((n) => n.kind === 'column').slice(0, 3)) {
        const node = newElement('heading', () => `heading-in-${column.id}`)
        const result = applyEdit(layout, { kind: 'insert', parent: column.id, index: 0, node })
        if (result.ok) layout = result.document
      }
      const boxes = [...walk(layout)].filter((n) => n.kind === 'row' || n.kind === 'column')
      for (let i = 0; i < 20 && boxes.length > 0; i++) {
        const box = dice.yes() ? { box: dice.pick(boxes).id } : {}
        const of = dice.pick(['column', 'heading', 'heading.2', 'heading.3', 'button', 'button :hover'])
        const edit = {
          kind: 'setDefault',
          ...box,
          of,
          property: 'paddingTop',
          step: dice.pick(STEPS),
          value: i,
        } as const
        const result = applyEdit(layout, edit)
        if (result.ok) layout = result.document
      }
      for (const node of walk(layout))
        for (const at of ['', ':hover']) {
          const given = looksGiven(givenTo(layout, node.id), node, at) ?? {}
          expect(given).toEqual(givenSlowly(layout, node, at))
          for (const [property, stepped] of Object.entries(given))
            for (const step of STEPS) {
              if (stepped[step] === undefined) continue
              const giver = giverOf(layout, node, at, property, step)
              const gives = giver.kind === 'layout' ? giver.defaults : giver.gives!
              expect(looksGiven(gives, node, at)?.[property]?.[step]).toBe(stepped[step])
              if (giver.kind !== 'layout') fromBoxes++
              if (giver.kind !== 'layout' && node.kind === 'element' && sortOf(node)) fromSorts++
            }
        }
    }),
    { numRuns: runs(120) },
  )
  expect(fromBoxes).toBeGreaterThan(15)
  expect(fromSorts).toBeGreaterThan(15)
})
