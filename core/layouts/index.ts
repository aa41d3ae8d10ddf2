export {
  type Edit,
  type EditKind,
  type EditNames,
  type RenamedIds,
  countEdits,
  describeEdit,
  editShape,
  editValue,
  looksWords,
  renamedSetting,
  settingIn,
  settingKey,
  thingOf,
} from './edits'
export { layoutEditing } from './editing'
export { applyEdit, applyJudged, applyAll, refuseEdit, type EditResult } from './apply'
export { checkLayout, MOST_DEPTH } from './check'
export { describeChange } from './words'
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
  type LayoutTrees,
  type DrawnTree,
} from './trees'
export { changeKey, changedThing } from './change-keys'
export { patchBetween, patched, pointedAt } from './changes'
export { valueIn } from './draft-values'
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
export { changesBetween } from './own-changes'
export { type Varied, editOf, vary } from './variation'
export { aloneIn, ownOf } from './pieces'
