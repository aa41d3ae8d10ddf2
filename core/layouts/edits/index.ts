export type { Edit, EditKind, EditOf, OfFollowing, OwnPatch } from './types'
export type { EditNames, RenamedIds } from './spec'
export {
  applyOne,
  countEdits,
  countInserted,
  describeEdit,
  editOfOther,
  editShape,
  editValue,
  fillBy,
  isEditKind,
  nodeOf,
  setBy,
  thingOf,
  withNeighbours,
} from './kinds'
export { MOST_EDITS } from './batch'
export { fillKey } from './fills'
export { looksWords, nameIn, nodeWords } from './naming'
export { renamedSetting, settingAbout, settingIn, settingKey, settingOfOther } from './settings'
