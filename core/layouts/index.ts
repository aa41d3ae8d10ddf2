export { type Edit, type EditKind } from './edits'
export { LAYOUT_EDITING, valueIn } from './editing'
export { applyEdit, applyJudged, applyAll, refuseEdit, countEdits, type EditResult } from './apply'
export { checkLayout, MOST_DEPTH } from './check'
export { editShape } from './shapes'
export { describeEdit, looksWords } from './words'
export {
  addColumn,
  evenSpans,
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
export { giveLooks, giveLooksToAll } from './looks'
export { replaceLayout } from './replace'
export { layoutEditUpToDate, layoutUpToDate } from './formats'
export { treeToDraw, type DrawnTree } from './drawn'
export { type Change, type Setting, changesBetween } from './own-changes'
export { type Varied, vary } from './variation'
