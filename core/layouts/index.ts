export * from './types'
export * from './tree'
export { type Edit, type EditKind } from './edits'
export { applyEdit, applyJudged, applyAll, refuseEdit, countEdits, type EditResult } from './apply'
export { checkLayout, MOST_DEPTH } from './check'
export {
  layoutShape,
  editShape,
  pendingShape,
  pendingEnvelope,
  nodeShape,
  valueShape,
  MOST_NODES,
  MOST_NAME,
  MOST_EDITS_SENT,
} from './shapes'
export { BOX_PROPERTIES } from './boxes'
export { describeEdit } from './words'
export { historyOf, sameTarget, type LogRecord, type History } from './history'
export { rebase, type Pending } from './rebase'
export { EditSession, type Told, type Unkept } from './session'
export * from './commands'
export { dropAt, type Box, type Drop } from './drop'
export { replaceLayout } from './replace'
export { copyOf } from './copy'
