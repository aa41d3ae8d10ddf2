import {
  PAGE_STYLES,
  FOCUS_CSS,
  type Scene,
  attribute,
  escapeHtml,
  fill,
  img,
  pictureAddress,
  picturesOf,
  plainText,
  textChunk,
} from '../../drawing'
import type { Picture } from '../../model'
import { type Item, type Value, isFieldValue } from '../../tree'
import { COLUMNS_CSS, type ElementSpec, prop, describe, describeItems } from '../base'
import { SHAPE } from './figure'
import { SLIDES_CSS, STEP_WORDS, slidesOf } from './slides'

/** One picture as it is shown: which, and what stands below it. */
interface Shown {
  picture: Picture
  caption: string
}

const COLUMNED = ['lead', 'grid', 'uneven']
const CROPPED = ['lead', 'grid', 'strip']

const SHAPES_CSS = ['square 1', 'standing 3/4', 'lying 4/3', 'broad 16/9']
  .map((line) => line.split(' '))
  .map(([name, ratio]) => `.of-set.of-${name} img{width:100%;aspect-ratio:${ratio};object-fit:cover}`)
  .join('')

/** Several pictures, in whichever form suits how many there are; each large on request. */
export const pictureSet: ElementSpec = {
  type: 'picture-set',
  name: 'Set of pictures',
  about:
    'The pictures of the entry, or ones chosen here: one large with small ones, in a grid, in uneven columns, in a strip or as slides.',
  group: 'Pictures',
  props: {
    from: {
      kind: 'choice',
      label: 'Shows',
      default: 'field',
      options: [
        { value: 'field', label: 'Those of a field' },
        { value: 'chosen', label: 'Those chosen here' },
      ],
    },
    value: {
      kind: 'field',
      essential: true,
      label: 'Of the field',
      default: { kind: 'field', of: 'page', field: 'picture' },
      kinds: ['picture', 'pictures'],
      asked: { by: 'from', is: ['field'] },
    },
    first: {
      kind: 'yes-no',
      label: "The entry's own picture first",
      default: true,
      asked: { by: 'from', is: ['field'] },
    },
    pictures: {
      kind: 'items',
      label: 'Pictures',
      default: [],
      one: 'Picture',
      named: 'caption',
      most: 60,
      of: {
        picture: { kind: 'picture', label: 'Picture', default: null, dynamic: true },
        caption: { kind: 'text', label: 'Caption', default: '', most: 300 },
      },
      asked: { by: 'from', is: ['chosen'] },
    },
    form: {
      kind: 'choice',
      label: 'Stand',
      default: 'lead',
      options: [
        { value: 'lead', label: 'One large with small ones' },
        { value: 'grid', label: 'In a grid' },
        { value: 'uneven', label: 'In columns of uneven heights' },
        { value: 'strip', label: 'In a strip' },
        { value: 'slides', label: 'One beside the other' },
      ],
    },
    columns: {
      kind: 'number',
      label: 'Columns',
      default: 4,
      min: 2,
      max: 6,
      asked: { by: 'form', is: COLUMNED },
    },
    shape: { ...SHAPE, default: 'square', asked: { by: 'form', is: CROPPED } },
    most: { kind: 'number', label: 'At most', default: 12, min: 1, max: 60 },
    captions: { kind: 'yes-no', label: 'With captions', default: false },
    corner: {
      kind: 'text',
      label: 'Over a corner',
      default: '',
      most: 120,
      hint: 'Words or a field, laid over the first picture.',
    },
    where: {
      kind: 'choice',
      label: 'Which corner',
      default: 'above-start',
      options: [
        { value: 'above-start', label: 'Above, at the beginning' },
        { value: 'above-end', label: 'Above, at the end' },
        { value: 'below-start', label: 'Below, at the beginning' },
        { value: 'below-end', label: 'Below, at the end' },
      ],
    },
    large: { kind: 'yes-no', label: 'Large on request', default: true },
    name: { kind: 'text', label: 'Described as', default: 'Pictures', most: 120 },
    ...STEP_WORDS,
    close: { kind: 'text', label: 'Button that closes', default: 'Close', most: 60 },
  },
  madeOf: ['pictures', 'words'],
  parts: {
    picture: { label: 'Picture', hides: false, states: ['hover', 'focus'] },
    caption: { label: 'Caption' },
    corner: { label: 'Over the corner', words: 'corner' },
    button: { label: 'Buttons', states: ['hover', 'focus'] },
  },
  css: [FOCUS_CSS, SLIDES_CSS, COLUMNS_CSS, PAGE_STYLES.pictureSet + SHAPES_CSS, PAGE_STYLES.pictureSetLarge],
  summary: (props, names) =>
    props.from === 'chosen' ? describeItems(props.pictures, 'caption', names) : describe(props.value, names),
  draw(element, compile) {
    const say = (name: string) => prop(element, pictureSet, name)
    const form = String(say('form'))
    const large = say('large') === true
    if (large) compile.script('large')
    const shape = CROPPED.includes(form) && say('shape') !== 'own' ? [String(say('shape'))] : []
    const columns = COLUMNED.includes(form) ? [`k${Number(say('columns'))}`] : []
    const slides = form === 'slides'
    const attributes = compile.attributes(
      element,
      'set',
      ...(slides ? ['slides'] : [`set-${form}`]),
      ...shape,
      ...columns,
    )
    const shown = listing(say, compile.shows(element, 'caption') && say('captions') === true)
    const corner = compile.shows(element, 'corner') ? textChunk(say('corner')) : ''
    const cornerOpen = `<p${compile.part(element, 'corner', 'corner', String(say('where')))}${compile.words('corner')}>`
    const captionOpen = `<figcaption${compile.part(element, 'caption')}>`
    const own = compile.part(element, 'picture')
    const eager = compile.region !== 'card'
    const figure = ({ picture, caption }: Shown, i: number, over: string): string => {
      const html = img(picture, picture.alt, { eager: eager && i === 0, sizes: compile.sizes })
      const linked = large ? `<a${attribute('href', pictureAddress(picture))} data-large>${html}</a>` : html
      const below = caption && `${captionOpen}${escapeHtml(caption)}</figcaption>`
      return `<li><figure${own}>${linked}${over}${below}</figure></li>`
    }
    const more = large ? (scene: Scene) => largeWords(say, scene) : undefined
    const around = slides ? slidesOf({ element, compile, attributes, more, name: say('name'), seconds: 0, say }) : null
    return (scene) => {
      const found = shown(scene)
      if (found.length === 0) return ''
      const words = fill([corner], scene)
      const over = words && `${cornerOpen}${words}</p>`
      const html = found.map((one, i) => figure(one, i, i === 0 ? over : '')).join('')
      if (around) return around(html, found.length, scene)
      const said = more?.(scene) ?? ''
      const role = form === 'strip' ? ' tabindex="0"' : ''
      const called = escapeHtml(plainText(say('name'), scene) || 'Pictures')
      return `<div${attributes} role="group" aria-label="${called}"${said}><ul${role}>${html}</ul></div>`
    }
  },
}

type Say = (name: string) => Value

/** What the buttons of the large view are called, told to its script. */
const largeWords = (say: Say, scene: Scene): string =>
  ['previous', 'next', 'close', 'name']
    .map((name) =>
      attribute(`data-${name}`, plainText(say(name), scene) || String(pictureSet.props[name]!.default as string)),
    )
    .join('')

/** The pictures of a scene with their captions, each once. */
function listing(say: Say, captions: boolean): (scene: Scene) => Shown[] {
  const most = Number(say('most'))
  if (say('from') === 'chosen') {
    const items = Array.isArray(say('pictures')) ? (say('pictures') as Item[]) : []
    return (scene) =>
      items
        .flatMap(({ props }) => {
          const [picture] = picturesOf(props.picture, scene)
          return picture
            ? { picture, caption: captions ? plainText(props.caption, scene) || picture.caption || '' : '' }
            : []
        })
        .slice(0, most)
  }
  const value = say('value')
  const first: Value = say('first') === true ? { kind: 'field', of: 'page', field: 'picture' } : null
  return (scene) => {
    const all = [...picturesOf(first, scene).slice(0, 1), ...(isFieldValue(value) ? picturesOf(value, scene) : [])]
    return [...new Set(all)]
      .slice(0, most)
      .map((picture) => ({ picture, caption: captions ? picture.caption || picture.alt : '' }))
  }
}
