export * from './types'
export * from './own'
export * from './tree'
export { type Noted, type NodePosition, find, findParent, passOn, pathTo, standingsOf } from './standings'
export * from './property'
export { copyOf } from './copy'
export { BOX_PROPERTIES, MOST_BEHIND, ROW_PROPERTIES, ROW_PROPS } from './boxes'
export { type NamedThing, type Rewriting, type Seeing, rewriteProps, rewriteValue, seeProps } from './values'
export {
  layoutShape,
  nodeShape,
  valueShape,
  fieldShape,
  styleValue,
  MOST_NODES,
  conditionsShape,
  MOST_ABOUT,
  MOST_NAME,
  MOST_FALLBACKS,
  MOST_ITEMS,
  itemShape,
  SETTINGS,
  MOST_FILLS,
  withinShape,
  pathShape,
  looksKeyShape,
  looksShape,
  stylesShape,
  partShape,
} from './shapes'
