/** For how long one piece of work may keep everybody else waiting, in milliseconds. */
const AT_A_STRETCH = 4

/** Lets others have a turn. */
export const giveTurn = (): Promise<void> => new Promise((done) => setImmediate(done))

/** Has many who come at once begin one after the other, each in a turn of its own: others are answered between them. */
export class TurnQueue {
  private last: Promise<void> = Promise.resolve()

  /** Waits for one's turn. */
  next(): Promise<void> {
    this.last = this.last.then(giveTurn)
    return this.last
  }
}

/** Gives what long work calls between its parts: it lets others have a turn whenever a stretch is over. */
export function takeTurns(now: () => number = () => performance.now()): () => Promise<void> | undefined {
  let since = now()
  return () => {
    if (now() - since < AT_A_STRETCH) return undefined
    return giveTurn().then(() => void (since = now()))
  }
}
