<script setup lang="ts">
import { type Point, areaAt, floorOf } from '#core/model'
import type { Position } from '#core/fields'
import { useSite } from '~/stores/site'

/** Where an entry stands: pointed at on the floor plan of the site, or said by two numbers. */
const props = defineProps<{ value: Position | null }>()
const emit = defineEmits<{ set: [value: Position | null] }>()

const site = useSite()
const plan = computed(() => site.site!.settings.floorPlan ?? null)
const looked = ref<string | null>(null)
const floor = computed(() => {
  if (!plan.value) return null
  const chosen = plan.value.floors.find((f) => f.id === looked.value)
  return chosen ?? (props.value ? floorOf(plan.value, props.value) : (plan.value.floors[0] ?? null))
})
const floors = computed(() => plan.value?.floors.map(({ id, name }) => ({ value: id, label: name || 'Floor' })) ?? [])
const stands = computed(() => (plan.value && props.value ? floorOf(plan.value, props.value) : null))
const words = computed(() => {
  if (!props.value) return 'It stands nowhere yet: point at the plan.'
  const area = stands.value && areaAt(stands.value, props.value)
  return ['It stands in', [area?.name, stands.value?.name].filter(Boolean).join(', ') || 'no room'].join(' ')
})
/** As fine as anybody points. */
const rounded = (n: number) => Number(n.toPrecision(6))

function point([x, y]: Point) {
  const several = plan.value!.floors.length > 1
  emit('set', { x: rounded(x), y: rounded(y), ...(several && { floor: floor.value!.id }) })
}
function say(key: 'x' | 'y', typed: string) {
  emit('set', typed === '' ? null : { x: 0, y: 0, ...props.value, [key]: Number(typed) || 0 })
}
const text = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <div class="space-y-2">
    <template v-if="plan && floor">
      <ToggleRow v-if="floors.length > 1" label="Floor" :options="floors" :value="floor.id" @pick="looked = $event" />
      <FloorPicture
        :plan="plan"
        :floor="floor"
        :position="stands?.id === floor.id ? value : null"
        points
        @point="point"
      />
      <p class="text-xs text-soft" role="status">
        {{ words }}
        <button v-if="value" type="button" class="underline" @click="emit('set', null)">Stands nowhere</button>
      </p>
    </template>
    <p class="flex items-center gap-2">
      <label v-for="key in ['x', 'y'] as const" :key="key" class="flex items-center gap-1 text-soft"
        >{{ key }}
        <input
          class="input w-24! font-mono text-xs text-ink"
          type="number"
          step="any"
          :value="value?.[key] ?? ''"
          @change="say(key, text($event))"
      /></label>
    </p>
  </div>
</template>
