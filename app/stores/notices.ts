import { defineStore } from 'pinia'
import { ref } from 'vue'

export interface Notice {
  id: number
  text: string
  kind: 'said' | 'failed'
  action?: { label: string; run: () => void }
}

/** Short sentences about what has just happened, with a way back where there is one. */
export const useNotices = defineStore('notices', () => {
  const notices = ref<Notice[]>([])
  let count = 0

  function drop(id: number): void {
    notices.value = notices.value.filter((n) => n.id !== id)
  }

  /** The latest that say something else: the same is not said twice at once. */
  const others = (text: string): Notice[] => notices.value.filter((n) => n.text !== text).slice(-2)

  function say(text: string, action?: Notice['action']): void {
    const id = ++count
    notices.value = [...others(text), { id, text, kind: 'said', action }]
    setTimeout(() => drop(id), action ? 12_000 : 5_000)
  }

  /** Failures stay until they are put away. */
  function fail(error: unknown): void {
    const text = error instanceof Error ? error.message : String(error)
    notices.value = [...others(text), { id: ++count, text, kind: 'failed' }]
  }

  /** Runs something and says so if it fails; gives undefined then. */
  async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
    try {
      return await work()
    } catch (error) {
      fail(error)
      return undefined
    }
  }

  return { notices, say, fail, drop, attempt }
})
