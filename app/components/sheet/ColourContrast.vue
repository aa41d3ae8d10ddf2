<script setup lang="ts">
import { formatHex, parse } from 'culori'
import { LEAST_CONTRAST, leastContrast, nearestReadable } from '#core/styles'
import { useDesign } from '~/stores/design'

/** How well words can be read on what really lies behind them, and the colour of the palette that mends it. */
const props = defineProps<{ property: string; nodeId: string }>()
const emit = defineEmits<{ set: [value: string] }>()

const design = useDesign()
const surface = useSurface()

const opaque = (colour: string) => formatHex(parse(colour)) ?? '#000000'

/** What is written in, and what lies behind it, as the browser draws them now; null where nothing is written so. */
const seen = computed(() => {
  void surface.value?.moved.value
  const page = surface.value
  const node = page?.elementOf(props.nodeId)
  if (!page || !node) return null
  const ground = groundBehind(page, props.nodeId)
  if (ground.length === 0) return null
  if (props.property === 'linkColour') {
    const link = node.querySelector('a')
    const view = page.doc()?.defaultView
    return link && view ? { ink: opaque(view.getComputedStyle(link).color), ground } : null
  }
  if (props.property !== 'colour' && props.property !== 'background') return null
  return { ink: opaque(page.computed(props.nodeId, 'color')), ground }
})
const contrast = computed(() => seen.value && leastContrast(seen.value.ink, seen.value.ground))
const faint = computed(() => contrast.value !== null && contrast.value < LEAST_CONTRAST)
const better = computed(() => {
  if (!seen.value || !faint.value) return null
  const { ink, ground } = seen.value
  const { palette } = design.house
  return props.property === 'background'
    ? nearestReadable(ground[0]!, [ink], palette)
    : nearestReadable(ink, ground, palette)
})
const what = computed(() => (props.property === 'linkColour' ? 'Links' : 'Words'))
</script>

<template>
  <div v-if="contrast !== null" class="mt-2 text-xs" :class="faint ? 'bg-wash p-1.5' : 'text-soft'" role="status">
    <p>
      {{ what }} on what is behind them: {{ contrast }}&nbsp;to&nbsp;1{{
        seen!.ground.length > 1 ? ' at the worst spot' : ''
      }}{{ faint ? `. Less than ${LEAST_CONTRAST} is hard to read.` : '' }}
    </p>
    <button
      v-if="better"
      type="button"
      class="mt-1.5 flex items-center gap-1.5 font-medium text-spot-deep hover:underline"
      @click="emit('set', `@${better.id}`)"
    >
      <span class="size-3.5 border border-edge" :style="{ background: better.value }" />
      Take {{ better.name }}, which can be read
    </button>
    <p v-else-if="faint" class="mt-1 text-soft">No colour of the palette can be read there.</p>
  </div>
</template>
