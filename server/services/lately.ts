/** Counts what happened lately, by keys: so much of it may happen within a time. */

const MOST_KEPT = 20_000

export interface Limit {
  most: number
  /** Milliseconds. */
  within: number
}

export class Lately {
  private readonly times = new Map<string, number[]>()

  constructor(
    private readonly limit: Limit,
    /** Counts milliseconds. */
    private readonly now: () => number,
    private readonly mostKept = MOST_KEPT,
  ) {}

  private recent(key: string): number[] {
    const since = this.now() - this.limit.within
    const times = (this.times.get(key) ?? []).filter((t) => t > since)
    if (times.length === 0) this.times.delete(key)
    return times
  }

  /** For how many milliseconds one more is too many; 0 where it is not. */
  waits(key: string): number {
    const times = this.recent(key)
    return times.length < this.limit.most ? 0 : times[0]! + this.limit.within - this.now()
  }

  /** Counts one more. What happened last stands last: the oldest are forgotten first when there are too many. */
  note(key: string): void {
    const times = [...this.recent(key), this.now()]
    this.times.delete(key)
    for (const oldest of this.times.keys()) {
      if (this.times.size < this.mostKept) break
      this.times.delete(oldest)
    }
    this.times.set(key, times)
  }

  /** Counts one more, unless that is too many; gives whether it is. */
  tooMany(key: string): boolean {
    if (this.waits(key) > 0) return true
    this.note(key)
    return false
  }

  /** What was counted last was none. */
  takeBack(key: string): void {
    const times = this.recent(key).slice(0, -1)
    if (times.length > 0) this.times.set(key, times)
    else this.times.delete(key)
  }

  forget(key: string): void {
    this.times.delete(key)
  }
}
