import { isFieldValue } from '../../tree'
import { fieldKind } from '../../catalogue'
import { type Reading, READINGS, type ReadingKind } from '../../fields'
import { PAGE_STYLES, both, type Scene, textChunk, keptFill } from '../../drawing'
import { fallbackFill, isBlock, readingHtml, valueFill } from './field-html'
import { type ElementSpec, prop, describe } from '../base'
import { RICH_CSS } from '../words'

/** Whether values of a kind are links; what writers wrote may always hold one. */
const isLinked = (kind: ReadingKind | null): boolean => kind !== null && READINGS[kind].linked

export const field: ElementSpec = {
  type: 'field',
  name: 'Field',
  about: 'One field with its label, in the format you choose; nothing at all when it is empty.',
  group: 'Entry',
  props: {
    value: {
      kind: 'field',
      essential: true,
      label: 'Field',
      default: { kind: 'field', of: 'page', field: 'title' },
    },
    label: { kind: 'text', label: 'Label', default: '', most: 120 },
    arrange: {
      kind: 'choice',
      label: 'Label stands',
      default: 'before',
      options: [
        { value: 'before', label: 'Before the value' },
        { value: 'above', label: 'Above it' },
        { value: 'table', label: 'Left, value right' },
      ],
    },
    linked: { kind: 'yes-no', label: 'Lead to its page', default: true },
  },
  linked: ({ props }, catalogue) =>
    isFieldValue(props.value) && props.linked !== false && isLinked(fieldKind(catalogue, props.value)),
  css: [RICH_CSS, PAGE_STYLES.field],
  parts: { label: { label: 'Label', words: 'label' }, value: { label: 'Value', hides: false } },
  summary: (props, names) => describe(props.value, names),
  draw(element, compile) {
    const value = prop(element, field, 'value')
    if (!isFieldValue(value)) return ''
    const linked = prop(element, field, 'linked') === true
    const arrange = String(prop(element, field, 'arrange'))
    const open = `<div${compile.attributes(element, 'field', ...(arrange === 'before' ? [] : [arrange]))}>`
    const label = compile.shows(element, 'label') ? textChunk(prop(element, field, 'label')) : ''
    const nameOpen = `<span${compile.part(element, 'label', 'label')}${compile.words('label')}>`
    const own = compile.part(element, 'value', 'value')
    // A value by itself needs no box of its own, unless it has looks of its own.
    const bare = own === ' class="of-value"'
    const wrap = (name: string, html: string): string => {
      if (!html) return ''
      if (!name && bare) return `${open}${html}</div>`
      // Paragraphs and lists cannot stand inside a line.
      const tag = isBlock(html) ? 'div' : 'span'
      const before = name && `${nameOpen}${name}</span> `
      return `${open}${before}<${tag}${own}>${html}</${tag}></div>`
    }
    const otherwise = fallbackFill(value)
    // A label that is known is kept with what it stands beside.
    if (typeof label === 'string')
      return keptFill(
        value,
        (reading: Reading, scene: Scene) => wrap(label, readingHtml(reading, value, scene, linked)),
        (scene) => wrap(label, otherwise(scene)),
      )
    return both(label, valueFill(value, linked), wrap)
  },
}
