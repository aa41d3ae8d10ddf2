import { MOST_RECIPIENTS, addressIn, mailOf, recipients, type AskedForm, type Answer, type Mail } from '../../forms'
import { type Scene, plainText } from '../../drawing'
import type { LayoutElement, Property } from '../../tree'
import { type ElementSpec, prop } from '../base'

/** Where what a form is sent goes by mail, and in what words. */

const asked = { by: 'copy', is: [true] }

export const MAIL_PROPS: Record<string, Property> = {
  to: {
    kind: 'items',
    label: 'Mailed to',
    default: [],
    one: 'Address',
    named: 'address',
    most: MOST_RECIPIENTS,
    of: {
      address: {
        kind: 'text',
        label: 'Address',
        default: '',
        most: 254,
        hint: 'One, or a field that says one, such as the mail address of the page’s person; then what else, where it is empty.',
      },
    },
  },
  who: {
    kind: 'choice',
    label: 'Of these',
    default: 'all',
    options: [
      { value: 'all', label: 'Each of them' },
      { value: 'first', label: 'The first that there is' },
    ],
  },
  subject: { kind: 'text', label: 'Subject', default: 'A message', most: 300 },
  text: {
    kind: 'text',
    label: 'Mail',
    default: '{answers}',
    most: 5000,
    lines: true,
    hint: '{answers} stands for all answers, and what a question is known as, in such brackets, for one.',
  },
  copy: { kind: 'yes-no', label: 'A copy to whoever sends it', default: false },
  copySubject: { kind: 'text', label: 'Its subject', default: 'What you wrote to us', most: 300, asked },
  copyText: {
    kind: 'text',
    label: 'Its words',
    default: 'Thank you. What you sent has reached us.',
    most: 5000,
    lines: true,
    asked,
    hint: '{answers} stands for what was chosen. What was typed is left out, so that nobody can have their words mailed to others by your form.',
  },
}

/** The address of whoever sent it: their first answer that is one. */
const senderIn = (answers: readonly Answer[]): string =>
  answers.filter((a) => a.kind === 'mail').flatMap(({ says: [words = ''] }) => addressIn(words) ?? [])[0] ?? ''

/** What of the answers is the site's own words, or of a shape in which nobody writes. */
const CHOSEN: ReadonlySet<Answer['kind']> = new Set(['one', 'several', 'yes-no', 'consent', 'number', 'date'])

/**
 * The copy that goes to whoever sent a form; null where none does. It goes to any address that somebody types, so it holds
 * nothing else of what they typed, and no files.
 */
export function copyFor(
  element: LayoutElement,
  spec: ElementSpec,
  scene: Scene,
  { questions }: AskedForm,
  answers: readonly Answer[],
): Mail | null {
  const sender = senderIn(answers)
  if (prop(element, spec, 'copy') !== true || !sender) return null
  const say = (name: string) => plainText(prop(element, spec, name), scene)
  const keys = new Set(questions.map((q) => q.key))
  const chosen = answers.filter(({ kind }) => CHOSEN.has(kind))
  return mailOf({ to: sender }, { subject: say('copySubject'), text: say('copyText') }, chosen, keys)
}

/** The mails to those who keep the site that go out once a form was sent with these answers. */
export function mailsFor(
  element: LayoutElement,
  spec: ElementSpec,
  scene: Scene,
  { questions }: AskedForm,
  answers: readonly Answer[],
): Mail[] {
  const say = (name: string) => plainText(prop(element, spec, name), scene)
  const to = prop(element, spec, 'to')
  const addresses = Array.isArray(to) ? to.map((item) => plainText(item.props.address, scene)) : []
  const keys = new Set(questions.map((q) => q.key))
  const sender = senderIn(answers)
  return recipients(addresses, prop(element, spec, 'who') === 'first').map((one) =>
    mailOf({ to: one, replyTo: sender }, { subject: say('subject'), text: say('text') }, answers, keys),
  )
}
