import { PAGE_STYLES, type Scene, escapeHtml, linkAddress, plainText } from '../../drawing'
import type { LayoutElement } from '../../tree'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { QUESTION_CSS, askHtml } from '../forms'
import { type ElementSpec, prop, text } from '../base'

/** By which page somebody came to sign in, and is led back. */
export const BACK = 'to'

export const SIGN_IN_CSS = PAGE_STYLES.signIn

/** Where members and those who work here sign in to the site. */
export const signIn: ElementSpec = {
  type: 'sign-in',
  name: 'Sign in',
  about: 'Signs visitors in, and out again. It works without script.',
  group: 'Site',
  form: 'is',
  props: {
    mail: text('Asks for the mail address', 'Mail address', 120),
    password: text('Asks for the password', 'Password', 120),
    label: text('Button', 'Sign in', 80),
    next: { kind: 'link', label: 'Leads then to', default: null, dynamic: true },
    wrong: text('Where it is wrong', 'This mail address and this password do not belong together.'),
    often: text('After many tries', 'There were many tries. Please wait a quarter of an hour.'),
    signedIn: text('Once signed in', 'You are signed in.'),
    out: text('Button to sign out', 'Sign out', 80),
    look: { ...BUTTON_LOOK, label: 'Look of the button' },
    outLook: { ...BUTTON_LOOK, label: 'Look of the button to sign out', default: 'outlined' },
  },
  parts: {
    label: { label: 'Label of a field', hides: false },
    field: { label: 'Field', hides: false, states: ['hover', 'focus'] },
    problem: { label: 'What is wrong', hides: false },
    button: { label: 'Button', hides: false, words: 'label', states: ['hover', 'focus'] },
    out: { label: 'Button to sign out', words: 'out', states: ['hover', 'focus'] },
  },
  css: [...QUESTION_CSS, BUTTON_CSS, SIGN_IN_CSS],
  summary: () => '',
  draw(element, compile) {
    compile.depends('session')
    compile.reads(BACK)
    const say = (name: string, scene: Scene) => escapeHtml(plainText(prop(element, signIn, name), scene))
    const id = escapeHtml(element.id)
    const open = `<div${compile.attributes(element, 'sign-in')} id="of-${id}">`
    const hidden = (does: string) =>
      `<form method="post" action="#of-${id}"><input type="hidden" name="form" value="sign-in"><input type="hidden" name="of" value="${id}"><input type="hidden" name="does" value="${does}">`
    const button = (part: string, words: string, look: string) =>
      `<button type="submit"${compile.part(element, part, 'btn', compile.look(prop(element, signIn, look)))}${compile.words(words)}`
    const [enter, out] = [button('button', 'label', 'look'), button('out', 'out', 'outLook')]
    const parts = {
      label: compile.part(element, 'label'),
      field: compile.part(element, 'field'),
      problem: compile.part(element, 'problem', 'problem'),
    }
    const shows = compile.shows(element, 'out')
    return (scene) => {
      if (scene.request.signedIn) {
        const leave = shows ? `${hidden('out')}${out}>${say('out', scene)}</button></form>` : ''
        return `${open}<p${compile.words('signedIn')}>${say('signedIn', scene)}</p>${leave}</div>`
      }
      const state = scene.form?.id === element.id ? scene.form : null
      const says = state ? `<p class="of-sign-in-says" role="alert">${escapeHtml(state.says)}</p>` : ''
      const asked = (name: 'mail' | 'password', autocomplete: string) =>
        askHtml(
          {
            id: `of-${element.id}-${name}`,
            name,
            type: name === 'mail' ? 'email' : 'password',
            autocomplete,
            value: name === 'mail' ? (state?.values.mail?.[0] ?? '') : '',
            required: true,
          },
          { ...parts, labelled: say(name, scene) },
        )
      return `${open}${hidden('in')}${says}${asked('mail', 'username')}${asked('password', 'current-password')}${enter}>${say('label', scene)}</button></form></div>`
    }
  },
}

export const signInSays = (element: LayoutElement, scene: Scene, word: 'wrong' | 'often'): string =>
  plainText(prop(element, signIn, word), scene)

/** An address of this site that somebody may be led back to; null for any other. */
export const backTo = (address: string | undefined): string | null =>
  address !== undefined && /^\/(?![/\\])[^\s\\]{0,500}$/.test(address) ? address : null

/** Where one is led once signed in: back to where one came from, as the element says, or to the member's page. */
export const afterSignIn = (element: LayoutElement, scene: Scene): string =>
  backTo(scene.request.parameters[BACK]?.[0]) ??
  linkAddress(prop(element, signIn, 'next'), scene) ??
  (scene.catalogue.page('member')?.address || '/')
