import type { ElementSpec } from '../base'
import { text } from './text'
import { button } from './button'
import { buttons } from './buttons'
import { countdown } from './countdown'
import { heading } from './heading'
import { iconWords } from './icon'
import { lostWords } from './lost-words'
import { notice } from './notice'
import { table } from './table'
import { linkList } from './link-list'
import { quote } from './quote'
import { iconList } from './icon-lists'

/** Elements of words, in the order of the elements panel. */
export const WORDS: readonly ElementSpec[] = [
  heading,
  text,
  quote,
  button,
  buttons,
  linkList,
  iconWords,
  iconList,
  table,
  notice,
  countdown,
  lostWords,
]

export { RICH_CSS } from './text'
export { BUTTON_CSS, BUTTON_LOOK } from './button'
export { ICON, icon, iconPart } from './icon'
export { iconList, social } from './icon-lists'
