import {
  type Edit,
  Trees,
  changesBetween,
  describeChange,
  describeEdit,
  editOf,
  layoutEditing,
  pointedAt,
  settingIn,
  thingOf,
  touchedBy,
} from '#core/layouts'
import { type Change, type Layout, type LayoutDocument, type Setting, type Variation, find } from '#core/tree'
import { column, element, layout, row } from '../../../fixtures'

/** What is said of variations, and what is done with their own changes as such. */

const base = layout(
  'base',
  'body',
  row(
    column(6, element('heading', { text: 'One' }, 'h'), element('divider', {}, 'd')),
    column(6, element('text', {}, 't')),
  ),
)
const made = (id: string, of: string, changes: Change[] = []): Variation => {
  const { kind, format, region } = base
  return { kind, format, id, name: id, region, follows: { base: of, changes } }
}
const look = (id: string, value: number): Change => ({
  kind: 'set',
  edit: { kind: 'setStyle', id, property: 'marginTop', step: 'wide', value },
})
const at = (tree: Layout, id: string) => find(tree, id)!

test('an own change is told in words, also where only what it is about is known', () => {
  const tree = new Trees([base, made('v', 'base', [look('h', 7)])]).tree('v')!
  const put: Change = { kind: 'put', parent: 'x', after: null, node: element('button', {}, 'b') }
  const words = [
    look('h', 7),
    put,
    { kind: 'move' as const, id: 'd', parent: 'x', after: null },
    { kind: 'gone' as const, id: 't' },
  ].map((change) => describeChange(change, tree, base))
  expect(words).toEqual(['Outside top of Heading', 'Button added', 'Divider moved', 'Text taken out'])
  const own = (drop: string[], ...changes: Change[]): string =>
    describeEdit({ kind: 'own', drop, put: changes.map((change) => ({ change, before: null })) }, tree)
  expect(own([], look('h', 7))).toBe('Outside top of Heading')
  expect(own(['value/h/text'])).toBe('Text of Heading')
  expect(own(['gone/t'])).toBe('where Text stands')
  expect(own(['gone/t', 'value/h/text'])).toBe('2 own changes')
})

test('the thing that an edit changes', () => {
  const set = (id: string): Edit => ({ kind: 'setProperty', id, property: 'text', value: 'x' })
  const batch = (...edits: Edit[]): Edit => ({ kind: 'batch', label: 'x', edits })
  expect(thingOf(set('h'), 'base')).toBe('h')
  expect(thingOf(batch(set('h'), set('h')), 'base')).toBe('h')
  expect(thingOf(batch(set('h'), set('d')), 'base')).toBeNull()
  expect(thingOf({ kind: 'describe', about: 'x' }, 'base')).toBe('base')
  expect(thingOf({ kind: 'setDefault', of: 'row', property: 'gap', step: 'wide', value: 1 }, 'base')).toBe('base')
  expect(thingOf({ kind: 'standAlone' }, 'base')).toBeNull()
  expect(thingOf({ kind: 'remove', id: 'h' }, 'base')).toBeNull()
})

test('a change that waits is pointed at what is there, in it or behind it', () => {
  const second = base.children[0]!.children[1]!
  expect(pointedAt(look('nowhere', 7), at(base, 'h'), base)).toEqual(look('h', 7))
  expect(pointedAt({ kind: 'gone', id: 'nowhere' }, at(base, 't'), base)).toEqual({ kind: 'gone', id: 't' })
  const put: Change = { kind: 'put', parent: 'nowhere', after: 'nowhere', node: element('button', {}, 'b') }
  expect(pointedAt(put, at(base, second.id), base)).toEqual({ ...put, parent: second.id, after: 't' })
  expect(pointedAt(put, at(base, 'h'), base)).toEqual({ ...put, parent: base.children[0]!.children[0]!.id, after: 'h' })
  expect(pointedAt({ kind: 'spans', row: 'nowhere', spans: {} }, at(base, 'h'), base)).toBeNull()
})

test('moved down into the base, own changes touch what follows it and says nothing else', () => {
  const mine = made('mine', 'base', [look('h', 7), look('d', 9)])
  const layouts: LayoutDocument[] = [
    base,
    mine,
    made('same', 'base'),
    made('other', 'base', [look('h', 1)]),
    made('below', 'same'),
  ]
  const trees = new Trees(layouts)
  const result = layoutEditing(() => trees).apply(base, editOf(base, [look('h', 7)], 'down'))
  if (!result.ok) throw new Error(result.problem.sentence)
  expect(touchedBy(layouts, result.document).sort()).toEqual(['base', 'below', 'same'])
  const now = new Trees([result.document, ...layouts.slice(1)])
  expect(now.tree('mine')).toEqual(trees.tree('mine'))
  const { changes } = mine.follows
  expect(changesBetween({ ...now.tree('base')!, id: 'mine' }, now.tree('mine')!)).toEqual(changes.slice(1))
})

test('who follows whom, at any level; what cannot be followed is drawn as nothing and keeps all it says', () => {
  const trees = new Trees([
    base,
    made('a', 'base'),
    made('b', 'a'),
    made('loop', 'loop'),
    made('lost', 'nowhere', [look('h', 1)]),
  ])
  expect(trees.allFollowing('base').map((l) => l.id)).toEqual(['a', 'b'])
  expect(trees.allFollowing('loop')).toEqual([])
  const told = ['b', 'loop', 'lost'].map((id) => trees.of(trees.document(id)!))
  expect(told.map((t) => t.baseless)).toEqual([null, 'loop', 'missing'])
  expect(told[2]).toMatchObject({ tree: { id: 'lost', children: [] }, waiting: [look('h', 1)] })
  // Something in the base has the id of the variation.
  expect(trees.of(made('h', 'base')).baseless).toBe('id')
})

test('a setting as another layout says it, with what holds where nothing is said', () => {
  const says = (edit: Setting) => settingIn(base, edit)
  const text = { kind: 'setProperty' as const, id: 'h', property: 'text' }
  expect(says({ ...text, value: 'Mine' })).toEqual({ ...text, value: 'One' })
  expect(says({ ...text, id: 'nowhere', unset: true })).toEqual({ ...text, id: 'nowhere', unset: true })
  expect(says({ ...text, property: 'level', value: '4' })).toEqual({ ...text, property: 'level', value: '2' })
  const size = { kind: 'setStyle' as const, id: 'h', property: 'size', step: 'wide' as const }
  expect(says({ ...size, value: 9 })).toEqual({ ...size, value: null })
  expect(says({ ...size, at: ':hover', value: 9 })).toMatchObject({ value: null })
  expect(says({ kind: 'setDefault', of: 'row', property: 'gap', step: 'wide', value: 1 })).toMatchObject({
    value: null,
  })
  expect(says({ kind: 'rename', id: 'h', name: 'Mine' })).toMatchObject({ name: '' })
  expect(says({ kind: 'setWhen', id: 'h', when: [] })).toMatchObject({ when: [] })
  expect(says({ kind: 'hidePart', id: 'h', part: 'x', hidden: true })).toMatchObject({ hidden: false })
})
