import fc from 'fast-check'
import { EditSession, type PlainEdit, plainEditing, rebase, refusePlainEdit } from '#core/edits'
import { problem } from '#core/problems'
import { exact, list, numeric, refuse, text } from '#core/shape'
import { HOUSE_EDITING, PLAIN_HOUSE } from '#core/styles'
import { runs } from '../../../runs'

/** A document of the plain kind: values, a record, and a list of records with ids. */
interface Shelf {
  name: string
  size: { width: number; height: number }
  steps: number[]
  books: { id: string; title: string }[]
}

const shelfShape = exact({
  name: text(20),
  size: exact({ width: numeric(0, 100), height: numeric(0, 100) }),
  steps: list(numeric(0, 100), 3),
  books: list(exact({ id: text(8), title: text(20) }), 6),
})
const SHELF = plainEditing<Shelf>((shelf) => {
  const why = refuse(shelfShape, shelf)
  return why === null ? null : problem('house-shape', { why })
})
const start: Shelf = {
  name: 'Oak',
  size: { width: 10, height: 20 },
  steps: [1, 2, 3],
  books: [
    { id: 'a', title: 'Clocks' },
    { id: 'b', title: 'Bells' },
  ],
}

const id = fc.constantFrom('a', 'b', 'c', 'd', '0', '__proto__', 'constructor')
const place = fc.oneof(
  fc.constantFrom(['name'], ['size', 'width'], ['steps', '1'], ['steps', '9'], ['size'], ['books'], []),
  id.map((i) => ['books', i, 'title']),
  id.map((i) => [i]),
)
const value = fc.oneof(fc.constantFrom('x', '', null, 3, 500, [], {}), fc.string({ maxLength: 25 }))
const single: fc.Arbitrary<PlainEdit> = fc.oneof(
  fc.record({ kind: fc.constant('set' as const), at: place, value }),
  fc.record({ kind: fc.constant('set' as const), at: place, unset: fc.constant(true as const) }),
  fc.record({
    kind: fc.constant('insert' as const),
    at: fc.constant(['books']),
    index: fc.nat(4),
    item: fc.record({ id, title: fc.string({ maxLength: 6 }) }),
  }),
  fc.record({ kind: fc.constant('remove' as const), at: fc.constant(['books']), id }),
  fc.record({ kind: fc.constant('move' as const), at: fc.constant(['books']), id, index: fc.nat(4) }),
)
const edit: fc.Arbitrary<PlainEdit> = fc.oneof(
  { weight: 5, arbitrary: single },
  {
    weight: 1,
    arbitrary: fc.array(single, { maxLength: 3 }).map((edits) => ({ kind: 'batch' as const, label: 'x', edits })),
  },
)

test('random edits: each result is valid, none changes what it was given, and all of them undone give back the same', () => {
  let applied = 0
  fc.assert(
    fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
      const before = JSON.stringify(start)
      let document = start
      const inverses: PlainEdit[] = []
      for (const e of edits) {
        const result = SHELF.apply(document, e)
        if (!result.ok) continue
        expect(refuse(shelfShape, result.document)).toBeNull()
        if (result.document !== document) applied++
        document = result.document
        inverses.unshift(result.inverse)
      }
      for (const inverse of inverses) {
        expect(refusePlainEdit(inverse)).toBeNull()
        const result = SHELF.applyJudged(document, inverse)
        expect(result.ok).toBe(true)
        if (result.ok) document = result.document
      }
      expect(document).toEqual(start)
      expect(JSON.stringify(start)).toBe(before)
      expect(({} as { polluted?: unknown }).polluted).toBeUndefined()
    }),
    { numRuns: runs(500) },
  )
  expect(applied).toBeGreaterThan(60)
})

test('edits of different places merge, whoever comes first', () => {
  const mine: PlainEdit = { kind: 'set', at: ['books', 'b', 'title'], value: 'Chimes' }
  const theirs: PlainEdit = { kind: 'insert', at: ['books'], index: 0, item: { id: 'c', title: 'New' } as never }
  const of = (name: string, e: PlainEdit) => ({ id: name, edit: e, does: 'edit' as const })
  const one = rebase(SHELF, start, [of('t', theirs)], [of('m', mine)]).document
  const other = rebase(SHELF, start, [of('m', mine)], [of('t', theirs)]).document
  expect(one).toEqual(other)
  expect(one.books.map((b) => b.title)).toEqual(['New', 'Clocks', 'Chimes'])
})

test('what one sets in something that the other removed is set aside with the reason', () => {
  const session = new EditSession(SHELF, { document: start, revision: 1, log: [] })
  session.apply({ id: 'm', edit: { kind: 'set', at: ['books', 'b', 'title'], value: 'Chimes' }, does: 'edit' }, 0)
  const gone: PlainEdit = { kind: 'remove', at: ['books'], id: 'b' }
  const inverse: PlainEdit = { kind: 'insert', at: ['books'], index: 1, item: start.books[1]! }
  session.overtaken(2, [{ id: 't', edit: gone, inverse, does: 'edit', revision: 2, at: 0 }])
  expect(session.document.books).toHaveLength(1)
  expect(session.pending).toEqual([])
  expect(session.unkept).toMatchObject([{ problem: { sentence: expect.stringContaining('books, b, title') } }])
})

test.each<[string, unknown]>([
  ['nothing', null],
  ['an unknown kind', { kind: 'constructor' }],
  ['a place that is a text', { kind: 'set', at: 'name', value: 'x' }],
  ['a value with unset', { kind: 'set', at: ['name'], value: 'x', unset: true }],
  ['no value', { kind: 'set', at: ['name'] }],
  ['an item without an id', { kind: 'insert', at: ['books'], index: 0, item: { title: 'x' } }],
  [
    'too deep a batch',
    {
      kind: 'batch',
      label: '',
      edits: [
        {
          kind: 'batch',
          label: '',
          edits: [{ kind: 'batch', label: '', edits: [{ kind: 'batch', label: '', edits: [] }] }],
        },
      ],
    },
  ],
])('refuses %s', (_, e) => {
  expect(refusePlainEdit(e)).not.toBeNull()
  expect(SHELF.apply(start, e as PlainEdit).ok).toBe(false)
})

test('the house style is edited like any document, and stays one that can be drawn', () => {
  const set = (at: string[], to: unknown) => HOUSE_EDITING.apply(PLAIN_HOUSE, { kind: 'set', at, value: to })
  expect(set(['palette', 'ink', 'value'], '#000000')).toMatchObject({ ok: true, inverse: { value: '#1f2328' } })
  expect(set(['scale', 'byHand', 'h1'], 44)).toMatchObject({ ok: true, document: { scale: { byHand: { h1: 44 } } } })
  for (const [at, to] of [
    [['palette', 'ink', 'value'], 'red;}body{'],
    [['palette', 'ink'], null],
    [['scale', 'byHand', 'h1'], 5],
    [['extra'], 1],
    [['links', '__proto__'], {}],
    [[], {}],
  ] as [string[], unknown][])
    expect(set(at, to).ok).toBe(false)
  expect(HOUSE_EDITING.apply(PLAIN_HOUSE, { kind: 'set', at: ['textSize'], value: 17 })).toMatchObject({
    ok: true,
    document: PLAIN_HOUSE,
  })
})
