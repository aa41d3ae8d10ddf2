<script setup lang="ts">
import { elementSpec, sketchOf } from '#core/elements'

/** The small drawing of an element, made from its spec; or of a row, from the spans of its columns. */
const props = defineProps<{ type?: string; spans?: readonly number[] }>()
const marks = computed(() => (props.type ? sketchOf(elementSpec(props.type)!) : []))
const columns = computed(() => {
  let at = 0
  return (props.spans ?? []).map((span) => ({
    x: 4 + ((at += span) - span) * (40 / 12),
    width: span * (40 / 12) - 1.5,
  }))
})
const LOOKS = {
  line: 'fill-faint',
  title: 'fill-ink',
  box: 'fill-none stroke-faint',
  picture: 'fill-board stroke-faint',
  chip: 'fill-field stroke-field-ink',
  rule: 'fill-ink',
  button: 'fill-none stroke-ink',
}
</script>

<template>
  <svg viewBox="0 0 48 32" class="h-8 w-12 shrink-0 border bg-sheet" aria-hidden="true">
    <g v-for="(mark, i) in marks" :key="i">
      <rect
        :class="LOOKS[mark.kind]"
        stroke-width="0.8"
        :x="mark.x"
        :y="mark.y"
        :width="mark.width"
        :height="mark.height"
        :rx="mark.kind === 'chip' ? 1 : 0"
      />
      <path
        v-if="mark.kind === 'picture'"
        class="fill-none stroke-faint"
        stroke-width="0.6"
        :d="`M${mark.x} ${mark.y + mark.height} l${mark.width * 0.4} ${-mark.height * 0.6} l${mark.width * 0.25} ${mark.height * 0.3} l${mark.width * 0.35} ${-mark.height * 0.5}`"
      />
      <rect
        v-if="mark.kind === 'button'"
        class="fill-ink"
        :x="mark.x + 5"
        :y="mark.y + 4"
        :width="mark.width - 10"
        height="2"
      />
    </g>
    <rect
      v-for="(column, i) in columns"
      :key="`c${i}`"
      class="fill-board stroke-faint"
      stroke-width="0.8"
      :x="column.x"
      y="5"
      :width="column.width"
      height="22"
    />
  </svg>
</template>
