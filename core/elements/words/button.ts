import { PAGE_STYLES, both, hrefChunk, textChunk } from '../../drawing'
import type { ValueProperty } from '../../tree'
import { type ElementSpec, prop, describe } from '../base'

/** The looks of buttons, shared by one and by several. */
export const BUTTON_CSS = PAGE_STYLES.button

/** Which of the house's looks for buttons one has. */
export const BUTTON_LOOK: Extract<ValueProperty, { kind: 'look' }> = {
  kind: 'look',
  label: 'Look',
  for: 'button',
  default: 'filled',
}

export const button: ElementSpec = {
  type: 'button',
  name: 'Button',
  about: 'One clear way on. It is drawn only when it has a label and leads somewhere.',
  group: 'Words',
  props: {
    label: { kind: 'text', label: 'Label', default: 'Read more', most: 120 },
    link: { kind: 'link', label: 'Leads to', default: { page: 'home' }, dynamic: true, open: true },
    look: BUTTON_LOOK,
  },
  sorts: 'look',
  ground: 'look',
  css: [BUTTON_CSS],
  states: ['hover', 'focus'],
  summary: (props, names) => describe(props.label, names),
  draw(element, compile) {
    const look = compile.look(prop(element, button, 'look'))
    const attributes = compile.attributes(element, 'btn', look) + compile.words('label')
    const label = textChunk(prop(element, button, 'label'))
    return both(hrefChunk(prop(element, button, 'link')), label, (href, inside) =>
      inside && (href || compile.open) ? `<a${attributes}${href && ` href="${href}"`}>${inside}</a>` : '',
    )
  },
}
