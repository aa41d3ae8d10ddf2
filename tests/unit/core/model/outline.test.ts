import fc from 'fast-check'
import {
  type OutlineLine,
  type Nudge,
  type OutlinePosition,
  branchLength,
  dropped,
  linesOf,
  nudged,
  spotOf,
} from '#core/model'

interface Item {
  id: string
  parent: string | null
}

const MOST = 4
/** Random trees of up to four levels: each item stands below one before it, or at the top. */
const trees = fc.array(fc.nat(), { maxLength: 14 }).map((picks) => {
  const items: (Item & { depth: number })[] = []
  for (const [i, pick] of picks.entries()) {
    const above = items[pick % (items.length + 1)]
    const parent = above && above.depth < MOST - 1 ? above : null
    items.push({ id: `i${i}`, parent: parent?.id ?? null, depth: parent ? parent.depth + 1 : 0 })
  }
  return items.map(({ id, parent }): Item => ({ id, parent }))
})

/** A slow twin: takes an item out of the tree and puts it, with all below it, at the spot. */
function placed(items: readonly Item[], id: string, { parent, index }: OutlinePosition): Item[] {
  const others = items.filter((i) => i.id !== id)
  const like = others.filter((i) => i.parent === parent)
  const before = like[index]
  const at = before ? others.indexOf(before) : others.length
  return [...others.slice(0, at), { id, parent }, ...others.slice(at)]
}

const deepest = (lines: readonly OutlineLine[]) => Math.max(0, ...lines.map((l) => l.depth + 1))

test('lines hold every item once, each behind its parent and one deeper', () => {
  fc.assert(
    fc.property(trees, (items) => {
      const lines = linesOf(items)
      expect(lines.map((l) => l.id).sort()).toEqual(items.map((i) => i.id).sort())
      for (const [i, { parent, depth }] of lines.entries()) {
        const above = lines.slice(0, i).findLast((l) => l.depth === depth - 1)
        expect(above?.id ?? null).toBe(parent)
      }
    }),
  )
})

test('what stands below itself, or below what is gone, is no reason to fail', () => {
  expect(linesOf([{ id: 'a', parent: 'gone' }])).toEqual([{ id: 'a', parent: null, depth: 0 }])
  expect(
    linesOf([
      { id: 'a', parent: 'b' },
      { id: 'b', parent: 'a' },
    ]),
  ).toEqual([])
})

test('every nudge gives a tree of the same items, no deeper than may be, and up and down undo each other', () => {
  const nudge = fc.constantFrom<Nudge>('up', 'down', 'in', 'out')
  fc.assert(
    fc.property(trees, fc.nat(), nudge, (items, pick, way) => {
      if (items.length === 0) return
      const { id } = items[pick % items.length]!
      const lines = linesOf(items)
      const spot = nudged(lines, id, way, MOST)
      if (!spot) return
      const after = linesOf(placed(items, id, spot))
      expect(after).toHaveLength(items.length)
      expect(spotOf(after, id)).toEqual(spot)
      expect(deepest(after)).toBeLessThanOrEqual(Math.max(MOST, deepest(lines)))
      const back = { up: 'down', down: 'up' }[way as 'up' | 'down'] as Nudge | undefined
      if (back) expect(nudged(after, id, back, MOST)).toEqual(spotOf(lines, id))
    }),
  )
})

test('what is dropped stands at the line it was dropped on, with all below it', () => {
  fc.assert(
    fc.property(trees, fc.nat(), fc.nat({ max: 14 }), fc.nat({ max: 5 }), (items, pick, to, depth) => {
      if (items.length === 0) return
      const lines = linesOf(items)
      const { id } = items[pick % items.length]!
      const from = lines.findIndex((l) => l.id === id)
      const length = branchLength(lines, from)
      const line = to % (lines.length + 1)
      const spot = dropped(lines, id, line, depth, MOST)
      if (line > from && line < from + length) return expect(spot).toBeNull()
      if (!spot) return
      const after = linesOf(placed(items, id, spot))
      const at = after.findIndex((l) => l.id === id)
      expect(at).toBe(line > from ? line - length : line)
      expect(after.slice(at, at + length).map((l) => l.id)).toEqual(lines.slice(from, from + length).map((l) => l.id))
      expect(deepest(after)).toBeLessThanOrEqual(MOST)
    }),
  )
})
