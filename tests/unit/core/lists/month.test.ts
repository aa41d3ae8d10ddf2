import { day as dayAt } from '../../../times'
import fc from 'fast-check'
import { Formats } from '#core/drawing'
import { isMonth, monthOfEntries } from '#core/lists'
import { Catalogue } from '#core/catalogue'
import { dayOf } from '#core/time'
import type { Value } from '#core/tree'
import { VISITOR, drawElement, element, entry, smallSite } from '../../../fixtures'
import { runs } from '../../../runs'

/** A month of entries, held against one found by looking at all of them; and how it is drawn. */

const tool = (id: string, bought: unknown, more = {}) => entry(id, 'tool', { title: id, fields: { bought }, ...more })
const at = (catalogue: Catalogue, asked: string | null, today: string) =>
  monthOfEntries(catalogue, ['tool'], 'bought', asked, dayAt(today))

test('a month in an address is a year and a month of it', () => {
  expect(['2026-03', '2026-12', '0001-01'].map(isMonth)).toEqual([true, true, true])
  for (const odd of ['2026-13', '2026-00', '2026-3', '2026-03-01', '', 'x', undefined, '99999-01', '２０２６-03'])
    expect(isMonth(odd)).toBe(false)
})

const day = fc
  .date({ min: new Date('2024-11-01T00:00:00Z'), max: new Date('2026-03-01T00:00:00Z'), noInvalidDate: true })
  .map((d) => d.toISOString().slice(0, 10))
const bought = fc.oneof({ weight: 6, arbitrary: day }, fc.constantFrom(null, 'soon', 7))

test('what is in a month, and beside it, is what looking at all finds, also as entries come and go', () => {
  fc.assert(
    fc.property(
      fc.array(bought, { maxLength: 30 }),
      fc.array(fc.tuple(fc.nat(29), bought), { maxLength: 8 }),
      day,
      fc.option(day.map((d) => d.slice(0, 7))),
      (all, changes, today, asked) => {
        const catalogue = new Catalogue(smallSite(all.map((b, i) => tool(`t${i}`, b))))
        const held = new Map<string, unknown>(all.map((b, i) => [`t${i}`, b]))
        const check = () => {
          const days = [...held].flatMap(([id, b]) => {
            const own = typeof b === 'string' ? dayOf(b, 'Europe/London') : null
            return own ? [{ id, own }] : []
          })
          const found = at(catalogue, asked, today)
          if (days.length === 0) return expect(found).toBeNull()
          const months = [...new Set(days.map((d) => d.own.slice(0, 7)))].sort()
          const coming = days.map((d) => d.own).filter((d) => d >= today)
          const own =
            asked && asked >= months[0]! && asked <= months.at(-1)!
              ? asked
              : (coming.sort()[0]?.slice(0, 7) ?? months.at(-1)!)
          expect(found!.month).toBe(own)
          expect(found!.previous).toBe(months.filter((m) => m < own).at(-1) ?? null)
          expect(found!.next).toBe(months.find((m) => m > own) ?? null)
          const listed = [...found!.days].flatMap(([d, entries]) => entries.map((e) => `${d} ${e.id}`)).sort()
          expect(listed).toEqual(
            days
              .filter((d) => d.own.startsWith(own))
              .map((d) => `${d.own} ${d.id}`)
              .sort(),
          )
        }
        check()
        for (const [i, b] of changes) {
          held.set(`t${i}`, b)
          catalogue.follow([{ id: `t${i}`, entry: tool(`t${i}`, b) }])
          check()
        }
      },
    ),
    { numRuns: runs(60) },
  )
})

const NOW = Date.parse('2026-03-10T12:00:00Z')
const catalogue = new Catalogue(
  smallSite([tool('<b>One</b>', '2026-03-10'), tool('two', '2026-03-31'), tool('past', '2025-12-24')]),
)
const draw = (props: Record<string, Value> = {}, month?: string) =>
  drawElement(
    element('calendar', { type: 'tool', field: 'bought', ...props }),
    'archive:tool',
    { request: { ...VISITOR, at: NOW, parameters: { kiosk: ['1'], ...(month && { month: [month] }) } } },
    catalogue,
  )

test('a month is drawn in whole weeks, with today, what is at its days, and the ways to others', () => {
  const html = draw()
  expect(html).toMatch(/<h2[^>]*>March 2026<\/h2>/)
  expect(html.match(/<tr>/g)).toHaveLength(1 + 6)
  expect(html.match(/<td/g)).toHaveLength(6 * 7)
  expect(html.match(/<time datetime="2026-03-/g)).toHaveLength(31)
  expect(html).toMatch(/of-now[^>]*><time datetime="2026-03-10">10<span class="of-sr"> \(today\)/)
  expect(html).toContain('&lt;b&gt;One&lt;/b&gt;</a>')
  expect(html).toContain(
    'rel="prev" href="/tool-archive?kiosk=1&amp;month=2025-12"'.replace(
      '/tool-archive',
      /href="([^?"]+)\?/.exec(html)![1]!,
    ),
  )
  expect(html).not.toContain('rel="next"')
  // Weeks may begin on another day.
  expect(draw({ begins: '6' }).match(/<abbr title="Sunday">/g)).toHaveLength(1)
  expect(draw({ begins: '6' }).indexOf('Sunday')).toBeLessThan(draw({ begins: '6' }).indexOf('Monday'))
})

test('another month is asked for by the address; what is none, or lies outside, shows that of now', () => {
  expect(draw({}, '2025-12')).toContain('December 2025')
  expect(draw({}, '2025-12')).toContain('rel="next"')
  for (const odd of ['1999-01', '9999-12', '2026-99', '', '<script>', 'x'.repeat(10_000)])
    expect(draw({}, odd)).toContain('March 2026')
})

test('without any entry there are words, or nothing; a field that is gone is no reason to fail', () => {
  expect(draw({ type: null })).toBe('')
  expect(draw({ type: 'gone', empty: 'None yet.' })).toContain('None yet.')
  for (const field of ['gone', '', null, 'title']) expect(draw({ field })).toBe('')
})

test('days of the week are abbreviated as the language does', () => {
  const heads = (locale: string) => new Formats({ locale, currency: 'EUR', timeZone: 'UTC' }).shortWeekdays
  expect(heads('en-GB').slice(0, 3)).toEqual(['Mon', 'Tue', 'Wed'])
  expect(heads('de')[1]).toBe('Di')
  expect(heads('pl')[5]).toBe('sob.')
  expect(heads('zh')[0]).toBe('周一')
})
