<script setup lang="ts">
import { autoUpdate, flip, offset, shift, size, useFloating } from '@floating-ui/vue'

/** A panel beside what it belongs to, wherever there is room in the window: no edge of a panel or a sheet cuts it. */
const props = withDefaults(defineProps<{ anchor: HTMLElement | null | undefined; width?: number }>(), { width: 240 })

const MARGIN = 8
const anchor = computed(() => props.anchor ?? null)
const panel = ref<HTMLElement>()
const most = ref(480)
const { floatingStyles } = useFloating(anchor, panel, {
  strategy: 'fixed',
  placement: 'bottom-end',
  whileElementsMounted: autoUpdate,
  middleware: [
    offset(1),
    flip({ padding: MARGIN }),
    shift({ padding: MARGIN, crossAxis: true }),
    size({
      padding: MARGIN,
      apply: ({ availableHeight }) => void (most.value = Math.max(120, availableHeight)),
    }),
  ],
})
</script>

<template>
  <div
    ref="panel"
    class="z-40 overflow-y-auto border border-ink bg-raised"
    :style="{ ...floatingStyles, width: `${width}px`, maxHeight: `${most}px` }"
  >
    <slot />
  </div>
</template>
