import { ORDER_STATES, type OrderState, type ShownOrder } from '../../shop'
import { PAGE_STYLES, AS_USUAL, type Scene, escapeHtml } from '../../drawing'
import { dayIn } from '../../time'
import type { Property } from '../../tree'
import { type ElementSpec, text } from '../base'
import { SHOP_CSS, money, saying, shoppingOf } from './bits'

const STATES: Record<OrderState, string> = {
  placed: 'waits to be paid',
  paid: 'paid',
  sent: 'on its way',
  expired: 'not paid in time',
  cancelled: 'cancelled',
  owing: 'your money goes back to you',
  refunded: 'your money went back to you',
}

/** What somebody who is signed in has ordered, with the way to each order. */
export const ownOrders: ElementSpec = {
  type: 'own-orders',
  name: 'Orders of a member',
  about: 'What whoever is signed in has ordered while they were: the newest orders, and how each stands.',
  group: 'Shop',
  once: true,
  props: {
    heading: text('Heading', 'Your orders', 120),
    none: text('Where there is none', 'You have not ordered anything yet.', 300),
    ...Object.fromEntries(
      ORDER_STATES.map((state): [string, Property] => [
        `state-${state}`,
        text(`An order that is ${state}`, STATES[state], 80),
      ]),
    ),
  },
  parts: {
    heading: { label: 'Heading', words: 'heading' },
    number: { label: 'Number', hides: false },
    lines: { label: 'What was ordered' },
    state: { label: 'How it stands' },
    total: { label: 'What it came to' },
  },
  linked: true,
  css: [SHOP_CSS, PAGE_STYLES.ownOrders],
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.depends('session')
    const say = saying(element, ownOrders)
    const open = `<section${compile.attributes(element, 'shop', 'own-orders')}>`
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const shows = (name: string) => compile.shows(element, name)
    const heading = part('heading') + compile.words('heading')
    const [number, lines, state, total] = [
      part('number'),
      part('lines', 'shop-small'),
      part('state'),
      part('total', 'shop-money'),
    ]
    const one = (scene: Scene, { number: name, state: is, at, order, address }: ShownOrder): string => {
      const day = scene.formats.date(dayIn(scene.catalogue.site.settings.timeZone, at).day, AS_USUAL)
      const way = `<a href="${escapeHtml(address)}">${escapeHtml(name)}</a>, ${escapeHtml(day)}`
      const things = order.lines.map((l) => `${l.count} × ${[l.title, l.label].filter(Boolean).join(', ')}`).join('; ')
      return (
        `<li><span${number}>${way}</span>` +
        (shows('total') ? `<span${total}>${money(scene, order.totals.total, order.totals.currency)}</span>` : '') +
        (shows('lines') ? `<span${lines}>${escapeHtml(things)}</span>` : '') +
        (shows('state') ? `<span${state}>${say(`state-${is}`, scene)}</span>` : '') +
        '</li>'
      )
    }
    return (scene) => {
      const { orders } = shoppingOf(scene)
      // Whoever is not signed in has none to be told of.
      if (!orders) return ''
      const above = shows('heading') ? `<h2${heading}>${say('heading', scene)}</h2>` : ''
      const all = orders.map((order) => one(scene, order)).join('')
      return `${open}${above}${all ? `<ul>${all}</ul>` : `<p>${say('none', scene)}</p>`}</section>`
    }
  },
}
