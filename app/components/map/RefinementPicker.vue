<script setup lang="ts">
import { OP_WORDS, fieldFor, fieldTest, opsFor, readsToday } from '#core/conditions'
import { fieldSpec, type FieldTestOp, type Field } from '#core/fields'
import { type Refinement, type RefinementChoice, refinementChoices } from '#core/targets'
import type { Id } from '#core/model'
import { findByWords, counted } from '#core/text'
import { useSite } from '~/stores/site'

/** A further fact that must hold: in a term, by a person, below a page, or a test on a field. */
const props = defineProps<{ type: Id | null; /** Only terms and tests of fields are offered. */ fields?: boolean }>()
const emit = defineEmits<{ pick: [refinement: Refinement] }>()

const site = useSite()
const open = ref(false)
const typed = ref('')
const field = ref<Field | null>(null)
const op = ref<FieldTestOp>('is')
const value = ref('')
const root = ref<HTMLElement>()
const leave = useLeaving(root, () => (open.value = false))
const choices = computed(() =>
  open.value
    ? refinementChoices(site.catalogue!, props.type).filter(
        (c) => !props.fields || c.picks === null || c.picks.kind === 'term',
      )
    : [],
)
const found = computed(() => findByWords(choices.value, typed.value, (c) => c.label).slice(0, 60))

function begin() {
  open.value = true
  field.value = null
  typed.value = ''
}
function pick(choice: RefinementChoice<Refinement>) {
  if (choice.picks !== null) {
    open.value = false
    emit('pick', choice.picks)
    return
  }
  field.value = fieldFor(site.catalogue!, props.type, choice.field)
  op.value = opsFor(field.value)[0]!
  value.value = fieldSpec(field.value.kind).comparedWith === 'yes-no' ? 'yes' : (field.value.choices?.[0]?.id ?? '')
}
const days = computed(() => readsToday({ op: op.value }))
/** Another comparison; a number of days is no day, and a day no number of them. */
function setOp(to: FieldTestOp) {
  if (readsToday({ op: to }) !== days.value) value.value = ''
  op.value = to
}
const needsValue = computed(() => op.value !== 'is-empty' && op.value !== 'is-not-empty')
const asked = computed<string | number | boolean | null>(() => {
  const compared = field.value && fieldSpec(field.value.kind).comparedWith
  if (!needsValue.value) return null
  if (compared === 'yes-no') return value.value === 'yes'
  return days.value || compared === 'number' ? Number(value.value) : value.value
})
const complete = computed(
  () =>
    !needsValue.value ||
    (days.value ? /^\d{1,5}$/.test(value.value) : value.value.trim() !== '' && !Number.isNaN(asked.value)),
)
function done() {
  if (!field.value || !complete.value) return
  open.value = false
  emit('pick', { kind: 'field', field: field.value.id, op: op.value, value: asked.value })
}
/** For how many entries the test holds as it is typed: one that holds for none says so before it is added. */
const now = computed(() => {
  if (!field.value || !complete.value) return null
  const entries = site.site!.entries.filter((e) => props.type === null || e.type === props.type)
  const test = fieldTest({ kind: 'field', field: field.value.id, op: op.value, value: asked.value }, site.catalogue!)
  return `Holds for ${entries.filter(test).length} of ${counted(entries.length, 'entry', 'entries')} now.`
})
</script>

<template>
  <div ref="root" @focusout="leave">
    <button
      v-if="!open"
      type="button"
      class="px-1.5 py-0.5 text-xs text-soft hover:text-ink"
      aria-label="Add a fact that must hold"
      @click="begin"
    >
      {{ fields ? '+ a field, a term …' : '+ only those …' }}
    </button>
    <ChoiceBox
      v-else-if="!field"
      v-model:typed="typed"
      label="Add a fact that must hold"
      :placeholder="fields ? 'a field, in a term' : 'in, by, below, a field'"
      :found="found"
      @pick="pick"
      @leave="open = false"
    />
    <form v-else class="space-y-1 py-1 pr-1" @submit.prevent="done">
      <p class="text-xs">{{ field.label }}</p>
      <div class="flex gap-1">
        <select
          class="input"
          aria-label="How it is tested"
          :value="op"
          @change="setOp(($event.target as HTMLSelectElement).value as FieldTestOp)"
        >
          <option v-for="o in opsFor(field)" :key="o" :value="o">{{ OP_WORDS[o] }}</option>
        </select>
        <ComparedValue v-if="needsValue" v-model="value" :field="field" :days="days" />
      </div>
      <p v-if="now !== null" class="text-2xs text-soft">{{ now }}</p>
      <div class="flex justify-end gap-1">
        <button type="button" class="btn btn-small" @click="open = false">Not this</button>
        <button class="btn btn-small" :disabled="!complete">Add</button>
      </div>
    </form>
  </div>
</template>
