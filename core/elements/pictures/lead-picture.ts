import { FOCUS_CSS } from '../../drawing'
import { PICTURE_CSS, SHAPE, figure } from './figure'
import { type ElementSpec, prop } from '../base'

export const leadPicture: ElementSpec = {
  type: 'lead-picture',
  name: 'Lead picture',
  about: "The page's own picture, with a picture to stand in when it has none.",
  group: 'Entry',
  props: {
    fallback: { kind: 'picture', label: 'If it has none', default: null, dynamic: true },
    site: { kind: 'yes-no', label: "Else the site's own", default: true },
    shape: SHAPE,
  },
  css: [FOCUS_CSS, PICTURE_CSS],
  madeOf: ['pictures'],
  summary: () => '',
  draw(element, compile) {
    const shape = String(prop(element, leadPicture, 'shape'))
    const fallback = prop(element, leadPicture, 'fallback')
    return figure({
      open: `<figure${compile.attributes(element, 'pic', ...(shape === 'own' ? [] : [shape]))}>`,
      picture: { kind: 'field', of: 'page', field: 'picture', ...(fallback !== null && { fallback }) },
      alt: '',
      link: null,
      site: prop(element, leadPicture, 'site') === true,
      eager: compile.region !== 'card',
      sizes: compile.sizes,
    })
  },
}
