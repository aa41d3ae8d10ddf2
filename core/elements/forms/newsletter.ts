import { hourEnds } from '../../forms'
import { PAGE_STYLES, type Scene, escapeHtml, holdsUntil, plainText } from '../../drawing'
import { clockIn } from '../../time'
import type { LayoutElement } from '../../tree'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { type ElementSpec, prop, describe } from '../base'
import { askHtml } from './ask'
import { TRAP } from './form'
import { QUESTION_CSS } from './question'

/** By what the page is asked for that a mail leads to: a word and a seal, which the button there sends. */
export const NEWS = 'news'

export const NEWS_WORDS = {
  asked: 'Almost there: open the mail that is on its way to you, and say yes there.',
  mail: 'This is no mail address. One looks like name@example.org.',
  often: 'Too much was sent from your place. Please try again in a few minutes.',
  stale: 'This page stood open for long. Please send it again.',
  over: 'This link is no longer good. Ask for the newsletter once more, and a fresh one comes by mail.',
  in: 'You are on the list. Every mail says how to leave it.',
  out: 'You are off the list, and get no more of it.',
} as const
export type NewsWord = keyof typeof NEWS_WORDS

const text = (label: string, words: string, most = 400) => ({ kind: 'text', label, default: words, most }) as const

/** Where visitors ask for a newsletter; they are on the list once they have said yes in a mail, and can leave it. */
export const newsletter: ElementSpec = {
  type: 'newsletter',
  name: 'Newsletter',
  about: 'Visitors ask for a newsletter. A mail asks whether it was they; another way leads out again.',
  group: 'Forms',
  form: 'is',
  props: {
    list: { ...text('List', 'Newsletter', 80), hint: 'So whoever is on it is known.' },
    label: text('Asks for the mail address', 'Your mail address', 120),
    button: text('Button', 'Send it to me', 80),
    small: text('Small print', 'You can leave it whenever you like. Nobody else learns your address.'),
    asked: text('Once it is asked for', NEWS_WORDS.asked),
    subject: text('Subject of the mail', 'Shall we send you our newsletter?', 200),
    text: {
      ...text(
        'Words of the mail',
        'Somebody, we hope you, asked for our newsletter to be sent to this address.\n\nYes, send it to me:\n{yes}\n\nIf it was not you, do nothing, and nothing comes.\n',
        3000,
      ),
      lines: true,
      hint: '{yes} stands for the address where one says yes.',
    },
    yes: text('Button that says yes', 'Yes, send it to me', 80),
    in: text('Once on the list', NEWS_WORDS.in),
    welcome: text('Subject of the first mail', 'You are on our list', 200),
    welcomeText: {
      ...text('Words of the first mail', 'Thank you. You are on our list.\n\nTo leave it:\n{leave}\n', 3000),
      lines: true,
      hint: '{leave} stands for the address where one leaves.',
    },
    leave: text('Button that leaves', 'Take me off the list', 80),
    out: text('Once off the list', NEWS_WORDS.out),
    look: { ...BUTTON_LOOK, label: 'Look of the button' },
  },
  parts: {
    label: { label: 'Label', words: 'label' },
    field: { label: 'Field', hides: false, states: ['hover', 'focus'] },
    small: { label: 'Small print', words: 'small' },
    says: { label: 'What is said', hides: false },
    button: { label: 'Button', hides: false, words: 'button', states: ['hover', 'focus'] },
  },
  css: [...QUESTION_CSS, BUTTON_CSS, PAGE_STYLES.newsletter],
  summary: (props, names) => describe(props.list, names),
  draw(element, compile) {
    compile.reads(NEWS)
    const id = escapeHtml(element.id)
    const open = `<div${compile.attributes(element, 'news')} id="of-${id}">`
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const parts = { field: part('field'), problem: part('says', 'problem') }
    const label = compile.shows(element, 'label') ? part('label') : ' class="of-sr"'
    const small = part('small', 'news-small') + compile.words('small')
    const says = part('says', 'news-says')
    const button = `<button type="submit"${part('button', 'btn', compile.look(prop(element, newsletter, 'look')))}`
    const say = (name: string, scene: Scene) => escapeHtml(newsSays(element, scene, name))
    const shows = compile.shows(element, 'small')
    return (scene) => {
      const proof = scene.proof(element.id)
      if (proof) holdsUntil(scene, clockIn(scene.catalogue.site.settings.timeZone, hourEnds(scene.request.at)))
      const state = scene.form?.id === element.id ? scene.form : null
      const hidden = (more: string) =>
        `<form method="post" action="#of-${id}" novalidate><input type="hidden" name="form" value="newsletter"><input type="hidden" name="of" value="${id}">${more}`
      const [done = '', seal = ''] = newsIn(scene.request.parameters[NEWS]?.[0], element.id) ?? []
      const told = (word: NewsWord, role = 'status') => `${open}<p${says} role="${role}">${say(word, scene)}</p></div>`
      if (done === 'asked' || done === 'in' || done === 'out') return told(done)
      if (state && state.says === NEWS_WORDS.over) return told('over', 'alert')
      if (done === 'yes' || done === 'leave') {
        const word = `<input type="hidden" name="seal" value="${escapeHtml(`${done}.${seal}`)}">`
        return `${open}${hidden(word)}${button}>${say(done, scene)}</button></form></div>`
      }
      const field = askHtml(
        {
          id: `of-${element.id}-mail`,
          name: 'mail',
          type: 'email',
          autocomplete: 'email',
          value: state?.values.mail?.[0] ?? '',
          required: true,
          why: state?.says,
        },
        { ...parts, label: label + compile.words('label'), labelled: say('label', scene) },
      )
      const trap = `<p class="of-trap" aria-hidden="true"><label>Website <input name="${TRAP}" tabindex="-1" autocomplete="off"></label></p>`
      const print = shows ? `<p${small}>${say('small', scene)}</p>` : ''
      return `${open}${hidden(`<input type="hidden" name="proof" value="${escapeHtml(proof)}">${trap}`)}${field}${button}${compile.words('button')}>${say('button', scene)}</button></form>${print}</div>`
    }
  },
}

/** What a newsletter element says, in its own words where it has them. */
export const newsSays = (element: LayoutElement, scene: Scene, name: string): string =>
  Object.hasOwn(newsletter.props, name)
    ? plainText(prop(element, newsletter, name), scene)
    : (NEWS_WORDS[name as NewsWord] ?? '')

/** What a page was asked for of one newsletter: a word, and with some a seal. */
function newsIn(asked: string | undefined, element: string): string[] | null {
  const [of = '', ...rest] = (asked ?? '').split('.')
  return of === element ? [rest[0] ?? '', rest.slice(1).join('.')] : null
}
