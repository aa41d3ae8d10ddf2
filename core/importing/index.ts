export { type Bringing, type BroughtRow, OWN_TARGETS, bringRow, guessKind, guessTargets } from './bring'
export { type ColumnQuestion, type ColumnWay, ColumnWays } from './column-ways'
