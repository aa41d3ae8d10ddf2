<script setup lang="ts">
import { type Field, fieldSpec } from '#core/fields'
import { useSite } from '~/stores/site'

/** What a field is compared with: asked by the kind of the field, and given as text. */
const props = defineProps<{ field: Field; /** A number of days is asked for, whatever the kind. */ days: boolean }>()
const value = defineModel<string>({ required: true })

const site = useSite()
const LABEL = 'Compared with'
const options = computed<{ id: string; label: string }[] | null>(() => {
  const { kind, choices } = props.field
  const { comparedWith, refers } = fieldSpec(kind)
  if (props.days) return null
  if (comparedWith === 'yes-no')
    return [
      { id: 'yes', label: 'yes' },
      { id: 'no', label: 'no' },
    ]
  if (refers === 'person') return [...site.catalogue!.people.values()].map(({ id, name }) => ({ id, label: name }))
  if (refers === 'picture')
    return [...site.catalogue!.pictures.values()].map(({ id, fileName, alt }) => ({ id, label: alt || fileName }))
  return choices ?? null
})
const inputType = computed(() => (props.days ? 'number' : INPUT_TYPES[fieldSpec(props.field.kind).comparedWith]))
/** What is typed is taken as it stands: an input of numbers would hand over a number. */
const typed = (event: Event) => (value.value = (event.target as HTMLInputElement).value.trim())
</script>

<template>
  <AskEntry
    v-if="fieldSpec(field.kind).refers === 'entry' && !days"
    class="min-w-0 flex-1"
    :value="value || null"
    :label="LABEL"
    :of="field.of"
    none="choose an entry"
    @set="value = $event ?? ''"
  />
  <select v-else-if="options" v-model="value" class="input" :aria-label="LABEL">
    <option v-if="!options.some((o) => o.id === value)" :value="value" disabled>choose</option>
    <option v-for="o in options" :key="o.id" :value="o.id">{{ o.label }}</option>
  </select>
  <input
    v-else
    class="input"
    :type="inputType"
    :value="value"
    :step="days ? 1 : 'any'"
    :min="days ? 0 : undefined"
    :aria-label="days ? 'How many days' : LABEL"
    @input="typed"
  />
</template>
