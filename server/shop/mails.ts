import type { Mail } from '../../core/forms'
import { addressLines } from '../../core/shop'
import { writeMoney } from '../../core/selling'
import type { SiteSettings } from '../../core/model'
import type { StoredOrder } from '../database/orders'

/** What is mailed about an order: to the buyer, and of a new one to the shop. */

export type OrderNews = 'paid' | 'sent' | 'refunded' | 'cancelled'

const SUBJECTS: Record<OrderNews, string> = {
  paid: 'Your order {number}',
  sent: 'Your order {number} is on its way',
  refunded: 'Your money for order {number} goes back to you',
  cancelled: 'Your order {number} was cancelled',
}
const FIRST: Record<OrderNews, string> = {
  paid: 'Thank you. Your order is paid. This is what you bought:',
  sent: 'What you ordered is on its way to you:',
  refunded: 'What you paid for this order goes back to you:',
  cancelled: 'This order was cancelled:',
}

const oneLine = (words: string): string => words.replace(/\s+/g, ' ').trim()

/** An order written out, as it stands in a mail. */
export function orderText({ order }: StoredOrder, locale: string): string {
  const { totals } = order
  const money = (minor: number) => writeMoney(minor, totals.currency, locale)
  const lines = order.lines.map(
    (l) => `${l.count} × ${[l.title, l.label].filter(Boolean).join(', ')}: ${money(l.total)}`,
  )
  const sums = [
    totals.discount > 0 ? `Discount: −${money(totals.discount)}` : '',
    totals.delivery === null ? '' : `Delivery: ${money(totals.delivery)}`,
    ...totals.taxes.map((t) => `${totals.included ? 'of it ' : ''}${t.label} ${t.rate / 100}%: ${money(t.amount)}`),
    `Total: ${money(totals.total)}`,
  ]
  const to = order.delivery ? ['', 'It comes to:', ...addressLines(order.delivery, locale)] : []
  return [...lines, '', ...sums.filter(Boolean), ...to].join('\n')
}

export function orderMails(
  stored: StoredOrder,
  news: OrderNews,
  { name, locale }: Pick<SiteSettings, 'name' | 'locale'>,
  { number, address, shop }: { number: string; address: string; shop: string },
): Mail[] {
  const { buyer } = stored.order
  if (!buyer) return []
  const text = orderText(stored, locale)
  const subject = oneLine(`${name}: ${SUBJECTS[news].replace('{number}', number)}`).slice(0, 300)
  const own: Mail = {
    format: 1,
    to: buyer.mail,
    replyTo: shop,
    subject,
    text: `${FIRST[news]}\n\n${text}\n\nHow it stands: ${address}\n`,
    files: [],
  }
  if (news !== 'paid' || !shop) return [own]
  const note = stored.order.note ? `\n\nThe buyer says:\n${stored.order.note}` : ''
  const theirs: Mail = {
    format: 1,
    to: shop,
    replyTo: buyer.mail,
    subject: oneLine(`Order ${number} from ${buyer.name}`).slice(0, 300),
    text: `${text}${note}\n`,
    files: [],
  }
  return [own, theirs]
}
