import { type Fill, escapeHtml, join, nowIn, textChunk } from '../../drawing'
import type { Format } from '../../fields'
import { type ElementSpec, prop } from '../base'

const DAY: Format = { date: 'long' }
const WITH_WEEKDAY: Format = { date: 'full' }

/** The year, or the years since one: `2019 to 2026` is written with an en dash. */
function years(since: number, now: string): string {
  const year = now.slice(0, 4)
  return since > 0 && String(since) < year ? `${since}\u2013${year}` : year
}

export const today: ElementSpec = {
  type: 'today',
  name: 'Date and year',
  about: 'The year or the day by the clocks of the site, with words before and after: for small print.',
  group: 'Site',
  props: {
    before: { kind: 'text', label: 'Before it', default: '© ', most: 200 },
    shows: {
      kind: 'choice',
      label: 'Shows',
      default: 'year',
      options: [
        { value: 'year', label: 'The year' },
        { value: 'day', label: 'The day' },
        { value: 'weekday', label: 'The weekday and the day' },
      ],
    },
    since: { kind: 'number', label: 'Since the year', default: 0, min: 0, max: 9999, hint: '0: this year alone.' },
    after: { kind: 'text', label: 'After it', default: '', most: 200 },
  },
  begins: { after: { kind: 'field', of: 'site', field: 'name', before: ' ' } },
  css: [],
  summary: (props) => ({ day: 'the day', weekday: 'the weekday' })[String(props.shows)] ?? 'the year',
  draw(element, compile) {
    const open = `<p${compile.attributes(element, 'date')}>`
    const shows = prop(element, today, 'shows')
    const since = Number(prop(element, today, 'since'))
    const before = join(open, textChunk(prop(element, today, 'before')))
    const after = join(textChunk(prop(element, today, 'after')), '</p>')
    const time: Fill = (scene) => {
      const { day } = nowIn(scene)
      const words =
        shows === 'year' ? years(since, day) : scene.formats.date(day, shows === 'weekday' ? WITH_WEEKDAY : DAY)
      return `<time datetime="${shows === 'year' ? day.slice(0, 4) : day}">${escapeHtml(words)}</time>`
    }
    return join(before, time, after)
  },
}
