<script setup lang="ts">
import { type PageType, freeId } from '#core/model'
import { type Field, type FieldKind, FIELDS, fieldSpec } from '#core/fields'
import { useSession } from '~/stores/session'

/** Everything that can be said of one field. */
const props = defineProps<{ type: PageType; field: Field }>()
defineEmits<{ remove: [] }>()

const session = useSession()
const { types, setField, setKind } = useStructureEdits()
const text = (event: Event) => (event.target as HTMLInputElement).value
const choices = computed(() => props.field.choices ?? [])
const details = computed(() => fieldSpec(props.field.kind).details)
const UNITS =
  'millimeter centimeter meter kilometer gram kilogram second minute hour day year celsius percent liter'.split(' ')
const LIMITS = [
  ['least', 'At least'],
  ['most', 'At most'],
] as const
const id = useId()
/** A limit that cannot be read; what was typed stays. */
const wrong = ref<'least' | 'most' | null>(null)
const added = ref('')
const wanted = ref<FieldKind | null>(null)

function setChoices(next: NonNullable<Field['choices']>) {
  setField(props.type, props.field, 'choices', next)
}
function addChoice() {
  const label = added.value.trim()
  if (!label) return
  setChoices([...choices.value, { id: freeId(label, new Set(choices.value.map((c) => c.id))), label }])
  added.value = ''
}
/** Whoever changes a kind is shown first what it comes to; the choice stands back until then. */
function askKind(select: HTMLSelectElement) {
  wanted.value = select.value as FieldKind
  select.value = props.field.kind
}
function change() {
  setKind(props.type, props.field, wanted.value!)
  wanted.value = null
}
function limit(key: 'least' | 'most', typed: string) {
  const value = typed === '' ? undefined : Number(typed)
  wrong.value = value === undefined || Number.isFinite(value) ? null : key
  if (!wrong.value) setField(props.type, props.field, key, value)
}
</script>

<template>
  <fieldset class="space-y-3" :disabled="!session.mayDesign">
    <label class="block font-medium"
      >Label<TypedInput
        class="input mt-1 font-normal"
        :value="field.label"
        maxlength="200"
        @say="(words) => words && setField(type, field, 'label', words)"
    /></label>
    <label class="block font-medium"
      >Kind
      <select class="input mt-1 font-normal" :value="field.kind" @change="askKind($event.target as HTMLSelectElement)">
        <option v-for="(kind, value) in FIELDS" :key="value" :value="value">{{ kind.label }}</option>
      </select>
      <span class="mt-0.5 block text-xs font-normal text-soft">{{ FIELDS[field.kind].about }}</span>
    </label>
    <label v-if="details.includes('of')" class="block font-medium"
      >Of which page type
      <select
        class="input mt-1 font-normal"
        :value="field.of ?? ''"
        @change="setField(type, field, 'of', text($event) || undefined)"
      >
        <option value="">any</option>
        <option v-for="t in types" :key="t.id" :value="t.id">{{ t.plural }}</option>
      </select>
    </label>
    <template v-if="details.includes('choices')">
      <p class="mb-1 font-medium">Choices</p>
      <ul class="space-y-1">
        <li v-for="(choice, i) in choices" :key="choice.id" class="flex gap-1">
          <TypedInput
            class="input min-w-0 flex-1"
            :value="choice.label"
            :aria-label="`Choice ${i + 1}`"
            maxlength="200"
            @say="(label) => label && setChoices(choices.map((c) => (c.id === choice.id ? { ...c, label } : c)))"
          />
          <button
            type="button"
            class="btn btn-small"
            :aria-label="`Remove the choice ${choice.label}`"
            @click="setChoices(choices.filter((c) => c.id !== choice.id))"
          >
            ×
          </button>
        </li>
        <li class="flex gap-1">
          <input
            v-model="added"
            class="input min-w-0 flex-1"
            placeholder="Another choice"
            aria-label="Another choice"
            maxlength="200"
            @keydown.enter.prevent="addChoice"
          />
          <button type="button" class="btn btn-small" :disabled="!added.trim()" @click="addChoice">Add</button>
        </li>
      </ul>
    </template>
    <label class="block font-medium"
      >Help<TypedInput
        class="input mt-1 font-normal"
        :value="field.help ?? ''"
        maxlength="300"
        placeholder="One line for whoever fills it in"
        @say="(words) => setField(type, field, 'help', words || undefined)"
    /></label>
    <label class="flex items-center gap-2"
      ><input
        type="checkbox"
        class="accent-ink"
        :checked="field.required === true"
        @change="setField(type, field, 'required', ($event.target as HTMLInputElement).checked ? true : undefined)"
      />
      Asked of every published entry</label
    >
    <template v-if="details.includes('limits')">
      <label v-if="details.includes('unit')" class="block font-medium"
        >Unit
        <select
          class="input mt-1 font-normal"
          :value="field.unit ?? ''"
          @change="setField(type, field, 'unit', text($event) || undefined)"
        >
          <option value="">none</option>
          <option v-for="u in new Set([...UNITS, ...(field.unit ? [field.unit] : [])])" :key="u">{{ u }}</option>
        </select>
      </label>
      <div class="grid grid-cols-2 gap-2">
        <label v-for="[key, words] in LIMITS" :key="key" class="block font-medium"
          >{{ words
          }}<TypedInput
            class="input mt-1 font-mono text-xs font-normal"
            inputmode="decimal"
            stays
            :value="String(field[key] ?? '')"
            :aria-invalid="wrong === key"
            :aria-describedby="wrong === key ? `${id}-wrong` : undefined"
            @say="(typed) => limit(key, typed)"
        /></label>
      </div>
      <p v-if="wrong" :id="`${id}-wrong`" class="text-xs text-spot" role="alert">
        A limit is a number, such as 10 or 2.5; nothing is no limit.
      </p>
    </template>
    <p class="border-t pt-2 text-xs text-soft">
      Known as <span class="font-mono">{{ field.id }}</span> for life, so a new label breaks nothing.
    </p>
    <button v-if="session.mayDesign" type="button" class="btn btn-small" @click="$emit('remove')">
      Remove this field…
    </button>
    <KindDialog v-if="wanted" :type="type" :field="field" :kind="wanted" @close="wanted = null" @change="change" />
  </fieldset>
</template>
