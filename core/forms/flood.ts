import type { Answer } from './types'

/** What looks like a flood, or like something that nobody typed: such messages are kept aside. */

/** So many links in one message are more than somebody needs. */
const MOST_LINKS = 3
const LINK = /\bhttps?:\/\/|\bwww\.|\[url[=\]]|<a\s/gi

/** How many links the answers name. */
export const linksIn = (answers: readonly Answer[]): number =>
  answers.flatMap((a) => a.says).reduce((n, says) => n + (says.match(LINK)?.length ?? 0), 0)

/** Whether a message is held: it names many links, or the field was filled that people do not see. */
export const isHeld = (answers: readonly Answer[], trap: string): boolean =>
  trap !== '' || linksIn(answers) > MOST_LINKS
