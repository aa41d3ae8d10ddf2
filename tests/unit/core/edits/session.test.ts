import fc from 'fast-check'
import {
  EditSession,
  type LogRecord,
  type Pending,
  type PlainEdit,
  historyOf,
  markOf,
  plainEditing,
  spliceBetween,
  spliced,
} from '#core/edits'
import { type Edit, applyEdit } from '#core/layouts'
import { type Layout, find } from '#core/tree'
import { LAYOUT_EDITING, column, element, layout, row } from '../../../fixtures'

const LONG = 'A sentence about the tower clock. '.repeat(12)
const start = layout('root', 'body', row(column(12, element('heading', { text: LONG }, 'h'))))
const setText = (value: string): Edit => ({ kind: 'setProperty', id: 'h', property: 'text', value })
const edit = (id: string, made: Edit, run = id): Pending<Edit> => ({ id, edit: made, does: 'edit', run })
const begin = (unsent: Pending<Edit>[] = []) =>
  new EditSession<Layout, Edit>(LAYOUT_EDITING, { document: start, revision: 1, log: [] }, unsent)
const textIn = (document: Layout) => find(document, 'h')!.node.props.text

/** What the server would answer to all that is pending. */
function answer(session: EditSession<Layout, Edit>): void {
  const { revision, edits } = session.nextToSend()!
  session.taken(
    revision + edits.length,
    session.records.slice(-edits.length).map((r) => r),
  )
}

describe('a splice', () => {
  test('makes one text into the other, and no third', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), fc.string(), fc.string(), fc.string(), (a, b, c, d) => {
        const [before, after] = [a + b + d, a + c + d]
        const splice = spliceBetween(before, after)
        expect(spliced(before, splice)).toBe(after)
        if (c !== before) expect(spliced(c, splice)).toBeNull()
        expect(splice.put.length).toBeLessThanOrEqual(c.length)
      }),
    )
  })

  test('is marked by the text that it is for', () => {
    expect(markOf('clock')).not.toBe(markOf('clocl'))
    // A window of an older version sends such marks: the same text has the same one for good.
    expect(markOf('')).toBe('ztntfp-17wdrqx-0')
  })

  test('that leads to no value, or is for another text, is refused', () => {
    const at = { kind: 'spliceProperty', id: 'h', property: 'text', was: markOf(JSON.stringify(LONG)) } as const
    expect(applyEdit(start, { ...at, at: 0, drop: 1, put: '' })).toMatchObject({ problem: { code: 'edit-shape' } })
    const other = { ...at, was: markOf('"other"'), at: 1, drop: 1, put: '' }
    expect(applyEdit(start, other)).toMatchObject({ problem: { code: 'text-moved', status: 409 } })
    const gone = { ...at, property: 'nothing', at: 0, drop: 0, put: '"x"' }
    expect(applyEdit(start, gone)).toMatchObject({ ok: false })
  })
})

describe('a session', () => {
  test('sends what changed in a long text, and takes back a run in one step', () => {
    const session = begin()
    session.apply(edit('a', setText(`${LONG}x`)), 0)
    answer(session)
    session.apply(edit('b', setText(`${LONG}xy`), 'a'), 0)
    expect(JSON.stringify(session.nextToSend()).length).toBeLessThan(300)
    session.apply(edit('c', setText(`${LONG}xyz`), 'a'), 0)
    expect(session.pending).toHaveLength(2)
    expect(session.records.map((r) => r.inverse === null)).toEqual([false, true, true])
    const { undo } = historyOf(session.records)
    expect(undo).toHaveLength(1)
    session.apply({ id: 'u', edit: undo[0]!.edit, does: 'undo', of: undo[0]!.of }, 0)
    expect(session.document).toEqual(start)
    const again = historyOf(session.records).redo[0]!
    session.apply({ id: 'r', edit: again.edit, does: 'redo', of: again.of }, 0)
    expect(textIn(session.document)).toBe(`${LONG}xyz`)
  })

  test('writes over what was never sent of a run, so that many letters are one edit on its way', () => {
    const session = begin()
    for (let i = 1; i <= 50; i++) session.apply(edit(`e${i}`, setText(LONG + 'x'.repeat(i)), 'e1'), 0)
    expect(session.pending.map((p) => p.id)).toEqual(['e1'])
    expect(textIn(session.document)).toBe(LONG + 'x'.repeat(50))
    const sent = session.nextToSend()!
    session.apply(edit('later', setText(`${LONG}y`), 'e1'), 0)
    // What is on its way, or whose answer was lost, is never changed.
    expect(session.nextToSend()!.edits.map((e) => e.id)).toEqual(['e1', 'later'])
    expect(session.nextToSend()!.edits[0]).toEqual(sent.edits[0])
    const undo = historyOf(session.records).undo[0]!
    session.apply({ id: 'u', edit: undo.edit, does: 'undo', of: undo.of }, 0)
    expect(session.document).toEqual(start)
  })

  test('takes what also puts or takes away for no going on, whatever else it sets', () => {
    const { targets } = LAYOUT_EDITING
    const spans: Edit = { kind: 'setSpans', row: 'r', spans: [12] }
    expect(targets({ kind: 'batch', label: 'x', edits: [spans] })).toEqual(targets(spans))
    expect(targets({ kind: 'batch', label: 'x', edits: [{ kind: 'remove', id: 'h' }, spans] })).toEqual([])
  })

  test('keeps of a run what leads to its end, whatever the server has by then', () => {
    const session = begin()
    session.apply(edit('a', setText(`${LONG}x`)), 0)
    session.nextToSend()
    session.apply(edit('b', setText(`${LONG}xy`), 'a'), 0)
    expect(session.unsent).toEqual([edit('b', setText(`${LONG}xy`), 'a')])
    expect(textIn(begin(session.unsent).document)).toBe(`${LONG}xy`)
    const moved = { ...start, name: 'Other' }
    const after = new EditSession(LAYOUT_EDITING, { document: moved, revision: 5, log: [] }, session.unsent)
    expect(textIn(after.document)).toBe(`${LONG}xy`)
    expect(after.unkept).toEqual([])
  })

  test('says a text whole when the server does not know the one that it is told against', () => {
    const session = begin()
    session.apply(edit('a', setText(`${LONG}x`)), 0)
    session.refused({ code: 'text-moved', status: 409, sentence: '' } as never, session.nextToSend()!.edits)
    expect(session.unkept).toEqual([])
    expect(session.nextToSend()!.edits[0]!.edit).toEqual(setText(`${LONG}x`))
    session.refused({ code: 'edit-shape', status: 422, sentence: 'No.' } as never, session.nextToSend()!.edits)
    expect(session.unkept).toHaveLength(1)
    expect(session.document).toEqual(start)
  })

  test('tells what both hands have set, and only that', () => {
    const session = begin()
    session.apply(edit('a', setText('Mine')), 0)
    session.apply(edit('b', { kind: 'rename', id: 'h', name: 'Top' }), 0)
    const theirs = { ...edit('t', setText('Theirs')), inverse: setText(LONG), revision: 2, at: 0 }
    const other = { ...edit('o', { kind: 'rename', id: 'root', name: 'New' }), inverse: null, revision: 3, at: 0 }
    expect(session.overtaken(3, [theirs, other])).toBe(true)
    expect(session.contests).toEqual([{ mine: setText('Mine'), theirs: setText('Theirs') }])
    expect(textIn(session.document)).toBe('Mine')
    expect(session.document.name).toBe('New')
    // The same once more is the same question, about what they say now.
    const again = { ...edit('u', setText('Theirs again')), inverse: null, revision: 4, at: 0 }
    session.overtaken(4, [again])
    expect(session.contests).toEqual([{ mine: setText('Mine'), theirs: setText('Theirs again') }])
  })

  test('a text told by what changes holds over what somebody else wrote meanwhile', () => {
    const session = begin()
    session.apply(edit('a', setText(`${LONG}x`)), 0)
    expect(session.pending[0]!.edit.kind).toBe('spliceProperty')
    const theirs = { ...edit('t', setText('Theirs')), inverse: setText(LONG), revision: 2, at: 0 }
    session.overtaken(2, [theirs])
    expect(session.unkept).toEqual([])
    expect(textIn(session.document)).toBe(`${LONG}x`)
    expect(session.contests).toHaveLength(1)
  })
})

describe('what is put among others lands behind its neighbour, whatever came in between', () => {
  const words = (id: string) => element('heading', { text: id }, id)
  const start = layout('l', 'body', row(column(12, words('a'), words('b'), words('c'))))
  const box = start.children[0]!.children[0]!.id
  const insert = (id: string, index: number): Pending<Edit> => ({
    id: `put-${id}`,
    edit: { kind: 'insert', parent: box, index, node: words(id) },
    does: 'edit',
  })
  const session = (of = start) => new EditSession<Layout, Edit>(LAYOUT_EDITING, { document: of, revision: 1, log: [] })
  const order = (s: EditSession<Layout, Edit>) => s.document.children[0]!.children[0]!.children.map((c) => c.id)
  /** One window's edits, as the server takes them and tells them to another one. */
  const told = (s: EditSession<Layout, Edit>): LogRecord<Edit>[] => s.records.map((r, i) => ({ ...r, revision: 2 + i }))

  test('two windows put and move in one column', () => {
    const [mine, theirs] = [session(), session()]
    mine.apply(insert('mine', 2), 0)
    mine.apply({ id: 'move-a', edit: { kind: 'move', id: 'a', parent: box, index: 3 }, does: 'edit' }, 0)
    expect(order(mine)).toEqual(['b', 'mine', 'c', 'a'])
    theirs.apply(insert('first', 0), 0)
    theirs.apply(insert('second', 1), 0)
    mine.overtaken(3, told(theirs))
    expect([order(mine), mine.unkept]).toEqual([['first', 'second', 'b', 'mine', 'c', 'a'], []])
  })

  test('a column that others have emptied meanwhile takes it all the same', () => {
    const [mine, theirs] = [session(), session()]
    mine.apply(insert('mine', 3), 0)
    for (const id of ['b', 'c']) theirs.apply({ id: `gone-${id}`, edit: { kind: 'remove', id }, does: 'edit' }, 0)
    mine.overtaken(3, told(theirs))
    expect([order(mine), mine.unkept]).toEqual([['a', 'mine'], []])
  })

  test('several steps at once, each behind what the one before has put', () => {
    const [mine, theirs] = [session(), session()]
    const edits = [insert('x', 1).edit, insert('y', 2).edit, { kind: 'move', id: 'c', parent: box, index: 0 } as const]
    mine.apply({ id: 'all', edit: { kind: 'batch', label: 'put', edits }, does: 'edit' }, 0)
    expect(order(mine)).toEqual(['c', 'a', 'x', 'y', 'b'])
    theirs.apply(insert('first', 0), 0)
    mine.overtaken(2, told(theirs))
    expect([order(mine), mine.unkept]).toEqual([['c', 'first', 'a', 'x', 'y', 'b'], []])
  })

  test('items of a list, and of a plain document', () => {
    const editing = plainEditing<{ items: { id: string }[] }>(() => null)
    const begin = () =>
      new EditSession(editing, { document: { items: [{ id: 'a' }, { id: 'b' }] }, revision: 1, log: [] })
    const [mine, theirs] = [begin(), begin()]
    const put = (id: string, index: number): Pending<PlainEdit> => ({
      id,
      edit: { kind: 'insert', at: ['items'], index, item: { id } },
      does: 'edit',
    })
    mine.apply(put('mine', 2), 0)
    theirs.apply(put('first', 0), 0)
    theirs.apply({ id: 'gone', edit: { kind: 'remove', at: ['items'], id: 'a' }, does: 'edit' }, 0)
    mine.overtaken(
      3,
      theirs.records.map((r, i) => ({ ...r, revision: 2 + i })),
    )
    expect(mine.document.items.map((i) => i.id)).toEqual(['first', 'b', 'mine'])
  })
})
