import { type CameIn, type Question, fieldName, keptName } from '../../forms'
import {
  PAGE_STYLES,
  FOCUS_CSS,
  type Chunk,
  type Compile,
  type Scene,
  escapeHtml,
  fill,
  plainText,
  textChunk,
} from '../../drawing'
import type { LayoutElement, Property } from '../../tree'
import { describe, type ElementSpec, prop } from '../base'
import { readQuestion } from './read'

const KINDS = [
  { value: 'short', label: 'A short text' },
  { value: 'long', label: 'A long text' },
  { value: 'mail', label: 'A mail address' },
  { value: 'telephone', label: 'A telephone number' },
  { value: 'number', label: 'A number' },
  { value: 'date', label: 'A day' },
  { value: 'one', label: 'One of several answers' },
  { value: 'several', label: 'Several answers' },
  { value: 'yes-no', label: 'Yes or no' },
  { value: 'file', label: 'A file' },
  { value: 'consent', label: 'Consent' },
  { value: 'hidden', label: 'Nothing: a value goes along' },
]
const only = (...is: string[]): Pick<Property, 'asked'> => ({ asked: { by: 'kind', is } })
const TYPED = ['short', 'long', 'mail', 'telephone', 'number']
const CHOSEN = ['one', 'several']

/** How fields with their labels look, here and wherever else visitors fill something in. */
export const QUESTION_CSS: readonly string[] = [FOCUS_CSS, PAGE_STYLES.question]

/** One thing that a form asks. */
export const question: ElementSpec = {
  type: 'question',
  name: 'Question',
  about: 'One thing that a form asks: a text, a day, a choice, a consent. It is drawn only in a form.',
  group: 'Forms',
  form: 'in',
  props: {
    kind: { kind: 'choice', label: 'Asks for', default: 'short', options: KINDS },
    label: { kind: 'text', label: 'Label', default: 'Your name', most: 500 },
    required: {
      kind: 'yes-no',
      label: 'Must be answered',
      default: false,
      ...only(...TYPED, ...CHOSEN, 'date', 'yes-no', 'file'),
    },
    help: { kind: 'text', label: 'Help', default: '', most: 500 },
    example: { kind: 'text', label: 'Example in the field', default: '', most: 200, ...only(...TYPED) },
    optional: { kind: 'text', label: 'Beside what need not be answered', default: '(optional)', most: 60 },
    options: {
      kind: 'items',
      label: 'Answers',
      default: [],
      one: 'Answer',
      named: 'label',
      most: 60,
      of: { label: { kind: 'text', label: 'Answer', default: 'Answer', most: 200 } },
      ...only(...CHOSEN),
    },
    as: {
      kind: 'choice',
      label: 'Drawn as',
      default: 'marks',
      options: [
        { value: 'marks', label: 'Marks to press' },
        { value: 'list', label: 'A list that opens' },
      ],
      ...only('one'),
    },
    choose: { kind: 'text', label: 'Before one is chosen', default: 'Please choose', most: 120, ...only('one') },
    lines: { kind: 'number', label: 'Lines', default: 5, min: 2, max: 30, ...only('long') },
    least: {
      kind: 'number',
      label: 'At least',
      default: 0,
      min: 0,
      max: 5000,
      hint: 'Characters, or answers; 0: no limit.',
      ...only('short', 'long', 'several'),
    },
    most: {
      kind: 'number',
      label: 'At most',
      default: 0,
      min: 0,
      max: 20_000,
      hint: 'Characters, or answers; 0: no limit.',
      ...only('short', 'long', 'several'),
    },
    low: { kind: 'text', label: 'Not below', default: '', most: 20, ...only('number') },
    high: { kind: 'text', label: 'Not above', default: '', most: 20, ...only('number') },
    from: { kind: 'text', label: 'Not before', default: '', most: 40, hint: 'A day: 2027-01-31.', ...only('date') },
    until: { kind: 'text', label: 'Not after', default: '', most: 40, hint: 'A day: 2027-01-31.', ...only('date') },
    takes: {
      kind: 'choice',
      label: 'Takes',
      default: 'any',
      options: [
        { value: 'any', label: 'Pictures, documents, sounds, films' },
        { value: 'pictures', label: 'Pictures' },
        { value: 'documents', label: 'Documents' },
      ],
      ...only('file'),
    },
    files: { kind: 'number', label: 'Files at most', default: 1, min: 1, max: 5, ...only('file') },
    heaviest: { kind: 'number', label: 'Megabytes each', default: 5, min: 1, max: 10, ...only('file') },
    value: { kind: 'text', label: 'Goes along', default: '', most: 1000, ...only('hidden') },
    key: {
      kind: 'text',
      label: 'Known as',
      default: '',
      most: 60,
      hint: 'By which other questions and mails name its answer; else by its label.',
    },
    by: {
      kind: 'text',
      label: 'Shown when this is answered',
      default: '',
      most: 60,
      hint: 'What another question is known as.',
    },
    is: { kind: 'text', label: 'With this answer', default: '', most: 200, hint: 'Nothing: with any.' },
  },
  parts: {
    label: { label: 'Label', words: 'label' },
    optional: { label: 'Beside what need not be answered', words: 'optional' },
    help: { label: 'Help', hides: false, words: 'help' },
    field: { label: 'Field', hides: false, states: ['hover', 'focus'] },
    option: { label: 'Answer', hides: false },
    problem: { label: 'What is wrong', hides: false },
  },
  css: QUESTION_CSS,
  summary: (props, names) => describe(props.label ?? 'Your name', names),
  draw: (element, compile) => new DrawnQuestion(element, compile).chunk,
}

/** What a question asks on the page that is drawn. */
export function questionOf(element: LayoutElement, scene: Scene): Question {
  const said = Object.keys(question.props).map((name) => [name, prop(element, question, name)] as const)
  return readQuestion(element.id, Object.fromEntries(said), scene)
}

const INPUT: Readonly<Record<string, string>> = {
  short: 'type="text"',
  mail: 'type="email" autocomplete="email"',
  telephone: 'type="tel" autocomplete="tel"',
  number: 'type="text" inputmode="decimal"',
  date: 'type="date"',
}

/** A question as it is compiled: what of it is known already, and what is known once there is a scene. */
class DrawnQuestion {
  private readonly open: string
  private readonly parts: Readonly<Record<string, string>>
  private readonly label: Chunk
  private readonly kind: string

  constructor(
    private readonly element: LayoutElement,
    private readonly compile: Compile,
  ) {
    this.kind = String(this.say('kind'))
    this.open = `<div${compile.attributes(element, 'question')}`
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    this.parts = {
      label: part('label'),
      optional: part('optional', 'optional') + compile.words('optional'),
      help: part('help', 'help') + compile.words('help'),
      field: part('field'),
      option: part('option', 'option'),
      problem: part('problem', 'problem'),
    }
    this.label = textChunk(this.say('label'))
  }

  private readonly say = (name: string) => prop(this.element, question, name)

  readonly chunk: Chunk = (scene) => {
    if (this.kind === 'hidden') return this.compile.open ? `${this.open}>${this.labelled(scene)} goes along.</div>` : ''
    const state = scene.form?.values
    const name = fieldName(this.element.id)
    const sent = state && Object.hasOwn(state, name) ? state[name]! : []
    return `${this.open} data-q="${escapeHtml(name)}">${this.inside(scene, name, sent)}</div>`
  }

  private labelled(scene: Scene): string {
    return `<span${this.compile.shows(this.element, 'label') ? this.parts.label : ' class="of-sr"'}${this.compile.words('label')}>${fill([this.label], scene)}</span>${this.optional(scene)}`
  }

  private optional(scene: Scene): string {
    const must = this.say('required') === true || this.kind === 'consent'
    if (must || !this.compile.shows(this.element, 'optional')) return ''
    const words = escapeHtml(plainText(this.say('optional'), scene))
    return words && ` <span${this.parts.optional}>${words}</span>`
  }

  private inside(scene: Scene, name: string, sent: readonly string[]): string {
    const id = `of-${escapeHtml(this.element.id)}`
    const help = escapeHtml(plainText(this.say('help'), scene))
    const why = scene.form?.problems.find((p) => p.id === this.element.id)?.why
    const about = [help && `${id}-help`, why && `${id}-why`].filter(Boolean).join(' ')
    const attributes =
      ` id="${id}" name="${escapeHtml(name)}"${this.parts.field}` +
      (this.say('required') === true || this.kind === 'consent' ? ' aria-required="true"' : '') +
      (about && ` aria-describedby="${about}"`) +
      (why ? ' aria-invalid="true"' : '')
    const below =
      (help && `<p id="${id}-help"${this.parts.help}>${help}</p>`) +
      (why ? `<p id="${id}-why"${this.parts.problem}>${escapeHtml(why)}</p>` : '')
    return this.field(scene, id, attributes, sent) + below
  }

  private field(scene: Scene, id: string, attributes: string, sent: readonly string[]): string {
    const label = `<label for="${id}">${this.labelled(scene)}</label>`
    const [first = ''] = sent
    const example = escapeHtml(plainText(this.say('example'), scene)) || ' '
    switch (this.kind) {
      case 'long':
        return `${label}<textarea${attributes} rows="${Number(this.say('lines'))}" placeholder="${example}">\n${escapeHtml(first)}</textarea>`
      case 'yes-no':
      case 'consent':
        return `<label${this.parts.option}><input type="checkbox"${attributes} value="yes"${first ? ' checked' : ''}><span>${this.labelled(scene)}</span></label>`
      case 'file':
        return label + this.filed(scene, attributes)
      case 'one':
      case 'several':
        return this.chosen(scene, id, label, attributes, sent)
      default:
        return `${label}<input ${INPUT[this.kind]}${attributes} placeholder="${example}" value="${escapeHtml(first)}">`
    }
  }

  /** A field for files; those that came in before go along, unless they are taken out. */
  private filed({ form }: Scene, attributes: string): string {
    const name = fieldName(this.element.id)
    const came: readonly CameIn[] = form?.files && Object.hasOwn(form.files, name) ? form.files[name]! : []
    const kept = came.map(
      ({ name: called, seal }) =>
        `<label${this.parts.option}><input type="checkbox" name="${escapeHtml(keptName(this.element.id))}" value="${escapeHtml(seal)}" checked><span>${escapeHtml(called)}</span></label>`,
    )
    const accept = { pictures: ' accept="image/*"', documents: ' accept=".pdf,.doc,.docx,.odt,.rtf,.txt"' }[
      String(this.say('takes'))
    ]
    return `<input type="file"${attributes}${accept ?? ''}${Number(this.say('files')) > 1 ? ' multiple' : ''}>${kept.join('')}`
  }

  private chosen(scene: Scene, id: string, label: string, attributes: string, sent: readonly string[]): string {
    const { options } = questionOf(this.element, scene)
    if (this.kind === 'one' && this.say('as') === 'list') {
      const none = `<option value="">${escapeHtml(plainText(this.say('choose'), scene))}</option>`
      const each = options.map(
        (o) =>
          `<option value="${escapeHtml(o.id)}"${sent.includes(o.id) ? ' selected' : ''}>${escapeHtml(o.label)}</option>`,
      )
      return `${label}<select${attributes}>${none}${each.join('')}</select>`
    }
    const type = this.kind === 'one' ? 'radio' : 'checkbox'
    const rest = attributes.replace(` id="${id}"`, '')
    const each = options.map(
      (o, i) =>
        `<label${this.parts.option}><input type="${type}"${i === 0 ? ` id="${id}"` : ''}${rest} value="${escapeHtml(o.id)}"${sent.includes(o.id) ? ' checked' : ''}><span>${escapeHtml(o.label)}</span></label>`,
    )
    return `<fieldset><legend>${this.labelled(scene)}</legend>${each.join('')}</fieldset>`
  }
}
