import { stopsAbove } from '../../catalogue'
import { PAGE_STYLES, attribute, escapeHtml, plainText } from '../../drawing'
import { type ElementSpec, prop } from '../base'

export const trail: ElementSpec = {
  type: 'trail',
  name: 'Trail',
  about: 'The way from the home page down to this one.',
  group: 'Site',
  props: {
    home: { kind: 'text', label: 'Begins with', default: 'Home', most: 60 },
    own: { kind: 'yes-no', label: 'Ends with this page', default: false },
  },
  css: [PAGE_STYLES.trail],
  parts: { link: { label: 'Link', hides: false, states: ['hover', 'focus'] } },
  summary: () => '',
  draw(element, compile) {
    const home = prop(element, trail, 'home')
    const own = prop(element, trail, 'own') === true
    const open = `<nav${compile.attributes(element, 'trail')} aria-label="Trail"><ol>`
    const link = compile.part(element, 'link')
    return (scene) => {
      if (scene.page.kind === 'home') return ''
      const stops = stopsAbove(scene.catalogue, scene.page, plainText(home, scene))
      if (own) stops.push({ label: scene.page.title, address: null })
      let html = ''
      for (const { label, address } of stops) {
        const text = escapeHtml(label)
        html += `<li>${address ? `<a${link}${attribute('href', address)}>${text}</a>` : text}</li>`
      }
      return `${open}${html}</ol></nav>`
    }
  },
}
