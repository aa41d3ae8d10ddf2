<script setup lang="ts">
import { namedOn, outline, paperOf, stripOf } from '#core/elements'
import type { Floor, FloorPlan, Point } from '#core/model'
import type { Position } from '#core/fields'

/** A floor of the floor plan, with what stands on it; may be pointed at. */
const props = defineProps<{ plan: FloorPlan; floor: Floor; position: Position | null; points?: boolean }>()
const emit = defineEmits<{ point: [point: Point] }>()

const paper = computed(() => paperOf(props.plan))
const path = computed(() => outline(props.floor.shapes, paper.value))
const names = computed(() => namedOn(props.floor, paper.value))
const strip = computed(() => stripOf(props.floor, paper.value))
const mark = computed(() => props.position && paper.value.at([props.position.x, props.position.y]))

function point(event: MouseEvent) {
  if (!props.points) return
  const box = (event.currentTarget as Element).getBoundingClientRect()
  const [top, height] = strip.value
  emit(
    'point',
    paper.value.pointAt(
      ((event.clientX - box.left) / box.width) * paper.value.width,
      top + ((event.clientY - box.top) / box.height) * height,
    ),
  )
}
</script>

<template>
  <svg
    :viewBox="`0 ${strip[0]} ${paper.width} ${strip[1]}`"
    class="block w-full border bg-sheet"
    :class="points && 'cursor-crosshair'"
    aria-hidden="true"
    @click="point"
  >
    <path :d="path" fill="none" class="stroke-soft" stroke-width="2" stroke-linejoin="round" />
    <text
      v-for="({ name, at }, i) in names"
      :key="i"
      :x="at[0]"
      :y="at[1]"
      text-anchor="middle"
      font-size="19"
      class="fill-soft"
    >
      {{ name }}
    </text>
    <circle v-if="mark" :cx="mark[0]" :cy="mark[1]" r="9" class="fill-spot" />
  </svg>
</template>
