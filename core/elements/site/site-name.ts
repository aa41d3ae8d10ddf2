import { PAGE_STYLES, escapeHtml, img } from '../../drawing'
import { type ElementSpec, prop } from '../base'

export const siteName: ElementSpec = {
  type: 'site-name',
  name: 'Site name or logo',
  about: 'The name of the site, its logo, or both, leading to the home page.',
  group: 'Site',
  props: {
    show: {
      kind: 'choice',
      label: 'Shows',
      default: 'name',
      options: [
        { value: 'name', label: 'The name' },
        { value: 'logo', label: 'The logo' },
        { value: 'both', label: 'Logo and name' },
      ],
    },
    height: { kind: 'number', label: 'Logo height', default: 40, min: 12, max: 240 },
  },
  css: [PAGE_STYLES.siteName],
  parts: { name: { label: 'Name', hides: false } },
  states: ['hover'],
  summary: (props) => ({ logo: 'logo', both: 'logo and name' })[String(props.show)] ?? '',
  draw(element, compile) {
    const show = prop(element, siteName, 'show')
    const height = Number(prop(element, siteName, 'height'))
    const open = `<div${compile.attributes(element, 'site-name')}><a href="/">`
    const nameOpen = `<span${compile.part(element, 'name')}>`
    return ({ catalogue }) => {
      const { name, logo } = catalogue.site.settings
      const picture = show === 'name' || !logo ? undefined : catalogue.pictures.get(logo)
      const size = picture && {
        ...picture,
        height,
        width: Math.max(1, Math.round((picture.width * height) / picture.height)),
      }
      const mark = size ? img(size, show === 'both' ? '' : name, { eager: true, sizes: '200px' }) : ''
      return open + mark + (show !== 'logo' || !picture ? `${nameOpen}${escapeHtml(name)}</span>` : '') + '</a></div>'
    }
  },
}
