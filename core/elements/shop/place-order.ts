import { CHECKOUT_WORDS, type CheckoutWord, consentField } from '../../shop'
import { PAGE_STYLES, type Scene, escapeHtml, fill, plainText, richChunk } from '../../drawing'
import { isRichDoc, richText } from '../../rich'
import type { LayoutElement, Property, Value } from '../../tree'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { type ElementSpec, prop, text } from '../base'
import { SHOP_FORM, own, problemOf, saying, shoppingOf } from './bits'
import { GROUP_CSS, GROUP_PARTS } from './buyer'

const WORDS = Object.entries(CHECKOUT_WORDS) as [CheckoutWord, string][]
const asked = { by: 'ownWords', is: [true] }
const wordProps = Object.fromEntries(
  WORDS.map(([name, words]): [string, Property] => [`says-${name}`, { ...text(`“${words}”`, words), asked }]),
)

/** The button that orders. */
export const placeOrder: ElementSpec = {
  type: 'place-order',
  name: 'Place order',
  about: 'Orders what is in the basket, and leads to where it is paid.',
  group: 'Shop',
  once: true,
  props: {
    label: text('Button', 'Order and pay', 80),
    small: text('Small print', '', 400),
    look: { ...BUTTON_LOOK, label: 'Look of the button' },
    ownWords: { kind: 'yes-no', label: 'The checkout says what is wrong in words of its own', default: false },
    ...wordProps,
  },
  parts: {
    button: { label: 'Button', hides: false, words: 'label', states: ['hover', 'focus'] },
    small: { label: 'Small print', words: 'small' },
  },
  css: [...GROUP_CSS, BUTTON_CSS],
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.shopForm()
    const say = saying(element, placeOrder)
    const open = `<div${compile.attributes(element, 'shop')}>`
    const look = compile.part(element, 'button', 'btn', compile.look(prop(element, placeOrder, 'look')))
    const button = `<button type="submit" form="${SHOP_FORM}" name="does" value="place"${look}${compile.words('label')}>`
    const small = compile.part(element, 'small', 'shop-small') + compile.words('small')
    const shows = compile.shows(element, 'small')
    return (scene) => {
      const words = shows ? say('small', scene) : ''
      return `${open}${button}${say('label', scene)}</button>${words && `<p${small}>${words}</p>`}</div>`
    }
  },
}

/** Every sentence of a checkout, as its button to order says them. */
export function checkoutWords(element: LayoutElement | null, scene: Scene): Record<CheckoutWord, string> {
  if (!element || prop(element, placeOrder, 'ownWords') !== true) return CHECKOUT_WORDS
  const said = WORDS.map(([name, words]) => [
    name,
    plainText(prop(element, placeOrder, `says-${name}`), scene) || words,
  ])
  return Object.fromEntries(said) as Record<CheckoutWord, string>
}

const AGREE: Value = {
  type: 'doc',
  content: [{ type: 'paragraph', content: [{ type: 'text', text: 'I agree to the terms of sale.' }] }],
}

/** Something that the buyer agrees to. */
export const orderConsent: ElementSpec = {
  type: 'order-consent',
  name: 'Consent to an order',
  about: 'Something that the buyer agrees to, with links to what it is.',
  group: 'Shop',
  props: {
    words: { kind: 'rich', label: 'Words', default: AGREE },
    needed: { kind: 'yes-no', label: 'Nobody orders without', default: true },
  },
  parts: { words: { label: 'Words', hides: false }, problem: GROUP_PARTS.problem },
  css: [...GROUP_CSS, PAGE_STYLES.placeOrder],
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.shopForm()
    const open = `<div${compile.attributes(element, 'shop')}><div class="of-agree">`
    const said = prop(element, orderConsent, 'words')
    const words = isRichDoc(said) ? richChunk(said) : ''
    const attributes = compile.part(element, 'words')
    const problem = compile.part(element, 'problem', 'problem')
    const name = consentField(element.id)
    return (scene) => {
      const on = own(shoppingOf(scene).said, name) === 'yes'
      const why = problemOf(scene, name, problem)
      return `${open}<input type="checkbox" form="${SHOP_FORM}" id="of-${escapeHtml(name)}" name="${escapeHtml(name)}" value="yes"${on ? ' checked' : ''}${why ? ' aria-invalid="true"' : ''} aria-labelledby="of-${escapeHtml(name)}-words"><div id="of-${escapeHtml(name)}-words"${attributes}>${fill([words], scene)}</div></div>${why}</div>`
    }
  },
}

/** What an element asks somebody to agree to. */
export function consentOf(element: LayoutElement): { id: string; words: string; needed: boolean } {
  const words = prop(element, orderConsent, 'words')
  return {
    id: element.id,
    words: isRichDoc(words) ? richText(words).slice(0, 1000) : '',
    needed: prop(element, orderConsent, 'needed') === true,
  }
}
