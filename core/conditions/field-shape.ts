import { type Shape, byValue, exact, judged, key, kinds, numeric, oneOf, text, whole, yesNo, shapeOf } from '../shape'
import { isDay } from '../time'
import { MOST_DAYS, OPS, type ComparedWith } from '../fields'
import type { FieldTest } from './field-test'

/** The shape of a field test, and the words for it. */

const nothing = judged<null>((v) => (v === null || v === '' ? null : 'this test is compared with nothing'))
const DATE = judged<string>((v) => (isDay(v) ? null : 'A test for before or after needs a date such as 2026-03-29'))
const NUMBER_OR_DAY = byValue((v): Shape<string | number> =>
  typeof v === 'string' ? LEAST_DAY : numeric(-1e12, 1e12, 'A test for at least or at most needs a number or a date'),
)
const LEAST_DAY = judged<string>((v) => (isDay(v) ? null : 'A test for at least or at most needs a number or a date'))
const DAYS = whole(0, MOST_DAYS, `Say how many days, up to ${MOST_DAYS}`)
const WORDS = text(500, 'Say what the field should contain').matches(/\S/, 'Say what the field should contain')
const PLAIN = byValue((v): Shape<string | number | boolean> => {
  if (typeof v === 'number') return numeric()
  return typeof v === 'boolean' ? yesNo() : text(500, 'Say what the field is compared with')
})

/** What each field test is compared with. */
const COMPARED: Record<FieldTest['op'], Shape<ComparedWith>> = {
  'is-empty': nothing,
  'is-not-empty': nothing,
  is: PLAIN,
  'is-not': PLAIN,
  contains: WORDS,
  'at-least': NUMBER_OR_DAY,
  'at-most': NUMBER_OR_DAY,
  before: DATE,
  after: DATE,
  'in-next': DAYS,
  'in-last': DAYS,
}

export const OP_WORDS: Record<FieldTest['op'], string> = {
  'is-empty': 'is empty',
  'is-not-empty': 'is not empty',
  is: 'is',
  'is-not': 'is not',
  contains: 'contains',
  'at-least': 'is at least',
  'at-most': 'is at most',
  before: 'is before',
  after: 'is after',
  'in-next': 'is in the next days',
  'in-last': 'is in the last days',
}

/** A test as the end of a sentence, with what it asks for in words. */
export function fieldTestWords({ op }: Pick<FieldTest, 'op'>, asked: string): string {
  if (op === 'is-empty' || op === 'is-not-empty') return OP_WORDS[op]
  const days = asked === '1' ? 'day' : `${asked} days`
  if (op === 'in-next') return asked === '0' ? 'is today' : `is in the next ${days}`
  if (op === 'in-last') return asked === '0' ? 'is today' : `is in the last ${days}`
  return `${OP_WORDS[op]} ${asked}`
}

const ofOp = (op: FieldTest['op']) =>
  exact({ kind: oneOf(['field']), field: key('Choose a field to test'), op: oneOf([op]), value: COMPARED[op] })

export const fieldTestShape = shapeOf<FieldTest>()(
  kinds(
    Object.fromEntries(OPS.map((op) => [op, ofOp(op)])) as Record<FieldTest['op'], ReturnType<typeof ofOp>>,
    'op',
    'field test',
  ),
)
