import { PAGE_STYLES, type Chunk, type Scene, escapeHtml, fill, nowIn, readValue, textChunk } from '../../drawing'
import { type Day, dayOf, daysBetween } from '../../time'
import type { Value } from '../../tree'
import type { Format } from '../../fields'
import { type ElementSpec, prop, describe } from '../base'

const DAYS: Format = { unit: 'long' }

/** The day (`YYYY-MM-DD`) that a value says; null for what is none. */
function dayOfValue(value: Value, scene: Scene): Day | null {
  const found = readValue(value, scene)
  const text = String((found && ('literal' in found ? found.literal : found.value)) ?? '').trim()
  return dayOf(text, scene.catalogue.site.settings.timeZone)
}

export const countdown: ElementSpec = {
  type: 'countdown',
  name: 'Days to a date',
  about: 'How many days are left until a day, by the clocks of the site; other words on that day, and after it.',
  group: 'Words',
  props: {
    day: {
      kind: 'text',
      essential: true,
      label: 'Day',
      default: '',
      most: 40,
      hint: 'Such as 2026-12-24, or a field with a date.',
    },
    before: { kind: 'text', label: 'Before the days', default: 'In ', most: 200 },
    after: { kind: 'text', label: 'After the days', default: '', most: 200 },
    on: { kind: 'text', label: 'On that day', default: 'Today', most: 200 },
    over: { kind: 'text', label: 'When it is over', default: '', most: 200, hint: 'Empty: nothing is drawn then.' },
  },
  parts: { days: { label: 'Days', hides: false } },
  begins: { day: { kind: 'field', of: 'page', field: 'date' } },
  css: [PAGE_STYLES.countdown],
  summary: (props, names) => describe(props.day, names),
  draw(element, compile) {
    const day = prop(element, countdown, 'day')
    const open = `<p${compile.attributes(element, 'countdown')}>`
    const own = compile.part(element, 'days')
    const words = (name: string) => textChunk(prop(element, countdown, name))
    const [before, after, on, over] = [words('before'), words('after'), words('on'), words('over')]
    return (scene) => {
      const to = dayOfValue(day, scene)
      if (!to) return ''
      const left = daysBetween(nowIn(scene).day, to)
      const said = (chunk: Chunk) => fill([chunk], scene)
      const around = (html: string) => html && `${open}${html}</p>`
      if (left <= 0) return around(said(left === 0 ? on : over))
      const days = escapeHtml(scene.formats.number(left, DAYS, 'day'))
      return around(`${said(before)}<strong${own}><time datetime="${to}">${days}</time></strong>${said(after)}`)
    }
  },
}
