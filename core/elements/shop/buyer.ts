import { FIELD } from '../../shop'
import { FOCUS_CSS } from '../../drawing'
import { QUESTION_CSS } from '../forms'
import { type ElementSpec, prop, text } from '../base'
import { SHOP_CSS, field, saying } from './bits'

/** What all groups of fields of a checkout are made of. */
export const GROUP_PARTS = {
  heading: { label: 'Heading', words: 'heading' },
  label: { label: 'Label of a field', hides: false },
  field: { label: 'Field', hides: false, states: ['hover', 'focus'] },
  problem: { label: 'What is wrong', hides: false },
} as const
export const GROUP_CSS = [FOCUS_CSS, ...QUESTION_CSS, SHOP_CSS]

/** Who buys. */
export const buyer: ElementSpec = {
  type: 'buyer',
  name: 'Buyer',
  about: 'Asks who buys: name, mail address, telephone.',
  group: 'Shop',
  once: true,
  props: {
    heading: text('Heading', 'Who buys', 120),
    name: text('Asks for the name', 'Name', 80),
    mail: text('Asks for the mail address', 'Mail address', 80),
    phone: text('Asks for the telephone', 'Telephone (optional)', 80),
    needsPhone: { kind: 'yes-no', label: 'The telephone must be said', default: false },
  },
  parts: { ...GROUP_PARTS, phone: { label: 'Telephone', words: 'phone', plain: true } },
  css: GROUP_CSS,
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.shopForm()
    const say = saying(element, buyer)
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const open = `<div${compile.attributes(element, 'shop')}><fieldset>`
    const heading = part('heading') + compile.words('heading')
    const parts = { label: part('label'), field: part('field'), problem: part('problem', 'problem') }
    const shows = (name: string) => compile.shows(element, name)
    const needsPhone = prop(element, buyer, 'needsPhone') === true
    return (scene) => {
      const ask = (name: 'name' | 'mail' | 'phone', type: 'text' | 'email' | 'tel', autocomplete: string) =>
        field(
          scene,
          { name: FIELD[name], type, autocomplete, required: name !== 'phone' || needsPhone },
          { ...parts, labelled: say(name, scene) },
        )
      const legend = shows('heading') ? `<legend${heading}>${say('heading', scene)}</legend>` : ''
      const phone = shows('phone') || needsPhone ? ask('phone', 'tel', 'tel') : ''
      return `${open}${legend}${ask('name', 'text', 'name')}${ask('mail', 'email', 'email')}${phone}</fieldset></div>`
    }
  },
}

/** Whether a buyer has to say a telephone number. */
export const needsPhone = (element: Parameters<typeof prop>[0]): boolean => prop(element, buyer, 'needsPhone') === true
