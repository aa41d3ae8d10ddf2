import { PICTURE_CSS, SHAPE, figure } from './pictures'
import { type ElementSpec, prop } from './spec'
import { describe } from './words'

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
    link: { kind: 'link', label: 'Leads to', default: null, dynamic: true },
    shape: SHAPE,
  },
  css: [PICTURE_CSS],
  madeOf: ['pictures'],
  summary: (props, names) => (typeof props.picture === 'string' ? 'chosen here' : describe(props.picture, names)),
  draw(element, compile) {
    const shape = String(prop(element, image, 'shape'))
    return figure({
      open: `<figure${compile.attributes(element, 'pic', ...(shape === 'own' ? [] : [shape]))}>`,
      picture: prop(element, image, 'picture'),
      alt: prop(element, image, 'alt'),
      link: prop(element, image, 'link'),
      site: false,
      eager: false,
      sizes: compile.sizes,
    })
  },
}
