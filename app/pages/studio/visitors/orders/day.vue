<script setup lang="ts">
import { counted } from '#core/words'
import type { DaySheetAnswer } from '#shared/api/types'

/** Who comes on a day, and for what: to be printed, with a code for each that leads to the order. */
definePageMeta({ layout: 'visitors' })
useHead({ title: 'Who comes' })

const route = useRoute()
const router = useRouter()
const day = computed(() =>
  typeof route.query.day === 'string' ? route.query.day : new Date().toISOString().slice(0, 10),
)
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
const date = new Intl.DateTimeFormat(undefined, { dateStyle: 'full', timeZone: 'UTC' })
const groups = computed(() => {
  const found = new Map<string, DaySheetAnswer['lines']>()
  for (const line of answer.value?.lines ?? []) {
    const key = [line.on.slice(11), line.title, line.label].filter(Boolean).join(', ')
    found.set(key, [...(found.get(key) ?? []), line])
  }
  return [...found].map(([title, lines]) => ({ title, lines, count: lines.reduce((n, l) => n + l.count, 0) }))
})
const image = (svg: string) => `data:image/svg+xml,${encodeURIComponent(svg)}`
const print = () => window.print()
</script>

<template>
  <RoomState :failed="failed" :ready="answer !== null" what="the day" @again="open">
    <div v-if="answer" class="h-full overflow-y-auto bg-sheet print:overflow-visible">
      <div class="mx-auto max-w-3xl px-6 py-5">
        <div class="mb-4 flex flex-wrap items-baseline gap-2">
          <h1 class="made mr-auto text-xl">{{ date.format(new Date(`${answer.day}T00:00:00Z`)) }}</h1>
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
          <p class="mb-2 text-xs text-soft">{{ counted(g.count, 'place') }}, {{ counted(g.lines.length, 'order') }}</p>
          <ul class="border-t">
            <li
              v-for="l in g.lines"
              :key="l.order"
              class="grid grid-cols-[20px_minmax(0,1fr)_auto_72px] items-center gap-3 border-b py-2"
            >
              <span class="h-4 w-4 border border-ink" aria-hidden="true" />
              <span
                ><span class="block font-medium">{{ l.name || 'somebody' }}</span
                ><span class="text-xs text-soft">{{ l.number }}</span></span
              >
              <span class="text-lg">{{ l.count }}</span>
              <img :src="image(l.code)" width="72" height="72" :alt="`Code of ${l.number}`" />
            </li>
          </ul>
        </section>
      </div>
    </div>
  </RoomState>
</template>
