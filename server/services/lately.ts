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

  /** For how many milliseconds so many more are too many; 0 where they are not. */
  waits(key: string, count = 1): number {
    const times = this.recent(key)
    const over = times.length + count - this.limit.most
    if (over <= 0) return 0
    return (times[Math.min(over, times.length) - 1] ?? this.now()) + this.limit.within - this.now()
  }

  /** Counts so many more. What happened last stands last: the oldest are forgotten first when there are too many. */
  note(key: string, count = 1): void {
    const times = [...this.recent(key), ...Array.from({ length: count }, () => this.now())]
    this.times.delete(key)
    for (const oldest of this.times.keys()) {
      if (this.times.size < this.mostKept) break
      this.times.delete(oldest)
    }
    this.times.set(key, times)
  }

  /** Counts so many more, unless they are too many; gives whether they are. */
  tooMany(key: string, count = 1): boolean {
    if (this.waits(key, count) > 0) return true
    this.note(key, count)
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
