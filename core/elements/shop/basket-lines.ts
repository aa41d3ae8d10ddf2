import { type LineChange, MOST_OF_ONE, type SeenLine, mostOf } from '../../shop'
import { PAGE_STYLES, FOCUS_CSS, type Scene, escapeHtml, img } from '../../drawing'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { QUESTION_CSS } from '../forms'
import { type ElementSpec, prop, text } from '../base'
import { SHOP_CSS, SHOP_FORM, money, problemOf, saying, shoppingOf, when } from './bits'

const CHANGES: Record<LineChange, [name: string, label: string, words: string]> = {
  gone: ['gone', 'No longer sold', 'This is not sold any more.'],
  'none-left': ['noneLeft', 'None left', 'None of this is left.'],
  fewer: ['fewer', 'Fewer than wanted', 'Only {count} of this are left.'],
  price: ['price', 'Another price', 'It cost {before} when you put it in.'],
}

/** What is in the basket, to be changed. */
export const basketLines: ElementSpec = {
  type: 'basket-lines',
  name: 'Basket',
  about: 'What is in the basket: how many of each, taken out and put back. It says what has changed since.',
  group: 'Shop',
  props: {
    quantity: text('Asks how many', 'How many', 80),
    update: text('Button that counts anew', 'Count anew', 80),
    out: text('Button that takes out', 'Take it out', 80),
    removed: { ...text('Once taken out', '{title} was taken out.', 200), hint: '{title} stands for what it was.' },
    back: text('Button that puts back', 'Put it back', 80),
    none: text('Where nothing is in it', 'There is nothing in your basket.', 300),
    way: text('The way to the checkout', 'To the checkout', 80),
    look: { ...BUTTON_LOOK, label: 'Look of the way to the checkout' },
    smallLook: { ...BUTTON_LOOK, label: 'Look of the other buttons', default: 'outlined' },
    ...Object.fromEntries(Object.values(CHANGES).map(([name, label, words]) => [name, text(label, words, 200)])),
  },
  parts: {
    picture: { label: 'Picture', plain: true },
    title: { label: 'Title', hides: false },
    label: { label: 'Sort' },
    each: { label: 'Price of one' },
    field: { label: 'Field', hides: false, states: ['hover', 'focus'] },
    total: { label: 'Price of all' },
    button: { label: 'Button', hides: false, states: ['hover', 'focus'] },
    change: { label: 'What has changed', hides: false },
    way: { label: 'Way to the checkout', words: 'way', states: ['hover', 'focus'] },
  },
  linked: true,
  css: [FOCUS_CSS, ...QUESTION_CSS, BUTTON_CSS, SHOP_CSS, PAGE_STYLES.basketLines],
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.shopForm()
    compile.script('shop')
    const say = saying(element, basketLines)
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const open = `<div${compile.attributes(element, 'shop', 'lines')} data-shop="lines">`
    const [title, label, each, input] = [
      part('title'),
      part('label', 'shop-small'),
      part('each', 'shop-small'),
      part('field'),
    ]
    const [total, change, way] = [
      part('total', 'lines-sum', 'shop-money'),
      part('change', 'problem'),
      part('way', 'btn', compile.look(prop(element, basketLines, 'look'))),
    ]
    const small = part('button', 'btn', compile.look(prop(element, basketLines, 'smallLook')))
    const shows = (name: string) => compile.shows(element, name)
    const button = (does: string, words: string, named = '') =>
      `<button type="submit" form="${SHOP_FORM}" name="does" value="${escapeHtml(does)}"${small}>${words}${named ? `<span class="of-sr"> ${escapeHtml(named)}</span>` : ''}</button>`
    const changes = (scene: Scene, { line, changes: all, count }: SeenLine): string =>
      all
        .map((one) => {
          const words = say(CHANGES[one][0], scene)
            .replaceAll('{count}', String(count))
            .replaceAll('{before}', () => money(scene, line.seen))
          return `<p${change}>${words}</p>`
        })
        .join('')
    const one = (scene: Scene, seen: SeenLine): string => {
      const { line, goods, count } = seen
      const entry = scene.catalogue.entries.get(line.entry)
      const name = goods?.title ?? entry?.title ?? ''
      const address = entry ? scene.catalogue.addressOf(entry.id) : null
      const picture = shows('picture') && entry?.picture ? scene.catalogue.pictures.get(entry.picture) : undefined
      const head = address ? `<a href="${escapeHtml(address)}">${escapeHtml(name)}</a>` : escapeHtml(name)
      const sort = [goods?.label, goods && !goods.label && goods.on ? when(scene, goods.on) : '']
        .filter(Boolean)
        .join(', ')
      const id = `of-n.${escapeHtml(line.id)}`
      const most = goods ? Math.max(mostOf(goods), 1) : MOST_OF_ONE
      const many = goods
        ? `<div class="of-question"><label for="${id}"><span>${say('quantity', scene)}<span class="of-sr">, ${escapeHtml(name)}</span></span></label><input id="${id}" form="${SHOP_FORM}" name="n.${escapeHtml(line.id)}" type="number" inputmode="numeric" min="0" max="${most}" value="${count}"${input}>${problemOf(scene, `n.${line.id}`, change)}</div>${button('update', say('update', scene), name)}`
        : ''
      return (
        `<li>${picture ? img(picture, '', { sizes: '84px' }) : ''}<div class="of-lines-what"><p${title}>${head}</p>` +
        (sort && shows('label') ? `<p${label}>${escapeHtml(sort)}</p>` : '') +
        (goods && shows('each') ? `<p${each}>${money(scene, goods.each)}</p>` : '') +
        `${changes(scene, seen)}</div>` +
        (goods && shows('total') ? `<p${total}>${money(scene, goods.each * count)}</p>` : '') +
        `<div class="of-lines-do">${many}${button(`out.${line.id}`, say('out', scene), name)}</div></li>`
      )
    }
    return (scene) => {
      const { lines, removed } = shoppingOf(scene)
      const told =
        removed === null
          ? ''
          : `<p role="status">${say('removed', scene).replaceAll('{title}', () => escapeHtml(removed))} ${button('back', say('back', scene))}</p>`
      if (lines.length === 0) return `${open}<p>${say('none', scene)}</p>${told}</div>`
      const { page, catalogue } = scene
      const checkout = page.kind === 'checkout' ? undefined : catalogue.page('checkout')?.address
      const on = checkout && shows('way') ? `<a${way} href="${escapeHtml(checkout)}">${say('way', scene)}</a>` : ''
      return `${open}<ul>${lines.map((seen) => one(scene, seen)).join('')}</ul>${told}<div class="of-lines-foot">${on}</div></div>`
    }
  },
}
