<script setup lang="ts">
import { formatHex, formatHex8, parse } from 'culori'
import { isColour, opacityOf, paletteColour, paletteName, withOpacity } from '#core/styles'
import { useDesign } from '~/stores/design'

/** The ways to a colour: the palette, what was chosen lately, any colour, one from the screen, and how much of it is seen. */
const props = defineProps<{ value: string | undefined; hex: string | null; label: string }>()
const emit = defineEmits<{ set: [value: string] }>()

const design = useDesign()
const { recent, note } = useRecentColours()
const refused = ref('')
const opacity = computed(() => (props.hex ? opacityOf(props.hex) : 100))

function set(value: string) {
  refused.value = ''
  note(value)
  emit('set', value)
}
/** Takes any colour that CSS knows, and hex codes without their mark. */
function type(text: string) {
  const trimmed = text.trim()
  const value = /^[0-9a-f]{3,8}$/i.test(trimmed) ? `#${trimmed}` : trimmed
  const colour = parse(value)
  const found = isColour(value) ? value : (colour?.alpha ?? 1) < 1 ? formatHex8(colour) : formatHex(colour)
  if (found) set(found)
  else refused.value = 'A colour is a hex code such as #2b5a68.'
}
/** The same colour, seen more or less: one of the palette goes on following it. */
function setOpacity(percent: number) {
  if (props.value?.startsWith('@')) set(paletteName(paletteColour(props.value).id, percent))
  else if (props.hex) set(withOpacity(props.hex, percent))
}
const chosen = computed(() => (props.value?.startsWith('@') ? paletteColour(props.value).id : null))
/** Another colour, seen as much as the one before. */
function setOpaque(hex: string) {
  set(withOpacity(hex, opacity.value))
}

interface Dropper {
  open(): Promise<{ sRGBHex: string }>
}
const dropper = (globalThis as { EyeDropper?: new () => Dropper }).EyeDropper
async function pick() {
  try {
    setOpaque((await new dropper!().open()).sRGBHex)
  } catch {
    // Let go without a colour: nothing is chosen.
  }
}
</script>

<template>
  <p class="mb-1.5 text-xs text-soft">House palette</p>
  <div class="grid grid-cols-4 gap-1.5">
    <button
      v-for="c in design.house.palette"
      :key="c.id"
      type="button"
      class="text-center"
      :aria-pressed="chosen === c.id"
      @click="set(`@${c.id}`)"
    >
      <span
        class="block h-7 border"
        :class="chosen === c.id ? 'cornered border-ink' : 'border-edge'"
        :style="{ backgroundColor: c.value }"
      />
      <span class="block truncate text-2xs">{{ c.name }}</span>
    </button>
  </div>
  <template v-if="recent.length">
    <p class="mb-1 mt-2.5 text-xs text-soft">Chosen lately</p>
    <div class="flex gap-1">
      <button
        v-for="c in recent"
        :key="c"
        type="button"
        class="hatched size-6 border"
        :class="value === c ? 'cornered border-ink' : 'border-edge'"
        :aria-label="c"
        :title="c"
        :aria-pressed="value === c"
        @click="set(c)"
      >
        <span class="block size-full" :style="{ backgroundColor: c }" />
      </button>
    </div>
  </template>
  <div class="mt-2.5 flex items-center gap-1.5">
    <input
      type="color"
      class="h-7 w-9 shrink-0 border bg-raised"
      :value="hex?.slice(0, 7) ?? '#000000'"
      :aria-label="`Choose ${label.toLowerCase()}`"
      @change="setOpaque(($event.target as HTMLInputElement).value)"
    />
    <input
      class="input min-w-0 font-mono text-xs"
      :value="hex ?? ''"
      placeholder="#hex"
      :aria-label="`${label} as a hex code`"
      @change="type(($event.target as HTMLInputElement).value)"
    />
    <button v-if="dropper" type="button" class="btn btn-small shrink-0" @click="pick">From screen</button>
  </div>
  <label class="mt-2 grid grid-cols-[56px_1fr_34px] items-center gap-1.5 text-xs">
    <span class="text-soft">Opacity</span>
    <input
      type="range"
      min="0"
      max="100"
      step="1"
      class="w-full accent-ink"
      :value="opacity"
      :disabled="!hex"
      :aria-label="`Opacity of ${label.toLowerCase()} in percent`"
      @change="setOpacity(Number(($event.target as HTMLInputElement).value))"
    />
    <span class="text-end font-mono text-2xs">{{ opacity }}%</span>
  </label>
  <p v-if="refused" class="mt-1 bg-wash p-1.5 text-xs" role="alert">{{ refused }}</p>
</template>
