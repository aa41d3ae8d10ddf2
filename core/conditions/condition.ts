import { type Shape, byValue, isRecord } from '../shape'
import type { Catalogue, Entry } from '../site'
import { type Circumstance, circumstanceName, circumstanceShape, holds } from './circumstances'
import { OP_WORDS, fieldTestShape } from './field-shape'
import { EVERY_ENTRY, type FieldTest, fieldTest } from './field-test'
import type { Request } from './spec'

/** One line of what must hold for something to be shown: of the entry that it is about, or of who asks. */
export type Condition = Circumstance | FieldTest

export const isFieldTest = (condition: Condition): condition is FieldTest => condition.kind === 'field'

export const conditionShape: Shape = byValue((v) =>
  isRecord(v) && v.kind === 'field' ? fieldTestShape : circumstanceShape,
)

/** A condition made ready for asking it of many scenes. Without an entry no test of a field holds. */
export function conditionHolds(
  condition: Condition,
): (entry: Entry | null, request: Request, catalogue: Catalogue) => boolean {
  if (!isFieldTest(condition)) return (_, request, { site }) => holds(condition, request, site.settings.timeZone)
  let test: ((entry: Entry) => boolean) | null = null
  let over: Catalogue | null = null
  return (entry, _, catalogue) => {
    if (over !== catalogue) [test, over] = [fieldTest(condition, catalogue), catalogue]
    return entry !== null && test!(entry)
  }
}

/** A condition as the end of a sentence: "when signed in", "when Maker is not empty". `name` names fields. */
export function conditionWords(condition: Condition, name: (field: string) => string): string {
  if (!isFieldTest(condition)) return circumstanceName(condition)
  const { field, op, value } = condition
  const asked =
    op === 'is-empty' || op === 'is-not-empty'
      ? ''
      : ` ${value === true ? 'yes' : value === false ? 'no' : String(value)}`
  return `when ${EVERY_ENTRY[field] ?? name(field)} ${OP_WORDS[op]}${asked}`
}
