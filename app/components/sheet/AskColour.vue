<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { formatHex, parse } from 'culori'
import { colourHex, paletteColour } from '#core/styles'
import { useDesign } from '~/stores/design'

/** A colour of the house palette, or one of its own, with the contrast that it gives. */
const props = defineProps<{
  value: string | undefined
  /** What the look is called, and its name among the properties. */
  label: string
  property: string
  nodeId: string | null
  hint?: string
  /** What it is when nothing is chosen; the house's, where this is not said. */
  unset?: string
}>()
const emit = defineEmits<{ set: [value: string | null] }>()

const design = useDesign()
const hex = computed(() => (props.value ? colourHex(props.value, design.house) : null))
/** What stands there where nothing is chosen, in grey. */
const drawn = computed(() => (props.value || !props.hint ? null : (formatHex(parse(props.hint)) ?? null)))
const name = computed(() => {
  if (!props.value) {
    if (props.hint === 'several') return 'several values'
    const same = design.house.palette.find((c) => c.value.toLowerCase() === drawn.value)
    if (props.unset !== undefined) return props.unset
    return drawn.value ? `house: ${same?.name ?? drawn.value}` : 'house'
  }
  const own = props.value.startsWith('@')
    ? design.house.palette.find((c) => c.id === paletteColour(props.value!).id)
    : undefined
  const { opacity } = paletteColour(props.value)
  return own ? (opacity === 100 ? own.name : `${own.name}, ${opacity}%`) : props.value
})
const button = ref<{ $el: HTMLElement }>()
</script>

<template>
  <Popover class="relative min-w-0">
    <PopoverButton ref="button" class="input flex items-center gap-2" :aria-label="`${label}: ${name}`">
      <span class="hatched size-3.5 shrink-0 border border-edge">
        <span v-if="hex || drawn" class="block size-full" :style="{ background: hex ?? drawn! }" />
      </span>
      <span class="truncate" :class="!value && 'text-soft'">{{ name }}</span>
    </PopoverButton>
    <PopoverPanel>
      <FloatingPanel :anchor="button?.$el" class="p-3">
        <ColourChoice :value="value" :hex="hex" :label="label" @set="emit('set', $event)" />
        <ColourContrast v-if="nodeId" :property="property" :node-id="nodeId" @set="emit('set', $event)" />
      </FloatingPanel>
    </PopoverPanel>
  </Popover>
</template>
