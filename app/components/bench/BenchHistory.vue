<script setup lang="ts">
import { counted } from '#core/words'
import { useBench } from '~/stores/bench'
import { useSession } from '~/stores/session'

/** What was done to this layout, in words and with times; any point can be looked at, and gone back to. */
defineEmits<{ close: [] }>()

const bench = useBench()
const session = useSession()
const { past, look, takeBack } = useBenchHistory()
const inSight = computed(
  () => past.value.find((p) => p.step.revision === (bench.looking?.revision ?? NaN)) ?? past.value[0],
)
const day = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })
const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })
const days = computed(() => {
  const groups: { day: string; lines: typeof past.value }[] = []
  for (const line of past.value) {
    const name = line.step.at ? day.format(line.step.at) : 'Earlier'
    const group = groups.at(-1)
    if (group?.day === name) group.lines.push(line)
    else groups.push({ day: name, lines: [line] })
  }
  return groups
})
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
      <section v-for="group in days" :key="group.day" :aria-label="group.day">
        <h3 class="px-3.5 pb-1 pt-3 text-2xs text-soft">{{ group.day }}</h3>
        <ol>
          <li v-for="line in group.lines" :key="line.step.revision">
            <button
              type="button"
              class="grid w-full grid-cols-[40px_1fr] gap-2 px-3.5 py-1 text-start hover:bg-board"
              :class="line === inSight && 'cornered bg-wash'"
              :aria-current="line === inSight ? 'step' : undefined"
              @click="look(line)"
            >
              <span class="font-mono text-2xs leading-5 text-soft">{{
                line.step.at ? time.format(line.step.at) : ''
              }}</span>
              <span>
                {{ line.words }}
                <span v-if="who(line.step.by)" class="text-2xs text-soft">by {{ who(line.step.by) }}</span>
                <span v-if="line.since === 0" class="text-2xs text-soft">now</span>
              </span>
            </button>
          </li>
        </ol>
      </section>
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
