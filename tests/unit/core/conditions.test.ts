import { type Condition, conditionShape, conditionWords } from '#core/conditions'
import { ANY_REQUEST, Formats, sceneOf } from '#core/drawing'
import { type Edit, applyEdit, checkLayout, treeToDraw } from '#core/layouts'
import { setWhenOfAll } from '#core/editor'
import { CompiledDesign, compileLayout, draw } from '#core/render'
import { refuse } from '#core/shape'
import { PLAIN_HOUSE } from '#core/styles'
import { type Layout, find } from '#core/tree'
import { column, element, layout, observatory, row } from '../../fixtures'

const catalogue = observatory()
const formats = new Formats(catalogue.site.settings)
const start = layout('L', 'body', row(column(12, element('heading', { text: 'One' }, 'h'), element('text', {}, 't'))))

function apply(target: Layout, edit: Edit): Layout {
  const result = applyEdit(target, edit)
  if (!result.ok) throw new Error(result.problem.sentence)
  return result.document
}
const shownWhen = (...when: Condition[]) => apply(start, { kind: 'setWhen', id: 'h', when })
const html = (target: Layout, key: string, more = {}) =>
  draw(
    compileLayout(treeToDraw(target)),
    sceneOf(catalogue, formats, catalogue.page(key)!, { request: { ...ANY_REQUEST, ...more } }),
  )
const drawn = (target: Layout, key: string, more = {}) => html(target, key, more).includes('One')

const SIGNED_IN: Condition = { kind: 'signed-in', yes: true }
const TITLED: Condition = { kind: 'field', field: 'title', op: 'contains', value: 'refractor' }
const KIOSK: Condition = { kind: 'parameter', name: 'kiosk', op: 'present', values: [] }

describe('a thing is shown', () => {
  test('when all that it asks for holds, for whoever asks', () => {
    expect(drawn(shownWhen(SIGNED_IN), 'home')).toBe(false)
    expect(drawn(shownWhen(SIGNED_IN), 'home', { signedIn: true })).toBe(true)
    expect(drawn(shownWhen(SIGNED_IN, KIOSK), 'home', { signedIn: true })).toBe(false)
    expect(drawn(shownWhen(SIGNED_IN, KIOSK), 'home', { signedIn: true, parameters: { kiosk: [''] } })).toBe(true)
  })

  test('by a field of the entry that the page is about, and never where there is none', () => {
    expect(drawn(shownWhen(TITLED), 'entry:refractor')).toBe(true)
    expect(drawn(shownWhen(TITLED), 'entry:mirror')).toBe(false)
    expect(drawn(shownWhen(TITLED), 'home')).toBe(false)
    expect(drawn(shownWhen({ kind: 'field', field: 'gone', op: 'is-empty', value: null }), 'entry:mirror')).toBe(false)
  })

  test('always again once it asks for nothing, and the edit has an inverse', () => {
    const asked = shownWhen(SIGNED_IN)
    const result = applyEdit(asked, { kind: 'setWhen', id: 'h', when: [] })
    expect(result.ok && find(result.document, 'h')!.node).not.toHaveProperty('when')
    expect(result.ok && apply(result.document, result.inverse)).toEqual(asked)
  })
})

test('what a layout asks is what its pages depend on', () => {
  const target = apply(shownWhen(SIGNED_IN, KIOSK, TITLED), {
    kind: 'setWhen',
    id: 't',
    when: [{ kind: 'device', devices: ['phone'] }],
  })
  const compiled = new CompiledDesign({ format: 1, layouts: [target, start], frames: [], house: PLAIN_HOUSE })
  expect(compiled.dependsOn('L').needs).toEqual(new Set())
  const alone = new CompiledDesign({ format: 1, layouts: [target], frames: [], house: PLAIN_HOUSE })
  const { needs, parameters } = alone.dependsOn('L')
  expect([[...needs].sort(), [...parameters]]).toEqual([['address', 'device', 'session'], ['kiosk']])
})

test('several things ask for the same at once; a place goes with all that its element draws of it', () => {
  const next = apply(start, setWhenOfAll(start, ['h', 't'], [SIGNED_IN])!)
  expect(['h', 't'].map((id) => find(next, id)!.node.when)).toEqual([[SIGNED_IN], [SIGNED_IN]])
  const place = {
    kind: 'place' as const,
    id: 'p',
    type: 'sections',
    props: {},
    styles: {},
    children: [row(column(12))],
  }
  const root = layout('root', 'body', row(column(12, { ...element('sections', {}, 's'), children: [place] })))
  const asked = apply(root, { kind: 'setWhen', id: 'p', when: [SIGNED_IN] })
  expect([...compileLayout(treeToDraw(asked)).asks]).toEqual(['session'])
  const sections = (signedIn: boolean) => html(asked, 'home', { signedIn }).includes('<details')
  expect([sections(true), sections(false)]).toEqual([true, false])
  expect(checkLayout(JSON.parse(JSON.stringify(root).replace('"id":"p"', '"when":[],"id":"p"')))).not.toEqual([])
})

test.each<[string, unknown]>([
  ['a kind that there is none of', { kind: 'weather' }],
  ['a field without a test', { kind: 'field', field: 'title' }],
  ['a list', []],
  ['nothing', null],
  ['days that are none', { kind: 'field', field: 'bought', op: 'in-next', value: '2026-01-01' }],
  ['days before today', { kind: 'field', field: 'bought', op: 'in-next', value: -1 }],
  ['more days than are counted', { kind: 'field', field: 'bought', op: 'in-last', value: 1e9 }],
  ['terms that are none', { kind: 'term', taxonomy: 'dome', terms: [], below: true }],
  ['terms without a taxonomy', { kind: 'term', terms: ['east'], below: false }],
  ['a count of nothing', { kind: 'count', least: null, most: null }],
  ['a count the wrong way round', { kind: 'count', least: 3, most: 2 }],
  ['a count of halves', { kind: 'count', least: 0.5, most: null }],
  ['a count with more said', { kind: 'count', least: 1, most: null, of: 'x' }],
])('refuses %s', (_, condition) => {
  expect(refuse(conditionShape, condition)).not.toBeNull()
})

test('conditions end a sentence', () => {
  const said: [Condition, string][] = [
    [SIGNED_IN, 'when signed in'],
    [TITLED, 'when Title contains refractor'],
    [{ ...TITLED, field: 'made', op: 'is-not-empty', value: null }, 'when <made> is not empty'],
    // A value is called what it is called where it was chosen.
    [{ kind: 'field', field: 'sort', op: 'is', value: 'lens' }, 'when <sort> is a Lens'],
    [{ kind: 'field', field: 'bought', op: 'in-next', value: 30 }, 'when <bought> is in the next 30 days'],
    [{ kind: 'field', field: 'bought', op: 'in-last', value: 1 }, 'when <bought> is in the last day'],
    [{ kind: 'field', field: 'bought', op: 'in-last', value: 0 }, 'when <bought> is today'],
    [{ kind: 'term', taxonomy: 'dome', terms: ['east', 'west'], below: true }, 'when in (east) or (west) or below'],
    [{ kind: 'count', least: null, most: 0 }, 'when there are no entries'],
    [{ kind: 'count', least: 1, most: null }, 'when there are entries'],
    [{ kind: 'count', least: 2, most: null }, 'when there are at least 2 entries'],
    [{ kind: 'count', least: null, most: 1 }, 'when there are at most 1 entry'],
    [{ kind: 'count', least: 3, most: 3 }, 'when there are just 3 entries'],
    [{ kind: 'count', least: 3, most: 5 }, 'when there are 3 to 5 entries'],
  ]
  for (const [condition, words] of said) {
    expect(refuse(conditionShape, condition)).toBeNull()
    expect(
      conditionWords(condition, {
        field: (id) => `<${id}>`,
        term: (id) => `(${id})`,
        choice: (_, value) => (value === 'lens' ? 'a Lens' : String(value)),
      }),
    ).toBe(words)
  }
})
