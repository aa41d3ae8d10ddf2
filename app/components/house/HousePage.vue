<script setup lang="ts">
import { useElementSize } from '@vueuse/core'

/** A page at a width, scaled to the room there is and drawn anew as the house changes; what is in hand is marked on it. */
const props = defineProps<{ html: string; width: number; title: string }>()
const LOOKS =
  'html{scrollbar-width:thin}body{min-height:0}a,button{cursor:default}.of-skip{display:none}' +
  '[data-house]{outline:2px dashed #c4472b!important;outline-offset:3px}'

const stage = ref<HTMLElement>()
const frame = ref<HTMLIFrameElement>()
const size = useElementSize(stage)
const scale = computed(() => Math.min(1, Math.max(0.15, size.width.value / props.width)))
const height = computed(() => Math.max(200, size.height.value / scale.value))
const { mark } = useHouseMark()
const marked = ref(0)

function write() {
  const page = frame.value?.contentDocument
  if (!page?.body || !props.html) return
  writePage(page, props.html, { looks: LOOKS })
  marked.value = markOn(page, mark.value)
}
watch(() => props.html, write)
watch(mark, write)
/** Nothing is led anywhere from here. */
function listen() {
  const page = frame.value?.contentDocument
  page?.addEventListener('click', (event) => (event.target as Element).closest('a,button') && event.preventDefault())
  write()
}
</script>

<template>
  <div ref="stage" class="min-h-0 min-w-0 flex-1 overflow-hidden bg-raised">
    <iframe
      ref="frame"
      :srcdoc="EMPTY_PAGE"
      :title="title"
      sandbox="allow-same-origin allow-scripts"
      class="origin-top-left border-0"
      :style="{ width: `${width}px`, height: `${height}px`, transform: `scale(${scale})` }"
      @load="listen"
    />
  </div>
</template>
