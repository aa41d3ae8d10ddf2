<script setup lang="ts">
import { useIntersectionObserver, useResizeObserver } from '@vueuse/core'

/**
 * A page drawn small by the real renderer: a window of `at` pixels scaled to the width there is. It is drawn once it
 * comes near: windows are slow to make, and slow to take away.
 */
const props = withDefaults(
  defineProps<{ draw: () => string; title: string; at?: number; ratio?: number; rest?: boolean }>(),
  {
    at: 1240,
    ratio: 0.62,
  },
)

const box = ref<HTMLElement>()
const width = ref(0)
useResizeObserver(box, ([entry]) => (width.value = entry!.contentRect.width))
const near = ref(false)
const { stop } = useIntersectionObserver(
  box,
  (entries) => {
    if (!entries.some((e) => e.isIntersecting)) return
    near.value = true
    stop()
  },
  { rootMargin: '240px' },
)
const html = computed(() => (near.value ? props.draw() : ''))
const scale = computed(() => width.value / props.at)
</script>

<template>
  <div ref="box" class="relative w-full overflow-hidden bg-raised" :style="{ height: `${width * ratio}px` }">
    <iframe
      v-if="near && width > 0"
      :srcdoc="html"
      :title="title"
      sandbox="allow-same-origin"
      tabindex="-1"
      scrolling="no"
      class="pointer-events-none absolute left-0 top-0 origin-top-left border-0"
      :style="{ width: `${at}px`, height: `${at * ratio}px`, transform: `scale(${scale})` }"
    />
    <!-- Frames take the wheel from what they stand in, whether or not they hear the pointer. -->
    <div class="absolute inset-0" />
  </div>
</template>
