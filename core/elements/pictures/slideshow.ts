import {
  PAGE_STYLES,
  FOCUS_CSS,
  type Chunk,
  both,
  fill,
  hrefChunk,
  img,
  join,
  pictureOf,
  plainText,
  textChunk,
  wrapFilled,
} from '../../drawing'
import type { Item, Value } from '../../tree'
import { RUN_WORDS, SLIDES_CSS, STEP_WORDS, slidesOf } from './slides'
import { type ElementSpec, prop, describeItems } from '../base'

const value = (item: Item, name: string): Value => item.props[name] ?? null

export const slideshow: ElementSpec = {
  type: 'slideshow',
  name: 'Slideshow',
  about:
    'Pictures with words, one beside the other: scrolled by hand, stepped by buttons, or running by itself until stopped.',
  group: 'Pictures',
  props: {
    slides: {
      kind: 'items',
      label: 'Slides',
      default: [],
      one: 'Slide',
      named: 'title',
      most: 24,
      of: {
        picture: { kind: 'picture', label: 'Picture', default: null, dynamic: true },
        title: { kind: 'text', label: 'Title', default: '', most: 200 },
        text: { kind: 'text', label: 'Text', default: '', most: 600 },
        link: { kind: 'link', label: 'Leads to', default: null, dynamic: true },
      },
    },
    seconds: { kind: 'number', label: 'Goes on after', default: 0, min: 0, max: 60, hint: 'Seconds; 0: only by hand.' },
    name: { kind: 'text', label: 'Described as', default: 'Slideshow', most: 120 },
    ...STEP_WORDS,
    ...RUN_WORDS,
  },
  madeOf: ['words', 'pictures'],
  parts: {
    slide: { label: 'Slide', hides: false },
    words: { label: 'Words' },
    button: { label: 'Buttons', states: ['hover', 'focus'] },
  },
  ground: 'own',
  css: [FOCUS_CSS, SLIDES_CSS, PAGE_STYLES.slideshow],
  summary: (props, names) => describeItems(props.slides, 'title', names),
  draw(element, compile) {
    const slides = prop(element, slideshow, 'slides')
    if (!Array.isArray(slides) || slides.length === 0) return ''
    const slideOpen = `<li${compile.part(element, 'slide')}>`
    const wordsOpen = `<div${compile.part(element, 'words', 'slide-words')}>`
    const slide = (item: Item, i: number): Chunk => {
      const picture: Chunk = (scene) => {
        const found = pictureOf(value(item, 'picture'), scene)
        return found
          ? img(found, plainText(value(item, 'title'), scene) ? '' : found.alt, {
              eager: i === 0,
              sizes: compile.sizes,
            })
          : ''
      }
      const mark = compile.words('title', { items: 'slides', item: item.id })
      const title = both(
        hrefChunk(value(item, 'link')),
        textChunk(value(item, 'title')),
        (href, name) => name && `<p class="of-slide-title"${mark}>${href ? `<a href="${href}">${name}</a>` : name}</p>`,
      )
      const text = wrapFilled('<p>', textChunk(value(item, 'text')), '</p>')
      const words = compile.shows(element, 'words') ? wrapFilled(wordsOpen, join(title, text), '</div>') : ''
      return wrapFilled(slideOpen, join(picture, words), '</li>')
    }
    const around = slidesOf({
      element,
      compile,
      attributes: compile.attributes(element, 'slides'),
      name: prop(element, slideshow, 'name'),
      seconds: Number(prop(element, slideshow, 'seconds')),
      say: (what) => prop(element, slideshow, what),
    })
    const shown = join(...slides.map(slide))
    return (scene) => {
      const html = fill([shown], scene)
      return html && around(html, slides.length, scene)
    }
  },
}
