import { PAGE_STYLES, ICON_CSS, escapeHtml, fill } from '../../drawing'
import { ICON, iconPart } from '../words'
import { type ElementSpec, prop, text } from '../base'
import { saying } from './bits'

/** The way to the basket, with how many things are in it. Pages that show it are kept ready by that number. */
export const basketLink: ElementSpec = {
  type: 'basket-link',
  name: 'Way to the basket',
  about: 'Leads to the basket, and tells how many things are in it. Pages stay as fast as they are without it.',
  group: 'Shop',
  props: {
    label: text('Label', 'Basket', 80),
    icon: { ...ICON, default: 'shopping-bag' },
    empty: { kind: 'yes-no', label: 'Is shown when the basket is empty', default: true },
  },
  parts: { icon: { label: 'Icon' }, label: { label: 'Label', words: 'label' }, count: { label: 'How many' } },
  states: ['hover', 'focus'],
  linked: true,
  css: [ICON_CSS, PAGE_STYLES.basketLink],
  summary: () => '',
  draw(element, compile) {
    compile.depends('count')
    const say = saying(element, basketLink)
    const open = `<p${compile.attributes(element)}><a class="of-basket"`
    const icon = iconPart(element, compile, prop(element, basketLink, 'icon'))
    const label = compile.shows(element, 'label') ? compile.part(element, 'label') : ' class="of-sr"'
    const count = compile.part(element, 'count', 'basket-count')
    const counts = compile.shows(element, 'count')
    const always = prop(element, basketLink, 'empty') === true
    return (scene) => {
      const address = scene.catalogue.page('basket')?.address
      if (!address && !compile.open) return ''
      const n = compile.open && scene.count === 0 ? 2 : scene.count
      if (n === 0 && !always) return ''
      const many = counts && n > 0 ? `<span${count}>${n > 99 ? '99+' : n}</span>` : ''
      return `${open} href="${escapeHtml(address ?? '')}">${fill([icon], scene)}<span${label}${compile.words('label')}>${say('label', scene)}</span>${many}</a></p>`
    }
  },
}
