import { PAGE_STYLES, type Scene, escapeHtml, plainText } from '../../drawing'
import type { LayoutElement } from '../../tree'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { QUESTION_CSS, askHtml } from '../forms'
import { type ElementSpec, prop, text } from '../base'
import { BACK, SIGN_IN_CSS } from './sign-in'

/** What is asked for once a password was changed. */
export const CHANGED = 'changed'

/** What somebody who is signed in has here: a new password, and the way out. */
export const account: ElementSpec = {
  type: 'account',
  name: 'Account',
  about: 'Greets whoever is signed in, lets them change their password, and signs them out.',
  group: 'Site',
  form: 'is',
  props: {
    greeting: text('Greeting', 'You are signed in as {name}.'),
    out: text('Button to sign out', 'Sign out', 80),
    heading: text('Above the new password', 'Another password', 120),
    current: text('Asks for the password as it is', 'Your password as it is', 120),
    next: text('Asks for the new one', 'The new one, of at least 12 characters', 120),
    label: text('Button to change it', 'Change it', 80),
    changed: text('Once it is changed', 'It is changed. You are signed out everywhere else.'),
    wrong: text('Where it is wrong', 'The password as it is was another one.'),
    short: text('Where the new one is short', 'A password has 12 to 500 characters.'),
    often: text('After many tries', 'There were many tries. Please wait a quarter of an hour.'),
    nobody: text('For whoever is not signed in', 'You are not signed in.'),
    enter: text('The way to sign in', 'Sign in', 80),
    look: { ...BUTTON_LOOK, label: 'Look of the button' },
    outLook: { ...BUTTON_LOOK, label: 'Look of the button to sign out', default: 'outlined' },
  },
  parts: {
    greeting: { label: 'Greeting', words: 'greeting' },
    out: { label: 'Button to sign out', words: 'out', states: ['hover', 'focus'] },
    password: { label: 'Another password', plain: true },
    heading: { label: 'Above the new password', words: 'heading' },
    label: { label: 'Label of a field', hides: false },
    field: { label: 'Field', hides: false, states: ['hover', 'focus'] },
    problem: { label: 'What is wrong', hides: false },
    button: { label: 'Button to change it', hides: false, words: 'label', states: ['hover', 'focus'] },
  },
  css: [...QUESTION_CSS, BUTTON_CSS, SIGN_IN_CSS, PAGE_STYLES.account],
  summary: () => '',
  draw(element, compile) {
    compile.depends('session')
    compile.reads(CHANGED)
    const say = (name: string, scene: Scene) => escapeHtml(plainText(prop(element, account, name), scene))
    const id = escapeHtml(element.id)
    const open = `<div${compile.attributes(element, 'sign-in', 'account')} id="of-${id}">`
    const hidden = (does: string) =>
      `<form method="post" action="#of-${id}"><input type="hidden" name="form" value="account"><input type="hidden" name="of" value="${id}"><input type="hidden" name="does" value="${does}">`
    const button = (part: string, words: string, look: string) =>
      `<button type="submit"${compile.part(element, part, 'btn', compile.look(prop(element, account, look)))}${compile.words(words)}>`
    const [change, out] = [button('button', 'label', 'look'), button('out', 'out', 'outLook')]
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const parts = { label: part('label'), field: part('field'), problem: part('problem', 'problem') }
    const [greets, heads] = [part('greeting') + compile.words('greeting'), part('heading') + compile.words('heading')]
    const shows = (name: string) => compile.shows(element, name)
    const password = (scene: Scene): string => {
      if (!shows('password')) return ''
      const state = scene.form?.id === element.id ? scene.form : null
      const says = state
        ? `<p class="of-sign-in-says" role="alert">${escapeHtml(state.says)}</p>`
        : scene.request.parameters[CHANGED]?.[0] === element.id
          ? `<p class="of-sign-in-says" role="status">${say('changed', scene)}</p>`
          : ''
      const asked = (name: 'current' | 'next', autocomplete: string) =>
        askHtml(
          { id: `of-${element.id}-${name}`, name, type: 'password', autocomplete, required: true },
          { ...parts, labelled: say(name, scene) },
        )
      const above = shows('heading') ? `<h2${heads}>${say('heading', scene)}</h2>` : ''
      return `${hidden('password')}${above}${says}${asked('current', 'current-password')}${asked('next', 'new-password')}${change}${say('label', scene)}</button></form>`
    }
    return (scene) => {
      if (!scene.request.signedIn && !compile.open) {
        const page = scene.catalogue.page('sign-in')
        const way = page
          ? ` <a href="${escapeHtml(`${page.address}?${BACK}=${encodeURIComponent(scene.page.address)}`)}">${say('enter', scene)}</a>`
          : ''
        return `${open}<p>${say('nobody', scene)}${way}</p></div>`
      }
      const name = escapeHtml(scene.visitor.name)
      const greeting = shows('greeting')
        ? `<p${greets}>${say('greeting', scene).replaceAll('{name}', () => name)}</p>`
        : ''
      const leave = shows('out') ? `${hidden('out')}${out}${say('out', scene)}</button></form>` : ''
      return `${open}${greeting}${leave}${password(scene)}</div>`
    }
  },
}

export const accountSays = (element: LayoutElement, scene: Scene, word: 'wrong' | 'often' | 'short'): string =>
  plainText(prop(element, account, word), scene)
