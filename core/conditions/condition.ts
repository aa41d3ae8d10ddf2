import { type Shape, byValue, isRecord, shapeOf } from '../shape'
import type { Catalogue } from '../catalogue'
import type { Entry, Id } from '../model'
import { or } from '../text'
import { type Circumstance, circumstanceName, circumstanceShape, holds } from './circumstances'
import { type CountTest, countHolds, countTestShape, countWords } from './count-test'
import { fieldTestShape, fieldTestWords } from './field-shape'
import { EVERY_ENTRY, type FieldTest, fieldTest, readsToday } from './field-test'
import type { Request } from './spec'
import { type TermTest, termTest, termTestShape } from './term-test'

/** One line of what must hold for something to be shown: of the entry or the page that it is about, or of who asks. */
export type Condition = Circumstance | FieldTest | TermTest | CountTest

export const isFieldTest = (condition: Condition): condition is FieldTest => condition.kind === 'field'
export const isTermTest = (condition: Condition): condition is TermTest => condition.kind === 'term'

const ABOUT = { field: fieldTestShape, term: termTestShape, count: countTestShape } as const

const isAbout = (kind: unknown): kind is keyof typeof ABOUT => typeof kind === 'string' && Object.hasOwn(ABOUT, kind)

/** True for what is asked of whoever asks for the page, not of what it shows. */
export const isCircumstance = (condition: Condition): condition is Circumstance => !isAbout(condition.kind)

export const conditionShape = shapeOf<Condition>()(
  byValue((v): Shape<Condition> => (isRecord(v) && isAbout(v.kind) ? ABOUT[v.kind] : circumstanceShape)),
)

/** What conditions are asked of. */
export interface AskedOf {
  /** Without one, no test of a field or of terms holds. */
  entry: Entry | null
  request: Request
  catalogue: Catalogue
  /** How many entries the page lists. */
  count(): number
}

/** A condition made ready for asking it of many scenes. */
export function conditionHolds(condition: Condition): (of: AskedOf) => boolean {
  if (condition.kind === 'count') return ({ count }) => countHolds(condition, count())
  if (isFieldTest(condition) || isTermTest(condition)) return testHolds(condition)
  return ({ request, catalogue }) => holds(condition, request, catalogue.site.settings.timeZone)
}

/** A test of entries, made anew when anything that it was made from has changed. */
function testHolds(asked: FieldTest | TermTest): (of: AskedOf) => boolean {
  let test: ((entry: Entry) => boolean) | null = null
  let over: object | null = null
  const byDay = isFieldTest(asked) && readsToday(asked)
  return ({ entry, catalogue }) => {
    if (over !== catalogue.state) {
      test = isFieldTest(asked) ? fieldTest(asked, catalogue) : termTest(asked, catalogue)
      over = catalogue.state
    } else if (byDay) catalogue.seeToday()
    return entry !== null && test!(entry)
  }
}

/** What things are called that conditions name. */
export interface ConditionNames {
  field(id: Id): string
  term(id: Id): string
  /** What a value is called that a field is compared with. */
  choice(field: Id, value: unknown): string
}

/** A condition as the end of a sentence: "when signed in", "when Maker is not empty". */
export function conditionWords(condition: Condition, names: ConditionNames): string {
  if (condition.kind === 'count') return countWords(condition)
  if (isTermTest(condition)) {
    return `when in ${or(condition.terms.map((t) => names.term(t)))}${condition.below ? ' or below' : ''}`
  }
  if (!isFieldTest(condition)) return circumstanceName(condition)
  const { field, value } = condition
  return `when ${EVERY_ENTRY[field] ?? names.field(field)} ${fieldTestWords(condition, names.choice(field, value))}`
}
