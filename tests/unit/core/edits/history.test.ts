import { type LogRecord, historyOf } from '#core/edits'
import { type Edit, applyEdit, describeEdit } from '#core/layouts'
import { LAYOUT_EDITING, column, element, layout, row } from '../../../fixtures'

const text = (value: string): Edit => ({ kind: 'setProperty', id: 'h', property: 'text', value })
const record = (
  revision: number,
  edit: Edit,
  inverse: Edit | null,
  at: number,
  more: Partial<LogRecord<Edit>> = {},
): LogRecord<Edit> => ({
  revision,
  id: `x${revision}`,
  edit,
  inverse,
  does: 'edit',
  at,
  ...more,
})

describe('historyOf', () => {
  test('typing in one go is one step, taken back as a whole', () => {
    const log = [
      record(2, text('A'), text(''), 0, { run: 'x2' }),
      // However long the run and whatever the clocks say: its first inverse is all that is kept.
      record(3, text('AB'), null, 90_000, { run: 'x2' }),
      record(4, text('ABC'), null, 5, { run: 'x2' }),
    ]
    const { undo } = historyOf(log)
    expect(undo).toEqual([{ of: 2, edit: text(''), label: text('ABC') }])
    const root = layout('root', 'body', row(column(12, element('heading', { text: 'ABC' }, 'h'))))
    const result = applyEdit(root, undo[0]!.edit)
    expect(result.ok && JSON.stringify(result.document)).toContain('"text":""')
  })

  test('after a pause, or elsewhere, a new step begins', () => {
    const next = (run?: string) => record(3, text('AB'), text('A'), 1, { run })
    expect(historyOf([record(2, text('A'), text(''), 0, { run: 'x2' }), next('x3')]).undo).toHaveLength(2)
    expect(historyOf([record(2, text('A'), text(''), 0), next()]).undo).toHaveLength(2)
    const other: Edit = { kind: 'setProperty', id: 'other', property: 'text', value: 'x' }
    const { targets } = LAYOUT_EDITING
    expect(targets(text('A'))).toEqual(targets(text('B')))
    expect(targets(text('A'))).not.toEqual(targets(other))
    expect(targets({ kind: 'remove', id: 'h' })).toEqual([])
  })

  test('a new edit after an undo leaves nothing to redo', () => {
    const log = [record(2, text('A'), text(''), 0), record(3, text(''), text('A'), 5000, { does: 'undo', of: 2 })]
    expect(historyOf(log)).toMatchObject({ undo: [], redo: [{ of: 2, edit: text('A') }] })
    expect(historyOf([...log, record(4, text('B'), text(''), 9000)])).toMatchObject({ redo: [] })
  })
})

test('edits are described in words', () => {
  const root = layout('root', 'body', row(column(12, element('heading', {}, 'h'))))
  expect(describeEdit(text('x'), root)).toBe('Text of Heading')
  expect(describeEdit({ kind: 'setStyle', id: 'h', property: 'size', step: 'wide', value: 3 }, root)).toBe(
    'Size of Heading',
  )
  expect(describeEdit({ kind: 'setDefault', of: 'row', property: 'gap', step: 'wide', value: 3 }, root)).toBe(
    'Gap of every row',
  )
  expect(describeEdit({ kind: 'remove', id: 'gone' }, root)).toBe('remove something')
  expect(describeEdit({ kind: 'insert', parent: 'root', index: 0, node: row(column(12)) }, root)).toBe('add row')
  expect(describeEdit({ kind: 'setSpans', row: 'r', spans: [4, 8] }, root)).toBe('spans 4 + 8')
  expect(describeEdit({ kind: 'batch', label: 'step', edits: [text('x'), text('y')] }, root)).toBe('Text of Heading')
  expect(describeEdit({ kind: 'move', id: 'h', parent: 'x', index: 0 }, root)).toBe('move Heading')
  expect(describeEdit({ kind: 'rename', id: 'root', name: 'x' }, root)).toBe('rename the layout')
})
