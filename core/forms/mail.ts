import { exact, list, optional, pattern, text, whole, shapeOf, oneOf } from '../shape'
import { asHeading } from './cleaned'
import { MAIL } from './judge'
import type { Answer, SentFile } from './types'

/** What goes out by mail: one letter to one address, written out, so that it can be sent whenever the server answers. */
export interface Mail {
  format: 1
  to: string
  /** To whom an answer goes; empty: to the site. */
  replyTo: string
  subject: string
  text: string
  files: SentFile[]
  /** Where whoever gets it leaves the list by which it came. */
  leave?: string
}

/** What a mail is made from: texts in which `{key}` stands for an answer and `{answers}` for all of them. */
export interface Letter {
  subject: string
  text: string
}

export const MOST_MAIL_TEXT = 400_000
/** A form mails no more addresses. */
export const MOST_RECIPIENTS = 10
const MOST_SUBJECT = 300

export const HASH = /^[0-9a-f]{64}$/
export const sentFileShape = shapeOf<SentFile>()(
  exact({
    name: text(200),
    hash: pattern(HASH, 'a file is named by its hash'),
    size: whole(0, 1e9),
    mime: pattern(/^[\w.+-]+\/[\w.+-]+$/, 'a file has a kind'),
  }),
)

export const mailShape = shapeOf<Mail>()(
  exact({
    format: oneOf([1], 'it is of another format'),
    to: pattern(MAIL, 'a mail goes to one address').max(254),
    replyTo: pattern(new RegExp(`^$|${MAIL.source}`, 'u'), 'an answer goes to one address').max(254),
    subject: pattern(/^[^\r\n]*$/, 'a subject is one line').max(MOST_SUBJECT),
    text: text(MOST_MAIL_TEXT),
    files: list(sentFileShape, 50),
    leave: optional(pattern(/^https?:\/\/[^\s<>]+$/, 'one leaves at an address').max(2000)),
  }),
)

/** The address in a text, where it is one; what stands around it in a field is none of it. */
export function addressIn(words: string): string | null {
  const address = words.trim().replace(/^mailto:/i, '')
  return address.length <= 254 && MAIL.test(address) ? address : null
}

/** Addresses that are meant, each once, in their order; `first` takes the first of them alone. */
export function recipients(addresses: readonly string[], first: boolean): string[] {
  const known = new Map<string, string>()
  for (const address of addresses.flatMap((words) => addressIn(words) ?? []))
    if (!known.has(address.toLowerCase())) known.set(address.toLowerCase(), address)
  return [...known.values()].slice(0, first ? 1 : MOST_RECIPIENTS)
}

const sayOf = ({ says }: Answer): string => says.join(', ')

/** All answers, one below the other, each under what was asked. */
const written = (answers: readonly Answer[]): string =>
  answers.map((a) => `${asHeading(a.label || a.key)}:\n${sayOf(a)}`).join('\n\n')

/** Fills in the answers to `keys`. What an answer says is never filled in again; what is known as nothing stays. */
const filledIn = (words: string, answers: readonly Answer[], keys: ReadonlySet<string>): string =>
  words.replace(/\{([^{}\s]{1,60})\}/g, (whole, key: string) => {
    if (key === 'answers') return written(answers)
    const answer = answers.find((a) => a.key === key)
    return answer ? sayOf(answer) : keys.has(key) ? '' : whole
  })

/** A subject is one line, whatever is filled into it. */
const line = (words: string): string => words.replace(/\s+/g, ' ').trim().slice(0, MOST_SUBJECT)

/** The mail that a letter becomes with what was answered; `keys` are those of all that could have been. */
export const mailOf = (
  { to, replyTo = '' }: { to: string; replyTo?: string },
  letter: Letter,
  answers: readonly Answer[],
  keys: ReadonlySet<string>,
): Mail => ({
  format: 1,
  to,
  replyTo,
  subject: line(filledIn(letter.subject, answers, keys)),
  text: filledIn(letter.text, answers, keys).slice(0, MOST_MAIL_TEXT),
  files: answers.flatMap((a) => a.files ?? []),
})
