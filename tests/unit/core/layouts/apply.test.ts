import { type Edit, applyAll, applyEdit, checkLayout } from '#core/layouts'
import { type Layout, MOST_NODES, countNodes, find } from '#core/tree'
import { column, element, layout, row } from '../../../fixtures'

const code = (target: Layout, edit: unknown): string => {
  const result = applyEdit(target, edit as Edit)
  return result.ok ? 'ok' : result.problem.code
}

function sample() {
  const heading = element('heading', {}, 'h')
  const left = column(4, heading)
  const right = column(8)
  const top = row(left, right)
  return { heading, left, right, top, root: layout('root', 'body', top) }
}

describe('applyEdit', () => {
  test('an edit that changes nothing gives the very same layout', () => {
    const { root, heading, top } = sample()
    for (const edit of [
      { kind: 'setSpans', row: top.id, spans: [4, 8] },
      { kind: 'setStyle', id: heading.id, property: 'size', step: 'wide', value: null },
      { kind: 'rename', id: 'root', name: 'root' },
      { kind: 'describe', about: '' },
      { kind: 'batch', label: 'nothing', edits: [] },
    ] satisfies Edit[]) {
      const result = applyEdit(root, edit)
      expect(result.ok && result.document).toBe(root)
    }
  })

  test('a layout says in one line what it is for; taken back, it says what it said', () => {
    const { root } = sample()
    const said = applyEdit(root, { kind: 'describe', about: 'For the foot of quiet pages' })
    if (!said.ok) throw new Error(said.problem.sentence)
    expect(said.document).toEqual({ ...root, about: 'For the foot of quiet pages' })
    expect(said.document.children[0]).toBe(root.children[0])
    const back = applyEdit(said.document, said.inverse)
    expect(back.ok && back.document).toEqual(root)
    const other = applyEdit(said.document, { kind: 'describe', about: '' })
    expect(other.ok && 'about' in other.document).toBe(false)
    const long = applyEdit(root, { kind: 'describe', about: 'x'.repeat(201) })
    expect(long.ok ? '' : long.problem.code).toBe('edit-shape')
  })

  test('what did not change is shared with the layout before', () => {
    const { root, heading, top } = sample()
    const other = applyEdit(root, { kind: 'insert', parent: 'root', index: 1, node: row(column(12)) })
    const result = applyEdit((other as { document: Layout }).document, {
      kind: 'setProperty',
      id: heading.id,
      property: 'text',
      value: 'New',
    })
    if (!other.ok || !result.ok) throw new Error('refused')
    expect(result.document.children[1]).toBe(other.document.children[1])
    expect(result.document.children[0]).not.toBe(top)
  })

  test.each([
    ['an id that is nowhere', { kind: 'remove', id: 'nowhere' }, 'node-unknown'],
    ['a kind of edit there is none of', { kind: 'explode' }, 'edit-unknown'],
    ['a kind that every object inherits', { kind: 'constructor' }, 'edit-unknown'],
    [
      'an element right inside a row',
      { kind: 'insert', parent: 'ROW', index: 0, node: element('text') },
      'wrong-place',
    ],
    [
      'an element right inside the layout',
      { kind: 'insert', parent: 'root', index: 0, node: element('text') },
      'wrong-place',
    ],
    [
      'a position that does not exist',
      { kind: 'insert', parent: 'LEFT', index: 9, node: element('text') },
      'index-out',
    ],
    ['a row moved into itself', { kind: 'move', id: 'ROW', parent: 'LEFT', index: 0 }, 'into-itself'],
    ['spans that do not add up', { kind: 'setSpans', row: 'ROW', spans: [4, 4] }, 'spans-sum'],
    ['too few spans', { kind: 'setSpans', row: 'ROW', spans: [12] }, 'edit-shape'],
    ['a span of nothing', { kind: 'setSpans', row: 'ROW', spans: [0, 12] }, 'edit-shape'],
    ['a column taken from its row', { kind: 'remove', id: 'LEFT' }, 'spans-sum'],
    ['an unknown property', { kind: 'setProperty', id: 'h', property: 'onclick', value: 'x' }, 'property-unknown'],
    ['the prototype as a property', { kind: 'setProperty', id: 'h', property: '__proto__', value: 'x' }, 'edit-shape'],
    [
      'the prototype as a look',
      { kind: 'setDefault', of: '__proto__', property: 'size', step: 'wide', value: 3 },
      'edit-shape',
    ],
    [
      'the constructor as a look',
      { kind: 'setDefault', of: 'constructor', property: 'size', step: 'wide', value: 3 },
      'element-unknown',
    ],
    [
      'a look there is none of',
      { kind: 'setStyle', id: 'h', property: 'behavior', step: 'wide', value: 'url(x)' },
      'style-unknown',
    ],
    [
      'a width step there is none of',
      { kind: 'setStyle', id: 'h', property: 'size', step: 'huge', value: 20 },
      'edit-shape',
    ],
    [
      'a colour that is CSS',
      { kind: 'setStyle', id: 'h', property: 'colour', step: 'wide', value: 'red;}body{display:none' },
      'style-value',
    ],
    [
      'an unknown element',
      {
        kind: 'insert',
        parent: 'LEFT',
        index: 0,
        node: { kind: 'element', id: 'z', type: 'script', props: {}, styles: {} },
      },
      'element-unknown',
    ],
    [
      'an id that is used already',
      { kind: 'insert', parent: 'LEFT', index: 0, node: element('text', {}, 'h') },
      'id-taken',
    ],
    ['an empty name for the layout', { kind: 'rename', id: 'root', name: ' ' }, 'name-missing'],
    ['a property without a value', { kind: 'setProperty', id: 'h', property: 'text' }, 'edit-shape'],
  ])('refuses %s', (_, edit, expected) => {
    const { root, top, left } = sample()
    const text = JSON.stringify(edit).replaceAll('"ROW"', `"${top.id}"`).replaceAll('"LEFT"', `"${left.id}"`)
    // JSON.parse makes an own property of __proto__, as a request would.
    expect(code(root, JSON.parse(text))).toBe(expected)
    expect(({} as Record<string, unknown>).size).toBeUndefined()
  })

  test('a second entry content is refused, and one in a header', () => {
    const { root, right } = sample()
    const content = (id: string): Edit => ({
      kind: 'insert',
      parent: right.id,
      index: 0,
      node: element('entry-content', {}, id),
    })
    const once = applyEdit(root, content('one'))
    expect(once.ok && code(once.document, content('two'))).toBe('element-once')
    const header = layout('head', 'header', row(column(12)))
    expect(
      code(header, {
        kind: 'insert',
        parent: header.children[0]!.children[0]!.id,
        index: 0,
        node: element('entry-content'),
      }),
    ).toBe('element-region')
  })

  test('rows nest four deep and no deeper', () => {
    let current: Layout = layout('root', 'body', row(column(12)))
    let parent = current.children[0]!.children[0]!.id
    for (let depth = 2; depth <= 5; depth++) {
      const inner = row(column(12))
      const result = applyEdit(current, { kind: 'insert', parent, index: 0, node: inner })
      if (depth === 5) {
        expect(result.ok ? 'ok' : result.problem.code).toBe('too-deep')
        return
      }
      if (!result.ok) throw new Error(result.problem.sentence)
      current = result.document
      parent = inner.children[0]!.id
    }
  })

  test('a batch is all or nothing', () => {
    const { root, right } = sample()
    const insert: Edit = { kind: 'insert', parent: right.id, index: 0, node: element('text', {}, 'kept') }
    expect(code(root, { kind: 'batch', label: 'both', edits: [insert, { kind: 'remove', id: 'nowhere' }] })).toBe(
      'node-unknown',
    )
    expect(find(root, 'kept')).toBeNull()
  })

  test.each(['valueOf', 'toString', 'constructor', 'hasOwnProperty'])(
    'a property called %s is unknown, and no more',
    (property) => {
      const { root, heading } = sample()
      const result = applyEdit(root, { kind: 'setProperty', id: heading.id, property, value: 'x' })
      expect(result).toMatchObject({ ok: false, problem: { code: 'property-unknown' } })
    },
  )

  test('applyAll says which edit was refused', () => {
    const { root } = sample()
    const result = applyAll(root, [
      { kind: 'rename', id: 'root', name: 'Other' },
      { kind: 'remove', id: 'nowhere' },
    ])
    expect(result).toMatchObject({ ok: false, at: 1 })
  })
})

describe('checkLayout', () => {
  test.each([
    ['nothing', null],
    ['a list', []],
    ['a text', 'layout'],
    ['another kind', { kind: 'frame' }],
    [
      'children that are no list',
      { kind: 'layout', format: 2, id: 'x', name: 'X', region: 'body', defaults: {}, children: 'many' },
    ],
    [
      'a child that is nothing',
      { kind: 'layout', format: 2, id: 'x', name: 'X', region: 'body', defaults: {}, children: [null] },
    ],
    [
      'a region there is none of',
      { kind: 'layout', format: 2, id: 'x', name: 'X', region: 'aside', defaults: {}, children: [] },
    ],
    [
      'looks that are no record',
      { kind: 'layout', format: 2, id: 'x', name: 'X', region: 'body', defaults: { row: 7 }, children: [] },
    ],
  ])('refuses %s without falling over', (_, document) => {
    expect(checkLayout(document as unknown as Layout).length).toBeGreaterThan(0)
  })

  test.each([
    ['a list', []],
    ['a number', 7],
    ['looks that are none', { heading: 7 }],
    ['a kind there is none of', { nothing: {} }],
    ['a sort there is none of', { 'heading.9': {} }],
    ['a state it has not', { 'field :hover': {} }],
    ['a look that suits no row', { row: { letterSpacing: { wide: 3 } }, 'row :hover': {} }],
    ['a value that is none', { heading: { size: { wide: 'big' } } }],
    ['a name of the language', JSON.parse('{"__proto__": {"size": {"wide": 3}}}')],
  ])('refuses a row and a column that give %s', (_, gives) => {
    const given = (thing: object) => ({ ...thing, gives }) as never
    expect(checkLayout(layout('x', 'body', given(row(column(12))))).length).toBeGreaterThan(0)
    expect(checkLayout(layout('x', 'body', row(given(column(12))))).length).toBeGreaterThan(0)
  })

  test('only rows and columns give looks to what is in them', () => {
    const made = layout('x', 'body', row(column(12, element('heading', {}, 'h'))))
    const give = { kind: 'setDefault', of: 'heading', property: 'size', step: 'wide', value: 3 } as const
    for (const box of ['h', 'x', 'nowhere']) expect(applyEdit(made, { ...give, box }).ok).toBe(false)
    expect(
      checkLayout(layout('x', 'body', row(column(12, { ...element('heading'), gives: {} } as never)))),
    ).not.toEqual([])
  })

  test('a newer format is named as such', () => {
    const newer = { ...layout('x', 'body'), format: 3 } as unknown as Layout
    expect(checkLayout(newer)[0]!.code).toBe('layout-format')
  })

  test('a row without columns, and a layout with too much in it', () => {
    expect(checkLayout(layout('x', 'body', row()))[0]!.code).toBe('row-empty')
    const crowd = layout(
      'x',
      'body',
      row(column(12, ...Array.from({ length: MOST_NODES + 1 }, () => element('divider')))),
    )
    expect(countNodes(crowd)).toBeGreaterThan(MOST_NODES)
    expect(checkLayout(crowd).at(-1)!.code).toBe('too-large')
  })
})
