import type { EntriesAnswer, EntriesQuery, EntryRow } from '#shared/api/types'

const PAGE = 100

/** An address of the API with what is asked. */
export const withQuery = (path: string, query: object): string => {
  const asked = Object.entries(query).filter(([, value]) => value !== undefined && value !== '')
  return `${path}?${new URLSearchParams(asked.map(([name, value]) => [name, String(value)])).toString()}`
}

/** Rows of the table of entries, fetched as they come into sight; what is asked for anew begins at the top. */
export function useEntryTable(query: () => EntriesQuery) {
  const rows = shallowRef(new Map<number, EntryRow>())
  const total = ref<number | null>(null)
  const failed = ref('')
  const busy = ref(false)
  let asking = 0
  const asked = new Set<number>()

  async function fetchPage(page: number): Promise<void> {
    if (asked.has(page)) return
    asked.add(page)
    const mine = asking
    busy.value = true
    try {
      const answer = await useApi<EntriesAnswer>(
        'GET',
        withQuery('/entries', { ...query(), offset: page * PAGE, most: PAGE }),
      )
      if (mine !== asking) return
      const next = new Map(page === 0 && total.value === null ? [] : rows.value)
      answer.rows.forEach((row, i) => next.set(page * PAGE + i, row))
      rows.value = next
      total.value = answer.total
      failed.value = ''
    } catch (error) {
      if (mine === asking) failed.value = (error as Error).message
      asked.delete(page)
    } finally {
      if (mine === asking) busy.value = false
    }
  }

  /** Asks again from the top; what stands there stays until the answer has come. */
  async function refresh(): Promise<void> {
    asking++
    asked.clear()
    const was = rows.value
    const before = total.value
    total.value = null
    await fetchPage(0)
    if (total.value === null) {
      rows.value = was
      total.value = before
    }
  }

  /** What is seen is fetched, if it is not there yet. */
  function see(first: number, last: number): void {
    for (let page = Math.floor(first / PAGE); page <= Math.floor(last / PAGE); page++) void fetchPage(page)
  }

  /** The ids of all that is asked for, as many as can be taken in hand. */
  const all = async (): Promise<string[]> =>
    (await useApi<{ ids: string[] }>('GET', withQuery('/entries', { ...query(), ids: 1 }))).ids

  let again = false
  let under = false
  /** Asked at once, and while an answer is under way once more after it: so whoever types waits for one answer at most. */
  async function follow(): Promise<void> {
    again = true
    if (under) return
    under = true
    while (again) {
      again = false
      await refresh()
    }
    under = false
  }
  watch(query, follow)

  return { rows, total, failed, busy, refresh, see, all }
}
