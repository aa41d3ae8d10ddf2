import {
  PAGE_STYLES,
  ICON_CSS,
  type Chunk,
  both,
  hrefChunk,
  iconChunk,
  join,
  textChunk,
  wrapFilled,
} from '../../drawing'
import type { Item, Value } from '../../tree'
import { ICON } from './icon'
import { type ElementSpec, prop, describeItems, itemsOf } from '../base'

const value = (item: Item, name: string): Value => item.props[name] ?? null

export const iconList: ElementSpec = {
  type: 'icon-list',
  name: 'List with icons',
  about: 'Lines, each with a sign before it; each may lead somewhere.',
  group: 'Words',
  props: {
    lines: {
      kind: 'items',
      label: 'Lines',
      default: [],
      one: 'Line',
      named: 'text',
      most: 60,
      of: {
        text: { kind: 'text', essential: true, label: 'Text', default: '', most: 300 },
        icon: { ...ICON, default: 'check' },
        link: { kind: 'link', label: 'Leads to', default: null, dynamic: true },
      },
    },
  },
  begins: {
    lines: [
      { id: 'first', props: { text: 'The first thing', icon: 'check' } },
      { id: 'second', props: { text: 'The second thing', icon: 'check' } },
    ],
  },
  parts: { icon: { label: 'Icon' }, text: { label: 'Text', hides: false } },
  css: [ICON_CSS, PAGE_STYLES.iconList],
  summary: (props, names) => describeItems(props.lines, 'text', names),
  draw(element, compile) {
    const signOpen = `<span${compile.part(element, 'icon')}>`
    const textOpen = `<span${compile.part(element, 'text')}`
    const line = (item: Item): Chunk => {
      const said = textChunk(value(item, 'text'))
      const words = both(hrefChunk(value(item, 'link')), said, (href, name) =>
        href && name ? `<a href="${href}">${name}</a>` : name,
      )
      const mark = compile.words('text', { items: 'lines', item: item.id })
      const sign = item.props.icon === undefined ? 'check' : item.props.icon
      const icon = compile.shows(element, 'icon') ? wrapFilled(signOpen, iconChunk(sign), '</span>') : ''
      return both(
        icon,
        wrapFilled(`${textOpen}${mark}>`, words, '</span>'),
        (svg, text) => text && `<li>${svg}${text}</li>`,
      )
    }
    const lines = join(...itemsOf(prop(element, iconList, 'lines')).map(line))
    return wrapFilled(`<ul${compile.attributes(element, 'ilist')}>`, lines, '</ul>')
  },
}

export const social: ElementSpec = {
  type: 'social',
  name: 'Social links',
  about: 'Where else one is found: links with a sign, a name, or both.',
  group: 'Site',
  props: {
    places: {
      kind: 'items',
      label: 'Places',
      default: [],
      one: 'Place',
      named: 'name',
      most: 24,
      of: {
        name: { kind: 'text', label: 'Name', default: '', most: 80 },
        link: { kind: 'link', label: 'Leads to', default: null, dynamic: true, open: true },
        icon: { ...ICON, default: 'at-sign' },
      },
    },
    shows: {
      kind: 'choice',
      label: 'Shows',
      default: 'both',
      options: [
        { value: 'both', label: 'Icon and name' },
        { value: 'icon', label: 'The icon' },
        { value: 'name', label: 'The name' },
      ],
    },
  },
  begins: { places: [{ id: 'first', props: { name: 'News by feed', icon: 'rss', link: '' } }] },
  parts: { link: { label: 'Link', hides: false, states: ['hover', 'focus'] } },
  css: [ICON_CSS, PAGE_STYLES.social],
  summary: (props, names) => describeItems(props.places, 'name', names),
  draw(element, compile) {
    const shows = String(prop(element, social, 'shows'))
    const own = compile.part(element, 'link')
    const place = (item: Item): Chunk => {
      const sign = item.props.icon === undefined ? 'at-sign' : item.props.icon
      const icon = shows === 'name' ? '' : iconChunk(sign)
      const mark = compile.words('name', { items: 'places', item: item.id })
      const inside = both(icon, textChunk(value(item, 'name')), (svg, name) => {
        if (!name) return ''
        return svg + `<span${shows === 'icon' && svg ? ' class="of-sr"' : ''}${mark}>${name}</span>`
      })
      return both(hrefChunk(value(item, 'link')), inside, (href, words) =>
        words && (href || compile.open) ? `<li><a rel="me"${own}${href && ` href="${href}"`}>${words}</a></li>` : '',
      )
    }
    const places = join(...itemsOf(prop(element, social, 'places')).map(place))
    return wrapFilled(`<ul${compile.attributes(element, 'social')}>`, places, '</ul>')
  },
}
