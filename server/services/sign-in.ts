/** Limits attempts to sign in: few for one mail address from one place, more for one place in all. */

const WINDOW = 15 * 60_000
const MOST_FOR_MAIL = 8
const MOST_FOR_PLACE = 40
const MOST_KEPT = 10_000

export class AttemptLimit {
  private readonly failed = new Map<string, number[]>()

  constructor(private readonly now: () => number = Date.now) {}

  private recent(key: string): number[] {
    const since = this.now() - WINDOW
    const times = (this.failed.get(key) ?? []).filter((t) => t > since)
    if (times.length) this.failed.set(key, times)
    else this.failed.delete(key)
    return times
  }

  private keys(mail: string, place: string): [string, number][] {
    return [
      [`${place} ${mail.trim().toLowerCase()}`, MOST_FOR_MAIL],
      [place, MOST_FOR_PLACE],
    ]
  }

  /** Minutes to wait before another attempt is heard; 0 when one may be made now. */
  waitFor(mail: string, place: string): number {
    for (const [key, most] of this.keys(mail, place)) {
      const times = this.recent(key)
      if (times.length >= most) return Math.ceil((times[0]! + WINDOW - this.now()) / 60_000)
    }
    return 0
  }

  noteFailure(mail: string, place: string): void {
    if (this.failed.size > MOST_KEPT) this.failed.clear()
    for (const [key] of this.keys(mail, place)) this.failed.set(key, [...this.recent(key), this.now()])
  }

  noteSuccess(mail: string, place: string): void {
    this.failed.delete(this.keys(mail, place)[0]![0])
  }
}
