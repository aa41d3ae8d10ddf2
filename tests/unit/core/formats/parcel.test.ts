import { readFileSync } from 'node:fs'
import Ajv from 'ajv/dist/2020'
import fc from 'fast-check'
import {
  type ImportChoice,
  type Parcel,
  adaptFrame,
  adaptLayout,
  checkParcel,
  makeParcel,
  parcelUpToDate,
  planImport,
} from '#core/formats'
import { type Design, checkFrame } from '#core/design'
import { type Target, namesFrom } from '#core/targets'
import { frameName } from '#core/rules'
import {
  type Layout,
  emptyLayout,
  type Change,
  type LayoutDocument,
  type LayoutRegion,
  type Variation,
  isVariation,
} from '#core/tree'
import { applyEdit, checkLayout, replaceLayout, Trees, treesOf, layoutEditing } from '#core/layouts'
import { Catalogue } from '#core/catalogue'
import { PLAIN_HOUSE } from '#core/styles'
import { makeDemo } from '#demo/index'
import { column, element, field, frame, layout, observatory, row, plain, madeOf } from '../../../fixtures'
import { diceOf, randomEdit, seeds } from '../layouts/random'
import { runs } from '../../../runs'

const demo = makeDemo()
const parcel = (): Parcel =>
  JSON.parse(JSON.stringify(makeParcel(demo.design, 'Quillmere', '2026-11-23T10:00:00Z'))) as Parcel
const catalogue = new Catalogue(demo.site)
const plan = (p: Parcel, design: Design = demo.design, at = catalogue) =>
  planImport(p, design, at, (f) => frameName(f, namesFrom(at)))

describe('a parcel', () => {
  const schema = JSON.parse(readFileSync('public/_of/parcel.schema.json', 'utf8')) as object
  const validate = new Ajv({ strict: true, allErrors: true }).compile(schema)

  test('keeps to its published schema, and its own checks', () => {
    expect(validate(parcel())).toBe(true)
    expect(checkParcel(parcel())).toEqual([])
  })

  test('one with layouts of the first format is read, and they are brought up to date', () => {
    // Variations came with the second format.
    const now = { ...parcel(), layouts: parcel().layouts.filter((l) => !isVariation(l)) }
    const old = JSON.parse(
      JSON.stringify(now)
        .replaceAll('"kind":"layout","format":2', '"kind":"layout","format":1')
        .replaceAll('"entry-list"', '"entry-grid"'),
    ) as Parcel
    expect(validate(old)).toBe(true)
    expect(checkParcel(old)).toEqual([])
    expect(parcelUpToDate(old)).toEqual(now)
  })

  test('any variation that the bench can make keeps to the schema', () => {
    const base = madeOf(demo.design, 'exhibit-page')
    const { kind, format, region } = base
    const editing = layoutEditing(() => new Trees([base]))
    fc.assert(
      fc.property(seeds, (seed) => {
        const dice = diceOf(seed)
        let made: LayoutDocument = {
          kind,
          format,
          id: 'any',
          name: 'Any',
          region,
          follows: { base: base.id, changes: [] },
        }
        for (let i = 0; i < 30; i++) {
          const result = editing.apply(made, randomEdit(new Trees([base, made]).tree('any')!, dice))
          if (result.ok) made = result.document
        }
        const any = JSON.parse(JSON.stringify({ ...parcel(), layouts: [base, made] })) as Parcel
        expect([checkParcel(any), validate(any) || validate.errors]).toEqual([[], true])
      }),
      { numRuns: runs(40) },
    )
  })

  test('a variation of itself, of another region, of too many levels, or with changes that name nothing', () => {
    const { kind, format } = madeOf(demo.design, 'exhibit-page')
    const made = (id: string, base: string, changes: Change[] = [], region: LayoutRegion = 'body'): Variation => {
      return { kind, format, id, name: id, region, follows: { base, changes } }
    }
    const refused = (...layouts: LayoutDocument[]) =>
      checkParcel({ ...parcel(), frames: [], layouts: [madeOf(demo.design, 'exhibit-page'), ...layouts] })[0]?.code
    expect(refused(made('self', 'self'))).toBe('follows-itself')
    expect(refused(made('a', 'c'), made('b', 'a'), made('c', 'b'))).toBe('follows-itself')
    expect(refused(made('other', 'exhibit-page', [], 'footer'))).toBe('other-region')
    const levels = Array.from({ length: 4000 }, (_, i) => made(`l${i}`, i === 0 ? 'exhibit-page' : `l${i - 1}`))
    expect(refused(...levels.slice(0, 4))).toBeUndefined()
    expect(refused(...levels.slice(0, 5))).toBe('too-many-levels')
    expect(refused(...levels.slice(0, 1900))).toBe('too-many-levels')
    expect(refused(...levels)).toBe('parcel-shape')
    const gone: Change = { kind: 'gone', id: 'nowhere' }
    expect(refused(made('named', 'exhibit-page', [gone]))).toBeUndefined()
    expect(refused(made('twice', 'exhibit-page', [gone, gone]))).toBe('layout-shape')
  })

  test('any layout that the bench can make keeps to the schema', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const dice = diceOf(seed)
        let made: Layout = emptyLayout('any', 'Any', 'body')
        for (let i = 0; i < 50; i++) {
          const result = applyEdit(made, randomEdit(made, dice))
          if (result.ok) made = result.document
        }
        const any = JSON.parse(JSON.stringify({ ...parcel(), layouts: [made] })) as Parcel
        expect([checkParcel(any), validate(any) || validate.errors]).toEqual([[], true])
      }),
      { numRuns: runs(60) },
    )
  })

  test.each<[string, (p: Parcel) => unknown]>([
    ['nothing', () => null],
    ['a list', () => []],
    ['another kind', (p) => ({ ...p, kind: 'luggage' })],
    ['no format', ({ format: _, ...p }) => p],
    ['no lists', (p) => ({ ...p, layouts: 'all' })],
    ['a layout that is none', (p) => ({ ...p, layouts: [{ kind: 'layout' }] })],
    ['a layout full of markup', (p) => ({ ...p, layouts: [{ ...p.layouts[0], id: '<script>' }] })],
    ['a frame that is none', (p) => ({ ...p, frames: [{}] })],
    ['a look that is CSS', (p) => ({ ...p, looks: [{ ...p.house!.looks[0], styles: { colour: { wide: 'red;}' } } }] })],
    ['a look of which there are two', (p) => ({ ...p, looks: [p.house!.looks[0], p.house!.looks[0]] })],
    ['a colour beside it that is CSS', (p) => ({ ...p, colours: [{ id: 'a', name: 'A', value: 'red;}' }] })],
    [
      'a picture whose file is none',
      (p) => ({ ...p, pictures: [{ id: 'a', fileName: 'a.png', alt: '', width: 1, height: 1, bytes: '<svg>' }] }),
    ],
    ['a picture without measures', (p) => ({ ...p, pictures: [{ id: 'a', fileName: 'a.png', alt: '' }] })],
    ['the same id twice', (p) => ({ ...p, layouts: [p.layouts[0], p.layouts[0]] })],
    [
      'a palette that is CSS',
      (p) => ({ ...p, house: { ...p.house, palette: [{ id: 'a', name: 'A', value: 'red;}' }] } }),
    ],
    [
      'a palette id that is CSS',
      (p) => ({ ...p, house: { ...p.house, palette: [{ id: 'a:b', name: 'A', value: '#ffffff' }] } }),
    ],
    ['a colour that is CSS', (p) => ({ ...p, house: { ...p.house, ink: 'url(x)' } })],
    ['a measure that is text', (p) => ({ ...p, house: { ...p.house, gap: '3px' } })],
    [
      'too much of it',
      (p) => ({ ...p, frames: Array.from({ length: 2100 }, (_, i) => ({ ...p.frames[0], id: `f${i}` })) }),
    ],
  ])('%s is refused', (_, spoil) => {
    expect(checkParcel(spoil(parcel()) as Parcel).length).toBeGreaterThan(0)
  })

  test('of a newer format is named as such', () => {
    expect(checkParcel({ ...parcel(), format: 2 } as unknown as Parcel)[0]!.sentence).toContain(
      'This parcel has format 2',
    )
  })
})

describe('planning an import', () => {
  test('into the site it came from, everything is the same and everything fits', () => {
    const { items, unfit } = plan(parcel())
    expect(new Set(items.map((i) => i.state))).toEqual(new Set(['same']))
    expect(unfit).toEqual([])
  })

  test('into an empty site everything is new; what differs replaces', () => {
    const bare = makeDemo(true).design
    expect(
      plan(parcel(), bare)
        .items.filter((i) => i.what !== 'house')
        .every((i) => i.state === 'new'),
    ).toBe(true)
    const changed = parcel()
    changed.layouts[0]!.name = 'Other header'
    expect(
      plan(changed)
        .items.filter((i) => i.state === 'replaces')
        .map((i) => i.name),
    ).toEqual(['Other header'])
  })

  test('what another site does not have is listed once, with all that names it', () => {
    const { unfit } = plan(parcel(), { format: 1, layouts: [], frames: [], house: PLAIN_HOUSE }, observatory())
    const keys = unfit.map((u) => u.key)
    expect(keys).toEqual(
      expect.arrayContaining([
        'type exhibit',
        'term tower-room',
        'page entry:the-night-regulator',
        'menu rooms',
        'taxonomy room',
        'field made',
        'picture empty-case',
      ]),
    )
    expect(new Set(keys).size).toBe(keys.length)
    expect(
      unfit
        .find((u) => u.key === 'menu rooms')!
        .users.map((u) => u.id)
        .sort(),
    ).toEqual(['house-footer', 'tower-header'])
    expect(keys).not.toContain('menu main')
    expect(keys).not.toContain('field maker')
  })
})

describe('adapting to another site', () => {
  const choices: Record<string, ImportChoice> = {
    'type exhibit': { do: 'use', id: 'tool' },
    'term tower-room': { do: 'use', id: 'east' },
    'page entry:night': { do: 'drop' },
    'term gone': { do: 'drop' },
    'menu rooms': { do: 'use', id: 'main' },
    'picture case': { do: 'drop' },
    'field made': { do: 'use', id: 'bought' },
    'field keeper': { do: 'drop' },
    'page archive:exhibit': { do: 'use', id: 'archive:tool' },
  }
  const inTerm = (...terms: string[]): Target => ({
    kind: 'entries',
    type: 'exhibit',
    where: [{ kind: 'term', taxonomy: 'dome', terms, below: false }],
  })

  test('targets are exchanged; one that would become broader is dropped as a whole', () => {
    const adapted = adaptFrame(
      frame(
        'f',
        [
          inTerm('tower-room', 'gone'),
          inTerm('gone'),
          { kind: 'page', page: 'entry:night' },
          { kind: 'type', type: 'exhibit' },
          { kind: 'every' },
        ],
        {},
        { offeredTo: ['exhibit', 'note'] },
      ),
      choices,
    )
    expect(adapted.covers).toEqual([
      { kind: 'entries', type: 'tool', where: [{ kind: 'term', taxonomy: 'dome', terms: ['east'], below: false }] },
      { kind: 'type', type: 'tool' },
      { kind: 'every' },
    ])
    expect(adapted.offeredTo).toEqual(['tool', 'note'])
    expect(checkFrame(adapted)).toEqual([])
  })

  test('what elements name is exchanged or dropped, wherever it stands', () => {
    const made = layout('l', 'body', {
      ...row(
        column(
          12,
          element('menu', { menu: 'rooms' }),
          element('image', { picture: 'case' }),
          element('entry-list', { type: 'exhibit' }),
          element('button', { label: 'rooms', link: { page: 'archive:exhibit' } }),
          element('heading', { text: field('made', { fallback: field('keeper', { fallback: 'Unknown' }) }) }),
          element('text', {
            text: {
              type: 'doc',
              content: [{ type: 'paragraph', content: [{ type: 'field', attrs: { value: field('made') } }] }],
            },
          }),
          element('lead-picture', { fallback: 'case' }),
        ),
      ),
      props: { backgroundPicture: field('picture', { fallback: 'case' }) },
    })
    const adapted = plain(adaptLayout(made, new Trees([]), choices))
    const [menu, image, grid, button, heading, text, lead] = adapted.children[0]!.children[0]!.children as {
      props: Record<string, unknown>
    }[]
    expect(menu!.props).toEqual({ menu: 'main' })
    expect(image!.props).toEqual({})
    expect(grid!.props).toEqual({ type: 'tool' })
    expect(button!.props).toEqual({ label: 'rooms', link: { page: 'archive:tool' } })
    expect(heading!.props).toEqual({ text: field('bought', { fallback: 'Unknown' }) })
    expect(JSON.stringify(text!.props)).toContain('"field":"bought"')
    expect(lead!.props).toEqual({})
    expect(adapted.children[0]!.props).toEqual({ backgroundPicture: field('picture') })
    expect(checkLayout(adapted)).toEqual([])
  })

  test('a change that waits, since its thing says what is not known, keeps what it says', () => {
    const base = layout('base', 'body', row(column(12)))
    const odd = { ...element('heading', { text: field('made'), kind: null, constructor: 'x' }, 'odd') }
    const put = { kind: 'put' as const, parent: base.children[0]!.children[0]!.id, after: null, node: odd }
    const { children: _, ...rest } = layout('own', 'body')
    const own: Variation = { ...rest, follows: { base: 'base', changes: [put] } }
    const adapted = adaptLayout(own, new Trees([base, own]), choices)
    expect(isVariation(adapted) && adapted.follows.changes).toEqual([
      { ...put, node: { ...odd, props: { text: field('bought'), kind: null, constructor: 'x' } } },
    ])
  })

  test('keeping changes nothing', () => {
    for (const made of demo.design.layouts)
      expect(adaptLayout(made, treesOf(demo.design), { 'menu rooms': { do: 'keep' } })).toEqual(made)
    for (const made of demo.design.frames) expect(adaptFrame(made, {})).toEqual(made)
  })

  test('fields that a thing is shown for are told and exchanged; a test that is dropped stays and never holds', () => {
    const asks = (field: string) => ({ kind: 'field' as const, field, op: 'is-not-empty' as const, value: null })
    const asked = { ...element('heading', {}, 'h'), when: ['made', 'keeper', 'title'].map(asks) }
    const made = layout('b', 'body', row(column(12, asked)))
    const { unfit } = plan({ ...parcel(), layouts: [made], frames: [] }, undefined, observatory())
    expect(unfit.map((u) => u.key)).toEqual(['field made', 'field keeper'])
    const [row1] = plain(adaptLayout(made, new Trees([]), choices)).children
    expect(row1!.children[0]!.children[0]!.when).toEqual(['bought', 'keeper', 'title'].map(asks))
  })
})

test('a layout is replaced by one edit, and that edit can be taken back', () => {
  const [from, to] = [
    demo.design.layouts[0]!,
    { ...demo.design.layouts[1]!, defaults: { row: { gap: { wide: 8 } } } },
  ] as [Layout, Layout]
  const result = applyEdit(from, replaceLayout(from, to))
  if (!result.ok) throw new Error(result.problem.sentence)
  expect(result.document).toEqual({ ...to, id: from.id })
  const back = applyEdit(result.document, result.inverse)
  expect(back.ok && back.document).toEqual(from)
})
