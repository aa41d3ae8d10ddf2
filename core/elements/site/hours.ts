import { PAGE_STYLES, type Scene, escapeHtml, holdsUntil, nowIn, plainText } from '../../drawing'
import type { Item, Value } from '../../tree'
import { type ElementSpec, prop } from '../base'

/** Which days of the week an item is about, 0 for Monday. */
const DAYS: Readonly<Record<string, readonly number[]>> = {
  every: [0, 1, 2, 3, 4, 5, 6],
  week: [0, 1, 2, 3, 4],
  weekend: [5, 6],
  monday: [0],
  tuesday: [1],
  wednesday: [2],
  thursday: [3],
  friday: [4],
  saturday: [5],
  sunday: [6],
}

/** A time of day: `9:30`, `09.30` and `9` are all read. */
const TIME = /^\s*([01]?\d|2[0-4])(?:[:.h]([0-5]\d))?\s*$/

/** A time as `HH:MM`; null for what is none. Midnight at the end of a day is 24:00. */
export function timeOf(words: string): string | null {
  const found = TIME.exec(words)
  if (!found) return null
  const [, hour = '', minute = '00'] = found
  return hour === '24' && minute !== '00' ? null : `${hour.padStart(2, '0')}:${minute}`
}

/** From when till when, as `HH:MM`. */
export type Span = readonly [opens: string, closes: string]

export interface Day {
  spans: Span[]
  /** What is said of the day beside its hours, or instead of them. */
  words: string[]
}

/** Spans of one day as people read them: in order, those that touch or overlap as one. */
export function merged(spans: readonly Span[]): Span[] {
  const found: [string, string][] = []
  for (const [opens, closes] of [...spans].sort()) {
    const last = found.at(-1)
    if (last && opens <= last[1]) last[1] = closes > last[1] ? closes : last[1]
    else found.push([opens, closes])
  }
  return found
}

/** The week that items come to, Monday first. What closes before it opens closes after midnight. */
export function weekOf(items: readonly Item[], read: (value: Value | undefined) => string): Day[] {
  const week: Day[] = DAYS.every!.map(() => ({ spans: [], words: [] }))
  for (const { props } of items) {
    const [opens, closes] = [timeOf(read(props.opens)), timeOf(read(props.closes))]
    const words = read(props.words).trim()
    for (const day of DAYS[String(props.days ?? 'every')] ?? []) {
      const { spans } = week[day]!
      if (opens && closes && opens < closes) spans.push([opens, closes])
      else if (opens && closes && closes !== opens) {
        spans.push([opens, '24:00'])
        if (closes > '00:00') week[(day + 1) % 7]!.spans.push(['00:00', closes])
      }
      if (words) week[day]!.words.push(words)
    }
  }
  return week.map(({ spans, words }) => ({ spans: merged(spans), words: [...new Set(words)] }))
}

interface OpeningHours {
  from: number
  to: number
  day: Day
}

/** Days after one another that are alike, as one line: its first and last day. */
function linesOf(week: readonly Day[]): OpeningHours[] {
  const lines: OpeningHours[] = []
  for (const [i, day] of week.entries()) {
    const last = lines.at(-1)
    if (last && JSON.stringify(last.day) === JSON.stringify(day)) last.to = i
    else lines.push({ from: i, to: i, day })
  }
  return lines
}

/** Whether it is open at a time of a day. */
export const isOpen = ({ spans }: Day, time: string): boolean =>
  spans.some(([opens, closes]) => opens <= time && time < closes)

/** When it opens or closes next on a day, after a time of it; null when no more on that day. */
export const nextChange = ({ spans }: Day, time: string): string | null =>
  spans.flat().find((moment) => moment > time && moment < '24:00') ?? null

/** The days and the hours of a line, in words. */
function wordsOf({ day, from, to }: OpeningHours, closed: string, { formats }: Scene): { days: string; times: string } {
  const { weekdays } = formats
  const time = (text: string) => formats.time(text === '24:00' ? '00:00' : text)
  const spans = day.spans.map(([opens, closes]) => `${time(opens)}\u2013${time(closes)}`)
  return {
    days: escapeHtml(from === to ? weekdays[from]! : `${weekdays[from]}\u2013${weekdays[to]}`),
    times: escapeHtml([...spans, ...day.words].join(', ') || closed),
  }
}

export const hours: ElementSpec = {
  type: 'hours',
  name: 'Opening hours',
  about: 'The week with its hours, today marked, and whether it is open now by the clocks of the site.',
  group: 'Site',
  props: {
    hours: {
      kind: 'items',
      label: 'Hours',
      default: [],
      one: 'Hours',
      named: 'days',
      most: 60,
      of: {
        days: {
          kind: 'choice',
          label: 'Days',
          default: 'every',
          options: [
            { value: 'every', label: 'Every day' },
            { value: 'week', label: 'Monday to Friday' },
            { value: 'weekend', label: 'Saturday and Sunday' },
            { value: 'monday', label: 'Monday' },
            { value: 'tuesday', label: 'Tuesday' },
            { value: 'wednesday', label: 'Wednesday' },
            { value: 'thursday', label: 'Thursday' },
            { value: 'friday', label: 'Friday' },
            { value: 'saturday', label: 'Saturday' },
            { value: 'sunday', label: 'Sunday' },
          ],
        },
        opens: { kind: 'text', label: 'Opens', default: '', most: 20 },
        closes: { kind: 'text', label: 'Closes', default: '', most: 20 },
        words: { kind: 'text', label: 'Also said', default: '', most: 120 },
      },
    },
    closed: { kind: 'text', label: 'Days without hours', default: 'Closed', most: 60 },
    open: { kind: 'text', label: 'Said while it is open', default: 'Open now', most: 60 },
    shut: { kind: 'text', label: 'Said while it is closed', default: 'Closed now', most: 60 },
  },
  parts: {
    now: { label: 'Open or closed now' },
    day: { label: 'Day', hides: false },
    hours: { label: 'Hours', hides: false },
    today: { label: 'Today', hides: false },
  },
  begins: {
    hours: [
      { id: 'first', props: { days: 'week', opens: '10:00', closes: '17:00' } },
      { id: 'second', props: { days: 'weekend', opens: '11:00', closes: '16:00' } },
    ],
  },
  css: [PAGE_STYLES.hours],
  summary: ({ hours: items }) => (Array.isArray(items) ? `${items.length} lines` : ''),
  draw(element, compile) {
    const items = prop(element, hours, 'hours')
    if (!Array.isArray(items) || items.length === 0) return ''
    const open = `<div${compile.attributes(element, 'hours')}>`
    const nowOpen = `<p${compile.part(element, 'now', 'hours-now')}>`
    const saysNow = compile.shows(element, 'now')
    const [dayPart, hoursPart] = [compile.part(element, 'day'), compile.part(element, 'hours')]
    const todayPart = compile.part(element, 'today', 'today')
    return (scene) => {
      const read = (value: Value | undefined) => plainText(value, scene)
      const says = (name: string) => read(prop(element, hours, name))
      const week = weekOf(items, read)
      const { day, weekday, time } = nowIn(scene)
      const next = nextChange(week[weekday]!, time)
      if (saysNow && next) holdsUntil(scene, `${day}T${next}`)
      const rows = linesOf(week).map((line) => {
        const { days, times } = wordsOf(line, says('closed'), scene)
        const own = line.from <= weekday && weekday <= line.to ? todayPart : ''
        return `<tr${own}><th scope="row"${dayPart}>${days}</th><td${hoursPart}>${times}</td></tr>`
      })
      const now = escapeHtml(says(isOpen(week[weekday]!, time) ? 'open' : 'shut'))
      return `${open}${saysNow && now ? `${nowOpen}${now}</p>` : ''}<table><tbody>${rows.join('')}</tbody></table></div>`
    }
  },
}
