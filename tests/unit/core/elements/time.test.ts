import { clock, day } from '../../../times'
import fc from 'fast-check'
import { Formats, nowIn, sceneOf, timeGone } from '#core/drawing'
import { BY_DAY, daysBetween, weekdayOf } from '#core/time'
import { type Span, isOpen, merged, timeOf, weekOf } from '../../../../core/elements/site/hours'
import type { Item } from '#core/tree'
import { drawElement, element, field, observatory } from '../../../fixtures'
import { runs } from '../../../runs'

/** What is drawn from the time: by the clocks of the site, and kept no longer than it holds. */

const at = (moment: string) => ({
  request: { role: 'visitor', signedIn: false, device: 'desktop', parameters: {}, at: Date.parse(moment) } as const,
})
const hoursOf = (...lines: [string, string, string, string?][]) =>
  element('hours', {
    hours: lines.map(([days, opens, closes, words = ''], i) => ({
      id: `h${i}`,
      props: { days, opens, closes, words },
    })),
  })

describe('the clocks of the site', () => {
  test('show another day than those of whoever asks, and what was drawn from them is noted', () => {
    const catalogue = observatory()
    const { made, seen } = catalogue.watch(() =>
      nowIn(sceneOf(catalogue, new Formats(catalogue.site.settings), catalogue.pages[0]!, at('2026-03-28T23:30:00Z'))),
    )
    expect(made).toMatchObject({ day: expect.stringMatching(/^2026-03-2[89]$/), weekday: weekdayOf(made.day) - 1 })
    expect(seen.has(BY_DAY)).toBe(true)
  })

  test('what they have gone past is over: the day, and every minute until which something held', () => {
    expect(timeGone(clock('2026-11-25T16:58'), clock('2026-11-25T17:00'))).toEqual([
      'until 2026-11-25T16:59',
      'until 2026-11-25T17:00',
    ])
    expect(timeGone(clock('2026-11-25T23:59'), clock('2026-11-26T00:00'))).toEqual([BY_DAY, 'until 2026-11-26T00:00'])
    expect(timeGone(clock('2026-11-25T12:00'), clock('2026-11-25T12:00'))).toEqual([])
    expect(timeGone(null, clock('2026-11-25T12:00'))).toEqual([BY_DAY])
    expect(timeGone(clock('2026-10-25T02:59'), clock('2026-10-25T02:00'))).toEqual([])
  })

  test('a page with opening hours is kept until it opens or closes next', () => {
    const made = hoursOf(['every', '10:00', '17:00'])
    const catalogue = observatory()
    const until = (moment: string) =>
      [...catalogue.watch(() => drawElement(made, 'home', at(moment), catalogue)).seen].filter((k) =>
        k.startsWith('until'),
      )
    expect(until('2026-11-25T09:00:00Z')).toEqual(['until 2026-11-25T10:00'])
    expect(until('2026-11-25T12:00:00Z')).toEqual(['until 2026-11-25T17:00'])
    expect(until('2026-11-25T20:00:00Z')).toEqual([])
  })

  test('weeks begin on Monday (ISO 8601)', () => {
    expect(['2026-11-23', '2026-11-29', '2024-02-29'].map((text) => weekdayOf(day(text)))).toEqual([1, 7, 4])
  })
})

describe('opening hours', () => {
  test.each([
    ['9', '09:00'],
    ['9:30', '09:30'],
    ['09.30', '09:30'],
    [' 24:00 ', '24:00'],
    ['24:30', null],
    ['25', null],
    ['nine', null],
    ['9:7', null],
  ])('%s is read as %s', (words, time) => expect(timeOf(words)).toBe(time))

  test('days alike are one line, today is marked, and whether it is open is said', () => {
    const made = hoursOf(['week', '10', '17:00'], ['weekend', '11', '16'])
    const html = drawElement(made, 'home', at('2026-11-25T12:00:00Z'))
    expect(html).toContain('Open now')
    expect(html).toMatch(
      /<tr class="of-today"><th scope="row">Monday\u2013Friday<\/th><td>10:00\u201317:00<\/td><\/tr>/,
    )
    expect(html).toContain('<th scope="row">Saturday\u2013Sunday</th><td>11:00\u201316:00</td>')
    expect(drawElement(made, 'home', at('2026-11-25T20:00:00Z'))).toContain('Closed now')
    expect(
      drawElement(
        hoursOf(['monday', 'x', ''], ['monday', '', '', 'By appointment']),
        'home',
        at('2026-11-25T12:00:00Z'),
      ),
    ).toContain('<th scope="row">Monday</th><td>By appointment</td>')
  })

  test('markup is text, and there is nothing without hours', () => {
    expect(drawElement(hoursOf(['week', '10', '17', '<b>']), 'home', at('2026-11-25T12:00:00Z'))).toContain('&lt;b&gt;')
    expect(drawElement(element('hours', { hours: [] }))).toBe('')
  })

  const minute = fc.integer({ min: 0, max: 24 * 60 })
  const time = (m: number) => `${String(Math.floor(m / 60)).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`
  const items = fc.array(
    fc.record({
      days: fc.constantFrom('every', 'week', 'weekend', 'monday', 'sunday'),
      opens: minute.map(time),
      closes: minute.map(time),
    }),
    { maxLength: 6 },
  )

  test('spans that overlap are one, and those of a night go on the day after: as when every minute is asked', () => {
    const NAMES: Record<string, number[]> = {
      every: [0, 1, 2, 3, 4, 5, 6],
      week: [0, 1, 2, 3, 4],
      weekend: [5, 6],
      monday: [0],
      sunday: [6],
    }
    fc.assert(
      fc.property(items, fc.integer({ min: 0, max: 6 }), fc.integer({ min: 0, max: 1439 }), (said, day, now) => {
        const week = weekOf(
          said.map((props, i): Item => ({ id: `i${i}`, props })),
          (value) => String(value ?? ''),
        )
        const within = said.some(({ days, opens, closes }) => {
          const [from, to] = [opens, closes].map((t) => Number(t.slice(0, 2)) * 60 + Number(t.slice(3))) as [
            number,
            number,
          ]
          const own = NAMES[days]!.includes(day)
          const before = NAMES[days]!.includes((day + 6) % 7)
          if (from < to) return own && from <= now && now < to
          return from > to && ((own && from <= now) || (before && now < to))
        })
        expect(isOpen(week[day]!, time(now))).toBe(within)
        for (const { spans } of week) expect(merged(spans)).toEqual(spans)
      }),
      { numRuns: runs(500) },
    )
  })

  test('merging leaves spans in order and apart', () => {
    const spans: Span[] = [
      ['13:00', '17:00'],
      ['09:00', '12:00'],
      ['12:00', '12:30'],
    ]
    expect(merged(spans)).toEqual([
      ['09:00', '12:30'],
      ['13:00', '17:00'],
    ])
  })
})

describe('days and years', () => {
  test('the year, the years since one, the day with its weekday', () => {
    const draw = (props: object) =>
      drawElement(element('today', { after: '', ...props }), 'home', at('2026-11-25T12:00:00Z'))
    expect(draw({})).toBe('<p class="of-today">© <time datetime="2026">2026</time></p>'.replace('of-today', 'of-date'))
    expect(draw({ before: 'One\nline ', after: '\nmore' })).toMatch(/>One\nline <time .*<\/time>\nmore</)
    expect(draw({ since: 2019 })).toContain('>2019\u20132026<')
    expect(draw({ since: 2026 })).toContain('>2026<')
    expect(draw({ shows: 'weekday', before: '' })).toContain('Wednesday')
  })

  test('days to a date: before it, on it, after it, and for what is none', () => {
    const draw = (day: unknown, moment = '2026-11-25T12:00:00Z') =>
      drawElement(element('countdown', { day: day as string, over: 'It was' }), 'entry:refractor', at(moment))
    expect(draw('2026-12-24')).toContain('In <strong><time datetime="2026-12-24">29 days</time></strong>')
    expect(draw('2026-11-26')).toContain('1 day<')
    expect(draw('2026-11-25')).toContain('>Today</p>')
    expect(draw('2026-11-24')).toContain('>It was</p>')
    expect(draw('soon')).toBe('')
    expect(draw(field('nothing'))).toBe('')
    expect(daysBetween(day('2026-03-28'), day('2026-03-30'))).toBe(2)
  })
})
