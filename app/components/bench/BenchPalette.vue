<script setup lang="ts">
import type { Addable } from '~/composables/addable'
import { useBench } from '~/stores/bench'

/** Everything that can be added, as small drawings: dragged to where it shall stand, or pressed to come after what is in hand. */
const bench = useBench()
const { rows, elements, pieces } = useAddable()
const { addAny: add } = useBenchActions()
const groups = computed(() => {
  const all = [...rows, ...elements.value, ...pieces.value]
  return [...new Set(all.map((c) => c.group))].map((group) => ({ group, items: all.filter((c) => c.group === group) }))
})
const THRESHOLD = 5
/** A press that does not move is a click. */
let carrying = false

function begin(item: Addable, event: PointerEvent) {
  if (event.button !== 0) return
  carrying = false
  followPointer(
    event,
    (by, { clientX, clientY }) => {
      carrying ||= Math.hypot(by.x, by.y) >= THRESHOLD
      if (!carrying || givenUp) return
      bench.landing = null
      bench.carried = { item, x: clientX, y: clientY }
    },
    (done) => end(item, done),
  )
  givenUp = false
}
/** Esc was pressed while something was carried: it is not put down any more. */
let givenUp = false
function end(item: Addable, done: boolean) {
  if (carrying && done && !givenUp) bench.letGo()
  else if (!carrying && done) add(item)
  bench.carried = null
}
function giveUp() {
  givenUp = true
  bench.carried = null
}
</script>

<template>
  <div class="border-t px-3 py-2" aria-label="Palette" role="group" @keydown.esc="giveUp">
    <div v-for="{ group, items } in groups" :key="group" class="mb-2">
      <p class="mb-1 text-2xs text-soft">{{ group }}</p>
      <div class="grid grid-cols-[repeat(auto-fill,minmax(62px,1fr))] gap-1.5">
        <button
          v-for="item in items"
          :key="item.key"
          type="button"
          class="flex cursor-grab touch-none flex-col items-center gap-0.5 border border-transparent p-0.5 text-center hover:border-ink"
          :title="`${item.name}. ${item.about}`"
          @pointerdown="begin(item, $event)"
          @keydown.enter.prevent="add(item)"
          @keydown.space.prevent="add(item)"
        >
          <ElementSketch :type="item.type" :spans="item.spans" />
          <span class="line-clamp-2 text-2xs leading-tight">{{ item.spans ? item.spans.join('+') : item.name }}</span>
        </button>
      </div>
    </div>
  </div>
</template>
