<script setup lang="ts">
import type { StyleValue, Styles } from '#core/tree'
import { type GiverOf, givenBy } from '~/composables/useStyleOrigin'
import { type StyleProperty, refuseStyle } from '#core/styles'
import { useBench } from '~/stores/bench'

/** Four sides, each by itself. Linking them is a deliberate act, and shown. */
const props = defineProps<{
  title: string
  properties: StyleProperty[]
  styles: Styles
  defaults: Styles
  nodeId: string | null
  several?: ReadonlySet<string>
  giver?: GiverOf
  ownKey?: (property: string) => string | null
}>()
const emit = defineEmits<{ set: [values: { property: string; value: StyleValue | null }[]] }>()

const bench = useBench()
const surface = useSurface()
/** Joined on purpose, for the handles on the page too. */
const sort = computed(() => (props.nodeId ? '' : 'given ') + sidesOf(props.properties[0]!.name))
const linked = computed(() => bench.joined.has(sort.value))
const refused = ref('')
const PLACES = [
  'col-start-2 row-start-1',
  'col-start-3 row-start-2',
  'col-start-2 row-start-3',
  'col-start-1 row-start-2',
]
const sides = computed(() => {
  void surface.value?.moved.value
  return props.properties.map((property, i) => {
    const origin = originOf(
      props.styles[property.name],
      props.defaults[property.name],
      bench.step,
      givenBy(props.giver, property),
    )
    const several = props.several?.has(property.name) ?? false
    const hint = origin.value === undefined ? drawnValue(surface.value, props.nodeId, property) : ''
    return { property, origin, place: PLACES[i], several, hint: several ? '…' : hint }
  })
})
const anyHere = computed(() => sides.value.some((s) => s.origin.from === 'here'))
const bounds = (p: StyleProperty) => (p.ask.kind === 'length' ? p.ask : { min: undefined, max: undefined })

function set(property: StyleProperty, value: StyleValue | null) {
  emit(
    'set',
    (linked.value ? props.properties : [property]).map((p) => ({ property: p.name, value })),
  )
}
function reset() {
  const here = sides.value.filter((s) => s.origin.from === 'here')
  emit(
    'set',
    here.map((s) => ({ property: s.property.name, value: null })),
  )
}
</script>

<template>
  <div class="mb-2">
    <div class="grid grid-cols-3 gap-1" role="group" :aria-label="title">
      <AskNumber
        v-for="side in sides"
        :key="side.property.name"
        centred
        :class="[
          side.place,
          side.origin.from === 'here' && 'font-semibold text-spot-deep',
          linked && 'outline outline-ink',
        ]"
        :value="side.several ? undefined : side.origin.value"
        :placeholder="side.hint || '0'"
        :min="bounds(side.property).min"
        :max="bounds(side.property).max"
        unit="px"
        lengths
        :label="side.property.label"
        :title="`${side.property.label}: ${side.origin.from}`"
        :refuse="(v) => refuseStyle(side.property, v)"
        @set="set(side.property, $event)"
        @refused="refused = $event"
      />
      <button
        type="button"
        class="col-start-2 row-start-2 h-7 border text-xs"
        :class="linked ? 'border-ink bg-ink font-semibold text-sheet' : 'border-rule bg-raised'"
        :aria-pressed="linked"
        :title="linked ? 'All four change together. Click to part them' : 'Click to change all four together'"
        @click="bench.join(sort, !linked)"
      >
        {{ title.toLowerCase() }}{{ linked ? ', joined' : '' }}
      </button>
    </div>
    <button
      v-if="anyHere"
      type="button"
      class="mt-1 text-2xs font-medium text-spot-deep hover:underline"
      @click="reset"
    >
      {{ title }} is set here. Give it back
    </button>
    <OwnMark
      v-for="{ property } in sides"
      :key="`own ${property.name}`"
      :of="ownKey?.(property.name)"
      :label="property.label"
    />
    <p v-if="refused" class="mt-1 bg-wash p-1.5 text-xs" role="alert">{{ title }}: {{ refused }}.</p>
  </div>
</template>
