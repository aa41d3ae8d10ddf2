import { LAYOUT_EDITING } from '../../../fixtures'
import fc from 'fast-check'
import { type LogRecord, documentBefore, historyOf, stepsDone } from '#core/edits'
import { type Edit, applyEdit } from '#core/layouts'
import { type Layout, emptyLayout } from '#core/tree'
import { diceOf, randomEdit, seeds } from '../layouts/random'
import { runs } from '../../../runs'

const record = (revision: number, more: Partial<LogRecord<Edit>> = {}): LogRecord<Edit> => ({
  revision,
  id: `x${revision}`,
  edit: { kind: 'rename', id: 'L', name: `${revision}` },
  inverse: { kind: 'rename', id: 'L', name: `${revision - 1}` },
  does: 'edit',
  at: revision,
  ...more,
})

test('a run is one thing done, taken back by its first inverse; what stands before an unknown beginning is left out', () => {
  const log = [
    record(1, { inverse: null, run: 'old' }),
    record(2),
    record(3, { run: 'r' }),
    record(4, { run: 'r', inverse: null }),
  ]
  expect(stepsDone(log)).toMatchObject([
    { revision: 2 },
    { revision: 4, edit: { name: '4' }, inverse: { name: '2' }, at: 4 },
  ])
})

test('any log leads back to every state it went through', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      const states: Layout[] = [emptyLayout('L', 'Random', 'body')]
      const log: LogRecord<Edit>[] = []
      for (let i = 0; i < 25; i++) {
        const edit = randomEdit(states.at(-1)!, dice)
        const result = applyEdit(states.at(-1)!, edit)
        if (!result.ok || result.document === states.at(-1)) continue
        states.push(result.document)
        log.push(record(log.length + 1, { edit, inverse: result.inverse }))
      }
      const steps = stepsDone(log)
      for (let back = 0; back <= steps.length; back++)
        expect(documentBefore(LAYOUT_EDITING, states.at(-1)!, steps, back)).toEqual(states[states.length - 1 - back])
    }),
    { numRuns: runs(80) },
  )
})

test('each takes back what is theirs; what nobody is named for is anybody’s', () => {
  const log = [record(1, { by: 'Ada' }), record(2, { by: 'Orla' }), record(3)]
  expect(historyOf(log, 'Ada').undo.map((s) => s.of)).toEqual([1, 3])
  expect(historyOf(log, 'Orla').undo.map((s) => s.of)).toEqual([2, 3])
  expect(historyOf(log).undo).toHaveLength(3)
})
