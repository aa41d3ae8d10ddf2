import type { LayoutElement } from '../tree'
import { ROOM, body } from './body'
import type { Starter } from './types'
import { THINGS } from './wants'
import { type Looks, column, element, holding, line, row } from './write'

/** Bodies to begin from for where visitors buy: the basket, the checkout, the receipt, and an order by its link. */

const PANEL: Looks = {
  paddingTop: 24,
  paddingRight: 24,
  paddingBottom: 24,
  paddingLeft: 24,
  background: '@wash',
  flow: 16,
}
const title = (text: string): LayoutElement => element('heading', { text, level: '2' }, { size: 20 })
const BEFORE_ORDERING = [
  element('payment-choice'),
  element('order-note'),
  element('order-consent', { words: line('I have read the terms of sale.') }),
  element('place-order'),
]
const WHO = [element('buyer'), element('billing-address')]
const WHERE = [element('delivery-address'), element('delivery-choice')]

export const TILLS: readonly Starter[] = [
  body(
    'basket-beside',
    'Basket and what it comes to',
    'What is in it on the left, the sum and a code beside it',
    'basket',
    [],
    row(
      'Basket',
      { ...ROOM, gap: 48, stand: 'start' },
      column(8, {}, element('basket-lines')),
      column(4, PANEL, title('What it comes to'), element('order-summary'), element('discount')),
    ),
  ),
  body(
    'basket-and-more',
    'Basket, and what goes with it',
    'What is in it in the middle of the page, and below it what else there is to have',
    'basket',
    [],
    row(
      'Basket',
      { ...ROOM },
      column(2, {}),
      column(8, { flow: 24 }, element('basket-lines'), element('discount'), element('order-summary')),
      column(2, {}),
    ),
    row(
      'And more',
      { ...ROOM, background: '@wash', width: 'band' },
      column(12, {}, element('also-like', { by: 'basket', most: 4, columns: 4 })),
    ),
  ),
  body(
    'checkout-one-page',
    'Checkout on one page',
    'All that is asked one below the other, and what it comes to beside it all the way down',
    'checkout',
    [],
    row(
      'Checkout',
      { ...ROOM, gap: 48, stand: 'start' },
      column(7, { flow: 28 }, ...WHO, ...WHERE, ...BEFORE_ORDERING),
      column(5, { ...PANEL, sticks: 24 }, title('What you buy'), element('order-summary'), element('discount')),
    ),
  ),
  body(
    'checkout-in-steps',
    'Checkout in steps',
    'Who, where to, and how it is paid, one after the other, with the way back to each',
    'checkout',
    [],
    row(
      'Checkout',
      { ...ROOM, gap: 48, stand: 'start' },
      column(
        8,
        {},
        holding(
          element('checkout-steps'),
          ['Who buys', row('', {}, column(12, { flow: 24 }, ...WHO))],
          ['Where it goes', row('', {}, column(12, { flow: 24 }, ...WHERE))],
          ['Pay', row('', {}, column(12, { flow: 24 }, element('discount'), ...BEFORE_ORDERING))],
        ),
      ),
      column(4, { ...PANEL, sticks: 24 }, element('order-summary')),
    ),
  ),
  body(
    'receipt-plain',
    'Receipt alone',
    'What was ordered and what it came to, to be kept and printed',
    'receipt',
    [],
    row('Receipt', { ...ROOM }, column(8, {}, element('receipt')), column(4, {})),
  ),
  body(
    'receipt-and-ways-on',
    'Receipt and ways on',
    'The receipt on the left, and on the right where to go from there',
    'receipt',
    [THINGS],
    row(
      'Receipt',
      { ...ROOM, gap: 48, stand: 'start' },
      column(7, {}, element('receipt')),
      column(
        5,
        PANEL,
        title('Until it comes'),
        element('entry-list', { source: 'newest', type: THINGS.id, most: 2, columns: 1, level: '3' }),
      ),
    ),
  ),
  body(
    'order-plain',
    'Order alone',
    'How it stands with an order, for whoever has its link',
    'order-status',
    [],
    row('Order', { ...ROOM }, column(8, {}, element('order-status')), column(4, {})),
  ),
  body(
    'order-and-help',
    'Order, and who helps',
    'How it stands with an order, and beside it a few words for whoever has a question',
    'order-status',
    [],
    row(
      'Order',
      { ...ROOM, gap: 48, stand: 'start' },
      column(8, {}, element('order-status')),
      column(
        4,
        PANEL,
        title('Something is not right?'),
        element('text', { text: line('Write to us with the number of your order, and we look after it.') }),
      ),
    ),
  ),
]
