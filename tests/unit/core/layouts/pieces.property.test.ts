import fc from 'fast-check'
import { propertiesOf } from '#core/elements'
import { type Edit, Trees, applyEdit, checkLayout, isPlace, layoutEditing, placesIn, settingKey } from '#core/layouts'
import { newPlace, ownPiece, share } from '#core/editor'
import { type Fill, type Layout, type TreeNode, elementsOf, walk } from '#core/tree'
import { type Dice, diceOf, seeds } from './random'
import { likelyEdit, randomTree } from './random-trees'
import { writeOutSlowly } from './write-out-slowly'

/** Random layouts with pieces, pieces in pieces, and what places say, while the pieces go on changing. */

let made = 0
const newId = () => `p${++made}`
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
const alike = (a: unknown, b: unknown) => expect(plain(a)).toEqual(plain(b))

/** Something with a value that can be open. */
const openable = (layout: Layout): TreeNode[] => elementsOf(layout).filter((e) => e.type === 'heading')

/** A piece: what may not stand in one is not in it. */
function somePiece(id: string, dice: Dice): Layout {
  const tree = randomTree(id, dice)
  const kept = (node: TreeNode): boolean => node.kind !== 'element' || node.type !== 'entry-content'
  const without = <N extends Layout | TreeNode>(node: N): N =>
    node.children
      ? { ...node, children: (node.children as TreeNode[]).filter(kept).map((child) => without(child)) }
      : node
  const rows = without(tree).children
  // Some are rows, some are single elements.
  const [element] = elementsOf({ ...tree, children: rows })
  const alone = element && dice.below(3) === 0
  const children = alone
    ? [{ ...rows[0]!, children: [{ ...rows[0]!.children[0]!, span: 12, children: [element] }] }]
    : rows
  return { ...tree, region: 'piece', children }
}

/** What a place says of something that is drawn of its piece. */
function someFill(drawn: Layout, dice: Dice): Fill | null {
  const headings = elementsOf(drawn).filter((e) => e.type === 'heading')
  const node = dice.pick(headings.length > 0 && dice.yes() ? headings : elementsOf(drawn))
  if (!node) return null
  if (dice.yes()) return { kind: 'setStyle', id: node.id, property: 'paddingTop', step: 'wide', value: dice.below(90) }
  if (!propertiesOf(node).text || node.type !== 'heading') return null
  return { kind: 'setProperty', id: node.id, property: 'text', value: `Said here ${dice.below(100)}` }
}

/** Places pieces in a layout, and has places say things themselves. */
function withPlaces(layout: Layout, pieces: readonly Layout[], dice: Dice): Layout {
  let now = layout
  const trees = new Trees([...pieces, layout])
  /** A fill may not suit its piece, and is refused; all else is as the product writes it, and is taken. */
  const apply = (edit: Edit, mayBeRefused = false) => {
    const result = applyEdit(now, edit)
    if (result.ok) now = result.document
    else if (!mayBeRefused) throw new Error(`refused: ${result.problem.sentence}`)
  }
  for (let i = 1 + dice.below(4); i > 0; i--) {
    const piece = dice.pick(pieces)
    const columns = [...walk(now)].filter((n) => n.kind === 'column')
    const parent = dice.pick(columns)
    if (!piece || !parent) continue
    const place = newPlace(piece.id, newId)
    apply({ kind: 'insert', parent: parent.id, index: 0, node: place })
    if (dice.below(4) === 0) apply({ kind: 'setWhen', id: place.id, when: [{ kind: 'signed-in', yes: true }] })
    for (let f = dice.below(4); f > 0; f--) {
      const fill = someFill(trees.of(piece).tree, dice)
      if (fill) apply({ kind: 'setFill', id: place.id, fill }, true)
    }
  }
  return now
}

function open(layout: Layout, dice: Dice): Layout {
  let now = layout
  for (const node of openable(layout)) {
    if (!dice.yes()) continue
    const result = applyEdit(now, { kind: 'setOpen', id: node.id, property: 'text', open: true })
    if (result.ok) now = result.document
  }
  return now
}

/** Two pieces, the second with the first in it, and a layout that shows both. */
function world(seed: number): { inner: Layout; outer: Layout; layout: Layout } {
  const dice = diceOf(seed)
  const inner = open(somePiece('inner', dice), dice)
  const outer = open(withPlaces(somePiece('outer', dice), [inner], dice), dice)
  const layout = withPlaces(randomTree('layout', dice), [inner, outer], dice)
  return { inner, outer, layout }
}

const all = ({ inner, outer, layout }: ReturnType<typeof world>) => [inner, outer, layout]

test('there is something to be written out: places in rows and columns, in pieces, with things said and waiting', () => {
  const met = { places: 0, paths: 0, said: 0, waiting: 0, whole: 0 }
  for (let seed = 1; seed < 60; seed++) {
    const w = world(seed * 7919)
    const { tree, places } = new Trees(all(w)).of(w.layout)
    met.places += placesIn(w.layout).length
    met.paths += [...walk(tree)].filter((n) => n.id.split('.').length > 2).length
    met.said += placesIn(w.layout).reduce((n, p) => n + (p.fills?.length ?? 0), 0)
    met.waiting += places.reduce((n, p) => n + p.waiting.length, 0)
    met.whole += places.length === 0 ? 1 : 0
  }
  for (const [name, count] of Object.entries(met)) expect([name, count > 10]).toEqual([name, true])
})

test('pieces drawn in place equal the same tree written out', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const w = world(seed)
      alike(new Trees(all(w)).tree('layout'), writeOutSlowly(all(w), 'layout'))
    }),
  )
})

test('after edits of a piece they still do, and what holds no place of it is the very same', () => {
  fc.assert(
    fc.property(seeds, fc.integer({ min: 1, max: 10 }), (seed, count) => {
      const w = world(seed)
      const dice = diceOf(seed + 1)
      const before = new Trees(all(w)).tree('layout')!
      const edits = layoutEditing(() => new Trees(all(w)))
      for (let i = 0; i < count; i++) {
        const result = edits.apply(w.inner, likelyEdit(w.inner, dice))
        if (result.ok) w.inner = result.document as Layout
      }
      const after = new Trees(all(w)).tree('layout')!
      alike(after, writeOutSlowly(all(w), 'layout'))
      const known = new Set<TreeNode>(walk(before))
      const onTheWay = (node: TreeNode): boolean => isPlace(node) || (node.children ?? []).some(onTheWay)
      const others = [...walk(w.layout)].filter((n) => !onTheWay(n)).map((n) => n.id)
      for (const node of walk(after)) if (others.includes(node.id)) expect(known.has(node)).toBe(true)
    }),
  )
})

test('what a place says is taken back by one edit, and keeps no order of its own', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const w = world(seed)
      const dice = diceOf(seed + 2)
      const [place] = placesIn(w.layout)
      const fills = [1, 2, 3].flatMap(() => someFill(w.inner, dice) ?? [])
      if (!place) return
      const edits = fills.map((fill): Edit => ({ kind: 'setFill', id: place.id, fill }))
      const apply = (layout: Layout, edit: Edit) => {
        const result = applyEdit(layout, edit)
        if (!result.ok) throw new Error(result.problem.sentence)
        return result
      }
      let now = w.layout
      const inverses: Edit[] = []
      for (const edit of edits) {
        const { document, inverse } = apply(now, edit)
        now = document
        inverses.unshift(inverse)
      }
      for (const inverse of inverses) now = apply(now, inverse).document
      alike(now, w.layout)
    }),
  )
})

test('what two windows say at one place comes to the same in either order', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const w = world(seed)
      const dice = diceOf(seed + 3)
      const [place] = placesIn(w.layout)
      const [a, b] = [someFill(w.inner, dice), someFill(w.outer, dice)]
      if (!place || !a || !b) return
      const say = (layout: Layout, fill: Fill) => {
        const result = applyEdit(layout, { kind: 'setFill', id: place.id, fill })
        if (!result.ok) throw new Error(result.problem.sentence)
        return result.document
      }
      const same = settingKey(a) === settingKey(b)
      if (!same) alike(say(say(w.layout, a), b), say(say(w.layout, b), a))
    }),
  )
})

test('what is shared is drawn as it was, and so is what is made the layout’s own again', () => {
  const sameLooks = (a: Layout, b: Layout) => {
    const strip = (node: TreeNode | Layout): unknown => {
      const { id: _, children, ...rest } = node as TreeNode
      return { ...rest, children: (children as TreeNode[] | undefined)?.map(strip) }
    }
    alike(a.children.map(strip), b.children.map(strip))
  }
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      const layout = randomTree('layout', dice)
      const may = [...walk(layout)].filter(
        (n) => n.kind === 'row' || (n.kind === 'element' && n.type !== 'entry-content'),
      )
      if (may.length === 0) return
      const shared = share(layout, dice.pick(may)!.id, { id: 'new', name: 'New' }, newId)!
      if (checkLayout(shared.piece).length > 0) return
      const result = applyEdit(layout, shared.edit)
      if (!result.ok) return
      const trees = new Trees([shared.piece, result.document])
      sameLooks(trees.tree('layout')!, layout)
      const again = ownPiece(trees, result.document, shared.place, newId)!
      const back = applyEdit(result.document, again.edit)
      expect(back.ok).toBe(true)
      if (back.ok) sameLooks(back.document, layout)
    }),
  )
})
