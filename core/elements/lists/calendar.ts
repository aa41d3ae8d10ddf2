import {
  PAGE_STYLES,
  type Chunk,
  type Compile,
  type Scene,
  attribute,
  escapeHtml,
  fill,
  nowIn,
  textChunk,
} from '../../drawing'
import { type Month, isMonth, monthOfEntries } from '../../lists'
import type { Entry, Id } from '../../model'
import { type Parameters, writeParameters } from '../../addresses'
import { momentIn, clockIn, type Day, weekdayOf, daysOfMonth } from '../../time'
import { entryName } from '../../catalogue'
import type { LayoutElement } from '../../tree'
import { headingLevel, type ElementSpec, prop } from '../base'
import { typesNamed } from './plan'

/** The address parameter by which a month is asked for. */
const MONTH = 'month'

/** So many entries of one day are shown; a day of a calendar is small. */
const MOST_A_DAY = 12

/** A month of entries as a calendar: each at its day, the months beside it one step away. */
export const calendar: ElementSpec = {
  type: 'calendar',
  name: 'Calendar',
  about: 'Entries at their days, a month at a time, with addresses of its own for each month.',
  group: 'Entry',
  props: {
    type: { kind: 'type', label: 'Page type', default: null },
    types: {
      kind: 'items',
      label: 'And of these page types',
      default: [],
      one: 'Page type',
      named: 'type',
      most: 6,
      of: { type: { kind: 'type', label: 'Page type', default: null } },
    },
    field: { kind: 'entry-field', label: 'At the day of', default: 'date', for: 'sort' },
    begins: {
      kind: 'choice',
      label: 'Weeks begin on',
      default: '0',
      options: [
        { value: '0', label: 'Monday' },
        { value: '6', label: 'Sunday' },
        { value: '5', label: 'Saturday' },
      ],
    },
    level: headingLevel('Its title is'),
    previous: { kind: 'text', label: 'To the month before', default: 'Earlier', most: 60 },
    next: { kind: 'text', label: 'To the month behind', default: 'Later', most: 60 },
    today: { kind: 'text', label: 'Read out for today', default: 'today', most: 60 },
    empty: { kind: 'text', label: 'If there are none', default: '', most: 300 },
  },
  parts: {
    title: { label: 'Title', hides: false },
    step: { label: 'Ways to other months', states: ['hover', 'focus'] },
    day: { label: 'Day', hides: false },
    entry: { label: 'Entry', hides: false, states: ['hover', 'focus'] },
  },
  css: [PAGE_STYLES.calendar],
  summary: (props, names) =>
    typeof props.type === 'string' ? (names.type(props.type) ?? 'a type that no longer exists') : 'no type chosen',
  draw(element, compile) {
    compile.reads(MONTH)
    const say = (name: string) => prop(element, calendar, name)
    const types = typesNamed(element)
    const field = typeof say('field') === 'string' ? String(say('field')) : 'date'
    const none = textChunk(say('empty'))
    const attributes = compile.attributes(element, 'calendar')
    const written = new Writing(element, compile)
    return (scene) => {
      const { catalogue, request } = scene
      const [asked] = Object.hasOwn(request.parameters, MONTH) ? request.parameters[MONTH]! : []
      const { day } = nowIn(scene)
      const found = monthOfEntries(catalogue, types, field, isMonth(asked) ? asked : null, day)
      if (found) return `<div${attributes} data-calendar>${written.month(found, field, day, scene)}</div>`
      const words = fill([none], scene)
      return words && `<p${attributes}>${words}</p>`
    }
  },
}

/** How a month is written: its head, its days in weeks, what is at each. */
class Writing {
  private readonly begins: number
  private readonly tag: string
  private readonly titleOpen: string
  private readonly step: string
  private readonly steps: boolean
  private readonly day: string
  private readonly now: string
  private readonly entry: string
  private readonly words: Readonly<Record<'previous' | 'next' | 'today', Chunk>>

  constructor(element: LayoutElement, compile: Compile) {
    const say = (name: string) => prop(element, calendar, name)
    this.begins = Number(say('begins'))
    this.tag = `h${String(say('level'))}`
    this.titleOpen = `<${this.tag}${compile.part(element, 'title')}>`
    this.step = compile.part(element, 'step')
    this.steps = compile.shows(element, 'step')
    this.day = compile.part(element, 'day')
    this.now = compile.part(element, 'day', 'now')
    this.entry = compile.part(element, 'entry')
    const chunk = (name: string) => textChunk(say(name))
    this.words = { previous: chunk('previous'), next: chunk('next'), today: chunk('today') }
  }

  /** A way to another month, by what it is called; other parameters of the address stay. */
  private way(to: string | null, rel: 'prev' | 'next', { page, request, formats }: Scene, words: string): string {
    if (to === null || !this.steps) return ''
    const given: Parameters = { ...request.parameters, [MONTH]: [to] }
    const name = escapeHtml(formats.date(`${to}-01`, IN_FULL))
    const href = `${page.address || '/'}?${writeParameters(given)}`
    return `<a${this.step} rel="${rel}"${attribute('href', href)}>${words}<span class="of-sr">: ${name}</span></a>`
  }

  month({ month, days, previous, next }: Month, field: Id, today: string, scene: Scene): string {
    const { formats } = scene
    const say = (chunk: Chunk) => fill([chunk], scene)
    const title = escapeHtml(formats.date(`${month}-01`, IN_FULL))
    const ways =
      this.way(previous, 'prev', scene, say(this.words.previous)) + this.way(next, 'next', scene, say(this.words.next))
    const heads = Array.from({ length: 7 }, (_, i) => {
      const day = (this.begins + i) % 7
      const short = escapeHtml(formats.shortWeekdays[day]!)
      return `<th scope="col"><abbr${attribute('title', formats.weekdays[day]!)}>${short}</abbr></th>`
    })
    const rows = weeksOf(month, this.begins).map((week) => {
      const cells = week.map((day) =>
        day === null ? '<td></td>' : this.cell(day, days.get(day) ?? [], field, today, scene),
      )
      return `<tr>${cells.join('')}</tr>`
    })
    return (
      `<div class="of-calendar-head">${this.titleOpen}${title}</${this.tag}>${ways}</div>` +
      `<table${attribute('aria-label', title)}><thead><tr>${heads.join('')}</tr></thead><tbody>${rows.join('')}</tbody></table>`
    )
  }

  private cell(day: string, entries: readonly Entry[], field: Id, today: string, scene: Scene): string {
    const isToday = day === today
    const mark = isToday ? `<span class="of-sr"> (${fill([this.words.today], scene)})</span>` : ''
    const items = entries.slice(0, MOST_A_DAY).map((entry) => this.item(entry, field, scene))
    const list = items.length > 0 ? `<ul>${items.join('')}</ul>` : ''
    return `<td${isToday ? this.now : this.day}><time datetime="${day}">${Number(day.slice(8))}${mark}</time>${list}</td>`
  }

  private item(entry: Entry, field: Id, { catalogue, formats }: Scene): string {
    const name = escapeHtml(entryName(entry, catalogue.types.get(entry.type)))
    const href = catalogue.addressOf(entry.id)
    const hour = hourOf(entry.fields[field], catalogue.site.settings.timeZone)
    const at = hour ? `<span class="of-hour">${escapeHtml(formats.time(hour))}</span>` : ''
    return `<li>${at}${href ? `<a${this.entry}${attribute('href', href)}>${name}</a>` : name}</li>`
  }
}

const IN_FULL = { date: 'month' } as const

/** The time of day of a moment on the clocks of the site; null for a day. */
function hourOf(value: unknown, timeZone: string): string | null {
  if (typeof value !== 'string' || !value.includes('T')) return null
  const at = momentIn(value, timeZone)
  return at === null ? null : clockIn(timeZone, at).slice(11)
}

/** The days of a month in weeks that begin on a day (0: Monday); null for those of other months. */
function weeksOf(month: string, begins: number): (Day | null)[][] {
  const days = daysOfMonth(month)
  const lead = (weekdayOf(days[0]!) - 1 - begins + 7) % 7
  const cells: (Day | null)[] = [...Array.from({ length: lead }, () => null), ...days]
  while (cells.length % 7 !== 0) cells.push(null)
  return Array.from({ length: cells.length / 7 }, (_, i) => cells.slice(i * 7, i * 7 + 7))
}
