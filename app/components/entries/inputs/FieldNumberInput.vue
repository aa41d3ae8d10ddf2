<script setup lang="ts">
import type { Field } from '#core/fields'
import { useSite } from '~/stores/site'

/** A number with its unit, or an amount in the currency of the site. */
const props = defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()
const text = (event: Event) => (event.target as HTMLInputElement).value
const number = (typed: string): number | null => (typed.trim() === '' ? null : Number(typed))
const site = useSite()
const unit = computed(() => (props.field.kind === 'money' ? site.site!.settings.currency : (props.field.unit ?? '')))
</script>

<template>
  <label class="block font-medium">
    {{ field.label }}
    <span class="mt-1 flex items-center gap-2">
      <input
        class="input font-normal"
        type="number"
        step="any"
        :min="field.least"
        :max="field.most"
        :value="value ?? ''"
        @change="emit('set', number(text($event)))"
      />
      <span class="shrink-0 text-xs font-normal text-soft">{{ unit }}</span>
    </span>
  </label>
</template>
