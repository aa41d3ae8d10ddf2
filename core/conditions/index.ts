export { canonical, countDistinct } from './equal'
export { DEVICES, type CircumstanceSpec, type Device, type Need, type Question, type Request } from './spec'
export {
  type Circumstance,
  CIRCUMSTANCES,
  circumstanceSpec,
  circumstanceShape,
  circumstanceName,
  excludeEachOther,
  holds,
  needOf,
} from './circumstances'
export {
  EVERY_ENTRY,
  builtInField,
  type FieldTest,
  fieldFor,
  fieldTest,
  fieldsTested,
  goneIn,
  unsuited,
  opsFor,
  readsToday,
} from './field-test'
export { OP_WORDS, fieldTestShape, fieldTestWords } from './field-shape'
export { type TermTest, termTest, termTestShape, termsAsked } from './term-test'
export type { CountTest } from './count-test'
export {
  type AskedOf,
  type Condition,
  type ConditionNames,
  conditionHolds,
  conditionShape,
  conditionWords,
  isCircumstance,
  isFieldTest,
  isTermTest,
} from './condition'
