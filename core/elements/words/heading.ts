import { PAGE_STYLES, both, hrefChunk, textChunk, unlessLeftOut, wrapFilled } from '../../drawing'
import { type Value, isFieldValue } from '../../tree'
import { LANGUAGE, inLanguage, type ElementSpec, prop, describe } from '../base'

/** Whether a heading says the title of the page: what the writer of one entry may leave out. */
const isPageTitle = (level: Value, text: Value): boolean =>
  level === '1' && isFieldValue(text) && text.of === 'page' && text.field === 'title'

export const heading: ElementSpec = {
  type: 'heading',
  name: 'Heading',
  about: 'A line that names what follows; level 1 is the title of the page.',
  group: 'Words',
  props: {
    text: { kind: 'text', label: 'Text', default: 'Heading', most: 500 },
    level: {
      kind: 'choice',
      label: 'Level',
      default: '2',
      options: [
        { value: '1', label: "1, the page's own title" },
        { value: '2', label: '2' },
        { value: '3', label: '3' },
        { value: '4', label: '4' },
      ],
    },
    link: { kind: 'link', label: 'Leads to', default: null, dynamic: true },
    language: LANGUAGE,
  },
  sorts: 'level',
  titles: ({ props }) => props.level === '1',
  css: [PAGE_STYLES.heading],
  summary: (props, names) => describe(props.text, names),
  draw(element, compile) {
    const tag = `h${prop(element, heading, 'level')}`
    const text = textChunk(prop(element, heading, 'text'))
    const tagOpen = `<${tag}${compile.attributes(element, 'heading')}${compile.words('text')}`
    const open = inLanguage(tagOpen, prop(element, heading, 'language'))
    const href = hrefChunk(prop(element, heading, 'link'))
    const linked = both(href, text, (to, inside) => (to && inside ? `<a href="${to}">${inside}</a>` : inside))
    const whole = wrapFilled(open, linked, `</${tag}>`)
    return isPageTitle(prop(element, heading, 'level'), prop(element, heading, 'text'))
      ? unlessLeftOut('title', whole)
      : whole
  },
}
