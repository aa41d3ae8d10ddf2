import { withoutEnd } from '../text'

/** Signs that nobody sees or types: controls, ends of lines of other kinds, and those that turn the writing round. */
// eslint-disable-next-line no-control-regex
const UNSEEN = /[\u0000-\u0009\u000b-\u001f\u007f-\u009f\u2028\u2029\u202a-\u202e\u2066-\u2069]/g

/** A text as it is kept: line ends are one character, or with `lines` off none, and signs that nobody sees are blanks. */
export function cleaned(text: string, lines: boolean): string {
  const seen = text.replace(/\r\n?/g, '\n').replace(UNSEEN, ' ')
  return (lines ? seen : seen.replace(/\n/g, ' ')).trim()
}

/** What was asked, as it stands before what is said to it: without the full stop at its end. */
export const asHeading = (label: string): string => withoutEnd(label.trim(), '.:')
