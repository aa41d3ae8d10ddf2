import { day } from '../../times'
import fc from 'fast-check'
import { type Condition, type FieldTest, conditionHolds, fieldTest } from '#core/conditions'
import { goesByDay } from '#core/rules'
import { findList } from '#core/lists'
import { Catalogue } from '#core/catalogue'
import { addDays, dayOf } from '#core/time'
import { VISITOR, entry, frame, smallSite } from '../../fixtures'
import { runs } from '../../runs'

/** What is asked around today: days to come and gone by, as the clocks of the site go on; terms; how many there are. */

const NOON = Date.parse('2026-03-10T12:00:00Z')
const DAY = 24 * 60 * 60_000
const tool = (id: string, bought: unknown, terms: string[] = []) =>
  entry(id, 'tool', { title: id, terms, fields: { bought } })
const test1 = (op: FieldTest['op'], value: FieldTest['value']): FieldTest => ({
  kind: 'field',
  field: 'bought',
  op,
  value,
})

test('days are counted over months, years and leap days, and stay within the calendar', () => {
  expect(addDays(day('2026-03-10'), 30)).toBe('2026-04-09')
  expect(addDays(day('2024-02-28'), 1)).toBe('2024-02-29')
  expect(addDays(day('2026-01-01'), -1)).toBe('2025-12-31')
  expect(addDays(day('9999-12-01'), 36_525)).toBe('9999-12-31')
  expect(addDays(day('0100-01-05'), -36_525)).toBe('0100-01-01')
})

test.each<[string, FieldTest['op'], number, boolean]>([
  ['2026-03-10', 'in-next', 0, true],
  ['2026-03-11', 'in-next', 0, false],
  ['2026-04-09', 'in-next', 30, true],
  ['2026-04-10', 'in-next', 30, false],
  ['2026-03-09', 'in-next', 30, false],
  ['2026-03-10', 'in-last', 7, true],
  ['2026-03-03', 'in-last', 7, true],
  ['2026-03-02', 'in-last', 7, false],
  ['2026-03-11', 'in-last', 7, false],
])('on the 10th of March, %s %s %i days: %p', (bought, op, days, holds) => {
  const catalogue = new Catalogue(smallSite([tool('t', bought)]), NOON)
  expect(fieldTest(test1(op, days), catalogue)(catalogue.entries.get('t')!)).toBe(holds)
})

test('what is no day, and what is no number of days, is in none of them', () => {
  const catalogue = new Catalogue(smallSite([tool('t', 'soon'), tool('u', null), tool('v', '2026-03-10')]), NOON)
  for (const id of ['t', 'u'])
    expect(fieldTest(test1('in-next', 30), catalogue)(catalogue.entries.get(id)!)).toBe(false)
  for (const odd of ['30', null, true, NaN, Infinity])
    expect(fieldTest(test1('in-next', odd), catalogue)(catalogue.entries.get('v')!)).toBe(false)
})

test('as the day turns, lists and what is shown follow; each way says that it goes by the day', () => {
  const entries = Array.from({ length: 60 }, (_, i) => tool(`t${i}`, addDays(day('2026-02-20'), i)))
  fc.assert(
    fc.property(
      fc.constantFrom('in-next' as const, 'in-last' as const),
      fc.nat(20),
      fc.array(fc.nat(9), { minLength: 1, maxLength: 6 }),
      (op, days, steps) => {
        const catalogue = new Catalogue(smallSite(entries), NOON)
        const holds = conditionHolds(test1(op, days))
        let now = NOON
        for (const step of steps) {
          now += step * DAY
          catalogue.turn(now)
          const today = dayOf(new Date(now).toISOString().slice(0, 10), 'Europe/London')!
          const [from, until] = op === 'in-next' ? [today, addDays(today, days)] : [addDays(today, -days), today]
          const slowly = entries.filter(({ fields: { bought } }) => String(bought) >= from && String(bought) <= until)
          const { made, seen } = catalogue.watch(() =>
            findList(catalogue, {
              source: { kind: 'types', types: ['tool'] },
              except: null,
              where: [{ field: 'bought', op, values: [days] }],
              filters: [],
              asked: [],
              found: null,
              sorting: { group: null, sorts: [] },
              skip: 0,
              most: 100,
            }),
          )
          expect(made.entries.map((e) => e.id).sort()).toEqual(slowly.map((e) => e.id).sort())
          expect(seen.has('day')).toBe(true)
          const shown = catalogue.watch(() =>
            entries.filter((e) => holds({ entry: e, request: VISITOR, catalogue, count: () => 0 })),
          )
          expect(shown.made).toEqual(slowly)
          expect(shown.seen.has('day')).toBe(true)
        }
      },
    ),
    { numRuns: runs(40) },
  )
})

test('a design goes by the day when one of its frames does', () => {
  const covers = (where: FieldTest[]) => [{ kind: 'entries' as const, type: 'tool', where }]
  const made = (where: FieldTest[], more = {}) => goesByDay([frame('f', covers(where), {}, more)])
  expect(made([test1('in-next', 3)])).toBe(true)
  expect(made([test1('in-next', 3)], { on: false })).toBe(false)
  expect(made([test1('before', '2026-01-01')])).toBe(false)
  expect(made([])).toBe(false)
})

test('terms and numbers of entries are asked for; without an entry no term holds', () => {
  const catalogue = new Catalogue(smallSite([tool('t', null, ['east-low'])]), NOON)
  const ask = (condition: Condition, count = 0, of: string | null = 't') =>
    conditionHolds(condition)({
      entry: of ? catalogue.entries.get(of)! : null,
      request: VISITOR,
      catalogue,
      count: () => count,
    })
  const inTerm = (term: string, below: boolean): Condition => ({ kind: 'term', taxonomy: 'dome', terms: [term], below })
  expect([ask(inTerm('east', false)), ask(inTerm('east', true)), ask(inTerm('east-low', false))]).toEqual([
    false,
    true,
    true,
  ])
  expect(ask(inTerm('gone', true))).toBe(false)
  expect(ask({ kind: 'term', taxonomy: 'other', terms: ['east-low'], below: false })).toBe(false)
  expect(ask(inTerm('east', true), 0, null)).toBe(false)
  const counts = (least: number | null, most: number | null) =>
    [0, 1, 2, 5].map((n) => ask({ kind: 'count', least, most }, n))
  expect(counts(1, null)).toEqual([false, true, true, true])
  expect(counts(null, 0)).toEqual([true, false, false, false])
  expect(counts(1, 2)).toEqual([false, true, true, false])
})
