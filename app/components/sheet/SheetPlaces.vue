<script setup lang="ts">
import { nanoid } from 'nanoid'
import { elementSpec, nodeName } from '#core/elements'
import { type LayoutElement, emptyPlace } from '#core/tree'
import { counted } from '#core/text'
import { useBench } from '~/stores/bench'

/** The places in which an element holds rows: how many there are, and one more. */
const props = defineProps<{ element: LayoutElement }>()
const bench = useBench()
const spec = computed(() => elementSpec(props.element.type)!.places!)
const places = computed(() => props.element.children ?? [])

function add() {
  const node = emptyPlace(() => nanoid(12), props.element.type)
  if (bench.apply({ kind: 'insert', parent: props.element.id, index: places.value.length, node }))
    bench.selected = node.id
}
</script>

<template>
  <div class="py-1" role="group" :aria-label="counted(places.length, spec.one.toLowerCase())">
    <p class="mb-1 text-soft">{{ counted(places.length, spec.one.toLowerCase()) }}</p>
    <ol class="space-y-1">
      <li v-for="place in places" :key="place.id">
        <button
          type="button"
          class="w-full truncate border border-rule bg-raised px-2 py-1 text-start hover:border-ink"
          @click="bench.selected = place.id"
        >
          {{ nodeName(place) }}
        </button>
      </li>
    </ol>
    <button
      type="button"
      class="mt-1 w-full border border-dashed border-edge py-1 text-soft hover:border-ink hover:text-ink disabled:opacity-40"
      :disabled="places.length >= spec.most"
      @click="add"
    >
      Add a {{ spec.one.toLowerCase() }}
    </button>
  </div>
</template>
