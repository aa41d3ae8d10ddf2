<script setup lang="ts">
import { fieldFor, readsToday } from '#core/conditions'
import { type FieldTestOp, fieldSpec, hasChoices } from '#core/fields'
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

const compared = computed(() => (kind.value && kind.value !== 'terms' ? fieldSpec(kind.value).comparedWith : 'words'))
/** What there is to choose from; null where it is written. */
const choices = computed<{ value: string; label: string }[] | null>(() => {
  const { catalogue } = site
  const { field } = props
  if (days.value) return null
  if (!field || !catalogue) return []
  if (kind.value === 'terms')
    return catalogue.site.terms
      .filter((t) => TERMS + t.taxonomy === field)
      .map((t) => ({ value: t.id, label: t.title }))
  if (!kind.value) return null
  if (compared.value === 'yes-no')
    return [
      { value: 'true', label: 'yes' },
      { value: 'false', label: 'no' },
    ]
  if (fieldSpec(kind.value).refers === 'person')
    return catalogue.site.people.map((p) => ({ value: p.id, label: p.name }))
  return hasChoices(kind.value)
    ? (fieldFor(catalogue, null, field).choices ?? []).map((c) => ({ value: c.id, label: c.label }))
    : null
})
const days = computed(() => props.op !== undefined && readsToday({ op: props.op }))
const type = computed(() => (days.value ? 'number' : INPUT_TYPES[compared.value]))

function choose(text: string) {
  emit('set', text === '' ? null : compared.value === 'yes-no' ? text === 'true' : text)
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
