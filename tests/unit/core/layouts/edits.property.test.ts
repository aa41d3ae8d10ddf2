import { LAYOUT_EDITING } from '../../../fixtures'
import fc from 'fast-check'
import { type LogRecord, historyOf, rebase } from '#core/edits'
import { type Edit, applyEdit, checkLayout } from '#core/layouts'
import { type Layout, emptyLayout } from '#core/tree'
import { diceOf, randomEdit, seeds } from './random'
import { runs } from '../../../runs'

const start = () => emptyLayout('root', 'Header', 'body')

/** Applies `count` random edits; gives every document on the way and the inverses of those that were taken. */
function spree(
  seed: number,
  count: number,
  from: Layout = start(),
): { documents: Layout[]; edits: Edit[]; inverses: Edit[] } {
  const dice = diceOf(seed)
  const documents = [from]
  const edits: Edit[] = []
  const inverses: Edit[] = []
  for (let i = 0; i < count; i++) {
    const edit = randomEdit(documents.at(-1)!, dice)
    const result = applyEdit(documents.at(-1)!, edit)
    if (!result.ok || result.document === documents.at(-1)) continue
    documents.push(result.document)
    edits.push(edit)
    inverses.push(result.inverse)
  }
  return { documents, edits, inverses }
}

describe('random edits', () => {
  test('every document on the way is valid', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        for (const document of spree(seed, 60).documents) expect(checkLayout(document)).toEqual([])
      }),
      { numRuns: runs(120) },
    )
  })

  test('undone in turn, they give back the very same document', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { documents, inverses } = spree(seed, 60)
        let current = documents.at(-1)!
        for (const [i, inverse] of [...inverses.entries()].reverse()) {
          const result = applyEdit(current, inverse)
          if (!result.ok) throw new Error(result.problem.sentence)
          current = result.document
          expect(current).toEqual(documents[i])
        }
      }),
      { numRuns: runs(120) },
    )
  })

  test('sent as JSON and applied elsewhere, they give the same document', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { documents, edits } = spree(seed, 40)
        let there = start()
        for (const edit of JSON.parse(JSON.stringify(edits)) as Edit[]) {
          const result = applyEdit(there, edit)
          if (!result.ok) throw new Error(result.problem.sentence)
          there = result.document
        }
        expect(there).toEqual(documents.at(-1))
      }),
      { numRuns: runs(80) },
    )
  })

  test('a refused edit leaves the document as it was', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { documents } = spree(seed, 30)
        const before = documents.at(-1)!
        const copy = structuredClone(before)
        const dice = diceOf(seed ^ 77)
        for (let i = 0; i < 20; i++) applyEdit(before, randomEdit(before, dice))
        expect(before).toEqual(copy)
      }),
      { numRuns: runs(60) },
    )
  })

  test('the history read from the log undoes everything and does it again', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { documents, edits, inverses } = spree(seed, 40)
        const log: LogRecord<Edit>[] = edits.map((edit, i) => ({
          revision: i + 2,
          id: `x${i}`,
          edit,
          inverse: inverses[i]!,
          does: 'edit',
          at: i * 700,
        }))
        let current = documents.at(-1)!
        const play = (does: 'undo' | 'redo') => {
          for (;;) {
            const step = historyOf(log)[does].at(-1)
            if (!step) return
            const result = applyEdit(current, step.edit)
            if (!result.ok) throw new Error(result.problem.sentence)
            current = result.document
            log.push({
              revision: log.length + 2,
              id: `y${log.length}`,
              edit: step.edit,
              inverse: result.inverse,
              does,
              of: step.of,
              at: 1e6 + log.length * 5000,
            })
          }
        }
        play('undo')
        expect(current).toEqual(start())
        play('redo')
        expect(current).toEqual(documents.at(-1))
      }),
      { numRuns: runs(60) },
    )
  })

  test('two hands at once: what still applies is kept, the rest is given back, and the document stays valid', () => {
    fc.assert(
      fc.property(seeds, seeds, seeds, (a, b, c) => {
        const base = spree(a, 30).documents.at(-1)!
        const pending = (seed: number, name: string) =>
          spree(seed, 12, base).edits.map((edit, i) => ({ id: `${name}${i}`, edit, does: 'edit' as const }))
        const mine = pending(b, 'mine')
        const theirs = pending(c, 'theirs')
        const result = rebase(LAYOUT_EDITING, base, theirs, mine)
        expect(checkLayout(result.document)).toEqual([])
        expect(result.pending.length + result.aside.length).toBe(mine.length)
        expect(rebase(LAYOUT_EDITING, base, [...theirs, ...mine], mine).pending).toEqual([])
      }),
      { numRuns: runs(80) },
    )
  })
})
