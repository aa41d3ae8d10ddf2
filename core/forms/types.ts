import type { Decimal } from '../numbers'
import type { Id } from '../model'

/** What a form asks, what somebody sent, and what came of it; see `docs/forms.md`. */

export const QUESTION_KINDS = [
  'short',
  'long',
  'mail',
  'telephone',
  'number',
  'date',
  'one',
  'several',
  'yes-no',
  'file',
  'consent',
  'hidden',
] as const
export type QuestionKind = (typeof QUESTION_KINDS)[number]

/** One of the answers that can be chosen. */
export interface Option {
  id: Id
  label: string
}

/** One thing that a form asks, as it is asked on one page. */
export interface Question {
  id: Id
  kind: QuestionKind
  label: string
  /** By which other questions, subjects and files know it. */
  key: string
  required: boolean
  /** Characters of a text, the number itself, or how many are chosen. */
  least: number | null
  most: number | null
  /** Days, `YYYY-MM-DD`; none where it is empty. */
  from: string
  until: string
  options: readonly Option[]
  /** Asked only where another question is answered so; with `is` empty, where it is answered at all. */
  when: { key: string; is: string } | null
  /** What a hidden one says on this page. */
  value: string
  /** Kinds of files that are taken, and megabytes that one has at most. */
  takes: FileTaken
  heaviest: number
  /** Which sign stands before decimals in what is typed here. */
  decimal: Decimal
}

/** What files a question takes: by what stands in them, whatever they are called. */
export const FILES_TAKEN = ['any', 'pictures', 'documents'] as const
export type FileTaken = (typeof FILES_TAKEN)[number]

/** A file that somebody sent, as it is kept: by the hash of what stands in it. */
export interface SentFile {
  name: string
  hash: string
  size: number
  mime: string
}

/** A file as it came in and was judged; `seal` names it when the form comes back, and no other one. */
export interface CameIn extends SentFile {
  kind: 'picture' | 'document' | 'other'
  seal: string
}

/** A form as it stands on one page. */
export interface AskedForm {
  id: Id
  name: string
  questions: readonly Question[]
  words: FormWords
}

/** What somebody answered, in words that can be read without the form. */
export interface Answer {
  key: string
  label: string
  kind: QuestionKind
  says: string[]
  files?: SentFile[]
}

/** What is wrong with an answer: a sentence at the question. */
export interface AnswerProblem {
  id: Id
  label: string
  why: string
}

/** What a form was sent, and what is to be said of it when the page is drawn again. */
export interface FormState {
  id: Id
  values: Readonly<Record<string, readonly string[]>>
  /** Files that came in already, by the names of their fields. */
  files?: Readonly<Record<string, readonly CameIn[]>>
  problems: readonly AnswerProblem[]
  /** What is said above the questions. */
  says: string
}

/** Every sentence that a form says of itself; `{label}`, `{least}` and `{most}` stand for those of the question. */
export const FORM_WORDS = {
  required: 'Please answer this.',
  consent: 'Please agree to this before you send it.',
  choice: 'Please choose one of the answers.',
  mail: 'This is no mail address. One looks like name@example.org.',
  telephone: 'A telephone number has digits, spaces and a few signs.',
  number: 'Please write a number.',
  small: 'This is at least {least}.',
  large: 'This is at most {most}.',
  short: 'Please write at least {least} characters.',
  long: 'Please write at most {most} characters.',
  few: 'Please choose at least {least}.',
  many: 'Please choose at most {most}.',
  date: 'This is no day.',
  early: 'The first day is {least}.',
  late: 'The last day is {most}.',
  file: 'Files of this kind are not taken here.',
  heavy: 'A file has at most {most} MB.',
  wrong: 'It was not sent yet. Please look at this again:',
  stale: 'This page stood open for long. Your answers are all here; please send them again.',
  often: 'Too much was sent from your place. Your answers are all here; please try again in a few minutes.',
  thanks: 'Thank you. It is on its way.',
} as const
export type FormWord = keyof typeof FORM_WORDS
export type FormWords = Readonly<Record<FormWord, string>>

/** What the field of a question is called in what a browser sends. */
export const fieldName = (id: Id): string => `q.${id}`
/** What files of a question that came in already are sent again by. */
export const keptName = (id: Id): string => `k.${id}`
