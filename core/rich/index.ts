export type { RichDoc, RichNode } from './types'
export {
  firstCharacters,
  firstSentence,
  firstWords,
  headingsOf,
  isRichDoc,
  minutesToRead,
  richPictures,
  richText,
  saysNothing,
} from './rich'
export { refuseRich, richShape } from './rich-shape'
