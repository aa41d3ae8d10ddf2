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
  type FieldTest,
  type FieldTestOp,
  OPS,
  builtInField,
  fieldFor,
  fieldTest,
  opsFor,
} from './field-test'
export { OP_WORDS, fieldTestShape } from './field-shape'
export { type Condition, conditionHolds, conditionShape, conditionWords, isFieldTest } from './condition'
