import type { Ref } from 'vue'
import { useDebounceFn } from '@vueuse/core'

/** So long is waited for more words, in milliseconds. */
const PAUSE = 250

/**
 * A list that the server tells part by part, the newest first: `of` names it in the answer, and `asks` what is asked of
 * it; what of that is empty is not. It is told anew when that changes, and what was asked for last is shown.
 */
export function useToldList<A extends object>(path: string, of: keyof A, asks: Readonly<Record<string, Ref<string>>>) {
  const answer = shallowRef<A | null>(null)
  const failed = ref('')
  const asked = computed(() => {
    const said = Object.entries(asks).map(([name, value]): [string, string] => [name, value.value.trim()])
    return new URLSearchParams(said.filter(([, value]) => value !== ''))
  })
  let calls = 0

  /** Asks for the list; with the id of the last that is known, for those before it as well. */
  async function open(before?: number): Promise<void> {
    const call = ++calls
    failed.value = ''
    const query = new URLSearchParams(asked.value)
    if (before) query.set('before', String(before))
    try {
      const told = await useApi<A>('GET', `${path}?${query}`)
      if (call !== calls) return
      const known = before && answer.value ? (answer.value[of] as unknown[]) : []
      answer.value = { ...told, [of]: [...known, ...(told[of] as unknown[])] }
    } catch (error) {
      if (call === calls) failed.value = (error as Error).message
    }
  }

  onMounted(() => open())
  const later = useDebounceFn(() => void open(), PAUSE)
  for (const [name, value] of Object.entries(asks)) watch(value, () => void (name === 'words' ? later() : open()))

  return { answer, failed, asked, open }
}
