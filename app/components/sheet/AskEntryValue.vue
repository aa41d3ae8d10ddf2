<script setup lang="ts">
import { type FieldTestOp, fieldFor, readsToday } from '#core/conditions'
import { TERMS, fieldKind } from '#core/catalogue'
import type { Value } from '#core/tree'
import { useSite } from '~/stores/site'

/** What a field of listed entries is asked for: one of what it may be, or something written as it is written there. */
const props = defineProps<{
  value: Value
  field: string | null
  label: string
  /** How it is asked. */ op?: FieldTestOp
}>()
const emit = defineEmits<{ set: [value: Value] }>()

const site = useSite()
const kind = computed(() => (props.field ? fieldKind(site.catalogue!, { of: 'page', field: props.field }) : null))

/** What there is to choose from; null where it is written. */
const choices = computed<{ value: string; label: string }[] | null>(() => {
  const { catalogue } = site
  const { field } = props
  if (days.value) return null
  if (!field || !catalogue) return []
  switch (kind.value) {
    case 'terms':
      return catalogue.site.terms
        .filter((t) => TERMS + t.taxonomy === field)
        .map((t) => ({ value: t.id, label: t.title }))
    case 'person':
      return catalogue.site.people.map((p) => ({ value: p.id, label: p.name }))
    case 'choice':
    case 'choices':
      return (fieldFor(catalogue, null, field).choices ?? []).map((c) => ({ value: c.id, label: c.label }))
    case 'yes-no':
      return [
        { value: 'true', label: 'yes' },
        { value: 'false', label: 'no' },
      ]
    default:
      return null
  }
})
const INPUTS: Record<string, string> = { number: 'number', money: 'number', date: 'date', moment: 'date' }
const days = computed(() => props.op !== undefined && readsToday({ op: props.op }))
const type = computed(() => (days.value ? 'number' : (INPUTS[kind.value ?? ''] ?? 'text')))

function choose(text: string) {
  emit('set', text === '' ? null : kind.value === 'yes-no' ? text === 'true' : text)
}
function write(text: string) {
  emit('set', text === '' ? null : type.value === 'number' ? Number(text) : text)
}
</script>

<template>
  <AskEntry
    v-if="kind === 'entry' && !days"
    :value="typeof value === 'string' ? value : null"
    :label="label"
    :of="field ? fieldFor(site.catalogue!, null, field).of : undefined"
    none="nothing chosen"
    @set="emit('set', $event)"
  />
  <select
    v-else-if="choices"
    class="input"
    :value="value === null ? '' : String(value)"
    :aria-label="label"
    @change="choose(($event.target as HTMLSelectElement).value)"
  >
    <option value="">{{ field ? 'nothing chosen' : 'choose a field first' }}</option>
    <option v-for="c in choices" :key="c.value" :value="c.value">{{ c.label }}</option>
  </select>
  <input
    v-else
    class="input"
    :type="type"
    step="any"
    maxlength="200"
    :value="value === null ? '' : String(value)"
    :aria-label="label"
    @change="write(($event.target as HTMLInputElement).value)"
  />
</template>
