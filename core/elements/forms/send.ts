import { textChunk, join } from '../../drawing'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { describe, type ElementSpec, prop } from '../base'

/** The button that sends a form; one that has none gets one at its end. */
export const send: ElementSpec = {
  type: 'send',
  name: 'Send button',
  about: 'Sends the form in which it stands. A form without one has one at its end.',
  group: 'Forms',
  form: 'in',
  props: {
    label: { kind: 'text', label: 'Label', default: 'Send', most: 120 },
    look: BUTTON_LOOK,
  },
  ground: 'look',
  css: [BUTTON_CSS],
  states: ['hover', 'focus'],
  summary: (props, names) => describe(props.label, names),
  draw(element, compile) {
    const attributes = compile.attributes(element, 'btn', compile.look(prop(element, send, 'look')))
    return join(
      `<button type="submit"${attributes}${compile.words('label')}>`,
      textChunk(prop(element, send, 'label')),
      '</button>',
    )
  },
}
