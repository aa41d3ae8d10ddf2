import { FIELD, countryOf, deliveryCost, deliveryUse, needsDelivery, wayOf, waysTo } from '../../shop'
import { PAGE_STYLES, escapeHtml } from '../../drawing'
import { PLAIN_SHOP } from '../../selling'
import { type ElementSpec, text } from '../base'
import { SHOP_FORM, field, money, problemOf, saying, shoppingOf } from './bits'
import { GROUP_CSS, GROUP_PARTS } from './buyer'

/** What is chosen at the checkout: how it comes, and how it is paid; and what is said besides. */

interface ShopOption {
  id: string
  label: string
  about: string
  beside: string
  chosen: boolean
}

const PICKS_CSS = PAGE_STYLES.shopChoices

const picks = (name: string, choices: readonly ShopOption[]): string =>
  `<div class="of-picks">${choices
    .map(
      ({ id, label, about, beside, chosen }, i) =>
        `<label><input type="radio" form="${SHOP_FORM}"${i === 0 ? ` id="of-${name}"` : ''} name="${name}" value="${escapeHtml(id)}"${chosen ? ' checked' : ''}><span>${escapeHtml(label)}${about ? `<br><span class="of-shop-small">${escapeHtml(about)}</span>` : ''}</span><span class="of-shop-money">${beside}</span></label>`,
    )
    .join('')}</div>`

const PARTS = { heading: GROUP_PARTS.heading, problem: GROUP_PARTS.problem }

/** How it comes to the buyer. */
export const deliveryChoice: ElementSpec = {
  type: 'delivery-choice',
  name: 'Delivery choice',
  about: 'Asks how it comes, among the ways that lead to where the buyer lives, with what each costs.',
  group: 'Shop',
  once: true,
  props: {
    heading: text('Heading', 'How it comes to you', 120),
    free: text('What costs nothing', 'free', 80),
    none: text('Where no way leads', 'Nothing that we know comes to this country.', 200),
  },
  parts: PARTS,
  css: [...GROUP_CSS, PICKS_CSS],
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.shopForm()
    compile.script('shop')
    const say = saying(element, deliveryChoice)
    const open = `<div${compile.attributes(element, 'shop')} data-shop="way">`
    const heading = compile.part(element, 'heading') + compile.words('heading')
    const problem = compile.part(element, 'problem', 'problem')
    const shows = compile.shows(element, 'heading')
    return (scene) => {
      const { lines, said, totals, asks } = shoppingOf(scene)
      if (!needsDelivery(lines) && !compile.open) return `${open}</div>`
      const { currency, selling: shop = PLAIN_SHOP } = scene.catalogue.site.settings
      const asked = { shop, lines, asks }
      const ways = waysTo(shop, countryOf(said, deliveryUse(asked, said), shop))
      const way = wayOf(asked, said)
      const choices = ways.map((w): ShopOption => {
        const cost = deliveryCost(w, totals.goods - totals.discount, currency)
        const beside = cost === 0 ? say('free', scene) : money(scene, cost)
        return { id: w.id, label: w.label, about: w.about, beside, chosen: w.id === way?.id }
      })
      const legend = shows ? `<legend${heading}>${say('heading', scene)}</legend>` : ''
      const body = choices.length > 0 ? picks(FIELD.way, choices) : `<p>${say('none', scene)}</p>`
      return `${open}<fieldset>${legend}${body}${problemOf(scene, FIELD.way, problem)}</fieldset></div>`
    }
  },
}

/** How it is paid. */
export const paymentChoice: ElementSpec = {
  type: 'payment-choice',
  name: 'Payment choice',
  about: 'Asks how the buyer pays, among the ways that are set up.',
  group: 'Shop',
  once: true,
  props: { heading: text('Heading', 'How you pay', 120) },
  parts: PARTS,
  css: [...GROUP_CSS, PICKS_CSS],
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.shopForm()
    const say = saying(element, paymentChoice)
    const open = `<div${compile.attributes(element, 'shop')}>`
    const heading = compile.part(element, 'heading') + compile.words('heading')
    const problem = compile.part(element, 'problem', 'problem')
    const shows = compile.shows(element, 'heading')
    return (scene) => {
      const { payments, said } = shoppingOf(scene)
      const choices = payments.map((p): ShopOption => ({
        ...p,
        beside: '',
        chosen: said[FIELD.payment] === p.id || payments.length === 1,
      }))
      const legend = shows ? `<legend${heading}>${say('heading', scene)}</legend>` : ''
      return `${open}<fieldset>${legend}${picks(FIELD.payment, choices)}${problemOf(scene, FIELD.payment, problem)}</fieldset></div>`
    }
  },
}

/** What the buyer says besides. */
export const orderNote: ElementSpec = {
  type: 'order-note',
  name: 'Note to an order',
  about: 'Lets the buyer say something besides.',
  group: 'Shop',
  once: true,
  props: { label: text('Label', 'Something we should know? (optional)', 200) },
  parts: { label: GROUP_PARTS.label, field: GROUP_PARTS.field, problem: GROUP_PARTS.problem },
  css: GROUP_CSS,
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.shopForm()
    const say = saying(element, orderNote)
    const open = `<div${compile.attributes(element, 'shop')}>`
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const parts = {
      label: part('label') + compile.words('label'),
      field: part('field'),
      problem: part('problem', 'problem'),
    }
    return (scene) =>
      `${open}${field(scene, { name: FIELD.note, type: 'textarea', autocomplete: 'off' }, { ...parts, labelled: say('label', scene) })}</div>`
  },
}
