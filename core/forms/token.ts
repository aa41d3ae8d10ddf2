/** When the proof that a form was drawn here ends: by hours, so that a page can be kept ready for all of one. */

export const HOUR = 60 * 60_000
/** So many hours a page may stand open before it is sent. */
export const OPEN_HOURS = 12

/** The hour of a moment (milliseconds since 1970), and the moment at which it is over. */
export const hourOf = (at: number): number => Math.floor(at / HOUR)
export const hourEnds = (at: number): number => (hourOf(at) + 1) * HOUR

/** Whether a form that was drawn in an hour may be sent at a moment; the clock may have been set back meanwhile. */
export const isOpen = (hour: number, at: number): boolean => Math.abs(hourOf(at) - hour) < OPEN_HOURS
