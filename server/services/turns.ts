/** For how long one piece of work may keep everybody else waiting, in milliseconds. */
const AT_A_STRETCH = 4

/** Lets others have a turn. */
export const giveTurn = (): Promise<void> => new Promise((done) => setImmediate(done))

/** Gives what long work calls between its parts: it lets others have a turn whenever a stretch is over. */
export function takeTurns(now: () => number = () => performance.now()): () => Promise<void> | undefined {
  let since = now()
  return () => {
    if (now() - since < AT_A_STRETCH) return undefined
    return giveTurn().then(() => void (since = now()))
  }
}
