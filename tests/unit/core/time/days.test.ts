import { dayIn, dayOf, isDay, isMoment, momentIn } from '#core/time'

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
