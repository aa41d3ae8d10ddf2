import {
  FOCUS_CSS,
  type Chunk,
  both,
  escapeHtml,
  fill,
  hrefChunk,
  img,
  join,
  pictureOf,
  plainText,
  textChunk,
  wrapFilled,
} from '../drawing'
import type { Item, Value, ValueProperty } from '../tree'
import { type ElementSpec, prop } from './spec'
import { describeItems } from './words'

/** What its buttons are called, for who does not see their signs. */
const BUTTON_WORDS = {
  previous: { kind: 'text', label: 'Button back', default: 'Previous', most: 60 },
  next: { kind: 'text', label: 'Button on', default: 'Next', most: 60 },
  stop: { kind: 'text', label: 'Button that stops', default: 'Stop', most: 60 },
  run: { kind: 'text', label: 'Button that goes on', default: 'Go on', most: 60 },
} as const satisfies Record<string, ValueProperty>

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
    ...BUTTON_WORDS,
  },
  madeOf: ['words', 'pictures'],
  parts: {
    slide: { label: 'Slide', hides: false },
    words: { label: 'Words' },
    button: { label: 'Buttons', states: ['hover', 'focus'] },
  },
  css: [
    FOCUS_CSS,
    '.of-slides{position:relative}.of-slides ol{list-style:none;padding:0;margin:0;display:flex;overflow-x:auto;scroll-snap-type:x mandatory;scrollbar-width:thin}' +
      '.of-slides li{flex:0 0 100%;scroll-snap-align:start;position:relative;display:grid;grid-template:100%/100%;height:var(--ph,420px)}.of-slides li>*{grid-area:1/1}' +
      '.of-slides img{width:100%;height:100%;object-fit:cover}.of-slides picture{min-height:0}.of-slide-words{align-self:end;padding:1.2em 1.4em;background:linear-gradient(transparent,rgb(0 0 0/.75) 3em);padding-top:3.4em;color:#fff;z-index:1}' +
      '.of-slide-words a{color:inherit}.of-slide-title{font-weight:600;font-size:1.2em}' +
      '.of-slides-go{position:absolute;right:.8em;top:.8em;display:flex;gap:.4em}.of-slides-go[hidden]{display:none}' +
      '.of-slides-go button{font:inherit;line-height:1;padding:.5em .7em;border:0;background:rgb(0 0 0/.72);color:#fff;cursor:pointer}',
  ],
  summary: (props, names) => describeItems(props.slides, 'title', names),
  draw(element, compile) {
    const slides = prop(element, slideshow, 'slides')
    if (!Array.isArray(slides) || slides.length === 0) return ''
    compile.script('slides')
    const attributes = compile.attributes(element, 'slides')
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
    const own = compile.part(element, 'button')
    const seconds = Number(prop(element, slideshow, 'seconds'))
    const stepped = slides.length > 1 && compile.shows(element, 'button')
    const name = prop(element, slideshow, 'name')
    const runs = seconds > 0 ? ` data-seconds="${seconds}"` : ''
    const open: Chunk = (scene) =>
      `<section${attributes} aria-label="${escapeHtml(plainText(name, scene) || 'Slideshow')}"${runs}><ol tabindex="0">`
    const close: Chunk = (scene) => {
      const said = (what: keyof typeof BUTTON_WORDS) =>
        escapeHtml(plainText(prop(element, slideshow, what), scene) || BUTTON_WORDS[what].default)
      const button = (go: string, label: string, sign: string, more = '') =>
        `<button type="button"${own} data-go="${go}" aria-label="${label}"${more}>${sign}</button>`
      const stop = runs && button('stop', said('stop'), '❚❚', ` data-stop="${said('stop')}" data-run="${said('run')}"`)
      const buttons = `${button('-1', said('previous'), '‹')}${stop}${button('1', said('next'), '›')}`
      return `</ol>${stepped ? `<div class="of-slides-go" hidden>${buttons}</div>` : ''}</section>`
    }
    const shown = join(...slides.map(slide))
    return (scene) => {
      const html = fill([shown], scene)
      return html && fill([open, html, close], scene)
    }
  },
}
