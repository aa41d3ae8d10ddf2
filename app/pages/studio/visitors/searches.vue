<script setup lang="ts">
import { counted } from '#core/text'
import type { LostAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** What was searched for without result. */
definePageMeta({ layout: 'visitors' })
useHead({ title: 'Searches' })

const notices = useNotices()
const session = useSession()
const answer = shallowRef<LostAnswer | null>(null)
const failed = ref('')
async function open() {
  failed.value = ''
  try {
    answer.value = await useApi<LostAnswer>('GET', '/visitors/lost?days=30')
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(open)
const times = useTimes()
const total = computed(() => answer.value?.days.reduce((sum, d) => sum + d.searches, 0) ?? 0)
const kinds = computed(() => [
  { label: 'Searches', colour: 'ink', counts: answer.value?.days.map((d) => d.searches) ?? [] },
])
async function forget(words: string) {
  if (await notices.attempt(() => useApi('POST', '/visitors/forget', { searches: [words] }))) await open()
}
</script>

<template>
  <RoomState :failed="failed" :ready="answer !== null" what="the searches" @again="open">
    <div v-if="answer" class="h-full overflow-y-auto px-6 py-5">
      <div class="mx-auto max-w-4xl">
        <h1 class="made mb-3 text-xl">Searches without result</h1>
        <DaysChart
          class="mb-4 border bg-sheet p-3"
          :days="answer.days.map((d) => d.day)"
          :kinds="kinds"
          :says="`${counted(total, 'search', 'searches')} in 30 days found nothing.`"
        />
        <p v-if="answer.searches.length === 0" class="border-y py-4 text-soft">
          Every search has found something so far. What does not would stand here: a page to write, or a word to add.
        </p>
        <ul v-else class="border-t bg-sheet">
          <li
            v-for="s in answer.searches"
            :key="s.words"
            class="grid grid-cols-[1fr_auto_100px_auto] items-baseline gap-3 border-b px-3 py-1.5"
          >
            <a
              :href="`/search?q=${encodeURIComponent(s.words)}`"
              target="_blank"
              class="underline [overflow-wrap:anywhere]"
              >{{ s.words }}</a
            >
            <span class="text-xs text-soft">{{ counted(s.hits, 'time') }}</span>
            <span class="text-end text-2xs text-soft">{{ times.write(s.lastAt, 'lately') }}</span>
            <button
              v-if="session.mayDesign"
              type="button"
              class="btn btn-small"
              :aria-label="`Seen to: ${s.words}`"
              @click="forget(s.words)"
            >
              Seen to
            </button>
          </li>
        </ul>
      </div>
    </div>
  </RoomState>
</template>
