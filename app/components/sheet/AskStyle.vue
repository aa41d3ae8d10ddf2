<script setup lang="ts">
import { STEPS, type Stepped, type StyleValue } from '#core/tree'
import { type GiverOf, givenBy } from '~/composables/useStyleOrigin'
import { FAMILIES, type StyleProperty, TYPE_STEPS, ownFamily, refuseStyle } from '#core/styles'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'
import { useFollowing } from '~/stores/following'

const props = defineProps<{
  property: StyleProperty
  stepped: Stepped | undefined
  inherited: Stepped | undefined
  nodeId: string | null
  /** Several things are in hand that do not say the same. */
  several?: boolean
  giver?: GiverOf
  ownKey?: (property: string) => string | null
}>()
const emit = defineEmits<{ set: [value: StyleValue | null] }>()

const bench = useBench()
const design = useDesign()
const following = useFollowing()
const surface = useSurface()
const refused = ref('')
const number = ref<{ scrub(event: PointerEvent): void }>()
const origin = computed(() =>
  originOf(props.stepped, props.inherited, bench.step, givenBy(props.giver, props.property)),
)
const hint = computed(() => {
  void surface.value?.moved.value
  if (props.several) return 'several'
  return origin.value.value === undefined ? drawnValue(surface.value, props.nodeId, props.property) : ''
})
const ask = computed(() => props.property.ask)
const isNumber = computed(() => ask.value.kind === 'length' || ask.value.kind === 'number')
const colour = computed(() => (typeof origin.value.value === 'string' ? origin.value.value : undefined))
const unit = computed(() =>
  ask.value.kind === 'length' ? 'px' : ask.value.kind === 'number' ? (ask.value.unit ?? '') : '',
)
/** Nothing chosen here: what that comes to now. */
const house = computed(() => (props.several ? 'several values' : hint.value ? `house: ${hint.value}` : 'house'))
/** What a variation says nothing else about is its base's. */
const fromBase = computed(
  () =>
    following.variation !== null &&
    origin.value.from === 'here' &&
    props.nodeId !== null &&
    following.markOf(props.nodeId) !== 'added' &&
    !following.changeOf(props.ownKey?.(props.property.name)),
)
/** What is set at each width, where it is not the same at all. */
const atWidths = computed(() => {
  const set = STEPS.filter((step) => props.stepped?.[step] !== undefined)
  return set.length > 1 || (set[0] && set[0] !== 'wide')
    ? set.map((step) => [step, props.stepped![step]!] as const)
    : []
})

function set(value: StyleValue | null) {
  refused.value = value === null ? '' : (refuseStyle(props.property, value) ?? '')
  if (!refused.value) emit('set', value)
}
</script>

<template>
  <div class="grid grid-cols-[84px_1fr_auto] items-center gap-x-1 py-0.5">
    <span
      class="select-none text-soft"
      :class="isNumber && 'cursor-ew-resize'"
      :title="isNumber ? 'Drag over this to change the number' : undefined"
      @pointerdown="isNumber && number?.scrub($event)"
      >{{ property.label }}</span
    >
    <select
      v-if="ask.kind === 'choice'"
      class="input"
      :class="!origin.value && 'text-soft'"
      :value="several ? '' : (origin.value ?? '')"
      :aria-label="property.label"
      @change="set(($event.target as HTMLSelectElement).value || null)"
    >
      <option value="">{{ house }}</option>
      <option v-for="o in ask.options" :key="o.value" :value="o.value">{{ o.label }}</option>
    </select>
    <select
      v-else-if="ask.kind === 'family'"
      class="input"
      :class="!origin.value && 'text-soft'"
      :value="several ? '' : (origin.value ?? '')"
      :aria-label="property.label"
      @change="set(($event.target as HTMLSelectElement).value || null)"
    >
      <option value="">{{ house }}</option>
      <option value="@heading">that of headings</option>
      <option value="@text">that of text</option>
      <option value="@interface">that of menus and buttons</option>
      <option v-for="f in design.house.fonts" :key="f.id" :value="ownFamily(f.id)">{{ f.name }}</option>
      <option v-for="f in FAMILIES" :key="f.name" :value="f.name">{{ f.name }}</option>
    </select>
    <AskColour
      v-else-if="ask.kind === 'colour'"
      :value="several ? undefined : colour"
      :label="property.label"
      :property="property.name"
      :node-id="nodeId"
      :hint="hint"
      @set="set"
    />
    <AskNumber
      v-else
      ref="number"
      :value="several ? undefined : origin.value"
      :lengths="ask.kind === 'length'"
      :min="ask.min"
      :max="ask.max"
      :step="ask.kind === 'number' ? ask.step : 1"
      :unit="unit"
      :placeholder="hint"
      :label="property.label"
      :refuse="(v) => refuseStyle(property, v)"
      @set="set"
      @refused="refused = $event"
    />
    <OriginMark :from="fromBase ? 'base' : origin.from" :label="property.label" @reset="set(null)" />
    <p v-if="ask.kind === 'length' && ask.steps" class="col-start-2 mt-0.5 flex flex-wrap gap-x-2 text-2xs text-soft">
      <button
        v-for="at in TYPE_STEPS"
        :key="at"
        type="button"
        :class="origin.value === at ? 'font-semibold text-ink' : 'hover:underline'"
        :title="`The step ${at.slice(1)} of the type scale`"
        @click="set(at)"
      >
        {{ at.slice(1) }}
      </button>
    </p>
    <p v-if="atWidths.length" class="col-start-2 flex gap-2 font-mono text-2xs text-soft">
      <span
        v-for="[step, value] in atWidths"
        :key="step"
        :class="step === bench.step && 'font-semibold text-ink'"
        :title="`${step} screens: ${value}`"
        >{{ step.slice(0, 1).toUpperCase() }} {{ value }}</span
      >
    </p>
    <OwnMark class="col-span-3" :of="ownKey?.(property.name)" :label="property.label" />
    <p v-if="refused" class="col-span-3 mt-1 bg-wash p-1.5 text-xs" role="alert">
      {{ property.label }}: {{ refused }}.
    </p>
  </div>
</template>
