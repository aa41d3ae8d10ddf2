import { PAGE_STYLES, ICON_CSS, both, hrefChunk, join, textChunk } from '../../drawing'
import { ICON, iconPart } from '../words'
import { type ElementSpec, prop } from '../base'

export const favouritesLink: ElementSpec = {
  type: 'favourites-link',
  name: 'Way to the favourites',
  about: 'Leads to the page with the favourites of the visitor, and tells how many they are.',
  group: 'Site',
  props: {
    label: { kind: 'text', label: 'Label', default: 'Favourites', most: 80 },
    link: { kind: 'link', label: 'Leads to', default: null, dynamic: true, open: true },
    icon: { ...ICON, default: 'heart' },
  },
  parts: { icon: { label: 'Icon' }, count: { label: 'How many' } },
  states: ['hover', 'focus'],
  linked: true,
  css: [ICON_CSS, PAGE_STYLES.favouritesLink],
  summary: () => '',
  draw(element, compile) {
    const say = (name: string) => prop(element, favouritesLink, name)
    compile.script('favourites')
    const open = `<p${compile.attributes(element)}><a class="of-favourites"`
    const icon = iconPart(element, compile, say('icon'))
    const count = compile.shows(element, 'count')
      ? `<span${compile.part(element, 'count')} data-favourites-count hidden></span>`
      : ''
    const words = join(icon, `<span${compile.words('label')}>`, textChunk(say('label')), '</span>', count, '</a></p>')
    return both(hrefChunk(say('link')), words, (href, inside) =>
      href ? `${open} href="${href}">${inside}` : compile.open ? `${open}>${inside}` : '',
    )
  },
}
