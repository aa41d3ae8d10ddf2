<script setup lang="ts">
import { stepAt } from '#core/styles'

/** A ruler over the page: its end is dragged to change the width; the width steps are marked. */
const width = defineModel<number>({ required: true })
const props = defineProps<{ scale: number; inHand: string }>()

const STEPS = (['narrow', 'medium', 'wide'] as const).map((value) => ({ value, label: value }))
const LEAST = 280
const MOST = 2560
const refused = ref('')
const refuse = (value: number | string) =>
  Number(value) < LEAST || Number(value) > MOST ? `choose a width from ${LEAST} to ${MOST} pixels` : null
const ticks = computed(() => Array.from({ length: Math.floor(width.value / 100) }, (_, i) => (i + 1) * 100))
const step = computed(() => stepAt(width.value))
const set = (value: number) => (width.value = Math.round(Math.max(LEAST, Math.min(MOST, value))))

function begin(event: PointerEvent) {
  const [had, scale] = [width.value, props.scale]
  // The page is centred, so its end moves by half of what is added.
  followPointer(event, ({ x }) => set(had + (2 * x) / scale))
}
</script>

<template>
  <div class="relative h-8 shrink-0 overflow-hidden border-b bg-sheet">
    <div
      class="absolute left-1/2 top-0 h-full"
      :style="{ width: `${width * scale}px`, marginLeft: `${(-width * scale) / 2}px` }"
    >
      <span
        v-for="tick in ticks"
        :key="tick"
        class="absolute bottom-0 h-1.5 border-l border-edge"
        :style="{ left: `${tick * scale}px` }"
      />
      <span
        role="slider"
        tabindex="0"
        aria-label="Width of the page"
        :aria-valuenow="width"
        :aria-valuemin="LEAST"
        :aria-valuemax="MOST"
        :aria-valuetext="`${width} pixels, ${step}`"
        class="absolute right-0 top-0 flex h-full w-2 translate-x-1/2 cursor-ew-resize items-center justify-center before:h-4 before:w-0.5 before:bg-ink"
        @pointerdown.prevent="begin"
        @keydown.left.prevent.stop="set(width - 10)"
        @keydown.right.prevent.stop="set(width + 10)"
      />
    </div>
    <div class="absolute inset-y-0 left-2 flex items-center gap-2 bg-sheet pr-1.5">
      <ToggleRow label="Width step" :options="STEPS" :value="step" @pick="width = WIDTH_AT[$event]" />
      <AskNumber
        class="w-20"
        :value="width"
        unit="px"
        :min="LEAST"
        :max="MOST"
        :step="10"
        label="Width in pixels"
        :refuse="refuse"
        @set="$event && set(Number($event))"
        @refused="refused = $event"
      />
      <span class="font-mono text-2xs text-soft">{{ Math.round(scale * 100) }}%</span>
      <span v-if="refused" class="bg-wash px-1.5 text-2xs" role="alert">{{ refused }}</span>
    </div>
    <p
      v-if="inHand"
      class="absolute right-2 top-0 flex h-full items-center bg-sheet pl-2 text-2xs"
      data-testid="in-hand"
    >
      <span class="mr-1.5 size-2 border-l-2 border-t-2 border-spot" aria-hidden="true" />{{ inHand }}
    </p>
  </div>
</template>
