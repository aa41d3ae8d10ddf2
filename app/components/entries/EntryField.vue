<script setup lang="ts">
import type { Field } from '#core/site'
import { useSite } from '~/stores/site'

/** One field of an entry, with the input that fits its kind; kinds without one here say so and are kept as they are. */
const props = defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()

const site = useSite()
const text = (event: Event) => (event.target as HTMLInputElement).value
const list = computed(() => (Array.isArray(props.value) ? (props.value as string[]) : []))
function toggle(id: string, on: boolean) {
  emit('set', on ? [...list.value, id] : list.value.filter((x) => x !== id))
}
const entries = computed(() => site.site!.entries.filter((e) => e.type === props.field.of))
</script>

<template>
  <fieldset v-if="field.kind === 'choices'">
    <legend class="mb-1 font-medium">{{ field.label }}</legend>
    <label v-for="c in field.choices" :key="c.id" class="mr-3 inline-flex items-center gap-1">
      <input
        type="checkbox"
        class="accent-ink"
        :checked="list.includes(c.id)"
        @change="toggle(c.id, ($event.target as HTMLInputElement).checked)"
      />
      {{ c.label }}
    </label>
  </fieldset>
  <label v-else-if="field.kind === 'yes-no'" class="flex items-center gap-2 font-medium">
    <input
      type="checkbox"
      class="accent-ink"
      :checked="value === true"
      @change="emit('set', ($event.target as HTMLInputElement).checked)"
    />
    {{ field.label }}
  </label>
  <label v-else class="block font-medium">
    {{ field.label }}
    <select
      v-if="field.kind === 'choice'"
      class="input mt-1 font-normal"
      :value="value ?? ''"
      @change="emit('set', text($event) || null)"
    >
      <option value="">none</option>
      <option v-for="c in field.choices" :key="c.id" :value="c.id">{{ c.label }}</option>
    </select>
    <select
      v-else-if="field.kind === 'person'"
      class="input mt-1 font-normal"
      :value="value ?? ''"
      @change="emit('set', text($event) || null)"
    >
      <option value="">nobody</option>
      <option v-for="p in site.site!.people" :key="p.id" :value="p.id">{{ p.name }}</option>
    </select>
    <select
      v-else-if="field.kind === 'entry'"
      class="input mt-1 font-normal"
      :value="value ?? ''"
      @change="emit('set', text($event) || null)"
    >
      <option value="">none</option>
      <option v-for="e in entries" :key="e.id" :value="e.id">{{ e.title }}</option>
    </select>
    <input
      v-else-if="field.kind === 'number' || field.kind === 'money'"
      class="input mt-1 font-normal"
      type="number"
      step="any"
      :value="value ?? ''"
      @change="emit('set', text($event) === '' ? null : Number(text($event)))"
    />
    <input
      v-else-if="field.kind === 'date'"
      class="input mt-1 font-normal"
      type="date"
      :value="value ?? ''"
      @change="emit('set', text($event) || null)"
    />
    <input
      v-else-if="field.kind === 'text' || field.kind === 'link' || field.kind === 'moment'"
      class="input mt-1 font-normal"
      maxlength="2000"
      :value="value ?? ''"
      @input="emit('set', text($event) || null)"
    />
    <span v-else class="mt-1 block text-xs font-normal text-soft">{{
      list.length ? `${list.length} kept as they are` : 'kept as it is'
    }}</span>
  </label>
</template>
