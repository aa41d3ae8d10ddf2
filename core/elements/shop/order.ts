import { instantText } from '../../time'
import { ORDER_STATES, type Address, type OrderState, type ShownOrder, addressLines } from '../../shop'
import { PAGE_STYLES, AS_USUAL, escapeHtml } from '../../drawing'
import type { Property } from '../../tree'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { type ElementSpec, prop, text } from '../base'
import { SHOP_CSS, SHOP_FORM, money, saying, shoppingOf, when } from './bits'
import { SUMS_CSS, SUM_PARTS, SUM_WORDS, sumsHtml } from './order-summary'

/** What was ordered, as whoever has its link is shown it: a receipt, and how it stands. */

const STATES: Record<OrderState, string> = {
  placed: 'It is ordered, and waits to be paid.',
  paid: 'It is paid. Thank you.',
  sent: 'It is on its way to you.',
  expired: 'It was not paid in time, and is held for you no more.',
  cancelled: 'It was cancelled.',
  owing: 'It was paid and cannot be had any more. Your money goes back to you.',
  refunded: 'Your money went back to you.',
}

const stateWords = Object.fromEntries(
  ORDER_STATES.map((state): [string, Property] => [`state-${state}`, text(`Where it is ${state}`, STATES[state])]),
)

const CSS = [SHOP_CSS, SUMS_CSS, BUTTON_CSS, PAGE_STYLES.order]

const PROPS: Record<string, Property> = {
  number: { ...text('Number', 'Order {number}', 120), hint: '{number} stands for it.' },
  placed: text('When it was placed', 'Placed', 80),
  to: text('Where it comes to', 'Comes to', 80),
  bill: text('Where the bill goes', 'Bill to', 80),
  way: text('How it comes', 'How', 80),
  none: text(
    'Where there is no such order',
    'There is no order at this address. Its link is in the mail that we sent you.',
  ),
  pay: text('Button that pays', 'Pay now', 80),
  look: { ...BUTTON_LOOK, label: 'Look of the button' },
  ...stateWords,
  ...SUM_WORDS,
}

const PARTS = {
  number: { label: 'Number', words: 'number' },
  state: { label: 'How it stands' },
  lines: { label: 'What was ordered' },
  sums: { label: 'What it comes to' },
  button: { label: 'Button that pays', hides: false, words: 'pay', states: ['hover', 'focus'] as const },
  who: { label: 'When, how and to whom' },
  ...SUM_PARTS,
}

const orderSpec = (type: string, name: string, about: string): ElementSpec => {
  const spec: ElementSpec = {
    type,
    name,
    about,
    group: 'Shop',
    once: true,
    props: PROPS,
    parts: PARTS,
    css: CSS,
    summary: () => '',
    draw(element, compile) {
      compile.depends('basket')
      compile.shopForm()
      compile.reads(ORDER)
      const say = saying(element, spec)
      const part = (at: string, ...classes: string[]) => compile.part(element, at, ...classes)
      const open = `<div${compile.attributes(element, 'shop', 'order')}>`
      const shows = (at: string) => compile.shows(element, at)
      const heading = part('number') + compile.words('number')
      const [state, lines, sums, who] = [
        part('state'),
        part('lines', 'sums-lines'),
        part('sums', 'sums'),
        part('who', 'order-of'),
      ]
      const rows = { row: part('row'), total: part('total', 'sums-total') }
      const look = part('button', 'btn', compile.look(prop(element, spec, 'look')))
      const button = (does: string, words: string) =>
        `<button type="submit" form="${SHOP_FORM}" name="does" value="${does}"${look}>${words}</button>`
      return (scene) => {
        const shown: ShownOrder | null = shoppingOf(scene).order
        if (!shown) return `${open}<p>${say('none', scene)}</p></div>`
        const { order, number } = shown
        const { locale } = scene.catalogue.site.settings
        const title = shows('number')
          ? `<h2${heading}>${say('number', scene).replaceAll('{number}', () => escapeHtml(number))}</h2>`
          : ''
        const stands = shows('state')
          ? `<div${state}><p role="status">${say(`state-${shown.state}`, scene)}</p>${shown.state === 'placed' ? button('pay', say('pay', scene)) : ''}</div>`
          : ''
        const each = order.lines.map((l) => {
          const on = l.on && !l.label ? when(scene, l.on) : ''
          const words = [l.title, l.label, on].filter(Boolean).join(', ')
          return `<li><span>${l.count} × ${escapeHtml(words)}</span><span class="of-shop-money">${money(scene, l.total, order.totals.currency)}</span></li>`
        })
        const list = shows('lines') ? `<ul${lines}>${each.join('')}</ul>` : ''
        const total = shows('sums') ? `<div${sums}>${sumsHtml(scene, order.totals, say, shows, rows)}</div>` : ''
        const told = (label: string, words: string) =>
          words ? `<div><dt>${say(label, scene)}</dt><dd>${words}</dd></div>` : ''
        const to = (address: Address | null) =>
          address ? addressLines(address, locale).map(escapeHtml).join('<br>') : ''
        const at = scene.formats.moment(instantText(shown.at), AS_USUAL)
        const facts =
          told('placed', escapeHtml(at)) +
          told('way', escapeHtml(order.way?.label ?? '')) +
          told('to', to(order.delivery)) +
          told('bill', to(order.billing))
        return `${open}${title}${stands}${list}${total}${shows('who') ? `<dl${who}>${facts}</dl>` : ''}</div>`
      }
    },
  }
  return spec
}

/** What a page is asked for by the link of an order. */
export const ORDER = 'order'

export const receipt: ElementSpec = orderSpec(
  'receipt',
  'Receipt',
  'What was just ordered, what it comes to, and whether it is paid.',
)

export const orderStatus: ElementSpec = orderSpec(
  'order-status',
  'Order status',
  'How an order stands, for whoever has its link.',
)
