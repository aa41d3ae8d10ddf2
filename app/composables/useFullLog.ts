import type { LogRecord } from '#core/edits'
import type { Edit } from '#core/layouts'
import type { Id } from '#core/model'
import type { EarlierAnswer } from '#shared/api/types'

/** All that was done to a layout: what came with it, and what was asked for step by step further back. */
export function useFullLog(records: Ref<readonly LogRecord<Edit>[]>, layout: () => Id | undefined) {
  /** What was done before what is known from the beginning, as it was asked for. */
  const earlier = shallowRef<readonly LogRecord<Edit>[]>([])
  /** All that is known to have been done, oldest first, without gaps. */
  const log = computed(() => {
    const next = records.value[0]?.revision
    return earlier.value.at(-1)?.revision === (next ?? 0) - 1 ? [...earlier.value, ...records.value] : records.value
  })
  /** A layout begins with revision 1. */
  const hasEarlier = computed(() => (log.value[0]?.revision ?? 0) > 2)

  async function loadEarlier(): Promise<void> {
    const [first] = log.value
    const asked = layout()
    if (!first || !asked) return
    const id = encodeURIComponent(asked)
    const answer = await useApi<EarlierAnswer>('GET', `/layouts/${id}/log?before=${first.revision}`)
    if (log.value[0] === first) earlier.value = [...answer.log, ...(log.value === records.value ? [] : earlier.value)]
  }

  return { earlier, log, hasEarlier, loadEarlier }
}
