import type { LayoutDocument } from '../../core/tree'
import { column, element, field, layout, line, row } from './make'

/** Where visitors buy: what leads away from it is left out. */

const body = { paddingTop: { wide: 40, narrow: 24 }, paddingBottom: { wide: 64, narrow: 40 }, gap: 48, stand: 'start' }
const panel = { background: '@wash', paddingTop: 22, paddingRight: 22, paddingBottom: 22, paddingLeft: 22, flow: 18 }

export const SHOP: LayoutDocument[] = [
  layout(
    'gift-page',
    'Gift page',
    'body',
    row(
      'Gift',
      body,
      column(6, {}, element('lead-picture', { shape: 'square' })),
      column(
        6,
        { flow: 18 },
        element('buy', { label: 'Put it into the basket', few: 6 }),
        element('field', { label: 'Made of', value: field('made') }),
        element('entry-content', {}),
      ),
    ),
    row(
      'And more',
      { ...body, background: '@wash', width: 'band' },
      column(12, {}, element('also-like', { heading: 'Goes well with it', most: 3, columns: 3 })),
    ),
  ),
  layout(
    'gift-shelf',
    'Gift shelf',
    'body',
    row(
      'Shelf',
      body,
      column(
        12,
        {},
        element('entry-list', {
          source: 'page',
          columns: 3,
          most: 24,
          card: 'gift-card',
          above: 'To take home',
          level: '2',
        }),
      ),
    ),
  ),
  layout(
    'basket-page',
    'Basket page',
    'body',
    row(
      'Basket',
      body,
      column(8, {}, element('basket-lines', { way: 'To the till' })),
      column(4, panel, element('order-summary', {}), element('discount', {})),
    ),
    row(
      'And more',
      { ...body, paddingTop: 0 },
      column(12, {}, element('also-like', { by: 'basket', most: 4, columns: 4 })),
    ),
  ),
  layout(
    'checkout-page',
    'Checkout page',
    'body',
    row(
      'Checkout',
      body,
      column(
        7,
        { flow: 28 },
        element('buyer', {}),
        element('billing-address', {}),
        element('delivery-address', {}),
        element('delivery-choice', {}),
        element('payment-choice', {}),
        element('order-note', {}),
        element('order-consent', { words: line('I have read the terms of sale.') }),
        element('place-order', { small: 'What you pay keeps forty clocks wound.' }),
      ),
      column(
        5,
        { ...panel, sticks: 24 },
        element('heading', { text: 'What you buy', level: '2' }, { size: 22 }),
        element('order-summary', {}),
        element('discount', {}),
      ),
    ),
  ),
  layout(
    'receipt-page',
    'Receipt page',
    'body',
    row('Receipt', body, column(8, {}, element('receipt', {})), column(4, {})),
  ),
  layout(
    'order-page',
    'Order page',
    'body',
    row('Order', body, column(8, {}, element('order-status', {})), column(4, {})),
  ),
]
