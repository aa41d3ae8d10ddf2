<script setup lang="ts">
import { FIELDS, FIELD_KINDS, kindsFor, type FieldTestOp } from '#core/fields'
import { type Property, type Value, isFieldValue } from '#core/tree'
import { refuseProperty } from '#core/elements'
import { looksFor } from '#core/styles'
import type { Page } from '#core/model'
import { useDesign } from '~/stores/design'
import { useSite } from '~/stores/site'

/** One property of an element: its label, a fitting input, and, where it may, a way to take it from a field. */
const props = defineProps<{
  property: Property
  value: Value | undefined
  page: Page
  several?: boolean
  /** The values of its neighbours, where what it takes goes by one of them. */
  beside?: Record<string, Value>
}>()
const emit = defineEmits<{ set: [value: Value | undefined] }>()

const site = useSite()
const design = useDesign()
const refused = ref('')
const current = computed<Value>(() => props.value ?? props.property.default)
const isDynamic = computed(() => isFieldValue(current.value))
const mayBeDynamic = computed(
  () => props.property.kind === 'text' || ('dynamic' in props.property && props.property.dynamic),
)
/** Kinds of field that suit the property. */
const kinds = computed(() => {
  if (props.property.kind === 'picture') return kindsFor('picture')
  if (props.property.kind === 'icon') return kindsFor('icon')
  if (props.property.kind === 'link') return FIELD_KINDS.filter((kind) => FIELDS[kind].leads !== null)
  return null
})
/** What a property that names something of the site or the design may name, and the words for naming none. */
const named = computed(() => {
  const { menus, types } = site.catalogue!
  switch (props.property.kind) {
    case 'menu':
      return { none: 'no menu chosen', things: [...menus.values()] }
    case 'type':
      return { none: 'no type chosen', things: [...types.values()].map((t) => ({ id: t.id, name: t.plural })) }
    case 'card':
      return {
        none: 'picture, title, summary',
        things: design.layouts.map((l) => l.layout).filter((l) => l.region === 'card' && !l.starter),
      }
    case 'look':
      return { none: '', things: looksFor(design.house, props.property.for) }
    default:
      return null
  }
})
/** What needs the whole width: text, fields with their parts, and choices whose words are long. */
const LONG = 20
const wide = computed(() => {
  const { property } = props
  if (property.kind === 'choice') return property.options.some((o) => o.label.length > LONG)
  return property.kind === 'rich' || isDynamic.value || ('lines' in property && property.lines === true)
})

function set(value: Value | undefined) {
  refused.value = value === undefined ? '' : (refuseProperty(props.property, value) ?? '')
  if (!refused.value) emit('set', value)
}
</script>

<template>
  <div class="py-0.5">
    <div class="grid items-start" :class="wide ? 'grid-cols-1 gap-1' : 'grid-cols-[88px_1fr]'">
      <span class="pr-2 pt-1 text-soft">{{ property.label }}</span>
      <AskField
        v-if="isDynamic || property.kind === 'field'"
        :value="current"
        :page="page"
        :kinds="kinds"
        :fixed="property.kind === 'field'"
        @set="set"
      />
      <AskRich v-else-if="property.kind === 'rich'" :value="current" :page="page" :label="property.label" @set="set" />
      <div v-else class="flex min-w-0 items-start gap-1">
        <textarea
          v-if="property.kind === 'text' && property.lines"
          class="input h-auto! min-h-24 py-1.5"
          :value="several ? '' : String(current ?? '')"
          :placeholder="several ? 'several values' : undefined"
          :maxlength="property.most"
          :aria-label="property.label"
          @input="set(($event.target as HTMLTextAreaElement).value)"
        />
        <input
          v-else-if="property.kind === 'text'"
          class="input"
          :value="several ? '' : String(current ?? '')"
          :placeholder="several ? 'several values' : undefined"
          :maxlength="property.most"
          :aria-label="property.label"
          @input="set(($event.target as HTMLInputElement).value)"
        />
        <select
          v-else-if="property.kind === 'choice'"
          class="input min-w-0"
          :value="several ? '' : current"
          :aria-label="property.label"
          @change="set(($event.target as HTMLSelectElement).value)"
        >
          <option v-if="several" value="" disabled>several values</option>
          <option v-for="o in property.options" :key="o.value" :value="o.value">{{ o.label }}</option>
        </select>
        <AskNumber
          v-else-if="property.kind === 'number'"
          class="flex-1"
          :value="current as number"
          :min="property.min"
          :max="property.max"
          :label="property.label"
          :refuse="(v) => refuseProperty(property, v)"
          @set="set($event ?? undefined)"
          @refused="refused = $event"
        />
        <label v-else-if="property.kind === 'yes-no'" class="flex h-7 items-center gap-1.5">
          <input
            type="checkbox"
            class="accent-ink"
            :checked="current === true"
            :aria-label="property.label"
            @change="set(($event.target as HTMLInputElement).checked)"
          />
          {{ current === true ? 'yes' : 'no' }}
        </label>
        <AskLink v-else-if="property.kind === 'link'" :value="current" :label="property.label" @set="set" />
        <AskPicture v-else-if="property.kind === 'picture'" :value="current" :label="property.label" @set="set" />
        <AskEntryField
          v-else-if="property.kind === 'entry-field'"
          :value="typeof current === 'string' ? current : null"
          :label="property.label"
          :use="property.for"
          @set="set"
        />
        <AskEntryValue
          v-else-if="property.kind === 'entry-value'"
          :value="current"
          :field="typeof beside?.[property.by] === 'string' ? (beside[property.by] as string) : null"
          :label="property.label"
          :op="typeof beside?.op === 'string' ? (beside.op as FieldTestOp) : undefined"
          @set="set"
        />
        <AskIcon v-else-if="property.kind === 'icon'" :value="current" :label="property.label" @set="set" />
        <div v-else-if="named" class="min-w-0 flex-1">
          <select
            class="input"
            :value="current ?? ''"
            :aria-label="property.label"
            @change="set(($event.target as HTMLSelectElement).value || null)"
          >
            <option v-if="named.none" value="">{{ named.none }}</option>
            <option v-for="t in named.things" :key="t.id" :value="t.id">{{ t.name }}</option>
          </select>
          <MenuHere v-if="property.kind === 'menu'" :value="typeof current === 'string' ? current : null" @set="set" />
        </div>
        <FieldPicker
          v-if="mayBeDynamic"
          :page="page"
          :kinds="kinds"
          :label="`Take ${property.label.toLowerCase()} from a field`"
          @pick="set"
        />
      </div>
    </div>
    <p v-if="refused" class="mt-1 bg-wash p-1.5 text-xs" role="alert">{{ property.label }}: {{ refused }}.</p>
    <p v-else-if="property.hint" class="pl-[88px] text-2xs text-soft">{{ property.hint }}</p>
  </div>
</template>
