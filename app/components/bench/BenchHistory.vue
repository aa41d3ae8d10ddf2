<script setup lang="ts">
import { counted } from '#core/text'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'
import type { PastGroup, PastStep } from '~/composables/useBenchHistory'

/** What was done to this layout, in words and with times; any point can be looked at, and gone back to. */
defineEmits<{ close: [] }>()

const bench = useBench()
const session = useSession()
const { past, groups, hasMore, more, look, takeBack } = useBenchHistory()
const notices = useNotices()
/** Groups that are unfolded, by their keys. */
const unfolded = ref(new Set<number>())
function unfold(key: number) {
  if (!unfolded.value.delete(key)) unfolded.value.add(key)
}
const inSight = computed(
  () => past.value.find((p) => p.step.revision === (bench.looking?.revision ?? NaN)) ?? past.value[0],
)
const times = useTimes()
const days = computed(() => {
  const found: { day: string; groups: PastGroup[] }[] = []
  for (const group of groups.value) {
    const { at } = group.lines[0]!.step
    const name = at ? times.write(at, 'weekday') : 'Earlier'
    const last = found.at(-1)
    if (last?.day === name) last.groups.push(group)
    else found.push({ day: name, groups: [group] })
  }
  return found
})
const timeOf = ({ step }: PastStep) => (step.at ? times.write(step.at, 'clock') : '')
const who = (by: string | undefined) => (by && by !== session.user?.name ? by : '')
onBeforeUnmount(() => bench.lookAt(null))
</script>

<template>
  <aside class="flex min-h-0 flex-col border-l bg-sheet" aria-label="History" @keydown.esc="$emit('close')">
    <div class="flex items-baseline justify-between border-b px-3.5 pb-2 pt-3">
      <h2 class="made text-base">History</h2>
      <button type="button" class="text-xs underline" @click="$emit('close')">Close</button>
    </div>
    <p v-if="past.length === 0" class="p-3.5 text-soft">
      Nothing was done here yet. Each edit will stand here, with a way back to how the layout was.
    </p>
    <div class="min-h-0 flex-1 overflow-y-auto pb-4">
      <section v-for="{ day: name, groups: done } in days" :key="name" :aria-label="name">
        <h3 class="px-3.5 pb-1 pt-3 text-2xs text-soft">{{ name }}</h3>
        <ol>
          <li v-for="group in done" :key="group.key">
            <div class="flex items-start">
              <HistoryLine
                class="flex-1"
                :line="group.lines[0]!"
                :words="group.words"
                :by="who(group.by)"
                :in-sight="group.lines[0] === inSight"
                :time="timeOf(group.lines[0]!)"
                @click="look(group.lines[0]!)"
              />
              <button
                v-if="group.lines.length > 1"
                type="button"
                class="w-7 shrink-0 py-1 text-soft hover:text-ink"
                :aria-expanded="unfolded.has(group.key)"
                :aria-label="`${group.words}, one by one`"
                @click="unfold(group.key)"
              >
                {{ unfolded.has(group.key) ? '−' : '+' }}
              </button>
            </div>
            <ol v-if="group.lines.length > 1 && unfolded.has(group.key)" class="bg-board">
              <li v-for="line in group.lines" :key="line.step.revision">
                <HistoryLine
                  :line="line"
                  :words="line.words"
                  :in-sight="line === inSight"
                  :time="timeOf(line)"
                  @click="look(line)"
                />
              </li>
            </ol>
          </li>
        </ol>
      </section>
      <button v-if="hasMore" type="button" class="mx-3.5 mt-3 underline" @click="notices.attempt(more)">
        What was done before that
      </button>
    </div>
    <div v-if="bench.looking && inSight" class="border-t bg-board px-3.5 py-2.5" role="status">
      <p class="mb-2">
        You look at the layout as it was, {{ counted(inSight.since, 'step') }} ago. Nothing was changed by looking.
      </p>
      <div class="flex gap-2">
        <button v-if="session.mayDesign" type="button" class="btn btn-small" @click="takeBack(inSight)">
          Take it back to here
        </button>
        <button type="button" class="btn btn-small btn-bare" @click="bench.lookAt(null)">Back to now</button>
      </div>
    </div>
  </aside>
</template>
