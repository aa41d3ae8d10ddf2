<script setup lang="ts">
import type { Column } from '#core/tree'

const props = defineProps<{ column: Column; level: number }>()
const { selected, tabindex, hidden, why, own } = usePlanItem(() => props.column)
</script>

<template>
  <div
    :data-plan="column.id"
    role="treeitem"
    :tabindex="tabindex"
    :aria-level="level"
    :aria-selected="selected"
    :aria-label="`Column, ${column.span} of 12${why}`"
    class="mx-0.5 h-full min-h-7 cursor-default space-y-1 border bg-raised p-0.5 pb-2"
    :class="[
      selected ? 'cornered border-ink' : 'border-rule',
      hidden && 'hatched opacity-60',
      column.children.length === 0 && 'border-dashed',
    ]"
  >
    <p v-if="own" class="px-0.5 font-mono text-2xs font-bold leading-none" aria-hidden="true">{{ OWN_MARKS[own] }}</p>
    <div class="space-y-1" :role="column.children.length ? 'group' : undefined">
      <template v-for="child in column.children" :key="child.id">
        <PlanRow v-if="child.kind === 'row'" :row="child" :level="level + 1" />
        <PlanElement v-else :element="child" :level="level + 1" />
      </template>
    </div>
  </div>
</template>
