import { PAGE_STYLES, join, wrapFilled } from '../../drawing'
import { linkOf, type ElementSpec, prop, describeItems } from '../base'

export const linkList: ElementSpec = {
  type: 'link-list',
  name: 'Link list',
  about: 'Links with words of their own, in a line or one below the other.',
  group: 'Words',
  props: {
    links: {
      kind: 'items',
      label: 'Links',
      default: [],
      one: 'Link',
      named: 'label',
      most: 60,
      of: {
        label: { kind: 'text', label: 'Label', default: '', most: 120 },
        link: { kind: 'link', label: 'Leads to', default: null, dynamic: true, open: true },
      },
    },
    direction: {
      kind: 'choice',
      label: 'Runs',
      default: 'down',
      options: [
        { value: 'down', label: 'Down' },
        { value: 'across', label: 'Across' },
      ],
    },
  },
  parts: { link: { label: 'Link', hides: false, states: ['hover', 'focus'] } },
  begins: { links: [{ id: 'first', props: { label: 'Home', link: { page: 'home' } } }] },
  css: [PAGE_STYLES.linkList],
  summary: (props, names) => describeItems(props.links, 'label', names),
  draw(element, compile) {
    const links = prop(element, linkList, 'links')
    const own = compile.part(element, 'link')
    const direction = String(prop(element, linkList, 'direction'))
    const shown = Array.isArray(links)
      ? join(...links.map((l) => wrapFilled('<li>', linkOf(l, 'links', own, compile), '</li>')))
      : ''
    return wrapFilled(`<ul${compile.attributes(element, 'links', direction)}>`, shown, '</ul>')
  },
}
