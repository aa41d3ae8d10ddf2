<script setup lang="ts">
import type { Box, BoxOf, Drop } from '#core/layouts'

const props = defineProps<{
  boxOf: BoxOf
  scale: number
  chosen: readonly string[]
  hovered: string | null
  drop: Drop | null
  mayAdd: boolean
}>()
defineEmits<{ add: [] }>()

const place = (box: Box | undefined, grow = 0) =>
  box && {
    left: `${box.x * props.scale - grow}px`,
    top: `${box.y * props.scale - grow}px`,
    width: `${box.width * props.scale + 2 * grow}px`,
    height: `${box.height * props.scale + 2 * grow}px`,
  }
const taken = computed(() =>
  props.chosen.flatMap((id) => {
    const box = place(props.boxOf(id), 4)
    return box ? [{ id, box }] : []
  }),
)
const last = computed(() => props.chosen.at(-1))
const over = computed(() =>
  !props.chosen.includes(props.hovered ?? '')
    ? place(props.hovered ? props.boxOf(props.hovered) : undefined, 1)
    : undefined,
)
const line = computed(() => place(props.drop?.line))
</script>

<template>
  <div class="pointer-events-none absolute inset-0 overflow-hidden">
    <div v-if="over" class="absolute border border-dashed border-ink/60" :style="over" />
    <div
      v-for="{ id, box } in taken"
      :key="id"
      class="cornered absolute border border-dotted border-spot"
      :style="box"
      data-testid="selection"
    >
      <button
        v-if="mayAdd && id === last"
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
