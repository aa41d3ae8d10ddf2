<script setup lang="ts">
import { type Field, converted, fieldSpec, isHeld, wordsOf } from '#core/fields'
import { namedIn } from '#core/catalogue'
import { useSite } from '~/stores/site'
import { INPUTS } from './inputs'

/** One field of an entry, with the input that fits its kind. A value of another kind is shown as what it comes to. */
const props = defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()

const site = useSite()
const held = computed(() => {
  const { field, value } = props
  if (value === null || value === undefined || value === '') return null
  return isHeld(field, value) ? value : converted(field, value, namedIn(site.catalogue!))
})
/** What stands here and does not fit: shown as words, so that nothing goes unseen. */
const unfit = computed(() => (props.value && held.value === null ? wordsOf(props.value, props.field) : ''))
</script>

<template>
  <div>
    <component :is="INPUTS[fieldSpec(field.kind).input]" :field="field" :value="held" @set="emit('set', $event)" />
    <p v-if="unfit" class="mt-0.5 text-xs text-soft">Stored here and not fitting: “{{ unfit }}”</p>
    <p v-if="field.help" class="mt-0.5 text-xs text-soft">{{ field.help }}</p>
    <p v-if="field.required" class="mt-0.5 text-xs text-soft">Asked of every published entry.</p>
  </div>
</template>
