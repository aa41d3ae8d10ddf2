<script setup lang="ts">
import {
  type Field,
  type Offer,
  type Position,
  type RichDoc,
  type SiteDocument,
  converted,
  isHeld,
  isRichDoc,
  wordsOf,
} from '#core/model'
import { namedIn } from '#core/catalogue'
import { useSite } from '~/stores/site'

/** One field of an entry, with the input that fits its kind. A value of another kind is shown as what it comes to. */
const props = defineProps<{ field: Field; value: unknown }>()
const emit = defineEmits<{ set: [value: unknown] }>()

const site = useSite()
const times = useTimes()
const text = (event: Event) => (event.target as HTMLInputElement).value
const held = computed(() => {
  const { field, value } = props
  if (value === null || value === undefined || value === '') return null
  return isHeld(field, value) ? value : converted(field, value, namedIn(site.catalogue!))
})
/** What stands here and does not fit: shown as words, so that nothing goes unseen. */
const unfit = computed(() => (props.value && held.value === null ? wordsOf(props.value, props.field) : ''))
const list = computed(() => (Array.isArray(held.value) ? (held.value as string[]) : []))
const documents = computed(() => (Array.isArray(held.value) ? (held.value as SiteDocument[]) : []))
const id = useId()

function toggle(choice: string, on: boolean) {
  emit('set', on ? [...list.value, choice] : list.value.filter((x) => x !== choice))
}
const number = (typed: string): number | null => (typed.trim() === '' ? null : Number(typed))
const setDocument = (at: number, change: Partial<SiteDocument>) =>
  emit(
    'set',
    documents.value.map((d, i) => (i === at ? { ...d, ...change } : d)),
  )
</script>

<template>
  <div>
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
        :checked="held === true"
        @change="emit('set', ($event.target as HTMLInputElement).checked)"
      />
      {{ field.label }}
    </label>
    <template v-else-if="field.kind === 'rich'">
      <p class="mb-1 font-medium">{{ field.label }}</p>
      <RichField :value="isRichDoc(held) ? (held as RichDoc) : null" :label="field.label" @set="emit('set', $event)" />
    </template>
    <ListField
      v-else-if="field.kind === 'pictures'"
      :label="field.label"
      :items="list"
      :most="200"
      @set="emit('set', $event)"
    >
      <template #default="{ item }">
        <span class="flex items-center gap-2">
          <img
            v-if="site.catalogue!.pictures.get(item)"
            :src="smallAddress(site.catalogue!.pictures.get(item)!)"
            alt=""
            loading="lazy"
            class="size-8 shrink-0 object-cover"
          />
          <span class="truncate text-xs">{{ site.catalogue!.pictures.get(item)?.alt || item }}</span>
        </span>
      </template>
      <template #more>
        <AskPicture
          :value="null"
          :label="`Add to ${field.label}`"
          words="add a picture"
          @set="$event && emit('set', [...list, $event])"
        />
      </template>
    </ListField>
    <AskOffers
      v-else-if="field.kind === 'offers'"
      :label="field.label"
      :offers="Array.isArray(held) ? (held as Offer[]) : []"
      @set="emit('set', $event)"
    />
    <ListField
      v-else-if="field.kind === 'documents'"
      :label="field.label"
      :items="documents"
      :most="50"
      @set="emit('set', $event)"
    >
      <template #default="{ item, at }">
        <span class="grid grid-cols-2 gap-1">
          <input
            class="input"
            :value="item.name"
            :aria-label="`Name of document ${at + 1}`"
            placeholder="Name"
            maxlength="200"
            @change="setDocument(at, { name: text($event) })"
          />
          <input
            class="input font-mono text-xs"
            :value="item.address"
            :aria-label="`Address of document ${at + 1}`"
            placeholder="/files/… or https://…"
            maxlength="2000"
            @change="setDocument(at, { address: text($event), size: undefined, pages: undefined })"
          />
        </span>
      </template>
      <template #more>
        <button
          type="button"
          class="h-6 px-1 hover:bg-board"
          @click="emit('set', [...documents, { name: '', address: '' }])"
        >
          add an address
        </button>
        <BringDocument @brought="emit('set', [...documents, $event])" />
      </template>
    </ListField>
    <div v-else-if="field.kind === 'picture' || field.kind === 'link' || field.kind === 'entry'" class="font-medium">
      {{ field.label }}
      <div class="mt-1 font-normal">
        <AskPicture
          v-if="field.kind === 'picture'"
          :value="(held as string | null) ?? null"
          :label="field.label"
          @set="emit('set', $event)"
        />
        <AskEntry
          v-else-if="field.kind === 'entry'"
          :value="(held as string | null) ?? null"
          :label="field.label"
          :of="field.of"
          none="none"
          @set="emit('set', $event)"
        />
        <input
          v-else
          class="input font-mono text-xs"
          :aria-label="field.label"
          placeholder="https://… or /a/page"
          maxlength="2000"
          :value="held ?? ''"
          @input="emit('set', text($event).trim() || null)"
        />
      </div>
    </div>
    <fieldset v-else-if="field.kind === 'position'">
      <legend class="mb-1 font-medium">{{ field.label }}</legend>
      <PositionField :value="(held as Position | null) ?? null" @set="emit('set', $event)" />
    </fieldset>
    <label v-else class="block font-medium" :for="id">
      {{ field.label }}
      <select
        v-if="field.kind === 'choice'"
        :id="id"
        class="input mt-1 font-normal"
        :value="held ?? ''"
        @change="emit('set', text($event) || null)"
      >
        <option value="">none</option>
        <option v-for="c in field.choices" :key="c.id" :value="c.id">{{ c.label }}</option>
      </select>
      <select
        v-else-if="field.kind === 'person'"
        :id="id"
        class="input mt-1 font-normal"
        :value="held ?? ''"
        @change="emit('set', text($event) || null)"
      >
        <option value="">nobody</option>
        <option v-for="p in site.site!.people" :key="p.id" :value="p.id">{{ p.name }}</option>
      </select>
      <span v-else-if="field.kind === 'number' || field.kind === 'money'" class="mt-1 flex items-center gap-2">
        <input
          :id="id"
          class="input font-normal"
          type="number"
          step="any"
          :min="field.least"
          :max="field.most"
          :value="held ?? ''"
          @change="emit('set', number(text($event)))"
        />
        <span class="shrink-0 text-xs font-normal text-soft">{{
          field.kind === 'money' ? site.site!.settings.currency : (field.unit ?? '')
        }}</span>
      </span>
      <input
        v-else-if="field.kind === 'date'"
        :id="id"
        class="input mt-1 font-normal"
        type="date"
        :value="held ?? ''"
        @change="emit('set', text($event) || null)"
      />
      <input
        v-else-if="field.kind === 'moment'"
        :id="id"
        class="input mt-1 font-normal"
        type="datetime-local"
        :value="times.input(held)"
        @change="emit('set', text($event) || null)"
      />
      <input
        v-else
        :id="id"
        class="input mt-1 font-normal"
        maxlength="2000"
        :value="held ?? ''"
        @input="emit('set', text($event) || null)"
      />
    </label>
    <p v-if="unfit" class="mt-0.5 text-xs text-soft">Stored here and not fitting: “{{ unfit }}”</p>
    <p v-if="field.help" class="mt-0.5 text-xs text-soft">{{ field.help }}</p>
    <p v-if="field.required" class="mt-0.5 text-xs text-soft">Asked of every published entry.</p>
  </div>
</template>
