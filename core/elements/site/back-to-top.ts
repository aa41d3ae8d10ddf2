import { PAGE_STYLES, textChunk, wrapFilled } from '../../drawing'
import { type ElementSpec, prop, describe } from '../base'

export const backToTop: ElementSpec = {
  type: 'back-to-top',
  name: 'Back to the top',
  about: 'A link to the beginning of the page; it needs no script.',
  group: 'Site',
  props: { label: { kind: 'text', label: 'Label', default: 'Back to the top', most: 120 } },
  states: ['hover', 'focus'],
  css: [PAGE_STYLES.backToTop],
  summary: (props, names) => describe(props.label, names),
  draw: (element, compile) =>
    wrapFilled(
      `<a${compile.attributes(element, 'top')}${compile.words('label')} href="#">`,
      textChunk(prop(element, backToTop, 'label')),
      '</a>',
    ),
}
