import type { ElementSpec } from '../base'
import { form } from './form'
import { question } from './question'
import { newsletter } from './newsletter'
import { send } from './send'

/** Elements of forms, in the order of the elements panel. */
export const FORMS: readonly ElementSpec[] = [form, question, send, newsletter]

export { SENT, TRAP, copyOf, daysKept, formOf, isForFiles, mailsOf, nextOf } from './form'
export { QUESTION_CSS } from './question'
export { NEWS, NEWS_WORDS, newsSays, type NewsWord } from './newsletter'
export { askHtml, type Ask, type AskParts } from './ask'
