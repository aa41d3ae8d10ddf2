import { nanoid } from 'nanoid'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

const PREFIX = 'outer-frame.kept'
const WINDOW = 'outer-frame.window'

const lockOf = (id: string): string => `${WINDOW}.${id}`

/** Holds a lock for as long as this window lives, which tells the others that it does; false when another has it. */
function hold(id: string): Promise<boolean> {
  if (!('locks' in navigator)) return Promise.resolve(true)
  return new Promise((done) => {
    void navigator.locks.request(lockOf(id), { ifAvailable: true }, (lock) => {
      done(lock !== null)
      return lock && new Promise(() => {})
    })
  })
}

/** The id of this window: the same after a reload, another one in a window that was duplicated. */
async function claim(): Promise<string> {
  let id = sessionStorage.getItem(WINDOW) ?? nanoid(10)
  if (!(await hold(id))) {
    id = nanoid(10)
    await hold(id)
  }
  sessionStorage.setItem(WINDOW, id)
  return id
}

/** It was told already that nothing can be kept. */
let told = false

let claimed: Promise<string> | null = null
const thisWindow = (): Promise<string> => (claimed ??= claim())

/** Null where the browser cannot tell: then no window takes up what another has left. */
async function livingWindows(): Promise<Set<string> | null> {
  if (!('locks' in navigator)) return null
  const { held } = await navigator.locks.query()
  return new Set((held ?? []).map((lock) => lock.name ?? ''))
}

/**
 * Work of the signed-in person that is not stored yet, kept in this browser: it outlives a reload and a closed
 * window, and two windows keep theirs apart. `take` gives what this window left, or one that is closed by now.
 */
export function useKept<T>(what: string) {
  const session = useSession()
  const notices = useNotices()
  const prefix = () => `${PREFIX}.${session.user?.id ?? ''}.${what}.`

  async function keep(value: T | null): Promise<void> {
    const key = prefix() + (await thisWindow())
    if (value === null) localStorage.removeItem(key)
    else {
      try {
        localStorage.setItem(key, JSON.stringify(value))
        told = false
      } catch (error) {
        if (!(error instanceof DOMException)) throw error
        // What an earlier state was kept as would come back in the place of this one.
        localStorage.removeItem(key)
        if (!told)
          notices.fail(
            new Error(
              'This browser has no room to keep your work. It is only in this window until the server has it: leave the window open.',
            ),
          )
        told = true
      }
    }
  }

  async function take(): Promise<T | null> {
    const mine = prefix() + (await thisWindow())
    const living = await livingWindows()
    const left = Object.keys(localStorage).filter(
      (key) => living && key.startsWith(prefix()) && !living.has(lockOf(key.slice(prefix().length))),
    )
    for (const key of [mine, ...left]) {
      const text = localStorage.getItem(key)
      if (text === null) continue
      localStorage.removeItem(key)
      localStorage.setItem(mine, text)
      try {
        return JSON.parse(text) as T
      } catch {
        localStorage.removeItem(mine)
      }
    }
    return null
  }

  return { keep, take }
}
