import {
  type Answer,
  type AskedForm,
  FORM_WORDS,
  asHeading,
  type FormWord,
  type FormWords,
  fieldName,
  hourEnds,
} from '../../forms'
import {
  PAGE_STYLES,
  FOCUS_CSS,
  type Scene,
  escapeHtml,
  fill,
  holdsUntil,
  linkAddress,
  plainText,
  shownIn,
} from '../../drawing'
import { clockIn } from '../../time'
import { slugOf } from '../../addresses'
import { type LayoutElement, type Property, type TreeNode, childrenOf, elementsOf } from '../../tree'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { describe, type ElementSpec, prop } from '../base'
import { MAIL_PROPS, copyFor, mailsFor } from './mails'
import { question, questionOf } from './question'
import { send } from './send'

/** What a page is asked for once a form on it was sent: the form is thanked for in its place. */
export const SENT = 'sent'
/** The field that people do not see. */
export const TRAP = 'website'

const WORDS = Object.entries(FORM_WORDS) as [FormWord, string][]
const LABELS: Record<FormWord, string> = {
  thanks: 'Once it is sent',
  wrong: 'Above what is wrong',
  required: 'Not answered',
  consent: 'Not agreed to',
  choice: 'Nothing chosen',
  mail: 'No mail address',
  telephone: 'No telephone number',
  number: 'No number',
  small: 'Too small',
  large: 'Too large',
  short: 'Too short',
  long: 'Too long',
  few: 'Too few chosen',
  many: 'Too many chosen',
  date: 'No day',
  early: 'Too early',
  late: 'Too late',
  file: 'A file of another kind',
  heavy: 'A file too large',
  stale: 'Stood open for long',
  often: 'Sent too often',
}
const wordsProps = Object.fromEntries(
  WORDS.filter(([name]) => name !== 'thanks').map(([name, said]): [string, Property] => [
    `says-${name}`,
    { kind: 'text', label: LABELS[name], default: said, most: 300, asked: { by: 'ownWords', is: [true] } },
  ]),
)

export const form: ElementSpec = {
  type: 'form',
  name: 'Form',
  about: 'Questions that visitors answer, and a button that sends them. It works without script.',
  group: 'Forms',
  form: 'is',
  holds: [
    { type: 'question', props: { label: 'Your name', required: true } },
    { type: 'question', props: { kind: 'mail', label: 'Your mail address', required: true } },
    { type: 'question', props: { kind: 'long', label: 'Your message', required: true } },
    { type: 'send', props: {} },
  ],
  regions: ['header', 'intro', 'body', 'footer', 'piece'],
  props: {
    name: { kind: 'text', label: 'Called', default: 'Contact', most: 120, hint: 'So messages of it are known.' },
    thanks: { kind: 'text', label: 'Once it is sent', default: FORM_WORDS.thanks, most: 1000 },
    next: { kind: 'link', label: 'Or leads then to', default: null, dynamic: true },
    ...MAIL_PROPS,
    days: { kind: 'number', label: 'Messages are kept for days', default: 365, min: 1, max: 3650 },
    label: { kind: 'text', label: 'Button, where none stands in it', default: 'Send', most: 120 },
    look: { ...BUTTON_LOOK, label: 'Look of the button' },
    ownWords: { kind: 'yes-no', label: 'Says what is wrong in words of its own', default: false },
    ...wordsProps,
  },
  places: { one: 'Questions', least: 1, most: 1, props: {} },
  parts: {
    summary: { label: 'What is wrong, above', hides: false },
    thanks: { label: 'What is said once it is sent', hides: false },
    button: { label: 'Button', hides: false, states: ['hover', 'focus'] },
  },
  css: [FOCUS_CSS, BUTTON_CSS, PAGE_STYLES.form],
  summary: (props, names) => describe(props.name, names),
  draw(element, compile) {
    const [place] = element.children ?? []
    const id = escapeHtml(element.id)
    const inside = place ? compile.place(place) : ''
    const asked = questionsIn(element)
    for (const rule of whenRules(asked)) compile.css(rule)
    compile.reads(SENT)
    const open = `<form${compile.attributes(element, 'form')} id="of-${id}" method="post" action="#of-${id}"${asked.some(isForFiles) ? ' enctype="multipart/form-data"' : ''} novalidate>`
    const hidden =
      `<input type="hidden" name="form" value="form"><input type="hidden" name="of" value="${id}">` +
      `<p class="of-trap" aria-hidden="true"><label>Website <input name="${TRAP}" tabindex="-1" autocomplete="off"></label></p>`
    const button = `<button type="submit"${compile.part(element, 'button', 'btn', compile.look(prop(element, form, 'look')))}${compile.words('label')}>`
    const ends = elementsOf(element).some((e) => e.type === send.type)
      ? ''
      : (scene: Scene) => `${button}${escapeHtml(plainText(prop(element, form, 'label'), scene))}</button>`
    const thanked = `<div${compile.attributes(element, 'form')} id="of-${id}" role="status"><p${compile.part(element, 'thanks')}${compile.words('thanks')}>`
    const summary = compile.part(element, 'summary', 'form-says')
    const marks = place ? `<div${compile.attributes(place)}>` : '<div>'
    return (scene) => {
      const { parameters } = scene.request
      if (parameters[SENT]?.[0] === element.id)
        return `${thanked}${escapeHtml(plainText(prop(element, form, 'thanks'), scene))}</p></div>`
      const proof = scene.proof(element.id)
      // The proof is that of the hour: what is kept of the page goes with it.
      if (proof) holdsUntil(scene, clockIn(scene.catalogue.site.settings.timeZone, hourEnds(scene.request.at)))
      const says = scene.form?.id === element.id ? problems(scene, summary) : ''
      return `${open}${hidden}<input type="hidden" name="proof" value="${escapeHtml(proof)}">${says}${marks}${fill([inside], scene)}</div>${fill([ends], scene)}</form>`
    }
  },
}

/** What is wrong, summed up above, with the way to each question. */
function problems({ form: state }: Scene, attributes: string): string {
  const each = state!.problems.map(
    ({ id, label, why }) =>
      `<li><a href="#of-${escapeHtml(id)}">${escapeHtml(asHeading(label))}</a>: ${escapeHtml(why)}</li>`,
  )
  return `<div${attributes} role="alert"><p>${escapeHtml(state!.says)}</p>${each.length > 0 ? `<ul>${each.join('')}</ul>` : ''}</div>`
}

const questionsIn = (element: LayoutElement): LayoutElement[] =>
  elementsOf(element).filter((e) => e.type === question.type)

/** Whether an element is a question that takes files. */
export const isForFiles = (element: LayoutElement): boolean =>
  element.type === question.type && prop(element, question, 'kind') === 'file'

/** The questions that are shown to somebody: those whose conditions hold, and those of all that they stand in. */
function shownTo(scene: Scene, node: TreeNode): LayoutElement[] {
  return childrenOf(node).flatMap((child): LayoutElement[] => {
    if (child.when && !shownIn(child.when)(scene)) return []
    if (child.kind !== 'element') return shownTo(scene, child)
    // A form that stands in another is not drawn, and asks nothing.
    return child.type === question.type ? [child] : child.type === form.type ? [] : shownTo(scene, child)
  })
}

/** What a form asks on a page, of whoever is there. */
export function formOf(element: LayoutElement, scene: Scene): AskedForm {
  const own = prop(element, form, 'ownWords') === true
  const said = (name: FormWord): string =>
    name === 'thanks'
      ? plainText(prop(element, form, 'thanks'), scene)
      : (own && plainText(prop(element, form, `says-${name}`), scene)) || FORM_WORDS[name]
  const words = Object.fromEntries(WORDS.map(([name]) => [name, said(name)])) as FormWords
  const questions = shownTo(scene, element).map((e) => questionOf(e, scene))
  return { id: element.id, name: plainText(prop(element, form, 'name'), scene), questions, words }
}

/** The mails that a form sends with what was answered. */
export const mailsOf = (element: LayoutElement, scene: Scene, asked: AskedForm, answers: readonly Answer[]) =>
  mailsFor(element, form, scene, asked, answers)

/** The copy that goes to whoever sent it; null where none does. */
export const copyOf = (element: LayoutElement, scene: Scene, asked: AskedForm, answers: readonly Answer[]) =>
  copyFor(element, form, scene, asked, answers)

/** Where one is led once a form was sent; null where it is thanked for in its place. */
export const nextOf = (element: LayoutElement, scene: Scene): string | null =>
  linkAddress(prop(element, form, 'next'), scene)

/** For how many days messages of a form are kept. */
export const daysKept = (element: LayoutElement): number => Number(prop(element, form, 'days'))

const quoted = (text: string): string => JSON.stringify(text).replaceAll('<', '\\3c ')

/**
 * Rules by which questions that others call for are away until those are answered so: without script, in the browser
 * itself. Whatever it shows, the server goes by the answers.
 */
function whenRules(asked: readonly LayoutElement[]): string[] {
  const literal = (e: LayoutElement, name: string) => {
    const value = prop(e, question, name)
    return typeof value === 'string' ? value.trim() : ''
  }
  const known = asked.map((e) => ({ e, key: literal(e, 'key') || slugOf(literal(e, 'label')) || e.id }))
  return asked.flatMap((e): string[] => {
    const by = literal(e, 'by')
    const other = by && known.find((one) => one.key === by)?.e
    if (!other) return []
    const field = `[name=${quoted(fieldName(other.id))}]`
    const holds = answered(other, field, literal(e, 'is'))
    return [`.of-form:not(:has(${holds})) [data-q=${quoted(fieldName(e.id))}]{display:none!important}`]
  })
}

/** The selector of an answer that was given: one of those that can be chosen, or any. */
function answered(other: LayoutElement, field: string, is: string): string {
  const options = prop(other, question, 'options')
  const ids = (Array.isArray(options) ? options : [])
    .filter(
      (o) =>
        is === '' ||
        String(o.props.label ?? 'Answer')
          .trim()
          .toLowerCase() === is.toLowerCase(),
    )
    .map((o) => `[value=${quoted(o.id)}]`)
  const kind = prop(other, question, 'kind')
  if (kind === 'one' || kind === 'several') {
    const any = ids.length > 0 ? `:is(${ids.join()})` : '[value=""][data-none]'
    return `${field}${any}:checked,${field} option${any}:checked`
  }
  if (kind === 'yes-no' || kind === 'consent') return `${field}:checked`
  return `${field}:not(:placeholder-shown)`
}
