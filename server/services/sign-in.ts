import { Lately } from './lately'

/** Limits attempts to sign in: few for one mail address from one place, more for one place in all, and for one mail address from all places. */

const MINUTE = 60_000
const WINDOW = 15 * MINUTE
const MOST_FOR_MAIL = 8
const MOST_FOR_PLACE = 40
/** For one mail address from all places: many who guess share them. */
const MOST_FOR_ACCOUNT = 100
const MOST_KEPT = 10_000

const keyOf = (mail: string, place: string): string => `${place} ${mail.trim().toLowerCase()}`

export class AttemptLimit {
  private readonly forMails: Lately
  private readonly forPlaces: Lately
  private readonly forAccounts: Lately

  /** `now` counts milliseconds and never goes back, whatever is done to the clock of the machine. */
  constructor(now: () => number = () => performance.now()) {
    this.forMails = new Lately({ most: MOST_FOR_MAIL, within: WINDOW }, now, MOST_KEPT)
    this.forAccounts = new Lately({ most: MOST_FOR_ACCOUNT, within: WINDOW }, now, MOST_KEPT)
    this.forPlaces = new Lately({ most: MOST_FOR_PLACE, within: WINDOW }, now, MOST_KEPT)
  }

  /**
   * Counts an attempt before anything is looked at, so that those made side by side are all counted. Gives 0 when
   * it may be heard, else the minutes to wait; one that is not heard does not count.
   */
  begin(mail: string, place: string): number {
    const key = keyOf(mail, place)
    const account = keyOf(mail, 'all')
    const waits = this.forMails.waits(key) || this.forPlaces.waits(place) || this.forAccounts.waits(account)
    if (waits > 0) return Math.ceil(waits / MINUTE)
    this.forMails.note(key)
    this.forPlaces.note(place)
    this.forAccounts.note(account)
    return 0
  }

  /** An attempt that was right: what was counted for its mail address is forgotten, and for its place only it. */
  succeed(mail: string, place: string): void {
    this.forMails.forget(keyOf(mail, place))
    this.forPlaces.takeBack(place)
    this.forAccounts.takeBack(keyOf(mail, 'all'))
  }
}
