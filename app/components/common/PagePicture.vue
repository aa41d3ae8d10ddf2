<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'

/** A page drawn small by the real renderer: a window of `at` pixels scaled to the width there is. */
const props = withDefaults(
  defineProps<{ html: string; title: string; at?: number; ratio?: number; rest?: boolean }>(),
  {
    at: 1240,
    ratio: 0.62,
  },
)

const box = ref<HTMLElement>()
const width = ref(0)
useResizeObserver(box, ([entry]) => (width.value = entry!.contentRect.width))
const scale = computed(() => width.value / props.at)
</script>

<template>
  <div ref="box" class="relative w-full overflow-hidden bg-raised" :style="{ height: `${width * ratio}px` }">
    <iframe
      v-if="width > 0"
      :srcdoc="html"
      :title="title"
      sandbox="allow-same-origin"
      tabindex="-1"
      loading="lazy"
      scrolling="no"
      class="pointer-events-none absolute left-0 top-0 origin-top-left border-0"
      :style="{ width: `${at}px`, height: `${at * ratio}px`, transform: `scale(${scale})` }"
    />
    <!-- Frames take the wheel from what they stand in, whether or not they hear the pointer. -->
    <div class="absolute inset-0" />
  </div>
</template>
