/** Many at once may do one kind of work, or one alone another: who sweeps waits for all who bring, and they for the sweep. */
export class Gate {
  private inside = 0
  private sweeping: Promise<void> | null = null
  private empty: (() => void) | null = null

  /** Does work beside others of its kind, and never beside a sweep. */
  async among<T>(work: () => Promise<T>): Promise<T> {
    while (this.sweeping) await this.sweeping
    this.inside++
    try {
      return await work()
    } finally {
      if (--this.inside === 0) this.empty?.()
    }
  }

  /** Does work while nobody else is inside. */
  async alone<T>(work: () => Promise<T>): Promise<T> {
    while (this.sweeping) await this.sweeping
    let over!: () => void
    this.sweeping = new Promise((done) => (over = done))
    try {
      if (this.inside > 0) await new Promise<void>((done) => (this.empty = done))
      return await work()
    } finally {
      this.empty = null
      this.sweeping = null
      over()
    }
  }
}
