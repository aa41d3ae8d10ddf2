export { type Edit, type EditKind } from './edits'
export { layoutEditing } from './editing'
export { applyEdit, applyJudged, applyAll, refuseEdit, countEdits, type EditResult } from './apply'
export { checkLayout, MOST_DEPTH } from './check'
export { editShape } from './shapes'
export { describeChange, describeEdit, looksWords, thingOf } from './words'
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
export { becomesLook, giveLooks, giveLooksToAll, giveNamedLook } from './looks'
export { replaceDocument, replaceLayout } from './replace'
export { layoutEditUpToDate, layoutUpToDate } from './formats'
export {
  Trees,
  seenOf,
  touchedBy,
  treesOf,
  treeToDraw,
  MOST_LEVELS,
  type Baseless,
  type Drawn,
  type DrawnTree,
} from './trees'
export { changeKey, changedThing, patchBetween, patched, pointedAt, settingIn, settingKey, valueIn } from './changes'
export { basesNamed, failBaseless, refuseBaseless } from './following'
export {
  type PlaceState,
  type Unplaced,
  drawnAsElements,
  drawnOpen,
  isPlace,
  pathIn,
  pieceOf,
  placeOfPath,
  placesIn,
} from './pieces'
export { asFills, asInPiece, keptIn, pathNamed } from './paths'
export { newPlace, ownPiece, placeIn, rowAround, share, standingFor } from './sharing'
export { changesBetween } from './own-changes'
export { type Varied, editOf, vary } from './variation'
