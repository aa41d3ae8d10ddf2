import { type Goods, goodsOfEntry, mostOf } from '../../shop'
import { PAGE_STYLES, FOCUS_CSS, type Scene, escapeHtml, holdsUntil } from '../../drawing'
import { clockIn } from '../../time'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { QUESTION_CSS } from '../forms'
import { type ElementSpec, prop, text } from '../base'
import { SHOP_CSS, money, saying, when } from './bits'

/** What a page is asked for once something of it was put into the basket. */
export const ADDED = 'added'

/** Puts what the page, or the card, is about into the basket. */
export const buy: ElementSpec = {
  type: 'buy',
  name: 'Buy button',
  about: 'Puts what the page sells into the basket: how many, and which sort. It works without script.',
  group: 'Shop',
  form: 'is',
  props: {
    label: text('Button', 'Put it into the basket', 80),
    quantity: text('Asks how many', 'How many', 80),
    choice: text('Asks which', 'Which', 80),
    few: { kind: 'number', label: 'Says how few are left below', default: 10, min: 0, max: 999 },
    left: { ...text('How few are left', '{count} left', 120), hint: '{count} stands for how many.' },
    none: text('Where none is left', 'Sold out', 120),
    gone: text('Where it is not sold', 'Not for sale any more', 120),
    then: {
      kind: 'choice',
      label: 'Leads then',
      default: 'stay',
      options: [
        { value: 'stay', label: 'Nowhere: it says so here' },
        { value: 'basket', label: 'To the basket' },
      ],
    },
    added: text('Once it is in', 'It is in your basket.', 200),
    way: text('The way to the basket', 'Look into it', 80),
    look: { ...BUTTON_LOOK, label: 'Look of the button' },
  },
  parts: {
    price: { label: 'Price' },
    choice: { label: 'Which', hides: false, words: 'choice' },
    quantity: { label: 'How many', words: 'quantity' },
    field: { label: 'Field', hides: false, states: ['hover', 'focus'] },
    button: { label: 'Button', hides: false, words: 'label', states: ['hover', 'focus'] },
    left: { label: 'How few are left' },
    says: { label: 'What is said', hides: false },
  },
  css: [FOCUS_CSS, ...QUESTION_CSS, BUTTON_CSS, SHOP_CSS, PAGE_STYLES.buy],
  summary: () => '',
  draw(element, compile) {
    compile.reads(ADDED)
    const say = saying(element, buy)
    const id = escapeHtml(element.id)
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const open = `<div${compile.attributes(element, 'shop', 'buy')}`
    const [price, left, says] = [part('price', 'buy-price'), part('left', 'shop-small'), part('says')]
    const [choice, quantity, input] = [part('choice'), part('quantity'), part('field')]
    const button = `<button type="submit"${part('button', 'btn', compile.look(prop(element, buy, 'look')))}${compile.words('label')}>`
    const shows = (name: string) => compile.shows(element, name)
    const few = Number(prop(element, buy, 'few'))
    const leftWords = (scene: Scene, goods: Goods): string => {
      if (goods.left === 0) return say('none', scene)
      if (!shows('left') || goods.left === null || goods.left >= few) return ''
      return say('left', scene).replaceAll('{count}', String(goods.left))
    }
    const prices = (scene: Scene, all: readonly Goods[]): string => {
      const each = all.map((g) => g.each)
      const [least, most] = [Math.min(...each), Math.max(...each)]
      return `<p${price}>${money(scene, least)}${most > least ? ` – ${money(scene, most)}` : ''}</p>`
    }
    const which = (scene: Scene, all: readonly Goods[], field: string): string => {
      const [only] = all
      if (all.length === 1)
        return only!.offer ? `<input type="hidden" name="offer" value="${escapeHtml(only!.offer)}">` : ''
      const options = all.map((g) => {
        const words = [g.label, g.label || !g.on ? '' : when(scene, g.on)].filter(Boolean).map(escapeHtml)
        const more = [money(scene, g.each), leftWords(scene, g)].filter(Boolean)
        return `<option value="${escapeHtml(g.offer ?? '')}"${g.left === 0 ? ' disabled' : ''}>${[...words, ...more].join(', ')}</option>`
      })
      return `<div class="of-question of-buy-which"><label for="${field}-which"><span${choice}${compile.words('choice')}>${say('choice', scene)}</span></label><select id="${field}-which" name="offer"${input}>${options.join('')}</select></div>`
    }
    const many = (scene: Scene, all: readonly Goods[], field: string): string => {
      const most = Math.max(...all.map(mostOf))
      if (!shows('quantity') || most === 1) return '<input type="hidden" name="count" value="1">'
      return `<div class="of-question of-buy-many"><label for="${field}-many"><span${quantity}${compile.words('quantity')}>${say('quantity', scene)}</span></label><input id="${field}-many" name="count" type="number" inputmode="numeric" min="1" max="${most}" value="1"${input}></div>`
    }
    return (scene) => {
      const { subject, catalogue, request } = scene
      if (subject.kind !== 'entry') return compile.open ? `${open}><p>${say('gone', scene)}</p></div>` : ''
      const { entry, type } = subject
      const now = clockIn(catalogue.site.settings.timeZone, request.at)
      const all = type.sells ? goodsOfEntry(entry.id, { catalogue, taken: catalogue.taken, now }) : []
      const field = `of-${id}-${escapeHtml(entry.id)}`
      const start = `${open} id="${field}">`
      if (all.length === 0) return type.sells || compile.open ? `${start}<p${says}>${say('gone', scene)}</p></div>` : ''
      // What is sold until a moment is drawn anew then.
      for (const { on } of all) if (on.length > 10) holdsUntil(scene, on.slice(0, 16))
      if (all.some((g) => g.on)) catalogue.seeToday()
      const above = shows('price') ? prices(scene, all) : ''
      if (all.every((g) => g.left === 0)) return `${start}${above}<p${says}>${say('none', scene)}</p></div>`
      const added = request.parameters[ADDED]?.[0] === entry.id
      const basket = catalogue.page('basket')?.address
      const way = basket ? ` <a href="${escapeHtml(basket)}">${say('way', scene)}</a>` : ''
      const told = added ? `<p${says} role="status">${say('added', scene)}${way}</p>` : ''
      const [only] = all
      const words = all.length === 1 ? leftWords(scene, only!) : ''
      const hidden = `<form method="post" action="#${field}"><input type="hidden" name="form" value="buy"><input type="hidden" name="of" value="${id}"><input type="hidden" name="entry" value="${escapeHtml(entry.id)}">`
      return `${start}${above}${hidden}${which(scene, all, field)}${many(scene, all, field)}${button}${say('label', scene)}</button></form>${words ? `<p${left}>${words}</p>` : ''}${told}</div>`
    }
  },
}
