<script setup lang="ts">
import type { Circumstance, Question } from '#core/conditions'

/** One part of a circumstance, asked for in the way that its spec says. */
const props = defineProps<{ question: Question<Circumstance>; value: unknown; yearly: boolean }>()
const emit = defineEmits<{ answer: [value: unknown] }>()

/** Days of every year are asked for with a year that has them all. */
const LEAP_YEAR = '2024-'
const typed = ref(Array.isArray(props.value) ? props.value.join(', ') : String(props.value ?? ''))
const day = computed(() => {
  const text = String(props.value ?? '')
  return text && props.yearly && text.length === 5 ? LEAP_YEAR + text : text
})
const chosen = computed(() => (Array.isArray(props.value) ? (props.value as unknown[]) : []))
const options = computed(() => ('options' in props.question ? props.question.options : []))

const listed = (text: string) =>
  text
    .split(',')
    .map((v) => v.trim())
    .filter(Boolean)

function toggle(value: unknown, on: boolean) {
  const next = options.value.map((o) => o.value).filter((v) => (v === value ? on : chosen.value.includes(v)))
  emit('answer', next)
}
function setDay(text: string) {
  emit('answer', text === '' ? null : props.yearly ? text.slice(5) : text)
}
/** A day that was said is said anew when it comes to recur, or not any more. */
watch(
  () => props.yearly,
  (yearly) => {
    if (props.question.kind !== 'day' || typeof props.value !== 'string') return
    emit('answer', yearly ? props.value.slice(-5) : null)
  },
)
</script>

<template>
  <input
    v-if="question.kind === 'words'"
    v-model="typed"
    class="input font-mono text-xs"
    :placeholder="question.placeholder"
    :aria-label="question.label"
    @input="$emit('answer', typed.trim().replace(/^\?/, ''))"
  />
  <input
    v-else-if="question.kind === 'list'"
    v-model="typed"
    class="input"
    :placeholder="question.placeholder"
    :aria-label="question.label"
    @input="$emit('answer', listed(typed))"
  />
  <select
    v-else-if="question.kind === 'one'"
    class="input"
    :aria-label="question.label"
    :value="String(value)"
    @change="$emit('answer', options[($event.target as HTMLSelectElement).selectedIndex]!.value)"
  >
    <option v-for="o in options" :key="String(o.value)" :value="String(o.value)">{{ o.label }}</option>
  </select>
  <div
    v-else-if="question.kind === 'several'"
    class="flex flex-wrap gap-x-3 gap-y-0.5"
    role="group"
    :aria-label="question.label"
  >
    <label v-for="o in options" :key="String(o.value)" class="flex items-center gap-1"
      ><input
        type="checkbox"
        class="accent-ink"
        :checked="chosen.includes(o.value)"
        @change="toggle(o.value, ($event.target as HTMLInputElement).checked)"
      />
      {{ o.label }}</label
    >
  </div>
  <label v-else-if="question.kind === 'day'" class="grid grid-cols-[40px_1fr] items-center text-xs"
    >{{ question.label.toLowerCase() }}
    <input
      class="input"
      type="date"
      :aria-label="question.label"
      :value="day"
      @change="setDay(($event.target as HTMLInputElement).value)"
    />
  </label>
  <label v-else class="flex items-center gap-1 text-xs"
    ><input
      type="checkbox"
      class="accent-ink"
      :checked="value === true"
      @change="$emit('answer', ($event.target as HTMLInputElement).checked || undefined)"
    />
    {{ question.label }}</label
  >
</template>
