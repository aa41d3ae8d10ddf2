export { type Bringing, type BroughtRow, OWN_TARGETS, bringRow, guessTargets } from './bring'
export { type ColumnQuestion, type ColumnWay, ColumnWays } from './column-ways'
