import { PAGE_STYLES, type Scene, escapeHtml, plainText } from '../../drawing'
import { safeAddress } from '../../addresses'
import { type ElementSpec, prop, describeItems } from '../base'

/** Where a page is passed on: `{url}` and `{title}` stand for those of the page. */
function addressFor(pattern: string, { page, catalogue }: Scene): string | null {
  const url = catalogue.site.settings.origin.replace(/\/$/, '') + page.address
  const fill = (name: string, value: string, text: string) => text.replaceAll(`{${name}}`, encodeURIComponent(value))
  return safeAddress(fill('title', page.title, fill('url', url, pattern)))
}

export const share: ElementSpec = {
  type: 'share',
  name: 'Pass this page on',
  about: 'Links by which visitors pass the page on, by mail or elsewhere. Nothing of anybody else is loaded for them.',
  group: 'Site',
  props: {
    ways: {
      kind: 'items',
      label: 'Ways',
      default: [],
      one: 'Way',
      named: 'label',
      most: 12,
      of: {
        label: { kind: 'text', label: 'Label', default: '', most: 80 },
        address: {
          kind: 'text',
          label: 'Address',
          default: '',
          most: 500,
          hint: '{url} and {title} stand for those of the page.',
        },
      },
    },
  },
  parts: { link: { label: 'Link', hides: false, states: ['hover', 'focus'] } },
  begins: {
    ways: [{ id: 'mail', props: { label: 'By mail', address: 'mailto:?subject={title}&body={url}' } }],
  },
  css: [PAGE_STYLES.share],
  summary: (props, names) => describeItems(props.ways, 'label', names),
  draw(element, compile) {
    const ways = prop(element, share, 'ways')
    if (!Array.isArray(ways)) return ''
    const open = `<div${compile.attributes(element, 'share')}><ul>`
    const looks = compile.part(element, 'link')
    return (scene) => {
      // An address that is no page cannot be passed on.
      if (!scene.page.address) return ''
      let html = ''
      for (const { id, props } of ways) {
        const label = escapeHtml(plainText(props.label, scene))
        const href = addressFor(plainText(props.address, scene), scene)
        const words = compile.words('label', { items: 'ways', item: id })
        if (label && href) html += `<li><a${looks}${words} href="${escapeHtml(href)}">${label}</a></li>`
      }
      return html && `${open}${html}</ul></div>`
    }
  },
}
