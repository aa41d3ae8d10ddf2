import { type LayoutElement, elementsOf } from '../../tree'
import { PAGE_STYLES, type Scene, escapeHtml, fill, join, plainText, type Chunk } from '../../drawing'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { type ElementSpec, prop, text } from '../base'
import { SHOP_CSS, SHOP_FORM, saying } from './bits'

/** What a page is asked for by the number of a step. */
export const STEP = 'step'

/** Which step is shown, of so many: the one that is asked for, the first where none is, or none that there is. */
export function stepAsked({ request }: Pick<Scene, 'request'>, steps: number): number {
  const asked = request.parameters[STEP]?.[0] ?? ''
  const at = /^\d{1,2}$/.test(asked) ? Number(asked) - 1 : 0
  return at >= 0 && at < steps ? at : 0
}

/** A checkout in steps: one is shown at a time, and what was said in the others is kept with the basket. */
export const checkoutSteps: ElementSpec = {
  type: 'checkout-steps',
  name: 'Checkout in steps',
  about: 'Holds the parts of a checkout in steps that are gone through one after the other. They work without script.',
  group: 'Shop',
  once: true,
  props: {
    name: text('Read out as', 'Steps of your order', 120),
    next: text('Button that goes on', 'Go on', 80),
    back: text('Button that goes back', 'Back', 80),
    look: { ...BUTTON_LOOK, label: 'Look of the button that goes on' },
    backLook: { ...BUTTON_LOOK, label: 'Look of the button that goes back', default: 'outlined' },
  },
  places: {
    one: 'Step',
    named: 'title',
    least: 1,
    most: 8,
    props: { title: { kind: 'text', label: 'Title', default: 'Next', most: 120 } },
  },
  parts: {
    titles: { label: 'Titles of the steps' },
    title: { label: 'Title of a step', hides: false, states: ['hover', 'focus'] },
    now: { label: 'Title of the step that is shown', hides: false },
    next: { label: 'Button that goes on', hides: false, words: 'next', states: ['hover', 'focus'] },
    back: { label: 'Button that goes back', words: 'back', states: ['hover', 'focus'] },
  },
  css: [SHOP_CSS, BUTTON_CSS, PAGE_STYLES.steps],
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.shopForm()
    compile.reads(STEP)
    const places = element.children ?? []
    const say = saying(element, checkoutSteps)
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const open = `<div${compile.attributes(element, 'steps')}>`
    const [titles, title, now] = [part('titles'), part('title'), part('now')]
    const look = (name: string) => compile.look(prop(element, checkoutSteps, name))
    const [next, back] = [
      part('next', 'btn', look('look')) + compile.words('next'),
      part('back', 'btn', 'steps-back', look('backLook')) + compile.words('back'),
    ]
    const shows = (name: string) => compile.shows(element, name)
    const named = (scene: Scene, at: number) =>
      escapeHtml(plainText(places[at]!.props.title ?? checkoutSteps.places!.props.title!.default, scene))
    const inside = places.map((place): Chunk =>
      compile.shown(place, join(`<div${compile.attributes(place)}>`, compile.place(place), '</div>')),
    )
    const goes = (to: number, attributes: string, words: string) =>
      `<button type="submit" form="${SHOP_FORM}" name="does" value="step.${to + 1}"${attributes}>${words}</button>`
    return (scene) => {
      // A step that is not shown to somebody is none of theirs.
      const drawn = inside.map((chunk) => fill([chunk], scene))
      const theirs = drawn.flatMap((html, i) => (html ? [i] : []))
      const asked = stepAsked(scene, places.length)
      const at = theirs.findIndex((i) => i >= asked)
      const [here, after, before] = [theirs[at] ?? -1, theirs[at + 1], theirs[at - 1]]
      // What comes later is gone to by what lies between.
      const way = theirs.map((i) =>
        i === here
          ? `<li${now} aria-current="step">${named(scene, i)}</li>`
          : `<li${title}>${i < here ? goes(i, '', named(scene, i)) : named(scene, i)}</li>`,
      )
      const list = shows('titles')
        ? `<nav aria-label="${say('name', scene)}"><ol${titles}>${way.join('')}</ol></nav>`
        : ''
      // On the bench all of them stand one below the other, so that each can be worked on.
      const all = theirs.map((i) => `<p${now}>${i + 1}. ${named(scene, i)}</p>${drawn[i]}`).join('')
      const on = compile.open || after !== undefined ? goes(after ?? 0, next, say('next', scene)) : ''
      const returns = (compile.open || before !== undefined) && shows('back')
      const off = returns ? goes(before ?? 0, back, say('back', scene)) : ''
      const shown = `<input type="hidden" form="${SHOP_FORM}" name="${STEP}" value="${here + 1}">`
      const foot = on || off ? `<div class="of-steps-on">${on}${off}</div>` : ''
      return `${open}${shown}${list}${compile.open ? all : (drawn[here] ?? '')}${foot}</div>`
    }
  },
}

/** The elements of each step of a checkout; none where it is not in steps. */
export const stepsAmong = (elements: readonly LayoutElement[]): LayoutElement[][] =>
  (elements.find((e) => e.type === checkoutSteps.type)?.children ?? []).map((place) => elementsOf(place))

/** The elements of a page that a step leaves to be seen: what stands in no other. */
export function seenInStep(elements: readonly LayoutElement[], step: number): readonly LayoutElement[] {
  const elsewhere = new Set(stepsAmong(elements).flatMap((inside, i) => (i === step ? [] : inside.map((e) => e.id))))
  return elsewhere.size === 0 ? elements : elements.filter((e) => !elsewhere.has(e.id))
}
