<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { counted } from '#core/text'
import type { CameInput, DaySheetAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'

/** Who comes on a day, and for what: ticked off as they come, or printed, with a code for each that leads to the order. */
definePageMeta({ layout: 'visitors' })
useHead({ title: 'Who comes' })

const notices = useNotices()
const route = useRoute()
const router = useRouter()
const times = useTimes()
const day = computed(() => (typeof route.query.day === 'string' ? route.query.day : times.today()))
const answer = shallowRef<DaySheetAnswer | null>(null)
const failed = ref('')
async function open() {
  failed.value = ''
  const asked = day.value
  try {
    const told = await useApi<DaySheetAnswer>('GET', `/visitors/orders/day?day=${encodeURIComponent(asked)}`)
    if (asked === day.value) answer.value = told
  } catch (error) {
    failed.value = (error as Error).message
  }
}
watch(day, open, { immediate: true })
const groups = computed(() => {
  const found = new Map<string, DaySheetAnswer['lines']>()
  for (const line of answer.value?.lines ?? []) {
    const key = [line.on.slice(11), line.title, line.label].filter(Boolean).join(', ')
    found.set(key, [...(found.get(key) ?? []), line])
  }
  const sum = (lines: DaySheetAnswer['lines'], of: 'count' | 'came') => lines.reduce((n, l) => n + l[of], 0)
  return [...found].map(([title, lines]) => ({ title, lines, count: sum(lines, 'count'), came: sum(lines, 'came') }))
})
type DayLine = DaySheetAnswer['lines'][number]
/** Somebody else may let people in too: what they said meanwhile comes with every answer. */
async function come({ order, sku }: DayLine, came: number) {
  const input: CameInput = { day: answer.value!.day, order, sku, came }
  const told = await notices.attempt(() => useApi<DaySheetAnswer>('POST', '/visitors/orders/came', input))
  if (!told) return void open()
  if (told.day === day.value) answer.value = told
}
useEventListener('focus', () => void open())
const image = (svg: string) => `data:image/svg+xml,${encodeURIComponent(svg)}`
const print = () => window.print()
</script>

<template>
  <RoomState :failed="failed" :ready="answer !== null" what="the day" @again="open">
    <div v-if="answer" class="h-full overflow-y-auto bg-sheet print:overflow-visible">
      <div class="mx-auto max-w-3xl px-6 py-5">
        <div class="mb-4 flex flex-wrap items-baseline gap-2">
          <h1 class="made mr-auto text-xl">{{ times.named(answer.day, 'fullDay') }}</h1>
          <input
            type="date"
            class="input w-auto! print:hidden"
            aria-label="Day"
            :value="day"
            @change="router.replace({ query: { day: ($event.target as HTMLInputElement).value } })"
          />
          <button type="button" class="btn btn-small print:hidden" @click="print">Print</button>
          <NuxtLink class="btn btn-small print:hidden" to="/studio/visitors/orders">All orders</NuxtLink>
        </div>
        <p v-if="groups.length === 0" class="border-y py-4 text-soft">Nobody has bought anything for this day.</p>
        <section v-for="g in groups" :key="g.title" class="mb-6" :aria-label="g.title">
          <h2 class="made mb-1 text-lg">{{ g.title }}</h2>
          <p class="mb-2 text-xs text-soft">
            {{ counted(g.count, 'place') }}, {{ counted(g.lines.length, 'order')
            }}<template v-if="g.came > 0"
              >; {{ g.came === g.count ? 'all of them have come' : `${g.came} of them have come` }}</template
            >
          </p>
          <ul class="border-t">
            <li
              v-for="l in g.lines"
              :key="`${l.order} ${l.sku}`"
              class="grid grid-cols-[20px_minmax(0,1fr)_auto_72px] items-center gap-3 border-b py-2"
              :class="l.came === l.count && 'text-soft'"
            >
              <input
                type="checkbox"
                class="h-4 w-4 accent-ink"
                :checked="l.came === l.count"
                :indeterminate="l.came > 0 && l.came < l.count"
                :aria-label="`${l.name || l.number}: all have come`"
                @change="come(l, l.came === l.count ? 0 : l.count)"
              />
              <span class="min-w-0"
                ><span class="block truncate font-medium">{{ l.name || 'somebody' }}</span
                ><NuxtLink class="text-xs text-soft underline" :to="`/studio/visitors/orders?order=${l.order}`">{{
                  l.number
                }}</NuxtLink></span
              >
              <span class="flex items-baseline gap-1.5">
                <select
                  v-if="l.count > 1"
                  class="input w-auto! print:hidden"
                  :aria-label="`${l.name || l.number}: how many have come`"
                  :value="l.came"
                  @change="come(l, Number(($event.target as HTMLSelectElement).value))"
                >
                  <option v-for="n in l.count + 1" :key="n" :value="n - 1">{{ n - 1 }}</option></select
                ><span class="text-lg"
                  ><span v-if="l.count > 1" class="text-sm text-soft print:hidden">of </span>{{ l.count }}</span
                >
              </span>
              <img :src="image(l.code)" width="72" height="72" :alt="`Code of ${l.number}`" />
            </li>
          </ul>
        </section>
      </div>
    </div>
  </RoomState>
</template>
