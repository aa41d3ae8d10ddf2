<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { formatHex, parse, wcagContrast } from 'culori'
import { colourHex, isColour } from '#core/styles'
import { useDesign } from '~/stores/design'

/** A colour of the house palette, or one of its own, with the contrast that it gives. */
const props = defineProps<{
  value: string | undefined
  label: string
  nodeId: string | null
  isBackground: boolean
  hint?: string
}>()
const emit = defineEmits<{ set: [value: string | null] }>()

const design = useDesign()
const surface = useSurface()
const hex = computed(() => (props.value ? colourHex(props.value, design.house) : null))
/** What stands there where nothing is chosen, in grey. */
const drawn = computed(() => (props.value || !props.hint ? null : (formatHex(parse(props.hint)) ?? null)))
const name = computed(() => {
  if (!props.value) {
    if (props.hint === 'several') return 'several values'
    const same = design.house.palette.find((c) => c.value.toLowerCase() === drawn.value)
    return drawn.value ? `house: ${same?.name ?? drawn.value}` : 'house'
  }
  const own = props.value.startsWith('@') ? design.house.palette.find((c) => c.id === props.value!.slice(1)) : undefined
  return own?.name ?? props.value
})
const button = ref<{ $el: HTMLElement }>()
const refused = ref('')

/** Text on what is behind it, as the browser draws them now. */
const contrast = computed(() => {
  void surface.value?.moved.value
  if (!surface.value || !props.nodeId) return null
  const ink = parse(surface.value.computed(props.nodeId, 'color'))
  const ground = groundBehind(props.nodeId)
  return ink && ground ? Math.round(wcagContrast(ink, ground) * 10) / 10 : null
})
function groundBehind(id: string) {
  const doc = surface.value?.doc()
  let node = doc?.querySelector(`[data-node="${CSS.escape(id)}"]`) ?? null
  while (node && doc?.defaultView) {
    const colour = parse(doc.defaultView.getComputedStyle(node).backgroundColor)
    if (colour && (colour.alpha ?? 1) > 0.5) return colour
    node = node.parentElement
  }
  return parse('#ffffff')
}
function set(value: string) {
  refused.value = ''
  emit('set', value)
}
function type(text: string) {
  const trimmed = text.trim()
  const value = /^[0-9a-f]{3,8}$/i.test(trimmed) ? `#${trimmed}` : trimmed
  const found = isColour(value) ? value : formatHex(parse(value))
  if (found) set(found)
  else refused.value = 'A colour is a hex code such as #2b5a68.'
}
</script>

<template>
  <Popover class="relative min-w-0">
    <PopoverButton ref="button" class="input flex items-center gap-2" :aria-label="`${label}: ${name}`">
      <span
        class="size-3.5 shrink-0 border border-edge"
        :class="!hex && !drawn && 'hatched'"
        :style="hex || drawn ? { background: hex ?? drawn! } : undefined"
      />
      <span class="truncate" :class="!value && 'text-soft'">{{ name }}</span>
    </PopoverButton>
    <PopoverPanel>
      <FloatingPanel :anchor="button?.$el" class="p-3">
        <p class="mb-1.5 text-xs text-soft">House palette</p>
        <div class="grid grid-cols-4 gap-1.5">
          <button
            v-for="c in design.house.palette"
            :key="c.id"
            type="button"
            class="text-center"
            :aria-pressed="value === `@${c.id}`"
            @click="set(`@${c.id}`)"
          >
            <span
              class="block h-7 border"
              :class="value === `@${c.id}` ? 'cornered border-ink' : 'border-edge'"
              :style="{ backgroundColor: c.value }"
            />
            <span class="block truncate text-2xs">{{ c.name }}</span>
          </button>
        </div>
        <div class="mt-2.5 flex items-center gap-1.5">
          <input
            type="color"
            class="h-7 w-9 shrink-0 border bg-raised"
            :value="hex?.slice(0, 7) ?? '#000000'"
            :aria-label="`Choose ${label.toLowerCase()}`"
            @change="type(($event.target as HTMLInputElement).value)"
          />
          <input
            class="input font-mono text-xs"
            :value="hex ?? ''"
            placeholder="#hex"
            :aria-label="`${label} as a hex code`"
            @change="type(($event.target as HTMLInputElement).value)"
          />
        </div>
        <p v-if="refused" class="mt-1 bg-wash p-1.5 text-xs" role="alert">{{ refused }}</p>
        <p v-if="contrast !== null" class="mt-2 text-xs" :class="contrast < 4.5 ? 'bg-wash p-1.5' : 'text-soft'">
          Text on its background: {{ contrast }} to 1{{ contrast < 4.5 ? '. Less than 4.5 is hard to read.' : '' }}
        </p>
      </FloatingPanel>
    </PopoverPanel>
  </Popover>
</template>
