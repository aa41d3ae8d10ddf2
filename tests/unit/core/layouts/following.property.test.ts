import fc from 'fast-check'
import { type LogRecord, EditSession } from '#core/edits'
import {
  type Edit,
  Trees,
  applyEdit,
  changeKey,
  checkLayout,
  layoutEditing,
  patchBetween,
  patched,
} from '#core/layouts'
import { type Change, type Layout, type LayoutDocument, type Variation, isVariation } from '#core/tree'
import { diceOf, randomEdit, seeds } from './random'
import { likelyEdit, randomTree } from './random-trees'
import { runs } from '../../../runs'

/** Variations edited as what they show: what is written down, what takes it back, and two levels of it. */

const followed = (id: string, base: string): Variation => ({
  kind: 'layout',
  format: 2,
  id,
  name: id,
  region: 'body',
  follows: { base, changes: [] },
})
const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Some layouts of which each follows the one before. */
class Shelf {
  readonly documents = new Map<string, LayoutDocument>()

  constructor(seed: number, levels: number) {
    this.documents.set('base', randomTree('base', diceOf(seed)))
    for (let i = 1; i <= levels; i++) this.documents.set(`v${i}`, followed(`v${i}`, i === 1 ? 'base' : `v${i - 1}`))
  }

  get trees(): Trees {
    return new Trees(this.documents.values())
  }

  readonly editing = layoutEditing(() => this.trees)

  tree(id: string): Layout {
    return this.trees.tree(id)!
  }

  edit(id: string, dice: ReturnType<typeof diceOf>): { before: LayoutDocument; inverse: Edit; edit: Edit } | null {
    const tree = this.tree(id)
    const edit = dice.below(6) === 0 ? randomEdit(tree, dice) : likelyEdit(tree, dice)
    return this.apply(id, edit)
  }

  apply(id: string, edit: Edit) {
    const before = this.documents.get(id)!
    const result = this.editing.apply(before, edit)
    if (!result.ok) return null
    this.documents.set(id, result.document)
    return { before, inverse: result.inverse, edit }
  }
}

const rounds = fc.record({ seed: seeds, steps: fc.array(fc.nat(2), { minLength: 1, maxLength: 25 }) })

test('what is edited is what is shown, and each edit is taken back exactly', () => {
  fc.assert(
    fc.property(rounds, ({ seed, steps }) => {
      const shelf = new Shelf(seed, 2)
      const dice = diceOf(seed + 1)
      for (const step of steps) {
        const id = ['base', 'v1', 'v2'][step]!
        const shown = shelf.tree(id)
        const { waiting } = shelf.trees.of(shelf.documents.get(id)!)
        const kept = copyOf(shelf.documents.get(id)!)
        const made = shelf.edit(id, dice)
        if (!made) continue
        const after = shelf.documents.get(id)!
        expect(checkLayout(copyOf(after))).toEqual([])
        // The base was not written to, and what is shown is what the edit made of what was shown.
        const alone = applyEdit(shown, made.edit)
        if (waiting.length === 0) expect(copyOf(shelf.tree(id))).toEqual(alone.ok && copyOf(alone.document))
        // Worked out anew from what is stored, it is the same.
        const stored = new Trees([...shelf.documents.values()].map(copyOf))
        expect(copyOf(stored.tree(id)!)).toEqual(copyOf(shelf.tree(id)))
        const back = shelf.editing.apply(after, copyOf(made.inverse))
        expect(back.ok && copyOf(back.document)).toEqual(kept)
      }
    }),
    { numRuns: runs(150), examples: [[{ seed: 2147483621, steps: [2, 2, 2, 0, 0, 0, 0, 2] }]] },
  )
})

test('with all taken back a variation says nothing of its own, whatever its base has come to meanwhile', () => {
  fc.assert(
    fc.property(rounds, ({ seed, steps }) => {
      const shelf = new Shelf(seed, 1)
      const dice = diceOf(seed + 2)
      const undo: Edit[] = []
      for (const step of steps) {
        const made = shelf.edit(step === 0 ? 'base' : 'v1', dice)
        if (made && step !== 0) undo.unshift(made.inverse)
      }
      for (const inverse of undo)
        if (inverse.kind === 'own' || inverse.kind === 'batch') shelf.apply('v1', copyOf(inverse))
      // What is inside a thing of its own went with it; its name is its own.
      const { follows } = shelf.documents.get('v1') as Variation
      expect(follows.changes).toEqual([])
      const rows = shelf.tree('base').children
      expect(shelf.tree('v1').children).toHaveLength(rows.length)
      shelf.tree('v1').children.forEach((row, i) => expect(row).toBe(rows[i]))
    }),
    { numRuns: runs(150) },
  )
})

test('a list of own changes becomes another by a patch, and the other way round', () => {
  const change = fc.constantFrom<Change>(
    ...[1, 2, 3, 4, 5, 6].flatMap((n): Change[] => [
      { kind: 'gone', id: `n${n}` },
      { kind: 'move', id: `n${n}`, parent: 'p', after: null },
      { kind: 'move', id: `n${n}`, parent: 'q', after: null },
    ]),
  )
  const list = fc.uniqueArray(change, { selector: changeKey, maxLength: 9 })
  fc.assert(
    fc.property(list, list, (before, after) => {
      const patch = patchBetween(before, after)
      expect(patch ? patched(before, patch) : before).toEqual(after)
      if (!patch) expect(before).toEqual(after)
    }),
    { numRuns: runs(1000) },
  )
})

test('following can be ended and taken up again: nothing that is shown changes by it', () => {
  fc.assert(
    fc.property(rounds, ({ seed, steps }) => {
      const shelf = new Shelf(seed, 1)
      const dice = diceOf(seed + 3)
      for (const step of steps) shelf.edit(step === 0 ? 'base' : 'v1', dice)
      const before = shelf.documents.get('v1')!
      const shown = copyOf(shelf.tree('v1'))
      const ended = shelf.apply('v1', { kind: 'standAlone' })!
      expect(isVariation(shelf.documents.get('v1')!)).toBe(false)
      expect(copyOf(shelf.documents.get('v1'))).toEqual(shown)
      shelf.apply('v1', copyOf(ended.inverse))
      expect(shelf.documents.get('v1')).toEqual(before)
      // With edits of both meanwhile, it follows again and still looks as it did.
      shelf.apply('v1', { kind: 'standAlone' })
      for (const step of steps) shelf.edit(step === 0 ? 'base' : 'v1', dice)
      const now = copyOf(shelf.tree('v1'))
      expect(shelf.apply('v1', copyOf(ended.inverse))).not.toBeNull()
      expect(isVariation(shelf.documents.get('v1')!)).toBe(true)
      expect(copyOf(shelf.tree('v1'))).toEqual(now)
    }),
    { numRuns: runs(80) },
  )
})

test('two windows on one variation while a third is on its base: every edit is there once, or set aside', () => {
  fc.assert(
    fc.property(fc.tuple(seeds, fc.array(fc.nat(3), { maxLength: 30 })), ([seed, steps]) => {
      const shelf = new Shelf(seed, 1)
      const dice = diceOf(seed + 4)
      const told = () => ({ document: shelf.documents.get('v1')!, revision: 1, log: [] })
      const windows = [0, 1].map(() => new EditSession<LayoutDocument, Edit>(shelf.editing, told()))
      const log: LogRecord<Edit>[] = []
      let made = 0
      let counted = 0
      /** Windows that have heard of another base, and take the document anew once nothing of theirs is on its way. */
      const stale = new Set<(typeof windows)[number]>()
      const refresh = () => {
        for (const window of stale)
          if (window.pending.length === 0) {
            window.begunAnew({ document: shelf.documents.get('v1')!, revision: log.length + 1, log }, [])
            stale.delete(window)
          }
      }
      const send = (window: (typeof windows)[number]) => {
        for (let next = window.nextToSend(); next; next = window.nextToSend()) {
          if (next.revision - 1 < log.length) {
            window.overtaken(log.length + 1, log.slice(next.revision - 1))
            continue
          }
          const [pending] = next.edits
          const result = shelf.editing.apply(shelf.documents.get('v1')!, pending!.edit)
          if (!result.ok) {
            window.refused(result.problem, [pending!])
            continue
          }
          shelf.documents.set('v1', result.document)
          log.push({ ...pending!, inverse: result.inverse, revision: log.length + 2, at: 0 })
          window.taken(log.length + 1, [log.at(-1)!])
        }
      }
      for (const step of steps) {
        if (step === 2) {
          shelf.edit('base', dice)
          windows.forEach((window) => stale.add(window))
          refresh()
        } else if (step === 3) {
          windows.forEach(send)
          refresh()
        } else {
          const window = windows[step]!
          const edit = likelyEdit(shelf.trees.of(window.document).tree, dice)
          const before = window.pending.length
          window.apply({ id: `e${++made}`, edit, does: 'edit' }, 0)
          counted += window.pending.length - before
        }
      }
      for (const window of [...windows, ...windows]) send(window)
      refresh()
      expect(log.length + windows.reduce((n, w) => n + w.unkept.length, 0)).toBe(counted)
      for (const window of windows) {
        if (window.revision - 1 < log.length) window.overtaken(log.length + 1, log.slice(window.revision - 1))
        expect(window.pending).toEqual([])
        expect(copyOf(shelf.trees.of(window.document).tree)).toEqual(copyOf(shelf.tree('v1')))
      }
    }),
    { numRuns: runs(80) },
  )
})
