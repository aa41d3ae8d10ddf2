import fc from 'fast-check'
import { applyEdit, changesBetween, checkLayout, vary } from '#core/layouts'
import { type Change, type Layout, find, walk } from '#core/tree'
import { diceOf, randomEdit, seeds } from './random'
import { likelyEdit, randomTree } from './random-trees'
import { varySlowly } from './vary-slowly'
import { runs } from '../../../runs'

/** Variations of random bases, with random changes, while the base goes on changing. */

const OWN = { id: 'own', name: 'Variation' }
const BELOW = { id: 'below', name: 'Of the variation' }

function edited(from: Layout, seed: number, count: number): Layout {
  const dice = diceOf(seed)
  let layout = from
  for (let i = 0; i < count; i++) {
    // Most of what is done can be done; some of it is any edit at all.
    const result = applyEdit(layout, dice.below(6) === 0 ? randomEdit(layout, dice) : likelyEdit(layout, dice))
    if (result.ok) layout = result.document
  }
  return layout
}
const baseOf = (seed: number) => edited(randomTree('base', diceOf(seed)), seed, 5)
const copyOf = (layout: Layout): Layout => JSON.parse(JSON.stringify(layout)) as Layout
const alike = (a: Layout, b: Layout) => expect(JSON.parse(JSON.stringify(a))).toEqual(JSON.parse(JSON.stringify(b)))

/** What a layout is called and what it is for is its own, and no change. */
function called({ about: _, ...layout }: Layout, name: string): Layout {
  return { ...layout, name }
}

/** A base, and what a variation of it says differently. */
function made(seed: number, changes = 12): { base: Layout; own: Layout; changes: Change[] } {
  const base = baseOf(seed)
  const root = vary(base, OWN, []).tree
  const own = called(edited(root, seed + 1, changes), OWN.name)
  return { base, own, changes: changesBetween(root, own) }
}
test('there is something to be said: things put, moved, gone, spans and values, and some of them wait', () => {
  const met = new Map<string, number>()
  for (let seed = 1; seed < 60; seed++) {
    const { base, changes } = made(seed * 7919, 20)
    const { waiting } = vary(edited(base, seed, 20), OWN, changes)
    for (const change of changes) met.set(change.kind, (met.get(change.kind) ?? 0) + 1)
    for (const change of waiting) met.set(`${change.kind} waits`, (met.get(`${change.kind} waits`) ?? 0) + 1)
  }
  for (const kind of ['put', 'move', 'gone', 'spans', 'set', 'put waits', 'move waits', 'gone waits', 'set waits'])
    expect([kind, (met.get(kind) ?? 0) > 10]).toEqual([kind, true])
})

const three = fc.tuple(seeds, fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 30 }))

test('what a variation says differently, over its base, is what it shows', () => {
  fc.assert(
    fc.property(three, ([seed, count]) => {
      const { base, own, changes } = made(seed, count)
      const { tree, waiting } = vary(base, OWN, changes)
      alike(tree, own)
      expect(waiting).toEqual([])
    }),
    { numRuns: runs(400) },
  )
})

test('where nothing is said, all is the base’s: the very same rows', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const base = baseOf(seed)
      const { tree, waiting } = vary(base, OWN, [])
      expect(tree.children).toBe(base.children)
      expect([tree.id, tree.name, waiting]).toEqual([OWN.id, OWN.name, []])
      expect(changesBetween(tree, tree)).toEqual([])
      expect(changesBetween(tree, copyOf(tree))).toEqual([])
    }),
    { numRuns: runs(60) },
  )
})

test('the base goes on changing: the variation stays a valid layout, and is what its slow twin makes of it', () => {
  fc.assert(
    fc.property(three, ([seed, count, later]) => {
      const { base, changes } = made(seed, count)
      const next = edited(base, seed + 2, later)
      const { tree, waiting } = vary(next, OWN, changes)
      expect(checkLayout(tree)).toEqual([])
      const slow = varySlowly(next, OWN, changes)
      alike(tree, slow.tree)
      expect(waiting).toEqual(slow.waiting)
    }),
    { numRuns: runs(400) },
  )
})

test('what no change names is as the base has it now, and what is said stays said', () => {
  fc.assert(
    fc.property(three, ([seed, count, later]) => {
      const { base, changes } = made(seed, count)
      const next = edited(base, seed + 2, later)
      const { tree, waiting } = vary(next, OWN, changes)
      const named = new Set(changes.map((c) => (c.kind === 'set' ? ('id' in c.edit ? c.edit.id : c.edit.box) : '')))
      for (const node of walk(tree)) {
        const before = find(next, node.id)?.node
        if (!before || named.has(node.id)) continue
        expect([node.props, node.styles, node.when, node.name]).toEqual([
          before.props,
          before.styles,
          before.when,
          before.name,
        ])
      }
      for (const change of changes) {
        if (
          change.kind !== 'set' ||
          waiting.includes(change) ||
          change.edit.kind !== 'setProperty' ||
          change.edit.within
        )
          continue
        const { id, property, value } = change.edit
        expect(find(tree, id)!.node.props[property]).toEqual(value)
      }
      for (const change of changes)
        if (change.kind === 'gone' && !waiting.includes(change)) expect(find(tree, change.id)).toBeNull()
    }),
    { numRuns: runs(200) },
  )
})

test('told apart anew after the base has changed, it shows the same; what waited is kept by whoever asks', () => {
  fc.assert(
    fc.property(three, ([seed, count, later]) => {
      const { base, changes } = made(seed, count)
      const next = edited(base, seed + 2, later)
      const { tree } = vary(next, OWN, changes)
      const anew = changesBetween(vary(next, OWN, []).tree, tree)
      alike(vary(next, OWN, anew).tree, tree)
    }),
    { numRuns: runs(200) },
  )
})

test('what waits applies again when the base is as it was', () => {
  fc.assert(
    fc.property(three, ([seed, count, later]) => {
      const { base, own, changes } = made(seed, count)
      vary(edited(base, seed + 2, later), OWN, changes)
      alike(vary(copyOf(base), OWN, changes).tree, own)
    }),
    { numRuns: runs(60) },
  )
})

test('at two levels: the lower one is valid whatever the base and the upper one do, and follows both', () => {
  fc.assert(
    fc.property(three, ([seed, count, later]) => {
      const { base, own, changes } = made(seed, count)
      const root = vary(own, BELOW, []).tree
      const lower = called(edited(root, seed + 3, count), BELOW.name)
      const below = changesBetween(root, lower)
      alike(vary(vary(base, OWN, changes).tree, BELOW, below).tree, lower)
      const next = edited(base, seed + 2, later)
      const upper = vary(next, OWN, changes).tree
      const { tree } = vary(upper, BELOW, below)
      expect(checkLayout(tree)).toEqual([])
      expect(vary(upper, BELOW, []).tree.children).toBe(upper.children)
      alike(tree, varySlowly(varySlowly(next, OWN, changes).tree, BELOW, below).tree)
    }),
    { numRuns: runs(150) },
  )
})
