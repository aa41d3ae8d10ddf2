/** Limits attempts to sign in: few for one mail address from one place, more for one place in all. */

const WINDOW = 15 * 60_000
const MOST_FOR_MAIL = 8
const MOST_FOR_PLACE = 40
const MOST_KEPT = 10_000

export class AttemptLimit {
  private readonly attempts = new Map<string, number[]>()

  /** `now` counts milliseconds and never goes back, whatever is done to the clock of the machine. */
  constructor(private readonly now: () => number = () => performance.now()) {}

  private recent(key: string): number[] {
    const since = this.now() - WINDOW
    const times = (this.attempts.get(key) ?? []).filter((t) => t > since)
    if (times.length) this.attempts.set(key, times)
    else this.attempts.delete(key)
    return times
  }

  private keys(mail: string, place: string): [string, number][] {
    return [
      [`${place} ${mail.trim().toLowerCase()}`, MOST_FOR_MAIL],
      [place, MOST_FOR_PLACE],
    ]
  }

  /**
   * Counts an attempt before anything is looked at, so that those made side by side are all counted. Gives 0 when
   * it may be heard, else the minutes to wait; one that is not heard does not count.
   */
  begin(mail: string, place: string): number {
    for (const [key, most] of this.keys(mail, place)) {
      const times = this.recent(key)
      if (times.length >= most) return Math.ceil((times[0]! + WINDOW - this.now()) / 60_000)
    }
    this.forgetSome()
    for (const [key] of this.keys(mail, place)) this.attempts.set(key, [...this.recent(key), this.now()])
    return 0
  }

  /** The oldest are forgotten when there are too many; those counted just now never are. */
  private forgetSome(): void {
    for (const key of this.attempts.keys()) {
      if (this.attempts.size <= MOST_KEPT) return
      this.attempts.delete(key)
    }
  }

  /** An attempt that was right: what was counted for its mail address is forgotten, and for its place only it. */
  succeed(mail: string, place: string): void {
    const [[forMail], [forPlace]] = this.keys(mail, place) as [[string, number], [string, number]]
    this.attempts.delete(forMail)
    const times = this.recent(forPlace)
    times.pop()
    if (times.length === 0) this.attempts.delete(forPlace)
  }
}
