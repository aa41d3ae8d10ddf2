<script setup lang="ts">
import { elementSpec, fieldsNamed, filledProps, nodeName } from '#core/elements'
import type { LayoutElement } from '#core/tree'
import { useChecks } from '~/stores/checks'

const props = defineProps<{ element: LayoutElement; level: number }>()

const checks = useChecks()
const names = useElementNames()
const notes = computed(() => checks.byNode.get(props.element.id))
const { selected, tabindex, hidden, why, own } = usePlanItem(() => props.element)
const spec = computed(() => elementSpec(props.element.type))
const label = computed(() => {
  const says = spec.value?.summary(filledProps(props.element), names.value)
  if (!says) return nodeName(props.element)
  // A field is known by its tint, so what it shows says enough.
  return props.element.type === 'field' ? says : `${nodeName(props.element)}: ${says}`
})
/** Anything that is filled in from the page is tinted as a field is. */
const dynamic = computed(() => spec.value?.group === 'Entry' || fieldsNamed(props.element).length > 0)
</script>

<template>
  <div
    :data-plan="element.id"
    role="treeitem"
    :tabindex="tabindex"
    :aria-level="level"
    :aria-selected="selected"
    class="cursor-default text-xs"
    :class="[
      dynamic ? 'bg-field text-field-ink' : 'bg-board',
      hidden && 'opacity-50',
      selected && 'cornered bg-wash! text-ink',
    ]"
    :title="label + why"
  >
    <p class="line-clamp-3 hyphens-auto px-1.5 py-0.5 [overflow-wrap:anywhere]" lang="en">
      <span
        v-if="notes"
        class="mr-1 bg-spot px-1 text-2xs font-semibold text-white"
        title="The checks have a note on this"
        >!</span
      ><span v-if="own" class="mr-1 font-mono font-bold" aria-hidden="true">{{ OWN_MARKS[own] }}</span
      ><span v-if="hidden" class="mr-1 text-2xs">not now</span>{{ label }}
    </p>
    <div v-if="element.children" class="space-y-1 px-1 pb-1" role="group">
      <PlanPlace v-for="place in element.children" :key="place.id" :place="place" :level="level + 1" />
    </div>
  </div>
</template>
