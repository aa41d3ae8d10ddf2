import { exact, list, oneOf, optional, text, shapeOf } from '../shape'
import { MOST_TEXT } from './judge'
import { sentFileShape } from './mail'
import { type Answer, QUESTION_KINDS } from './types'

/** What a visitor sent, as it is kept. */
export interface Message {
  format: 1
  /** What the form was called, and what the page on which it stood. */
  form: string
  page: string
  title: string
  answers: Answer[]
}

export const MOST_ANSWERS = 500

export const messageShape = shapeOf<Message>()(
  exact({
    format: oneOf([1], 'it is of another format'),
    form: text(200),
    page: text(400),
    title: text(1000),
    answers: list(
      exact({
        key: text(120),
        label: text(1000),
        kind: oneOf(QUESTION_KINDS, 'it has an answer of no kind'),
        says: list(text(2 * MOST_TEXT), 200),
        files: optional(list(sentFileShape, 20)),
      }),
      MOST_ANSWERS,
    ),
  }),
)
