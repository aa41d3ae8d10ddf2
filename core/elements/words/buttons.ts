import { PAGE_STYLES, join, wrapFilled } from '../../drawing'
import type { Item } from '../../tree'
import { BUTTON_CSS, BUTTON_LOOK } from './button'
import { linkOf, type ElementSpec, prop, describeItems } from '../base'

export const buttons: ElementSpec = {
  type: 'buttons',
  name: 'Buttons',
  about: 'Several buttons in a line, which wraps where there is no room.',
  group: 'Words',
  props: {
    buttons: {
      kind: 'items',
      label: 'Buttons',
      default: [],
      one: 'Button',
      named: 'label',
      most: 12,
      of: {
        label: { kind: 'text', label: 'Label', default: '', most: 120 },
        link: { kind: 'link', label: 'Leads to', default: null, dynamic: true, open: true },
        look: BUTTON_LOOK,
      },
    },
  },
  parts: { button: { label: 'Button', hides: false, states: ['hover', 'focus'] } },
  begins: {
    buttons: [
      { id: 'first', props: { label: 'Read more', link: { page: 'home' } } },
      { id: 'second', props: { label: 'Write to us', look: 'outlined' } },
    ],
  },
  ground: 'look',
  css: [BUTTON_CSS, PAGE_STYLES.buttons],
  summary: (props, names) => describeItems(props.buttons, 'label', names),
  draw(element, compile) {
    const items = prop(element, buttons, 'buttons')
    const looksOf = ({ props }: Item) =>
      compile.part(element, 'button', 'btn', compile.look(props.look ?? BUTTON_LOOK.default))
    const shown = Array.isArray(items)
      ? join(...items.map((item) => linkOf(item, 'buttons', looksOf(item), compile)))
      : ''
    return wrapFilled(`<div${compile.attributes(element, 'btns')}>`, shown, '</div>')
  },
}
