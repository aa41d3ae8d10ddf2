<script setup lang="ts">
import type { Box, Drop } from '#core/layouts'

const props = defineProps<{
  boxes: ReadonlyMap<string, Box>
  scale: number
  selected: string | null
  hovered: string | null
  drop: Drop | null
  tagOf: (id: string | null) => string
}>()
defineEmits<{ add: [] }>()

const place = (box: Box | undefined, grow = 0) =>
  box && {
    left: `${box.x * props.scale - grow}px`,
    top: `${box.y * props.scale - grow}px`,
    width: `${box.width * props.scale + 2 * grow}px`,
    height: `${box.height * props.scale + 2 * grow}px`,
  }
const chosen = computed(() => place(props.selected ? props.boxes.get(props.selected) : undefined, 4))
/** At the top of the page there is no room above, so the name stands below. */
const below = (id: string | null) => (props.boxes.get(id ?? '')?.y ?? 0) * props.scale < 20
const over = computed(() =>
  props.hovered !== props.selected ? place(props.hovered ? props.boxes.get(props.hovered) : undefined, 1) : undefined,
)
const line = computed(() => place(props.drop?.line))
</script>

<template>
  <div class="pointer-events-none absolute inset-0 overflow-hidden">
    <div v-if="over" class="absolute border border-dashed border-ink/60" :style="over">
      <span
        class="absolute left-0 bg-ink px-1.5 text-2xs text-sheet"
        :class="below(hovered) ? 'top-full' : '-top-px -translate-y-full'"
        >{{ tagOf(hovered) }}</span
      >
    </div>
    <div
      v-if="chosen"
      class="cornered absolute border border-dotted border-spot"
      :style="chosen"
      data-testid="selection"
    >
      <span
        class="absolute left-0 bg-spot px-1.5 text-2xs leading-[18px] text-white"
        :class="below(selected) ? 'top-full' : '-top-px -translate-y-full'"
        >{{ tagOf(selected) }}</span
      >
      <button
        type="button"
        class="pointer-events-auto absolute bottom-0 left-1/2 grid h-[18px] w-7 -translate-x-1/2 translate-y-1/2 place-items-center rounded-full border border-edge bg-raised text-xs leading-none hover:border-spot hover:text-spot"
        aria-label="Add something after"
        title="Add something after (A)"
        @click="$emit('add')"
      >
        +
      </button>
    </div>
    <div v-if="line" class="absolute bg-spot" :style="{ ...line, minWidth: '2px', minHeight: '2px' }" />
  </div>
</template>
