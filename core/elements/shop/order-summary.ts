import type { Totals } from '../../shop'
import { PAGE_STYLES, type Scene, escapeHtml } from '../../drawing'
import { type ElementSpec, text } from '../base'
import { SHOP_CSS, money, saying, shoppingOf } from './bits'

export const SUMS_CSS = PAGE_STYLES.orderSummary

/** What a basket or an order comes to, line by line; amounts are those that were counted, and no others. */
export function sumsHtml(
  scene: Scene,
  totals: Totals,
  say: (name: string, scene: Scene) => string,
  shows: (name: string) => boolean,
  parts: { row: string; total: string },
): string {
  const { currency } = totals
  const row = (label: string, amount: string, attributes = parts.row) =>
    `<dt${attributes}>${label}</dt><dd${attributes.replace('class="', 'class="of-shop-money ') || ' class="of-shop-money"'}>${amount}</dd>`
  const percent = new Intl.NumberFormat(scene.catalogue.site.settings.locale, { maximumFractionDigits: 5 })
  const taxes = totals.taxes.map((t) => {
    const rate = `${escapeHtml(t.label)} ${percent.format(t.rate / 100)}%`
    const words = say(totals.included ? 'taxIn' : 'taxOn', scene).replaceAll('{tax}', () => rate)
    return row(words, money(scene, t.amount, currency))
  })
  const delivery =
    totals.delivery === null
      ? ''
      : row(
          say('delivery', scene),
          totals.delivery === 0 ? say('free', scene) : money(scene, totals.delivery, currency),
        )
  return (
    '<dl>' +
    (shows('goods') ? row(say('goods', scene), money(scene, totals.goods, currency)) : '') +
    (totals.discount > 0 ? row(say('discount', scene), `−${money(scene, totals.discount, currency)}`) : '') +
    delivery +
    (totals.included || !shows('taxes') ? '' : taxes.join('')) +
    row(say('total', scene), money(scene, totals.total, currency), parts.total) +
    (totals.included && shows('taxes') ? taxes.join('') : '') +
    '</dl>'
  )
}

export const SUM_WORDS = {
  goods: text('What goods come to', 'Goods', 80),
  discount: text('What is taken off', 'Discount', 80),
  delivery: text('Delivery', 'Delivery', 80),
  free: text('Delivery that costs nothing', 'free', 80),
  taxIn: { ...text('Tax within', 'of it {tax}', 80), hint: '{tax} stands for its name and rate.' },
  taxOn: { ...text('Tax on top', '{tax}', 80), hint: '{tax} stands for its name and rate.' },
  total: text('What all comes to', 'Total', 80),
}

export const SUM_PARTS = {
  goods: { label: 'What goods come to', words: 'goods', plain: true },
  taxes: { label: 'Taxes', plain: true },
  row: { label: 'Line', hides: false },
  total: { label: 'Total', hides: false, words: 'total' },
}

/** What the basket comes to. */
export const orderSummary: ElementSpec = {
  type: 'order-summary',
  name: 'Order summary',
  about: 'What the basket comes to: goods, discount, delivery, taxes, all of it.',
  group: 'Shop',
  props: SUM_WORDS,
  parts: { lines: { label: 'What is in it' }, ...SUM_PARTS },
  css: [SHOP_CSS, SUMS_CSS],
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.script('shop')
    const say = saying(element, orderSummary)
    const open = `<div${compile.attributes(element, 'shop', 'sums')} data-shop="sums">`
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const parts = { row: part('row'), total: part('total', 'sums-total') }
    const shows = (name: string) => compile.shows(element, name)
    const list = part('lines', 'sums-lines')
    return (scene) => {
      const { lines, totals } = shoppingOf(scene)
      const each = lines.flatMap(({ goods, count }) =>
        goods && count > 0
          ? `<li><span>${count} × ${escapeHtml([goods.title, goods.label].filter(Boolean).join(', '))}</span><span class="of-shop-money">${money(scene, goods.each * count)}</span></li>`
          : [],
      )
      const what = shows('lines') && each.length > 0 ? `<ul${list}>${each.join('')}</ul>` : ''
      return `${open}${what}${sumsHtml(scene, totals, say, shows, parts)}</div>`
    }
  },
}
