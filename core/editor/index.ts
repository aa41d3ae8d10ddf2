export { specimenOf } from './specimen'
export {
  addColumn,
  mergeColumns,
  moveEdge,
  readSpans,
  setColumns,
  splitColumn,
  together,
  widen,
} from './columns'
export * from './commands'
export * from './several'
export { type Direction, step } from './step'
export { dropAt, type Box, type BoxOf, type Drop } from './drop'
export { becomesLook, giveLooks, giveLooksToAll, giveNamedLook } from './looks'
export { newPlace, ownPiece, placeIn, rowAround, share, standingFor } from './sharing'
export { type Awkward, awkwardPages } from './awkward'
export { MANY_SCREENS, type Sample, asItIs, hasSample, sampled } from './samples'
