import {
  PAGE_STYLES,
  ICON_CSS,
  type Chunk,
  type Compile,
  both,
  hrefChunk,
  iconChunk,
  richChunk,
  textChunk,
  wrapFilled,
  join,
} from '../../drawing'
import { isRichDoc } from '../../rich'
import type { LayoutElement, Value, ValueProperty } from '../../tree'
import { RICH_CSS } from './text'
import { type ElementSpec, prop, describe } from '../base'

export const ICON: Extract<ValueProperty, { kind: 'icon' }> = {
  kind: 'icon',
  label: 'Icon',
  default: 'star',
  dynamic: true,
}

/** An icon as a part of an element, with its looks; nothing where it is left out. */
export const iconPart = (element: LayoutElement, compile: Compile, value: Value): Chunk =>
  compile.shows(element, 'icon')
    ? wrapFilled(`<span${compile.part(element, 'icon')}>`, iconChunk(value), '</span>')
    : ''

export const icon: ElementSpec = {
  type: 'icon',
  name: 'Icon',
  about: 'A sign of an open set, as large as words are made there; it may lead somewhere.',
  group: 'Pictures',
  props: {
    icon: ICON,
    label: { kind: 'text', label: 'Described as', default: '', most: 120, hint: 'Empty: it only decorates.' },
    link: { kind: 'link', label: 'Leads to', default: null, dynamic: true },
  },
  states: ['hover', 'focus'],
  ground: 'own',
  css: [ICON_CSS, PAGE_STYLES.icon],
  summary: (props) => (typeof props.icon === 'string' ? props.icon : ''),
  draw(element, compile) {
    const open = `<div${compile.attributes(element, 'icon')}>`
    const label = textChunk(prop(element, icon, 'label'))
    const drawn = iconChunk(prop(element, icon, 'icon'))
    const named = both(drawn, label, (svg, words) => svg && svg + (words && `<span class="of-sr">${words}</span>`))
    // A link without words would lead nobody who does not see it.
    const linked = both(
      both(hrefChunk(prop(element, icon, 'link')), label, (href, words) => (href && words ? href : '')),
      named,
      (href, inside) => (href && inside ? `<a href="${href}">${inside}</a>` : inside),
    )
    return wrapFilled(open, linked, '</div>')
  },
}

export const iconWords: ElementSpec = {
  type: 'icon-words',
  name: 'Icon with words',
  about: 'A sign with a title and some words, beside or below it.',
  group: 'Words',
  props: {
    icon: ICON,
    title: { kind: 'text', label: 'Title', default: 'A title', most: 200 },
    text: {
      kind: 'rich',
      label: 'Text',
      default: {
        type: 'doc',
        content: [{ type: 'paragraph', content: [{ type: 'text', text: 'Some words about it.' }] }],
      },
    },
    link: { kind: 'link', label: 'Leads to', default: null, dynamic: true },
    side: {
      kind: 'choice',
      label: 'Icon stands',
      default: 'before',
      options: [
        { value: 'before', label: 'Before the words' },
        { value: 'above', label: 'Above them' },
      ],
    },
  },
  parts: {
    icon: { label: 'Icon' },
    title: { label: 'Title', words: 'title', states: ['hover', 'focus'] },
    text: { label: 'Text', words: 'text' },
  },
  css: [RICH_CSS, ICON_CSS, PAGE_STYLES.iconWords],
  summary: (props, names) => describe(props.title, names),
  draw(element, compile) {
    const say = (name: string) => prop(element, iconWords, name)
    const sign = compile.shows(element, 'icon')
      ? wrapFilled(`<span${compile.part(element, 'icon', 'iw-icon')}>`, iconChunk(say('icon')), '</span>')
      : ''
    const words = textChunk(say('title'))
    const title = both(hrefChunk(say('link')), words, (href, name) =>
      href && name ? `<a href="${href}">${name}</a>` : name,
    )
    const text = say('text')
    const lines: Chunk[] = [
      compile.shows(element, 'title')
        ? wrapFilled(`<p${compile.part(element, 'title', 'iw-title')}${compile.words('title')}>`, title, '</p>')
        : '',
      compile.shows(element, 'text') && isRichDoc(text)
        ? wrapFilled(`<div${compile.part(element, 'text', 'rich')}${compile.words('text')}>`, richChunk(text), '</div>')
        : '',
    ]
    const classes = say('side') === 'above' ? ['iw', 'above'] : ['iw']
    const inside = wrapFilled('<div>', join(...lines), '</div>')
    return wrapFilled(`<div${compile.attributes(element, ...classes)}>`, join(sign, inside), '</div>')
  },
}
