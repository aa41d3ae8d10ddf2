import { PAGE_STYLES, type Chunk, join, textChunk, wrapFilled } from '../../drawing'
import type { ElementSpec } from '../base'

export const sections: ElementSpec = {
  type: 'sections',
  name: 'Opening sections',
  about: 'Sections that open and close, each with rows of its own. They work without script.',
  group: 'Space',
  props: {},
  places: {
    one: 'Section',
    named: 'title',
    least: 1,
    most: 24,
    props: {
      title: { kind: 'text', label: 'Title', default: 'More', most: 200 },
      open: { kind: 'yes-no', label: 'Open to begin with', default: false },
    },
  },
  parts: { title: { label: 'Title', hides: false, states: ['hover', 'focus'] } },
  css: [PAGE_STYLES.sections],
  summary: () => '',
  draw(element, compile) {
    const own = compile.part(element, 'title')
    const each = (element.children ?? []).map((place): Chunk => {
      const title = place.props.title ?? sections.places!.props.title!.default
      const open = place.props.open === true ? ' open' : ''
      const opening = `<details${compile.attributes(place)}${open}><summary${own}${compile.words('title')}>`
      const inside = join(textChunk(title as string), '</summary>', compile.place(place))
      return compile.shown(place, wrapFilled(opening, inside, '</details>'))
    })
    return join(`<div${compile.attributes(element, 'sections')}>`, ...each, '</div>')
  },
}
