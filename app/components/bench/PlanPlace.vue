<script setup lang="ts">
import { nodeName } from '#core/elements'
import type { Slot } from '#core/tree'

/** A place in an element, with the rows that it holds. */
const props = defineProps<{ place: Slot; level: number }>()
const { selected, tabindex, hidden, why } = usePlanItem(() => props.place)
</script>

<template>
  <div
    :data-plan="place.id"
    role="treeitem"
    :tabindex="tabindex"
    :aria-level="level"
    :aria-selected="selected"
    class="cursor-default border bg-raised text-ink"
    :title="why.slice(2) || undefined"
    :class="[selected ? 'border-ink' : 'border-rule', hidden && 'opacity-50']"
  >
    <p class="truncate px-1.5 py-0.5 text-xs" :class="selected && 'cornered'">{{ nodeName(place) }}</p>
    <div class="min-h-4 space-y-1 px-1 pb-1" :role="place.children.length ? 'group' : undefined">
      <PlanRow v-for="row in place.children" :key="row.id" :row="row" :level="level + 1" />
    </div>
  </div>
</template>
