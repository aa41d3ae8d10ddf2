import { type Condition, conditionShape, conditionWords } from '#core/conditions'
import { ANY_REQUEST, Formats, sceneOf } from '#core/drawing'
import { type Edit, applyEdit, checkLayout, setWhenOfAll, treeToDraw } from '#core/layouts'
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
])('refuses %s', (_, condition) => {
  expect(refuse(conditionShape, condition)).not.toBeNull()
})

test('conditions end a sentence', () => {
  const words = [SIGNED_IN, TITLED, { ...TITLED, field: 'made', op: 'is-not-empty', value: null } as Condition].map(
    (c) => conditionWords(c, (field) => `<${field}>`),
  )
  expect(words).toEqual(['when signed in', 'when Title contains refractor', 'when <made> is not empty'])
})
