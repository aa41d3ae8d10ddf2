import { refuse } from '#core/shape'
import { type Circumstance, type Request, holds, circumstanceShape } from '#core/conditions'
import { type DisplayRule, checkFrame } from '#core/design'
import { type Refinement, type Target, namesFrom, targetChoices } from '#core/targets'
import { decidingRule, frameName, groupOf, resolveInTurn, whyOf } from '#core/rules'
import type { LayoutRegion } from '#core/tree'
import { Catalogue } from '#core/catalogue'
import { findByWords } from '#core/text'
import { NO_WORK, VISITOR, entry, frame, mirror, note, observatory, refractor, smallSite } from '../../../fixtures'

const catalogue = observatory()
const layoutRegions = new Map<string, LayoutRegion>([
  ['A', 'body'],
  ['B', 'body'],
  ['C', 'body'],
  ['H', 'header'],
])
const use = (layout: string) => ({ kind: 'use' as const, layout })
const body = (id: string, covers: Target[], layout: string, more: Partial<DisplayRule> = {}) =>
  frame(id, covers, { body: use(layout) }, more)

const EVERY: Target = { kind: 'every' }
const TOOLS: Target = { kind: 'type', type: 'tool' }
const one = (page: string): Target => ({ kind: 'page', page })
const tools = (...where: Refinement[]): Target => ({ kind: 'entries', type: 'tool', where })
const EAST: Refinement = { kind: 'term', taxonomy: 'dome', terms: ['east'], below: false }

/** All orders in which up to four frames can be stored. */
function orders<T>(items: T[]): T[][] {
  return items.length < 2
    ? [items]
    : items.flatMap((item, i) => orders(items.filter((_, j) => j !== i)).map((rest) => [item, ...rest]))
}

/** What shows in the body, the same however the frames are stored. */
function shows(
  frames: DisplayRule[],
  key = 'entry:refractor',
  request: Request = VISITOR,
  at: Catalogue = catalogue,
): string {
  const found = new Set(
    orders(frames).map((stored) => {
      const { shown } = resolveInTurn({ frames: stored, layoutRegions, work: NO_WORK }, at, at.page(key)!, request)
        .regions.body
      return shown.kind === 'layout' ? shown.layout : shown.kind
    }),
  )
  expect(found.size).toBe(1)
  return [...found][0]!
}

describe('which pages a target covers', () => {
  const covered = (target: Target, at: Catalogue = catalogue) =>
    at.pages.filter((p) => shows([body('f', [target], 'A')], p.key, VISITOR, at) === 'A').map((p) => p.key)

  test.each<[string, Target, string[]]>([
    [
      'entries',
      { kind: 'kind', pages: 'entries' },
      ['home', 'entry:visit', 'entry:hours', 'entry:refractor', 'entry:mirror', 'entry:note'],
    ],
    [
      'archives',
      { kind: 'kind', pages: 'archives' },
      [
        'archive:tool',
        'archive:note',
        'year:note:2025',
        'month:note:2025-06',
        'term:east',
        'term:east-low',
        'term:west',
        'person:nell',
      ],
    ],
    ['working pages', { kind: 'kind', pages: 'working' }, ['search', 'not-found']],
    ['a type', TOOLS, ['entry:refractor', 'entry:mirror']],
    [
      'the archives of a type',
      { kind: 'type-archives', type: 'note' },
      ['archive:note', 'year:note:2025', 'month:note:2025-06'],
    ],
    ['the pages of terms', { kind: 'term-pages', taxonomy: 'dome' }, ['term:east', 'term:east-low', 'term:west']],
    ['the pages of people', { kind: 'person-pages' }, ['person:nell']],
    ['one page', one('archive:tool'), ['archive:tool']],
    ['what home shows', one('entry:welcome'), ['home']],
    ['a page that is gone', one('entry:gone'), []],
    ['in a term', tools(EAST), ['entry:refractor']],
    ['in a term or below', tools({ ...EAST, below: true } as Refinement), ['entry:refractor', 'entry:mirror']],
    [
      'by a person',
      { kind: 'entries', type: null, where: [{ kind: 'person', people: ['nell'] }] },
      ['entry:refractor', 'entry:note'],
    ],
    [
      'below a page',
      { kind: 'entries', type: 'page', where: [{ kind: 'below', entries: ['visit'] }] },
      ['entry:hours'],
    ],
    ['all refinements at once', tools(EAST, { kind: 'person', people: ['nobody'] }), []],
  ])('%s', (_, target, expected) => {
    expect(covered(target)).toEqual(expected)
  })

  test('every page', () => {
    expect(covered(EVERY)).toHaveLength(catalogue.pages.length)
  })

  test('home matches as the archive that it shows', () => {
    const site = smallSite([refractor])
    site.settings = { ...site.settings, home: { kind: 'archive', type: 'tool' } }
    const at = new Catalogue(site)
    expect(covered({ kind: 'type-archives', type: 'tool' }, at)).toEqual(['home'])
    expect(covered(one('archive:tool'), at)).toEqual(['home'])
    expect(covered({ kind: 'kind', pages: 'entries' }, at)).not.toContain('home')
  })

  test.each<[Extract<Refinement, { kind: 'field' }>['op'], string, unknown, boolean]>([
    ['is-empty', 'picture', null, false],
    ['is-not-empty', 'picture', null, true],
    ['is-empty', 'gone', null, false],
    ['is-not', 'gone', 'x', false],
    ['is', 'kind', 'lens', true],
    ['is', 'works', true, true],
    ['is', 'works', false, false],
    ['is', 'views', 'moon', true],
    ['is-not', 'kind', 'lens', false],
    ['is-not', 'kind', 'mirror', true],
    ['contains', 'maker', 'dell', true],
    ['contains', 'maker', ' ', false],
    ['contains', 'content', 'EAST', true],
    ['at-least', 'width', 12.5, true],
    ['at-least', 'width', 13, false],
    ['at-most', 'width', 12.5, true],
    ['at-least', 'maker', 3, false],
    ['before', 'bought', '1961-05-08', true],
    ['before', 'bought', '1961-05-07', false],
    ['after', 'bought', '1960-01-01', true],
    ['after', 'bought', '1961', false],
    ['before', 'width', '1970-01-01', false],
    ['is', '__proto__', 'x', false],
  ])('field test %s on %s with %j: %s', (op, field, value, expected) => {
    const test = { kind: 'field', field, op, value } as Refinement
    expect(shows([body('f', [tools(test)], 'A')]) === 'A').toBe(expected)
  })
})

describe('who wins', () => {
  test.each<[string, DisplayRule[], string]>([
    [
      'narrower over broader',
      [body('a', [EVERY], 'A'), body('b', [{ kind: 'kind', pages: 'entries' }], 'B'), body('c', [TOOLS], 'C')],
      'C',
    ],
    [
      'one page over refinements',
      [body('a', [tools(EAST, { kind: 'person', people: ['nell'] })], 'A'), body('b', [one('entry:refractor')], 'B')],
      'B',
    ],
    [
      'more refinements over fewer',
      [body('a', [tools(EAST)], 'A'), body('b', [tools(EAST, { kind: 'person', people: ['nell'] })], 'B')],
      'B',
    ],
    [
      'a refinement counts once, however many values it lists',
      [
        body('a', [tools({ kind: 'term', taxonomy: 'dome', terms: ['east', 'west'], below: false })], 'A', {
          order: 2,
        }),
        body('b', [tools(EAST)], 'B', { order: 1 }),
      ],
      'B',
    ],
    [
      'two equal refinements count once',
      [body('a', [tools(EAST, EAST)], 'A', { order: 2 }), body('b', [tools(EAST)], 'B', { order: 1 })],
      'B',
    ],
    [
      'the narrowest covering target of a frame counts',
      [body('a', [EVERY, one('entry:refractor')], 'A'), body('b', [TOOLS], 'B')],
      'A',
    ],
    ['lower order among equals', [body('a', [TOOLS], 'A', { order: 2 }), body('b', [TOOLS], 'B', { order: 1 })], 'B'],
    ['the id when all else is equal', [body('b', [TOOLS], 'B'), body('a', [TOOLS], 'A')], 'A'],
    [
      'circumstances over narrowness',
      [
        body('a', [one('entry:refractor')], 'A'),
        body('b', [EVERY], 'B', { onlyWhen: [{ kind: 'signed-in', yes: false }] }),
      ],
      'B',
    ],
    [
      'more circumstances over fewer',
      [
        body('a', [TOOLS], 'A', { onlyWhen: [{ kind: 'signed-in', yes: false }], order: 1 }),
        body('b', [TOOLS], 'B', {
          onlyWhen: [
            { kind: 'signed-in', yes: false },
            { kind: 'device', devices: ['desktop'] },
          ],
          order: 2,
        }),
      ],
      'B',
    ],
    [
      'narrowness before the number of circumstances',
      [
        body('a', [TOOLS], 'A', { onlyWhen: [{ kind: 'signed-in', yes: false }] }),
        body('b', [EVERY], 'B', {
          onlyWhen: [
            { kind: 'signed-in', yes: false },
            { kind: 'device', devices: ['desktop'] },
          ],
        }),
      ],
      'A',
    ],
    [
      'outranking over everything',
      [
        body('a', [one('entry:refractor')], 'A', { onlyWhen: [{ kind: 'signed-in', yes: false }] }),
        body('b', [EVERY], 'B', { outranks: true }),
      ],
      'B',
    ],
    [
      'an excepted frame does not',
      [body('a', [TOOLS], 'A', { except: [one('entry:refractor')] }), body('b', [EVERY], 'B')],
      'B',
    ],
    ['a frame that is off does not', [body('a', [TOOLS], 'A', { on: false }), body('b', [EVERY], 'B')], 'B'],
    ['a frame that passes does not', [frame('a', [TOOLS], {}), body('b', [EVERY], 'B')], 'B'],
    ['left empty is a say', [frame('a', [TOOLS], { body: { kind: 'empty' } }), body('b', [EVERY], 'B')], 'empty'],
    ['a layout that is gone counts as pass', [body('a', [TOOLS], 'gone'), body('b', [EVERY], 'B')], 'B'],
    ['a layout for another region counts as pass', [body('a', [TOOLS], 'H'), body('b', [EVERY], 'B')], 'B'],
    ['nobody: the plain body', [frame('a', [TOOLS], {})], 'plain'],
    ['an empty Covers never', [body('a', [], 'A')], 'plain'],
    ['Covers and Except that cancel out never', [body('a', [TOOLS], 'A', { except: [TOOLS] })], 'plain'],
  ])('%s', (_, frames, expected) => {
    expect(shows(frames)).toBe(expected)
  })

  test("a writer's choice outranks the conditions, if it was offered", () => {
    const chosen = (offeredTo: string[]) => {
      const at = new Catalogue(smallSite([{ ...refractor, chosenFrame: 'x' }, mirror, note]))
      return shows(
        [body('x', [], 'A', { offeredTo }), body('b', [one('entry:refractor')], 'B')],
        'entry:refractor',
        VISITOR,
        at,
      )
    }
    expect(chosen(['tool'])).toBe('A')
    expect(chosen(['note'])).toBe('B')
  })

  test('each region is decided by itself', () => {
    const frames = [
      frame('a', [TOOLS], { header: { kind: 'empty' } }),
      frame('b', [EVERY], { header: use('H'), body: use('A') }),
    ]
    const { regions } = resolveInTurn(
      { frames, layoutRegions, work: NO_WORK },
      catalogue,
      catalogue.page('entry:refractor')!,
      VISITOR,
    )
    expect(regions).toMatchObject({
      header: { shown: { kind: 'empty' }, by: 'a' },
      body: { shown: { layout: 'A' }, by: 'b' },
      intro: { shown: { kind: 'none' }, by: null },
    })
  })
})

describe('circumstances', () => {
  const at = (iso: string) => ({ ...VISITOR, at: Date.parse(iso) })
  const yearly = (from: string | null, until: string | null): Circumstance => ({
    kind: 'date',
    from,
    until,
    weekdays: [],
    yearly: true,
  })
  const circumstanceShapeRefuses = (circumstance: Circumstance) => refuse(circumstanceShape, circumstance)

  test.each<[string, Circumstance, Request, boolean]>([
    [
      'a parameter that is there',
      { kind: 'parameter', name: 'kiosk', op: 'present', values: [] },
      { ...VISITOR, parameters: { kiosk: [''] } },
      true,
    ],
    ['a parameter that is not', { kind: 'parameter', name: 'kiosk', op: 'present', values: [] }, VISITOR, false],
    [
      'a parameter every object has',
      { kind: 'parameter', name: 'constructor', op: 'present', values: [] },
      VISITOR,
      false,
    ],
    [
      'a parameter that is one of several',
      { kind: 'parameter', name: 'from', op: 'is', values: ['a', 'b'] },
      { ...VISITOR, parameters: { from: ['x', 'b'] } },
      true,
    ],
    [
      'a parameter that contains',
      { kind: 'parameter', name: 'from', op: 'contains', values: ['letter'] },
      { ...VISITOR, parameters: { from: ['newsletter'] } },
      true,
    ],
    [
      'a parameter that contains it in capitals: values are compared exactly',
      { kind: 'parameter', name: 'from', op: 'contains', values: ['LETTER'] },
      { ...VISITOR, parameters: { from: ['newsletter'] } },
      false,
    ],
    ['a device', { kind: 'device', devices: ['phone', 'tablet'] }, VISITOR, false],
    ['a role', { kind: 'role', roles: ['member', 'visitor'] }, VISITOR, true],
    ['signed in', { kind: 'signed-in', yes: true }, VISITOR, false],
    [
      'from a day on, that day included',
      { kind: 'date', from: '2026-03-29', until: null, weekdays: [] },
      at('2026-03-29T00:30:00Z'),
      true,
    ],
    [
      'until a day, that day included',
      { kind: 'date', from: null, until: '2026-03-29', weekdays: [] },
      at('2026-03-29T22:30:00Z'),
      true,
    ],
    [
      'in summer the day ends an hour earlier in UTC',
      { kind: 'date', from: null, until: '2026-03-29', weekdays: [] },
      at('2026-03-29T23:30:00Z'),
      false,
    ],
    ['on Sundays', { kind: 'date', from: null, until: null, weekdays: [6, 7] }, at('2026-03-29T12:00:00Z'), true],
    ['on Mondays', { kind: 'date', from: null, until: null, weekdays: [1] }, at('2026-03-29T12:00:00Z'), false],
    ['every year from a day on', yearly('03-29', null), at('2031-04-01T12:00:00Z'), true],
    ['every year until a day', yearly(null, '03-29'), at('2031-04-01T12:00:00Z'), false],
    ['every year over its end, in December', yearly('12-20', '01-06'), at('2031-12-24T12:00:00Z'), true],
    ['every year over its end, in January', yearly('12-20', '01-06'), at('2031-01-06T12:00:00Z'), true],
    ['every year over its end, in between', yearly('12-20', '01-06'), at('2031-06-01T12:00:00Z'), false],
  ])('%s', (_, circumstance, request, expected) => {
    expect(circumstanceShapeRefuses(circumstance)).toBeNull()
    expect(holds(circumstance, request, 'Europe/London')).toBe(expected)
  })

  test('days that no year has are refused, and so is a span the wrong way round in one year', () => {
    expect(circumstanceShapeRefuses(yearly('02-30', null))).toContain('03-29')
    expect(circumstanceShapeRefuses(yearly('02-29', null))).toBeNull()
    expect(circumstanceShapeRefuses(yearly('2026-03-29', null))).toContain('03-29')
    expect(circumstanceShapeRefuses({ kind: 'date', from: '2026-03-29', until: '2026-01-01', weekdays: [] })).toContain(
      'wrong way round',
    )
  })
})

describe('why', () => {
  const frames = [
    body('broad', [EVERY], 'A'),
    body('narrow', [TOOLS], 'B'),
    frame('passes', [EVERY], { header: { kind: 'empty' } }),
    body('gone', [one('entry:refractor')], 'gone'),
    body('wrong', [one('entry:refractor')], 'H', { order: 1 }),
    body('excepted', [TOOLS], 'C', { except: [tools(EAST)] }),
    body('evening', [TOOLS], 'C', { onlyWhen: [{ kind: 'device', devices: ['phone'] }] }),
    body('off', [TOOLS], 'C', { on: false }),
    body('west', [tools(EAST, { kind: 'field', field: 'works', op: 'is', value: false })], 'C'),
    body('elsewhere', [{ kind: 'person-pages' }], 'C'),
  ]
  const rules = { frames, layoutRegions, work: NO_WORK }
  const page = catalogue.page('entry:refractor')!
  const why = whyOf(resolveInTurn(rules, catalogue, page, VISITOR), rules, catalogue, page, VISITOR)

  test('names the winner and, for each loser, the first rule against it', () => {
    expect(why.regions.body.by).toBe('narrow')
    expect(why.regions.body.standings.map((s) => [s.candidate.frame.id, s.loss])).toEqual([
      ['gone', { kind: 'layout-missing', layout: 'gone' }],
      ['wrong', { kind: 'layout-region', layout: 'H' }],
      ['narrow', null],
      ['broad', { kind: 'outranked', by: 'narrow', rule: 'narrowness' }],
      ['passes', { kind: 'passed' }],
    ])
  })

  test('lists the frames that nearly matched, with what failed', () => {
    expect(why.near.map(({ frame: f, ...rest }) => ({ id: f.id, ...rest }))).toEqual([
      { id: 'evening', kind: 'circumstance', index: 0 },
      { id: 'excepted', kind: 'excepted', target: 0 },
      { id: 'off', kind: 'off' },
      { id: 'west', kind: 'refinement', target: 0, index: 1 },
    ])
  })

  test('two frames that differ in nothing are settled by their ids', () => {
    const [a, b] = [body('a', [TOOLS], 'A'), body('b', [TOOLS], 'B')].map((f) => ({
      frame: f,
      target: 0,
      narrowness: 2 as const,
      refinements: 0,
    }))
    expect(decidingRule(a!, b!)).toBe('id')
  })
})

describe('words', () => {
  const names = namesFrom(catalogue)
  test.each<[Partial<DisplayRule> & { covers: Target[] }, string]>([
    [{ covers: [] }, 'No page yet'],
    [
      { covers: [tools(EAST)], except: [one('entry:mirror')], onlyWhen: [{ kind: 'signed-in', yes: true }] },
      'tools in East dome, except Mirror, when signed in',
    ],
    [
      {
        covers: [tools({ kind: 'field', field: 'works', op: 'is', value: true }, { kind: 'person', people: ['nell'] })],
      },
      'tools with Works is yes and by Nell <Ash>',
    ],
    [{ covers: [tools({ kind: 'field', field: 'kind', op: 'is', value: 'lens' })] }, 'tools with Kind is Refractor'],
    [
      { covers: [tools({ kind: 'field', field: 'picture', op: 'is-empty', value: null })] },
      'tools with Lead picture is empty',
    ],
    [
      { covers: [{ kind: 'entries', type: null, where: [{ kind: 'below', entries: ['visit'] }] }] },
      'Entries below Visit',
    ],
    [
      { covers: [one('home'), { kind: 'type-archives', type: 'note' }, { kind: 'term-pages', taxonomy: 'dome' }] },
      'Home, Archives of notes and Dome pages',
    ],
    [{ covers: [one('entry:gone')] }, 'A page (no longer there)'],
    [
      {
        covers: [{ kind: 'kind', pages: 'working' }],
        onlyWhen: [{ kind: 'date', from: '2026-12-01', until: null, weekdays: [6, 7] }],
      },
      'All working pages, on Saturdays or Sundays from 2026-12-01',
    ],
    [
      {
        covers: [EVERY],
        onlyWhen: [
          { kind: 'device', devices: ['phone', 'tablet'] },
          { kind: 'role', roles: ['member'] },
        ],
      },
      'Every page, on a phone or a tablet, and for a member',
    ],
    [{ covers: [EVERY], name: 'House' }, 'House'],
  ])('%#', (part, expected) => {
    expect(frameName(frame('f', part.covers, {}, part), names)).toBe(expected)
  })

  test('frames stand under the heading of their narrowest target', () => {
    const group = (covers: Target[], more: Partial<DisplayRule> = {}) => groupOf(frame('f', covers, {}, more))
    expect([group([EVERY]), group([TOOLS]), group([tools(EAST)]), group([EVERY, one('home')]), group([])]).toEqual([
      'site',
      'types',
      'groups',
      'pages',
      'site',
    ])
    expect(group([TOOLS], { outranks: true })).toBe('outranking')
    expect(group([TOOLS], { onlyWhen: [{ kind: 'signed-in', yes: true }] })).toBe('circumstances')
  })

  test('targets are found by a few letters, those that begin with them first', () => {
    const choices = targetChoices(catalogue)
    const found = (typed: string) => findByWords(choices, typed, (c) => c.label)
    expect(found('east')[0]!.label).toBe('East dome')
    expect(found('tools east').map((c) => c.label)).toEqual(['tools in East dome', 'tools in East, below'])
    expect(found('nell').map((c) => c.label)).toEqual(['Nell <Ash>', 'Entries by Nell <Ash>'])
    expect(found('zzz')).toEqual([])
  })
})

describe('checkFrame', () => {
  const good = frame('f', [EVERY], { body: use('A') })
  test('a frame whose targets are gone is stored all the same', () => {
    expect(
      checkFrame(
        frame('f', [one('entry:gone'), tools({ kind: 'term', taxonomy: 'dome', terms: ['gone'], below: true })], {}),
      ),
    ).toEqual([])
  })

  test.each<[string, unknown]>([
    ['nothing', null],
    ['an id with markup', { ...good, id: '<b>' }],
    ['no regions', { ...good, regions: undefined }],
    ['a say there is none of', { ...good, regions: { ...good.regions, body: { kind: 'explode' } } }],
    ['Covers that is no list', { ...good, covers: 'every' }],
    ['a target there is none of', { ...good, covers: [{ kind: 'planet' }] }],
    ['a target that is nothing', { ...good, covers: [null] }],
    ['a target every object has', { ...good, covers: [{ kind: 'constructor' }] }],
    ['a page key with markup', { ...good, covers: [one('"><script>')] }],
    ['a refinement without terms', { ...good, covers: [tools({ ...EAST, terms: [] } as Refinement)] }],
    [
      'a number test with a text',
      { ...good, covers: [tools({ kind: 'field', field: 'width', op: 'at-least', value: 'much' })] },
    ],
    [
      'a date test with a number',
      { ...good, covers: [tools({ kind: 'field', field: 'bought', op: 'before', value: 7 })] },
    ],
    [
      'a test there is none of',
      { ...good, covers: [tools({ kind: 'field', field: 'width', op: 'roughly' as 'is', value: 7 })] },
    ],
    [
      'dates the wrong way round',
      { ...good, onlyWhen: [{ kind: 'date', from: '2026-05-02', until: '2026-05-01', weekdays: [] }] },
    ],
    ['a date that is none', { ...good, onlyWhen: [{ kind: 'date', from: '2026-13-45', until: null, weekdays: [] }] }],
    ['no date at all', { ...good, onlyWhen: [{ kind: 'date', from: null, until: null, weekdays: [] }] }],
    [
      'a parameter name with odd characters',
      { ...good, onlyWhen: [{ kind: 'parameter', name: 'a b<', op: 'present', values: [] }] },
    ],
    [
      'a parameter compared with nothing',
      { ...good, onlyWhen: [{ kind: 'parameter', name: 'a', op: 'is', values: [] }] },
    ],
    ['a role there is none of', { ...good, onlyWhen: [{ kind: 'role', roles: ['king'] }] }],
    ['no device', { ...good, onlyWhen: [{ kind: 'device', devices: [] }] }],
    ['an order that is no number', { ...good, order: 'first' }],
  ])('refuses %s', (_, bad) => {
    const problems = checkFrame(bad as DisplayRule)
    expect(problems.length).toBeGreaterThan(0)
    expect(problems[0]!.sentence).not.toContain('undefined')
  })
})

test('a page whose entry is not there is still resolved', () => {
  const at = new Catalogue(smallSite([entry('x', 'gone-type')]))
  expect(at.pages.some((p) => p.entry === 'x')).toBe(false)
  expect(
    resolveInTurn(
      { frames: [body('f', [EVERY], 'A')], layoutRegions, work: NO_WORK },
      at,
      { key: 'entry:x', kind: 'entry', address: '/x', title: 'x', entry: 'x' },
      VISITOR,
    ).regions.body.by,
  ).toBe('f')
})
