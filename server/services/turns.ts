/** For how long one piece of work may keep everybody else waiting, in milliseconds. */
const AT_A_STRETCH = 8

/** Gives what long work calls between its parts: it lets others have a turn whenever a stretch is over. */
export function takeTurns(now: () => number = () => performance.now()): () => Promise<void> | undefined {
  let since = now()
  return () => {
    if (now() - since < AT_A_STRETCH) return undefined
    return new Promise((done) => {
      setImmediate(() => {
        since = now()
        done()
      })
    })
  }
}
