import { type Condition, unsuited } from '#core/conditions'
import { CompiledRules, frameName, resolve, resolveFully, rulesOf, tabulate, shownAt, whyOf } from '#core/rules'
import { type DisplayRule, refuseTests } from '#core/design'
import { type Target, namesFrom } from '#core/targets'
import { Catalogue } from '#core/catalogue'
import { isEmpty } from '#core/fields'
import { type Entry, BUILT_IN_IDS, newField, refuseStructure } from '#core/model'
import { slugOf } from '#core/addresses'
import { PLAIN_HOUSE } from '#core/styles'
import { type LayoutDocument, emptyLayout } from '#core/tree'
import {
  VISITOR,
  column,
  element,
  entry,
  frame,
  layout,
  mirror,
  refractor,
  rich,
  row,
  smallSite,
} from '../../../fixtures'

/** What the rules say about pages that a design does not decide alone, and about how lines count. */

const EVERY: Target = { kind: 'every' }
const use = (id: string) => ({ kind: 'use' as const, layout: id })
const design = (
  frames: DisplayRule[],
  layouts: LayoutDocument[] = [layout('B', 'body', row(column(12, element('heading'))))],
) => ({
  format: 1 as const,
  layouts,
  frames,
  house: PLAIN_HOUSE,
})

test('a working page whose body lacks its work shows the plain one, and says so to whoever asks why', () => {
  const site = smallSite()
  const shop = new Catalogue({ ...site, settings: { ...site.settings, shop: true, signIn: true } })
  const of = design([frame('all', [EVERY], { body: use('B') })])
  const compiled = new CompiledRules(rulesOf(of), shop)
  const page = shop.page('sign-in')!
  expect(resolve(compiled, page, VISITOR).regions.body).toEqual({
    shown: { kind: 'plain' },
    by: 'all',
    lacking: ['sign-in'],
  })
  const outcome = resolveFully(compiled, page, VISITOR)
  const why = whyOf(outcome, compiled.rules, shop, page, VISITOR)
  expect(why.regions.body.standings.map((s) => s.loss)).toEqual([{ kind: 'work-lacking', lacking: ['sign-in'] }])
  expect(shownAt(tabulate(compiled, VISITOR), shop.indexOf('sign-in')!, 2)).toEqual({ kind: 'plain' })
  // Other pages show it.
  expect(resolve(compiled, shop.page('home')!, VISITOR).regions.body.shown).toEqual({ kind: 'layout', layout: 'B' })
})

test('a region that an entry leaves out is empty before any rule is asked', () => {
  const site = smallSite([{ ...refractor, leftOut: ['header'] }])
  const types = site.types.map((t) => (t.id === 'tool' ? { ...t, mayLeaveOut: ['header' as const] } : t))
  const catalogue = new Catalogue({ ...site, types })
  const of = design([frame('all', [EVERY], { header: use('H') })], [emptyLayout('H', 'H', 'header')])
  const compiled = new CompiledRules(rulesOf(of), catalogue)
  const page = catalogue.page('entry:refractor')!
  expect(resolve(compiled, page, VISITOR).regions.header).toEqual({ shown: { kind: 'empty' }, by: null, leftOut: true })
  const why = whyOf(resolveFully(compiled, page, VISITOR), compiled.rules, catalogue, page, VISITOR)
  expect(why.regions.header.standings.map((s) => s.loss?.kind)).toEqual(['left-out'])
  expect(resolve(compiled, catalogue.page('home')!, VISITOR).regions.header.shown.kind).toBe('layout')
})

test('a variation whose base is gone decides nothing', () => {
  const base = emptyLayout('base', 'Base', 'body')
  const { children: _, defaults: __, props: ___, ...bare } = { props: {}, ...base }
  const variation = { ...bare, id: 'varied', name: 'Varied', follows: { base: 'base', changes: [] } } as LayoutDocument
  const catalogue = new Catalogue(smallSite())
  const shown = (layouts: Parameters<typeof design>[1]) =>
    resolve(
      new CompiledRules(rulesOf(design([frame('all', [EVERY], { body: use('varied') })], layouts)), catalogue),
      catalogue.page('home')!,
      VISITOR,
    ).regions.body.shown.kind
  expect([shown([base, variation]), shown([variation])]).toEqual(['layout', 'plain'])
})

describe('everything that goes by time goes by the moment that is asked about', () => {
  const soon: Condition = { kind: 'field', field: 'bought', op: 'in-next', value: 3 }
  const site = smallSite([
    entry('later', 'tool', { fields: { bought: '2026-04-10' } }),
    entry('timed', 'tool', { from: '2026-04-09T12:00' }),
  ])
  const catalogue = new Catalogue(site, Date.parse('2026-03-29T12:00:00Z'))

  test('days to come are counted from it, the last of them with it', () => {
    const target: Target = { kind: 'entries', type: 'tool', where: [soon as never] }
    const of = design([frame('soon', [target], { body: use('B') })])
    const at = (time: string) => {
      const then = catalogue.asAt(Date.parse(time))
      return resolve(new CompiledRules(rulesOf(of), then), then.page('entry:later')!, VISITOR).regions.body.shown.kind
    }
    expect([
      at('2026-04-06T12:00:00Z'),
      at('2026-04-07T12:00:00Z'),
      at('2026-04-10T12:00:00Z'),
      at('2026-04-11T12:00:00Z'),
    ]).toEqual(['plain', 'layout', 'layout', 'plain'])
  })

  test('so are the entries that are out', () => {
    expect(catalogue.page('entry:timed')).toBeUndefined()
    expect(catalogue.asAt(Date.parse('2026-04-09T13:00:00Z')).page('entry:timed')).toBeDefined()
    // Nothing else is another site.
    expect(catalogue.asAt(Date.parse('2026-03-29T12:30:00Z'))).toBe(catalogue)
  })

  test('an entry goes out once where the clocks come twice', () => {
    const until = new Catalogue(
      smallSite([entry('ends', 'tool', { until: '2026-10-25T01:30' })]),
      Date.parse('2026-10-25T00:00:00Z'),
    )
    const out = (time: string) => until.asAt(Date.parse(time)).page('entry:ends') !== undefined
    // 01:30 in summer time; 01:10 and 01:40 in winter time.
    expect(
      ['2026-10-25T00:29:00Z', '2026-10-25T00:30:00Z', '2026-10-25T01:10:00Z', '2026-10-25T01:40:00Z'].map(out),
    ).toEqual([true, false, false, false])
  })
})

test('equal refinements and circumstances count once, whatever the order of their values and keys', () => {
  const catalogue = new Catalogue(smallSite([refractor]))
  const term = (terms: string[]) => ({ kind: 'term' as const, taxonomy: 'dome', terms, below: false })
  const twice = { below: false, terms: ['west', 'east', 'east'], taxonomy: 'dome', kind: 'term' as const }
  const rules = (first: Target['kind'] extends never ? never : DisplayRule[]) =>
    resolve(new CompiledRules(rulesOf(design(first)), catalogue), catalogue.page('entry:refractor')!, VISITOR).regions
      .body.by
  const both = frame('a', [{ kind: 'entries', type: 'tool', where: [term(['east', 'west']), twice] }], {
    body: use('B'),
  })
  const more = frame(
    'z',
    [{ kind: 'entries', type: 'tool', where: [term(['east']), { kind: 'person', people: ['nell'] }] }],
    { body: use('B') },
  )
  // Two different ones are more than one that is said twice.
  expect(rules([both, more])).toBe('z')
})

test('a name says "and" and "or" so that they cannot be mixed up', () => {
  const names = namesFrom(new Catalogue(smallSite([refractor])))
  const where = [
    { kind: 'term' as const, taxonomy: 'dome', terms: ['east', 'west'], below: false },
    { kind: 'person' as const, people: ['nell'] },
  ]
  const of = frame(
    'f',
    [
      { kind: 'entries', type: 'tool', where },
      { kind: 'type', type: 'note' },
    ],
    {},
  )
  expect(frameName(of, names)).toBe('tools in East dome or West dome, and by Nell <Ash>; or notes')
})

test('a test that does not suit its field is refused when it is saved', () => {
  const catalogue = new Catalogue(smallSite([refractor]))
  const saved = (field: string, op: string, value: unknown) =>
    refuseTests(
      {
        covers: [{ kind: 'entries', type: 'tool', where: [{ kind: 'field', field, op, value } as never] }],
        except: [],
      },
      catalogue,
    )?.code ?? null
  expect(saved('bought', 'is', '2026-02-30')).toBe('frame-target')
  expect(saved('width', 'contains', '1')).toBe('frame-target')
  expect(saved('bought', 'is', '2026-02-28')).toBeNull()
  expect(saved('cost', 'at-least', 12)).toBeNull()
  expect(unsuited({ op: 'is', value: 'x' }, { id: 'n', label: 'N', kind: 'number' })).toContain('number')
})

test('a value whose field changed its kind reads alike in tests and on pages; text by full case folding', () => {
  const site = smallSite([entry('a', 'tool', { fields: { width: '12', maker: 'STRASSE' } })])
  const catalogue = new Catalogue(site)
  const shown = (test: object) =>
    resolve(
      new CompiledRules(
        rulesOf(design([frame('f', [{ kind: 'entries', type: 'tool', where: [test as never] }], { body: use('B') })])),
        catalogue,
      ),
      catalogue.page('entry:a')!,
      VISITOR,
    ).regions.body.shown.kind
  expect(shown({ kind: 'field', field: 'width', op: 'at-least', value: 10 })).toBe('layout')
  expect(shown({ kind: 'field', field: 'maker', op: 'is', value: 'Straße' })).toBe('layout')
})

test('no field of a page type has the id of a built-in one, and the studio gives it none', () => {
  expect(BUILT_IN_IDS.has(newField('Date', 'date', new Set()).id)).toBe(false)
  const site = smallSite()
  const types = [{ ...site.types[0]!, fields: [{ id: 'date', label: 'Date', kind: 'date' as const }] }]
  const structure = { format: 1, types, taxonomies: [], terms: [], people: [] }
  expect(refuseStructure(structure)?.sentence).toContain('built in')
})

test('running text is empty without words, pictures and videos', () => {
  const doc = (...content: object[]) => ({ type: 'doc', content })
  expect(isEmpty(doc({ type: 'picture', attrs: { id: 'moon' } }))).toBe(false)
  expect(isEmpty(doc({ type: 'film', attrs: { address: '/a' } }))).toBe(false)
  expect(isEmpty(doc({ type: 'blockquote', content: [{ type: 'paragraph' }] }))).toBe(true)
  expect(isEmpty(doc({ type: 'paragraph', content: [{ type: 'text', text: ' \u00a0 ' }] }))).toBe(true)
  expect(isEmpty(rich('words'))).toBe(false)
})

test.each(['한글 제목', 'हिन्दी शीर्षक', 'ไทย ภาษา', 'サーバー', 'مرحبا بالعالم', 'Ärger'])(
  'a page called %s is at its address',
  (title) => {
    const slug = slugOf(title)
    const catalogue = new Catalogue(smallSite([entry('it', 'tool', { title, slug })]))
    const { address } = catalogue.page('entry:it')!
    expect(decodeURIComponent(encodeURI(address)).normalize('NFC')).toBe(address)
    expect(catalogue.pageAt(address)?.key).toBe('entry:it')
    // Written in the other way, as some keyboards do, it is the same.
    const stored: Entry = entry('it', 'tool', { title, slug: slug.normalize('NFD') })
    expect(new Catalogue(smallSite([stored])).pageAt(address)?.key).toBe('entry:it')
  },
)

test('lists by how many are left, and by what is referred to, follow sales and new titles', () => {
  const site = smallSite([{ ...refractor, fields: { ...refractor.fields, width: 2 } }, mirror])
  const types = site.types.map((t) =>
    t.id === 'tool' ? { ...t, sells: { price: 'cost', stock: 'width', tax: 'full', most: 9, delivers: false } } : t,
  )
  const catalogue = new Catalogue({ ...site, types })
  const heard: string[] = []
  catalogue.followedBy((id) => heard.push(id))
  const stale = catalogue.followTaken([['refractor', 2]])
  expect([heard, stale.has('type:tool')]).toEqual([['refractor'], true])
  heard.length = 0
  // The refractor refers to the mirror.
  const renamed = catalogue.follow([{ id: 'mirror', entry: { ...mirror, title: 'Another mirror' } }])
  expect([heard, renamed.has('entry:refractor')]).toEqual([['mirror', 'refractor'], true])
})
