import { PAGE_STYLES, type Chunk, escapeHtml, fill, join, textChunk } from '../../drawing'
import { type ElementSpec, prop } from '../base'

/** The most sections whose choice is written into the rules. */
const MOST = 12

/** Sections side by side, one of them shown: a choice among radio buttons, so that keys and readers know it without script. */
export const tabs: ElementSpec = {
  type: 'tabs',
  name: 'Sections side by side',
  about: 'Sections of which one is shown at a time, chosen by its title. They work without script.',
  group: 'Space',
  props: {
    name: { kind: 'text', label: 'Read out as', default: 'Sections', most: 120 },
  },
  places: {
    one: 'Section',
    named: 'title',
    least: 1,
    most: MOST,
    props: { title: { kind: 'text', label: 'Title', default: 'More', most: 120 } },
  },
  parts: { title: { label: 'Title', hides: false, states: ['hover', 'focus'] } },
  css: [PAGE_STYLES.tabs],
  summary: () => '',
  draw(element, compile) {
    const own = compile.part(element, 'title')
    const group = escapeHtml(element.id)
    // A section that is not shown to somebody has no title either; the first that is shown is chosen.
    const each = (element.children ?? []).map((place, i): Chunk => {
      const title = place.props.title ?? tabs.places!.props.title!.default
      const id = `of-${group}-${i}`
      const label = join(
        `<label for="${id}"${own}${compile.words('title')}>`,
        textChunk(title as string),
        '</label>',
        `<div${compile.attributes(place)}>`,
        compile.place(place),
        '</div>',
      )
      return compile.shown(place, join(`<input type="radio" name="of-${group}" id="${id}">`, label))
    })
    const name = textChunk(prop(element, tabs, 'name'))
    const open = join(`<div${compile.attributes(element, 'tabs')} role="group" aria-label="`, name, '">')
    const inside = join(...each)
    return (scene) => {
      const html = fill([inside], scene)
      return html && `${fill([open], scene)}${html.replace('<input type="radio"', '<input type="radio" checked')}</div>`
    }
  },
}
