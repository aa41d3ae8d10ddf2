import { FOCUS_CSS } from '../../drawing'
import { isFieldValue } from '../../tree'
import { PICTURE_CSS, SHAPE, figure } from './figure'
import { type ElementSpec, prop, describe } from '../base'

export const image: ElementSpec = {
  type: 'image',
  name: 'Image',
  about: 'A picture, chosen here or taken from a field.',
  group: 'Pictures',
  props: {
    picture: { kind: 'picture', label: 'Picture', default: null, dynamic: true },
    alt: {
      kind: 'text',
      label: 'Described as',
      default: '',
      most: 300,
      hint: "Empty: the picture's own description.",
    },
    caption: { kind: 'text', label: 'Caption', default: '', most: 400 },
    link: { kind: 'link', label: 'Leads to', default: null, dynamic: true },
    shape: SHAPE,
  },
  css: [FOCUS_CSS, PICTURE_CSS],
  parts: { caption: { label: 'Caption', words: 'caption' } },
  madeOf: ['pictures'],
  summary: (props, names) => (typeof props.picture === 'string' ? 'chosen here' : describe(props.picture, names)),
  draw(element, compile) {
    const shape = String(prop(element, image, 'shape'))
    const picture = prop(element, image, 'picture')
    return figure({
      open: `<figure${compile.attributes(element, 'pic', ...(shape === 'own' ? [] : [shape]))}>`,
      picture,
      alt: prop(element, image, 'alt'),
      link: prop(element, image, 'link'),
      caption: {
        open: `<figcaption${compile.part(element, 'caption')}${compile.words('caption')}>`,
        words: compile.shows(element, 'caption') ? prop(element, image, 'caption') : '',
      },
      site: false,
      // The page's own picture is likely what is looked at first.
      eager: compile.region !== 'card' && isFieldValue(picture) && picture.of === 'page',
      sizes: compile.sizes,
    })
  },
}
