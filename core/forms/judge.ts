import { isDay } from '../time'
import { readNumber as numberIn } from '../numbers'
import { cleaned } from './cleaned'
import {
  type Answer,
  type AnswerProblem,
  type AskedForm,
  type CameIn,
  type FormWord,
  type Question,
  type SentFile,
  fieldName,
} from './types'

/** Judges what somebody sent to a form: by the form alone, whatever a browser has let through. */

/** What a browser sends: values by name, in their order. */
export type SentValues = Readonly<Record<string, readonly string[]>>

export interface Judged {
  answers: Answer[]
  problems: AnswerProblem[]
}

/** No text is longer, whatever a question allows. */
export const MOST_TEXT = 20_000

/** A mail address, as far as one can be told from how it is written. */
export const MAIL = /^[^\s@<>()[\],;:"\\]{1,64}@[\p{L}\p{N}-]+(\.[\p{L}\p{N}-]+)+$/u
const TELEPHONE = /^\+?[\d\s()./-]{3,40}$/

/** What is wrong, with what stands for `{least}` and `{most}`. */
type Wrong = [word: FormWord, least?: string | number | null, most?: string | number | null]
type Read = { says: string[]; files?: SentFile[] } | { wrong: Wrong }

const said = (text: string): Read => ({ says: text === '' ? [] : [text] })
const wrong = (...why: Wrong): Read => ({ wrong: why })

function readText({ kind, least, most }: Question, text: string): Read {
  const words = cleaned(text, kind === 'long')
  if (words === '') return said('')
  const limit = Math.min(most ?? MOST_TEXT, MOST_TEXT)
  // Counted as people count: a sign outside the first plane is one.
  const length = [...words].length
  if (length > limit) return wrong('long', least, limit)
  return least !== null && length < least ? wrong('short', least, limit) : said(words)
}

function readNumber({ least, most, decimal }: Question, text: string): Read {
  const words = cleaned(text, false)
  if (words === '') return said('')
  const value = numberIn(words, decimal)
  if (value === null) return wrong('number')
  if (least !== null && value < least) return wrong('small', least, most)
  return most !== null && value > most ? wrong('large', least, most) : said(String(value))
}

function readDay({ from, until }: Question, text: string): Read {
  const words = cleaned(text, false)
  if (words === '') return said('')
  if (!isDay(words)) return wrong('date')
  if (from && words < from) return wrong('early', from, until)
  return until && words > until ? wrong('late', from, until) : said(words)
}

const readBy =
  (pattern: RegExp, word: FormWord) =>
  (_: Question, text: string): Read => {
    const words = cleaned(text, false)
    return words === '' || (words.length <= 254 && pattern.test(words)) ? said(words) : wrong(word)
  }

function readChosen({ options, least, most, kind }: Question, sent: readonly string[]): Read {
  const ids = [...new Set(sent.filter((id) => id !== ''))]
  const chosen = options.filter((o) => ids.includes(o.id))
  // What is no answer of it was not chosen here.
  if (chosen.length < ids.length || (kind === 'one' && chosen.length > 1)) return wrong('choice')
  if (chosen.length > 0 && least !== null && chosen.length < least) return wrong('few', least, most)
  if (most !== null && chosen.length > most) return wrong('many', least, most)
  return { says: chosen.map((o) => o.label) }
}

const MEGABYTE = 1_000_000

function readFiles({ takes, heaviest, most }: Question, _: readonly string[], came: readonly CameIn[]): Read {
  const files = came.filter((file, i) => came.findIndex((f) => f.hash === file.hash) === i)
  if (files.some(({ size }) => size > heaviest * MEGABYTE)) return wrong('heavy', null, heaviest)
  const taken = { any: null, pictures: 'picture', documents: 'document' }[takes]
  if (files.some(({ kind, size }) => size === 0 || (taken !== null && kind !== taken))) return wrong('file')
  if (files.length > (most ?? 1)) return wrong('many', null, most ?? 1)
  return {
    says: files.map((f) => f.name),
    files: files.map(({ name, hash, size, mime }) => ({ name, hash, size, mime })),
  }
}

type Reader = (question: Question, sent: readonly string[], files: readonly CameIn[]) => Read
const READ: Record<Question['kind'], Reader> = {
  short: (q, [text = '']) => readText(q, text),
  long: (q, [text = '']) => readText(q, text),
  mail: (q, [text = '']) => readBy(MAIL, 'mail')(q, text),
  telephone: (q, [text = '']) => readBy(TELEPHONE, 'telephone')(q, text),
  number: (q, [text = '']) => readNumber(q, text),
  date: (q, [text = '']) => readDay(q, text),
  one: readChosen,
  several: readChosen,
  'yes-no': (_, [on]) => said(on ? 'yes' : ''),
  consent: (_, [on]) => said(on ? 'yes' : ''),
  file: readFiles,
  // Whatever a browser says, the page says it.
  hidden: ({ value }) => said(cleaned(value, true).slice(0, MOST_TEXT)),
}

const sameWords = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()

/** Which questions are asked, as the others are answered. One that goes by itself, in whatever turn, is not. */
function askedOf(form: AskedForm, read: ReadonlyMap<Question, Read>): Set<Question> {
  const byKey = new Map([...form.questions].reverse().map((q) => [q.key, q]))
  const known = new Map<Question, boolean>()
  const isAsked = (question: Question): boolean => {
    const before = known.get(question)
    if (before !== undefined) return before
    known.set(question, false)
    const asked = question.when === null || holds(question.when)
    known.set(question, asked)
    return asked
  }
  const holds = ({ key, is }: NonNullable<Question['when']>): boolean => {
    const other = byKey.get(key)
    if (!other || !isAsked(other)) return false
    const answer = read.get(other)!
    const says = 'says' in answer ? answer.says : []
    return is.trim() === '' ? says.length > 0 : says.some((one) => sameWords(one, is))
  }
  return new Set(form.questions.filter(isAsked))
}

const filled = (sentence: string, least?: string | number | null, most?: string | number | null): string =>
  sentence.replaceAll('{least}', String(least ?? '')).replaceAll('{most}', String(most ?? ''))

export type SentFiles = Readonly<Record<string, readonly CameIn[]>>

const own = <T>(of: Readonly<Record<string, readonly T[]>>, name: string): readonly T[] =>
  Object.hasOwn(of, name) ? of[name]! : []

/**
 * What of a form was answered, and what is wrong with it; `files` are those that came, by the names of their fields.
 * Nothing is taken of what it does not ask.
 */
export function judge(form: AskedForm, sent: SentValues, files: SentFiles = {}): Judged {
  const readOf = (q: Question) => READ[q.kind](q, own(sent, fieldName(q.id)), own(files, fieldName(q.id)))
  const read = new Map(form.questions.map((q) => [q, readOf(q)]))
  const asked = askedOf(form, read)
  const answers: Answer[] = []
  const problems: AnswerProblem[] = []
  for (const question of form.questions) {
    if (!asked.has(question)) continue
    const { id, key, label, kind, required } = question
    const tell = ([word, least, most]: Wrong) =>
      problems.push({ id, label, why: filled(form.words[word], least, most).replaceAll('{label}', label) })
    const answer = read.get(question)!
    if ('wrong' in answer) tell(answer.wrong)
    else if (answer.says.length > 0)
      answers.push({ key, label, kind, says: answer.says, ...(answer.files && { files: answer.files }) })
    else if (kind === 'consent') tell(['consent'])
    else if (required && kind !== 'hidden') tell([kind === 'one' || kind === 'several' ? 'choice' : 'required'])
  }
  return { answers, problems }
}
