import { newElement } from '../elements'
import {
  emptyLayout,
  emptyRow,
  type Column,
  type FieldValue,
  type Layout,
  type LayoutElement,
  type Value,
} from '../tree'
import { ARCHIVE_KINDS } from '../catalogue'
import type { Page } from '../model'

/**
 * The plain body that stands in where no frame has a say, so that content never disappears. It is a layout
 * like any other, made of our own elements and drawn by the same renderer.
 */
export type PlainKind = 'entry' | 'archive' | 'search' | 'not-found' | 'sign-in' | 'member' | ShopPage | 'other'

type ShopPage = 'basket' | 'checkout' | 'receipt' | 'order-status'

const OWN: readonly PlainKind[] = [
  'search',
  'not-found',
  'sign-in',
  'member',
  'basket',
  'checkout',
  'receipt',
  'order-status',
]

export function plainKind(page: Page): PlainKind {
  if (page.entry) return 'entry'
  if (ARCHIVE_KINDS.has(page.kind) || (page.kind === 'home' && page.type)) return 'archive'
  return OWN.find((kind) => kind === page.kind) ?? 'other'
}

const field = (name: string, more: Partial<FieldValue> = {}): FieldValue => ({
  kind: 'field',
  of: 'page',
  field: name,
  ...more,
})

function element(type: string, props: Record<string, Value>): LayoutElement {
  return { ...newElement(type, () => `plain-${type}`), props }
}

const SORRY = {
  type: 'doc' as const,
  content: [
    {
      type: 'paragraph',
      content: [
        { type: 'text', text: 'Nothing stands at this address. Search for it, or begin again at the home page.' },
      ],
    },
  ],
}

const CONTENTS: Record<PlainKind, () => LayoutElement[]> = {
  entry: () => [element('entry-content', {})],
  archive: () => [
    element('text', {
      text: {
        type: 'doc',
        content: [{ type: 'paragraph', content: [{ type: 'field', attrs: { value: field('summary') } }] }],
      },
    }),
    element('entry-list', { source: 'page', most: 48, columns: 3, empty: 'There are no entries here yet.' }),
  ],
  search: () => [
    element('search-box', {}),
    element('entry-list', { source: 'page', most: 48, columns: 1, empty: 'Nothing found. Try fewer or other words.' }),
  ],
  'not-found': () => [
    element('text', { text: SORRY }),
    element('search-box', {}),
    element('button', { label: 'Home page' }),
  ],
  'sign-in': () => [element('sign-in', {})],
  member: () => [element('account', {})],
  basket: () => [element('basket-lines', {}), element('discount', {}), element('order-summary', {})],
  checkout: () => [
    element('basket-lines', {}),
    element('buyer', {}),
    element('billing-address', {}),
    element('delivery-address', {}),
    element('delivery-choice', {}),
    element('payment-choice', {}),
    element('order-note', {}),
    element('discount', {}),
    element('order-summary', {}),
    element('place-order', {}),
  ],
  receipt: () => [element('receipt', {})],
  'order-status': () => [element('order-status', {})],
  other: () => [],
}

/** The plain body for a kind of page; without its own title when the regions above it show one already. */
export function plainLayout(kind: PlainKind, titled: boolean): Layout {
  let n = 0
  const row = emptyRow(() => `plain-${n++}`, [12])
  const title = element('heading', { text: field('title', { fallback: 'Untitled' }), level: '1' })
  ;(row.children[0] as Column).children = titled ? CONTENTS[kind]() : [title, ...CONTENTS[kind]()]
  row.styles = { paddingTop: { wide: 40 }, paddingBottom: { wide: 56 } }
  return { ...emptyLayout(`plain-${kind}`, 'Plain body', 'body'), children: [row] }
}
