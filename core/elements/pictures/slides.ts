import { PAGE_STYLES, type Compile, type Scene, escapeHtml, plainText } from '../../drawing'
import type { LayoutElement, Value, ValueProperty } from '../../tree'

/** What is scrolled sideways, one at a time: by hand, by buttons where there is script, or by itself until stopped. */

/** What its buttons are called, for who does not see their signs. */
export const STEP_WORDS = {
  previous: { kind: 'text', label: 'Button back', default: 'Previous', most: 60 },
  next: { kind: 'text', label: 'Button on', default: 'Next', most: 60 },
} as const satisfies Record<string, ValueProperty>

export const RUN_WORDS = {
  stop: { kind: 'text', label: 'Button that stops', default: 'Stop', most: 60 },
  run: { kind: 'text', label: 'Button that goes on', default: 'Go on', most: 60 },
} as const satisfies Record<string, ValueProperty>

const WORDS = { ...STEP_WORDS, ...RUN_WORDS }

export const SLIDES_CSS = PAGE_STYLES.slides

interface Slides {
  element: LayoutElement
  compile: Compile
  /** The opening attributes of the whole. */
  attributes: string
  /** More of them, known once there is a scene. */
  more?(scene: Scene): string
  name: Value
  /** After how many seconds it goes on; 0 where it does not. */
  seconds: number
  say(what: keyof typeof WORDS): Value
}

/** Puts drawn `li` elements, of which there are so many, into slides; one alone has nothing to step to. */
export function slidesOf({ element, compile, attributes, more, name, seconds, say }: Slides) {
  compile.script('slides')
  const own = compile.part(element, 'button')
  const runs = seconds > 0 ? ` data-seconds="${seconds}"` : ''
  const button = (go: string, label: string, sign: string, more = '') =>
    `<button type="button"${own} data-go="${go}" aria-label="${label}"${more}>${sign}</button>`
  const buttoned = compile.shows(element, 'button')
  return (inside: string, count: number, scene: Scene): string => {
    const said = (what: keyof typeof WORDS) => escapeHtml(plainText(say(what), scene) || WORDS[what].default)
    const called = escapeHtml(plainText(name, scene) || 'Slideshow')
    const stop = runs && button('stop', said('stop'), '❚❚', ` data-stop="${said('stop')}" data-run="${said('run')}"`)
    const buttons = `${button('-1', said('previous'), '‹')}${stop}${button('1', said('next'), '›')}`
    const bar = count > 1 && buttoned ? `<div class="of-slides-go" hidden>${buttons}</div>` : ''
    return `<section${attributes}${more?.(scene) ?? ''} aria-label="${called}"${runs}><ol tabindex="0">${inside}</ol>${bar}</section>`
  }
}
