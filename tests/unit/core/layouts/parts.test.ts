import { type Edit, applyEdit, checkLayout, describeEdit } from '#core/layouts'
import { type Item, type Layout, type LayoutElement, find } from '#core/tree'
import { column, drawElement, element, field, layout, row } from '../../../fixtures'

/** Items of a property, parts and states of an element, and the places in which one holds rows. */

const links = element('link-list', { links: [{ id: 'a', props: { label: 'Visit', link: '/visit' } }] }, 'links')
const base = layout('root', 'footer', row(column(12, links, element('field', { label: 'Made' }, 'fact'))))

function after(edits: Edit[], from: Layout = base): Layout {
  let current = from
  for (const edit of edits) {
    const result = applyEdit(current, edit)
    if (!result.ok) throw new Error(result.problem.sentence)
    const back = applyEdit(result.document, result.inverse)
    expect(back.ok && back.document).toEqual(current)
    current = result.document
  }
  return current
}
const problemOf = (edit: Edit, from: Layout = base) => {
  const result = applyEdit(from, edit)
  return result.ok ? null : result.problem
}
const itemsOf = (of: Layout) => (find(of, 'links')!.node.props.links as Item[] | undefined) ?? []

describe('items', () => {
  const at = { id: 'links', property: 'links' }

  test('are put in, moved, said and taken away by themselves', () => {
    const made = after([
      { kind: 'insertItem', ...at, index: 1, item: { id: 'b', props: {} } },
      { kind: 'setProperty', id: 'links', within: { items: 'links', item: 'b' }, property: 'label', value: 'Shop' },
      {
        kind: 'setProperty',
        id: 'links',
        within: { items: 'links', item: 'b' },
        property: 'link',
        value: field('address'),
      },
      { kind: 'moveItem', ...at, item: 'b', index: 0 },
      { kind: 'removeItem', ...at, item: 'a' },
    ])
    expect(itemsOf(made)).toEqual([{ id: 'b', props: { label: 'Shop', link: field('address') } }])
    expect(drawElement(find(made, 'links')!.node as LayoutElement)).toContain('href="/tools/refractor">Shop</a>')
  })

  test('without any the property is not set, and the first one begins it', () => {
    const none = after([{ kind: 'removeItem', ...at, item: 'a' }])
    expect(find(none, 'links')!.node.props).toEqual({})
    expect(itemsOf(after([{ kind: 'insertItem', ...at, index: 0, item: { id: 'z', props: {} } }], none))).toHaveLength(
      1,
    )
  })

  test.each<[string, Edit, string]>([
    ['an id twice', { kind: 'insertItem', ...at, index: 0, item: { id: 'a', props: {} } }, 'already used'],
    ['a place too far', { kind: 'insertItem', ...at, index: 5, item: { id: 'b', props: {} } }, 'does not exist'],
    ['one that is gone', { kind: 'removeItem', ...at, item: 'gone' }, 'Nothing in this layout'],
    [
      'a value it has not',
      { kind: 'insertItem', ...at, index: 0, item: { id: 'b', props: { size: 3 } } },
      'no property',
    ],
    [
      'a link to script',
      { kind: 'insertItem', ...at, index: 0, item: { id: 'b', props: { link: 'javascript:x' } } },
      'a link begins with',
    ],
    ['a list in a list', { kind: 'insertItem', ...at, index: 0, item: { id: 'b', props: { label: [] } } } as never, ''],
    [
      'a property that is none',
      { kind: 'insertItem', id: 'fact', property: 'label', index: 0, item: { id: 'b', props: {} } },
      'no list',
    ],
  ])('%s is refused', (_, edit, words) => {
    expect(problemOf(edit)?.sentence).toContain(words)
  })

  test('two hands on two items of one list both hold', () => {
    const mine: Edit = {
      kind: 'setProperty',
      id: 'links',
      within: { items: 'links', item: 'a' },
      property: 'label',
      value: 'Come',
    }
    const theirs: Edit = { kind: 'insertItem', ...at, index: 0, item: { id: 'b', props: { label: 'Shop' } } }
    expect(after([mine, theirs])).toEqual(after([theirs, mine]))
  })
})

describe('parts and states', () => {
  const labelled = (looks: Partial<LayoutElement>) =>
    drawElement({ ...element('field', { label: 'Made by', value: field('maker') }, 'fact'), ...looks })

  test('a part has looks of its own, at rest and in its states', () => {
    const made = after([
      { kind: 'setStyle', id: 'fact', at: 'label', property: 'colour', step: 'wide', value: '#123456' },
      { kind: 'setStyle', id: 'links', at: 'link:hover', property: 'colour', step: 'narrow', value: '#654321' },
    ])
    expect((find(made, 'fact')!.node as LayoutElement).looks).toEqual({ label: { colour: { wide: '#123456' } } })
    const taken = after(
      [{ kind: 'setStyle', id: 'fact', at: 'label', property: 'colour', step: 'wide', value: null }],
      made,
    )
    expect(find(taken, 'fact')!.node).toEqual(find(base, 'fact')!.node)
  })

  test('a part that is hidden is not drawn; its words stay', () => {
    expect(labelled({})).toContain('Made by')
    expect(labelled({ hides: ['label'] })).not.toContain('Made by')
    const made = after([{ kind: 'hidePart', id: 'fact', part: 'label', hidden: true }])
    expect(find(made, 'fact')!.node).toMatchObject({ hides: ['label'], props: { label: 'Made' } })
    expect(after([{ kind: 'hidePart', id: 'fact', part: 'label', hidden: false }], made)).toEqual(base)
  })

  test.each<[string, Edit]>([
    ['a part it has not', { kind: 'hidePart', id: 'fact', part: 'picture', hidden: true }],
    ['a part that cannot be', { kind: 'hidePart', id: 'fact', part: 'value', hidden: true }],
    ['a part of a row', { kind: 'hidePart', id: 'nowhere', part: 'label', hidden: true }],
    ['an inherited name', { kind: 'hidePart', id: 'fact', part: 'constructor', hidden: true }],
    [
      'a state it has not',
      { kind: 'setStyle', id: 'fact', at: ':hover', property: 'colour', step: 'wide', value: '@ink' },
    ],
    [
      'a width for a part',
      { kind: 'setStyle', id: 'fact', at: 'label', property: 'maxWidth', step: 'wide', value: 300 },
    ],
    [
      'defaults of a state it has not',
      { kind: 'setDefault', of: 'field :hover', property: 'colour', step: 'wide', value: '@ink' },
    ],
  ])('%s is refused', (_, edit) => {
    expect(problemOf(edit)).not.toBeNull()
  })

  test('edits are told in words', () => {
    expect(describeEdit({ kind: 'hidePart', id: 'fact', part: 'label', hidden: true }, base)).toBe(
      'hide label of Field',
    )
    expect(
      describeEdit(
        { kind: 'setStyle', id: 'links', at: 'link:hover', property: 'colour', step: 'wide', value: '@ink' },
        base,
      ),
    ).toBe('Colour of link under the pointer of Link list')
  })
})

describe('places', () => {
  const inside = (id: string) => ({
    ...row(column(12, element('heading', { text: 'Inside' }, `${id}-h`))),
    id: `${id}-r`,
  })
  const place = (id: string, title: string) => ({
    kind: 'place' as const,
    id,
    type: 'sections',
    props: { title },
    styles: {},
    children: [inside(id)],
  })
  const sections = { ...element('sections', {}, 'sections'), children: [place('one', 'First'), place('two', 'Second')] }
  const root = layout('root', 'body', row(column(12, sections)))

  test('an element draws the rows that stand in its places', () => {
    expect(checkLayout(root)).toEqual([])
    const html = drawElement(sections)
    expect(html.match(/<details/g)).toHaveLength(2)
    expect(html).toContain('<summary>First</summary><div class="of-row">')
    expect(html).toContain('Inside</h2>')
  })

  test('rows and places are moved like anything else', () => {
    const made = after(
      [
        { kind: 'move', id: 'one-r', parent: 'two', index: 1 },
        { kind: 'move', id: 'two', parent: 'sections', index: 0 },
        { kind: 'setProperty', id: 'two', property: 'title', value: 'Both' },
        { kind: 'remove', id: 'one' },
      ],
      root,
    )
    const left = find(made, 'sections')!.node as LayoutElement
    expect(left.children!.map((p) => [p.id, p.children.length])).toEqual([['two', 2]])
  })

  test.each<[string, Edit, string]>([
    [
      'the last place taken away',
      {
        kind: 'batch',
        label: 'x',
        edits: [
          { kind: 'remove', id: 'one' },
          { kind: 'remove', id: 'two' },
        ],
      },
      'holds 1 to 24',
    ],
    ['a place in a column', { kind: 'move', id: 'one', parent: 'root', index: 0 }, 'cannot stand'],
    [
      'an element in a place',
      { kind: 'insert', parent: 'one', index: 0, node: element('divider', {}, 'new') },
      'cannot stand',
    ],
    [
      'a place of another type',
      { kind: 'insert', parent: 'sections', index: 0, node: { ...place('x', 'x'), type: 'text' } },
      'cannot stand',
    ],
    ['a place put inside itself', { kind: 'move', id: 'sections', parent: 'one-r', index: 0 }, 'moved into itself'],
  ])('%s is refused', (_, edit, words) => {
    expect(problemOf(edit, root)?.sentence).toContain(words)
  })

  test('rows in places count for how deep rows stand', () => {
    let deep = root
    let parent = 'one-r'
    for (let i = 0; i < 3; i++) {
      const at = find(deep, parent)!.node
      const inner = { ...row(column(12)), id: `deep-${i}` }
      const result = applyEdit(deep, { kind: 'insert', parent: at.children![0]!.id, index: 0, node: inner })
      if (!result.ok) return expect(result.problem.code).toBe('too-deep')
      deep = result.document
      parent = `deep-${i}`
    }
    throw new Error('never too deep')
  })
})
