import fc from 'fast-check'
import {
  addDays,
  clockIn,
  dayIn,
  dayNumber,
  dayOf,
  dayOfNumber,
  daysBetween,
  daysOfMonth,
  instantText,
  isDay,
  isMoment,
  isTimeZone,
  momentIn,
  weekdayOf,
} from '#core/time'
import { day } from '../../../times'

test('a day is one that the calendar has', () => {
  for (const day of ['2026-03-29', '2024-02-29', '0100-01-01']) expect(isDay(day)).toBe(true)
  for (const text of [
    '2026-02-30',
    '2025-02-29',
    '2026-13-01',
    '1',
    '',
    '2026-3-9',
    '2026-03-29T10:00',
    null,
    20260329,
  ])
    expect(isDay(text)).toBe(false)
})

test('a moment is a day with a time of that day', () => {
  for (const text of ['2026-03-29T14:00', '2026-03-29T14:00:30.5Z', '2026-03-29T14:00+01:00'])
    expect(isMoment(text)).toBe(true)
  for (const text of ['2026-03-29', '2026-02-30T10:00', '2026-03-29T24:00', '2026-03-29T1:00', 'soon'])
    expect(isMoment(text)).toBe(false)
})

test('the day is that of the site, not of the server', () => {
  expect(dayIn('Pacific/Auckland', Date.parse('2026-11-23T12:00:00Z'))).toEqual({ day: '2026-11-24', weekday: 2 })
  expect(dayIn('America/Los_Angeles', Date.parse('2026-11-23T02:00:00Z'))).toEqual({ day: '2026-11-22', weekday: 7 })
  expect(dayOf('2026-11-23T12:00:00Z', 'Pacific/Auckland')).toBe('2026-11-24')
  expect(dayOf('2026-11-23T23:30', 'Pacific/Auckland')).toBe('2026-11-23')
  expect(dayOf('someday', 'UTC')).toBeNull()
})

test('a time without a zone is read on the clocks of the site, also where they change', () => {
  const at = (text: string) => new Date(momentIn(text, 'Europe/London')!).toISOString()
  expect(at('2026-03-29T00:30')).toBe('2026-03-29T00:30:00.000Z')
  expect(at('2026-03-29T12:00')).toBe('2026-03-29T11:00:00.000Z')
  expect(at('2026-07-01')).toBe('2026-06-30T23:00:00.000Z')
  expect(at('2026-07-01T12:00-05:00')).toBe('2026-07-01T17:00:00.000Z')
  expect(momentIn('2026-02-30', 'Europe/London')).toBeNull()
})

const ZONES = ['Europe/London', 'America/New_York', 'Australia/Lord_Howe']

test.each([
  // Clocks go from 01:00 to 02:00: what they skip is an hour later. At 02:00 they go back: what comes twice is the first.
  ['Europe/London', '2026-03-29T01:30', '2026-03-29T01:30:00.000Z', '2026-10-25T01:30', '2026-10-25T00:30:00.000Z'],
  ['America/New_York', '2026-03-08T02:30', '2026-03-08T07:30:00.000Z', '2026-11-01T01:30', '2026-11-01T05:30:00.000Z'],
  // Clocks that go by half an hour.
  [
    'Australia/Lord_Howe',
    '2026-10-04T02:15',
    '2026-10-03T15:45:00.000Z',
    '2026-04-05T01:45',
    '2026-04-04T14:45:00.000Z',
  ],
])('in %s a time that is skipped is later, and one that comes twice is the first', (zone, gap, later, twice, first) => {
  expect(instantText(momentIn(gap, zone)!)).toBe(later)
  expect(instantText(momentIn(twice, zone)!)).toBe(first)
})

test('a day begins when the clocks show its first time, also where its midnight is skipped', () => {
  // Lebanon changes its clocks at midnight, so that 29 March 2026 begins at 01:00.
  expect(clockIn('Asia/Beirut', momentIn('2026-03-29', 'Asia/Beirut')!)).toBe('2026-03-29T01:00')
})

test('what clocks show at a moment is read as that moment again, or as the first of two that they show so', () => {
  fc.assert(
    fc.property(fc.constantFrom(...ZONES), fc.integer({ min: 0, max: 2_500_000 }), (zone, half) => {
      const at = half * 30 * 60_000
      const read = momentIn(clockIn(zone, at), zone)!
      expect(clockIn(zone, read)).toBe(clockIn(zone, at))
      expect(at - read).toBeGreaterThanOrEqual(0)
      expect(at - read).toBeLessThanOrEqual(60 * 60_000)
    }),
  )
})

test('days are counted as the calendar has them', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -600_000, max: 2_900_000 }),
      fc.integer({ min: -5000, max: 5000 }),
      (number, days) => {
        const from = dayOfNumber(number)
        expect(dayNumber(from)).toBe(number)
        expect(new Date(number * 86_400_000).toISOString().slice(0, 10)).toBe(from)
        const to = addDays(from, days)
        expect(daysBetween(from, to)).toBe(days)
        expect(isDay(to)).toBe(true)
        expect(weekdayOf(to)).toBe(((((number + days + 3) % 7) + 7) % 7) + 1)
      },
    ),
  )
  expect(addDays(day('9999-12-30'), 500)).toBe('9999-12-31')
})

test('a month has its days, also the last of all months', () => {
  expect(['2024-02', '2026-02', '9999-12'].map((month) => daysOfMonth(month).length)).toEqual([29, 28, 31])
  expect(daysOfMonth('9999-12').at(-1)).toBe('9999-12-31')
})

test('a time zone is one by its name, and no time', () => {
  for (const name of ['Europe/London', 'UTC', 'Australia/Lord_Howe']) expect(isTimeZone(name)).toBe(true)
  for (const odd of ['', 'Mars/Olympus', '2026-03-29T12:00Z', '2026-03-29T12:00[Europe/London]', 'x'.repeat(200)])
    expect(isTimeZone(odd)).toBe(false)
})
