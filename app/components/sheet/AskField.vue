<script setup lang="ts">
import { type FieldValue, type Value, isFieldValue } from '#core/tree'
import { type Format, READINGS } from '#core/fields'
import type { Page } from '#core/model'
import { fieldChoices, fieldLabel } from '#core/catalogue'
import { useSite } from '~/stores/site'

/** A value taken from a field: which, how it is written, what stands around it, and what if it is empty. */
const props = defineProps<{ value: Value; page: Page; kinds: readonly string[] | null; fixed: boolean }>()
const emit = defineEmits<{ set: [value: Value | undefined] }>()

const site = useSite()
const field = computed<FieldValue | null>(() => (isFieldValue(props.value) ? props.value : null))
const label = computed(() =>
  field.value ? (fieldLabel(site.catalogue!, field.value) ?? 'a field that no longer exists') : 'no field chosen',
)
const FROM = {
  page: 'from the page',
  person: 'from its person',
  term: 'from its term',
  reference: 'from what it refers to',
  site: 'from the site',
  visitor: 'from the visitor',
}
const choices = computed(() =>
  fieldChoices(site.catalogue!, props.page).filter((c) => c.of === field.value?.of && c.via === field.value.via),
)
const kind = computed(() => choices.value.find((c) => c.field === field.value?.field)?.kind)
const formats = computed(() => (kind.value ? READINGS[kind.value].formats : []))
/** Fields that may say when what begins here is over. */
const ends = computed(() =>
  formats.value.includes('until')
    ? choices.value.filter((c) => c.kind === kind.value && c.field !== field.value?.field)
    : [],
)
const isPicture = computed(() => props.kinds?.includes('picture') ?? false)

function change(part: Partial<FieldValue>) {
  if (!field.value) return
  const next = { ...field.value, ...part }
  for (const key of ['before', 'after', 'fallback', 'format'] as const) {
    const v = next[key]
    if (v === '' || v === null || v === undefined || (typeof v === 'object' && Object.keys(v).length === 0))
      delete next[key]
  }
  emit('set', next)
}
function format(part: Format) {
  const next = { ...field.value?.format, ...part }
  for (const key of Object.keys(next) as (keyof Format)[])
    if (next[key] === undefined || next[key] === '') delete next[key]
  change({ format: next })
}
const text = (event: Event) => (event.target as HTMLInputElement).value
const AROUND = [
  { key: 'before', label: 'Before it', none: 'nothing' },
  { key: 'after', label: 'After it', none: 'nothing' },
  { key: 'fallback', label: 'If empty', none: 'nothing is drawn' },
] as const
const wordsOf = (key: (typeof AROUND)[number]['key']) => {
  const words = field.value?.[key]
  return typeof words === 'string' ? words : ''
}
const DATES = [
  ['full', 'Monday, 2 November 2026'],
  ['long', '2 November 2026'],
  ['medium', '2 Nov 2026'],
  ['short', '02/11/2026'],
  ['month', 'November 2026'],
  ['year', '2026'],
  ['time', '14:30'],
  ['away', 'in 3 days, last week'],
] as const
const PLURALS: Record<string, string> = {
  zero: 'For none',
  one: 'For one',
  two: 'For two',
  few: 'For few',
  many: 'For many',
  other: 'For others',
}
/** The forms that numbers have in the language of the site, and words for none at all. */
const plurals = computed(() => {
  const { locale } = site.catalogue!.site.settings
  const own = new Set<string>(['zero', ...new Intl.PluralRules(locale).resolvedOptions().pluralCategories])
  return Object.keys(PLURALS).filter((form) => own.has(form)) as Intl.LDMLPluralRule[]
})
function counted(form: Intl.LDMLPluralRule, words: string) {
  const { [form]: _, ...others } = field.value?.format?.counted ?? {}
  const next = words === '' ? others : { ...others, [form]: words }
  format({ counted: Object.keys(next).length > 0 ? next : undefined })
}
function first(said: string) {
  format({ first: said === '' ? undefined : said === 'sentence' ? said : 24 })
}
const MOST_WORDS = 500
const wordsAsked = (event: Event) => Math.min(MOST_WORDS, Math.max(1, Math.round(Number(text(event)) || 1)))
</script>

<template>
  <div class="min-w-0 border-l-0 bg-raised">
    <div class="flex items-center gap-1">
      <span class="flex h-7 min-w-0 flex-1 items-center justify-between gap-2 border px-1.5">
        <span class="chip-field truncate">{{ label }}</span>
        <span v-if="field" class="truncate text-2xs text-soft">{{ FROM[field.of] }}</span>
      </span>
      <FieldPicker
        :page="page"
        :kinds="kinds"
        label="Choose another field"
        @pick="$emit('set', { ...$event, ...(field?.fallback !== undefined && { fallback: field.fallback }) })"
      />
      <button
        v-if="!fixed"
        type="button"
        class="btn btn-small h-7! px-1.5!"
        aria-label="Write it here instead"
        title="Write it here instead"
        @click="$emit('set', undefined)"
      >
        ×
      </button>
    </div>
    <div v-if="field" class="mt-1 space-y-1 pl-3">
      <LabelledRow v-if="formats.includes('date')" label="Written as">
        <select
          class="input"
          :value="field.format?.date ?? ''"
          @change="format({ date: (text($event) || undefined) as Format['date'] })"
        >
          <option value="">as usual</option>
          <option v-for="[date, example] in DATES" :key="date" :value="date">{{ example }}</option>
        </select>
      </LabelledRow>
      <LabelledRow v-if="ends.length > 0" label="Until">
        <select class="input" :value="field.format?.until ?? ''" @change="format({ until: text($event) || undefined })">
          <option value="">it ends nowhere</option>
          <option v-for="end in ends" :key="end.field" :value="end.field">{{ end.label }}</option>
        </select>
      </LabelledRow>
      <LabelledRow v-if="formats.includes('digits')" label="Decimals">
        <input
          class="input font-mono text-xs"
          type="number"
          min="0"
          max="10"
          placeholder="as needed"
          :value="field.format?.digits ?? ''"
          @change="format({ digits: text($event) === '' ? undefined : Number(text($event)) })"
        />
      </LabelledRow>
      <LabelledRow v-if="formats.includes('unit')" label="Unit">
        <select
          class="input"
          :value="field.format?.unit ?? ''"
          @change="format({ unit: (text($event) || undefined) as Format['unit'] })"
        >
          <option value="">short, as in cm</option>
          <option value="long">long, as in centimetres</option>
          <option value="hidden">not shown</option>
        </select>
      </LabelledRow>
      <template v-if="formats.includes('counted')">
        <LabelledRow v-for="form in plurals" :key="form" :label="PLURALS[form]!">
          <input
            class="input"
            maxlength="200"
            :value="field.format?.counted?.[form] ?? ''"
            :placeholder="form === 'one' ? '# place left' : form === 'other' ? '# places left' : 'as the others'"
            @change="counted(form, text($event))"
          />
        </LabelledRow>
      </template>
      <template v-if="formats.includes('first')">
        <LabelledRow label="So much of it">
          <select
            class="input"
            :value="typeof field.format?.first === 'number' ? 'words' : (field.format?.first ?? '')"
            @change="first(text($event))"
          >
            <option value="">all of it</option>
            <option value="sentence">its first sentence</option>
            <option value="words">its first words</option>
          </select>
        </LabelledRow>
        <LabelledRow v-if="typeof field.format?.first === 'number'" label="Words">
          <input
            class="input font-mono text-xs"
            type="number"
            min="1"
            :max="MOST_WORDS"
            :value="field.format.first"
            @change="format({ first: wordsAsked($event) })"
          />
        </LabelledRow>
      </template>
      <template v-if="formats.includes('yes')">
        <LabelledRow v-for="key in ['yes', 'no'] as const" :key="key" :label="`For ${key}`">
          <input
            class="input"
            :value="field.format?.[key] ?? ''"
            :placeholder="key === 'yes' ? 'Yes' : 'No'"
            @change="format({ [key]: text($event) })"
          />
        </LabelledRow>
      </template>
      <LabelledRow v-if="isPicture" label="If empty">
        <AskPicture
          :value="(field.fallback ?? null) as Value"
          label="Picture if empty"
          @set="change({ fallback: $event ?? undefined })"
        />
      </LabelledRow>
      <template v-else>
        <LabelledRow v-for="around in AROUND" :key="around.key" :label="around.label">
          <input
            class="input"
            :value="wordsOf(around.key)"
            :placeholder="around.none"
            @change="change({ [around.key]: text($event) })"
          />
        </LabelledRow>
      </template>
    </div>
  </div>
</template>
