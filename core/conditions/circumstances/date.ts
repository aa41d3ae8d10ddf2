import { type Shape, byValue, exact, isRecord, judged, list, oneOf, optional, whole, yes, shapeOf } from '../../shape'
import { dayIn, isDay } from '../../time'
import { or } from '../../text'
import type { CircumstanceSpec } from '../spec'

/**
 * `from` and `until` are days, `YYYY-MM-DD`, both inclusive, in the site's time zone; weekdays 1 (Monday) to 7.
 * One that recurs every year names days of the year, `MM-DD`, and may run over its end.
 */
export interface DateCircumstance {
  kind: 'date'
  from: string | null
  until: string | null
  weekdays: number[]
  yearly?: true
}

const DAY = judged<string | null>((v) => (v === null || isDay(v) ? null : 'A day is written as 2026-03-29'))
/** A day that some year has. */
const isYearDay = (v: unknown): boolean => typeof v === 'string' && isDay(`2024-${v}`)
const YEAR_DAY = judged<string | null>((v) =>
  v === null || isYearDay(v) ? null : 'A day of every year is written as 03-29',
)

function dates(day: Shape<string | null>): Shape<DateCircumstance> {
  const shape = exact({
    kind: oneOf(['date']),
    from: day,
    until: day,
    weekdays: list(whole(1, 7, 'Days of the week are numbered 1 to 7'), 7),
    yearly: optional(yes()),
  })
  return shapeOf<DateCircumstance>()(shape)
    .test('order', 'The dates are the wrong way round', (v, context) => {
      const { from, until, yearly } = v as DateCircumstance
      const wrong = !yearly && from && until && from > until
      return (
        !wrong || context.createError({ message: `The dates are the wrong way round: ${from} comes after ${until}` })
      )
    })
    .test('some', 'Choose a day, a date to begin, or a date to end', (v) => {
      const { from, until, weekdays } = v as Partial<DateCircumstance>
      return Boolean(from || until || weekdays?.length)
    })
}
const [ONCE, YEARLY] = [dates(DAY), dates(YEAR_DAY)]

function isWithin({ from, until, yearly }: DateCircumstance, today: string): boolean {
  const day = yearly ? today.slice(5) : today
  const [begun, ended] = [!from || day >= from, until !== null && day > until]
  // Over the end of the year: from December, or until January.
  return yearly && from && until && from > until ? begun || !ended : begun && !ended
}

const DAYS = ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays']

/** At some dates, or on some days of the week. */
export const date: CircumstanceSpec<DateCircumstance> = {
  shape: byValue((v) => (isRecord(v) && v.yearly !== undefined ? YEARLY : ONCE)),
  label: 'at dates',
  start: { kind: 'date', from: null, until: null, weekdays: [] },
  questions: [
    { part: 'from', kind: 'day', label: 'From' },
    { part: 'until', kind: 'day', label: 'Until' },
    { part: 'yearly', kind: 'yes-no', label: 'every year' },
    {
      part: 'weekdays',
      kind: 'several',
      label: 'Days of the week',
      options: DAYS.map((day, i) => ({ value: i + 1, label: day.slice(0, 2) })),
    },
  ],
  needs: 'date',
  holds(circumstance, { at }, timeZone) {
    const { day, weekday } = dayIn(timeZone, at)
    const { weekdays } = circumstance
    return isWithin(circumstance, day) && (weekdays.length === 0 || weekdays.includes(weekday))
  },
  words({ from, until, weekdays, yearly }) {
    const days = weekdays.length ? `on ${or(weekdays.map((d) => DAYS[d - 1] ?? '?'))}` : ''
    const said = [days, from && `from ${from}`, until && `until ${until}`, yearly && 'every year']
    return said.filter(Boolean).join(' ') || 'at any date'
  },
}
