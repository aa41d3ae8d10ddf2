/**
 * How time is written and held. Texts of these types come from the readers of this room alone; what people typed, files
 * brought or documents hold is a plain text until it was read.
 */

declare const kind: unique symbol

/** A day of the calendar, `YYYY-MM-DD`, from 0100 to 9999. */
export type Day = string & { readonly [kind]: 'day' }

/** What the clocks of some zone show, without saying which: `YYYY-MM-DDTHH:MM`, or with seconds. */
export type LocalTime = string & { readonly [kind]: 'local time' }

/** A moment: milliseconds since the beginning of 1970 in UTC. */
export type Moment = number
