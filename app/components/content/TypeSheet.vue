<script setup lang="ts">
import type { LeftOut, PageType } from '#core/model'
import { useSession } from '~/stores/session'

/** Everything that can be said of a page type besides its fields. */
const props = defineProps<{ type: PageType }>()
defineEmits<{ remove: [] }>()

const session = useSession()
const { taxonomies, setType } = useStructureEdits()
const TEXTS = [
  ['name', 'One is called', false],
  ['plural', 'Several are called', false],
  ['personLabel', 'Its person is called', true],
] as const
const YES_NO = [
  ['archive', 'Has an archive', 'a page that lists its entries'],
  ['dated', 'Dated', 'newest first, with pages for years and months'],
  ['tree', 'A tree', 'entries may stand below one another'],
] as const
const LEAVES: [LeftOut, string][] = [
  ['title', 'title'],
  ['content', 'content'],
  ['header', 'header'],
  ['intro', 'intro'],
  ['footer', 'footer'],
]
function toggleLeave(what: LeftOut, on: boolean) {
  const others = (props.type.mayLeaveOut ?? []).filter((l) => l !== what)
  setType(props.type, 'mayLeaveOut', on ? [...others, what] : others.length ? others : undefined)
}
function toggleTaxonomy(id: string, on: boolean) {
  const others = props.type.taxonomies.filter((t) => t !== id)
  setType(props.type, 'taxonomies', on ? [...others, id] : others)
}
</script>

<template>
  <fieldset class="space-y-3" :disabled="!session.mayDesign">
    <label v-for="[key, label, empty] in TEXTS" :key="key" class="block font-medium"
      >{{ label
      }}<TypedInput
        class="input mt-1 font-normal"
        :value="type[key]"
        :maxlength="key === 'personLabel' ? 60 : 120"
        @say="(words) => (empty || words) && setType(type, key, words)"
    /></label>
    <label class="block font-medium"
      >Addresses begin with
      <span class="mt-1 flex items-center gap-1 font-normal"
        ><span class="font-mono text-soft">/</span
        ><TypedInput
          class="input font-mono text-xs"
          :value="type.slug"
          maxlength="80"
          placeholder="nothing: at the top of the site"
          @say="(words) => setType(type, 'slug', words)"
      /></span>
    </label>
    <label v-for="[key, label, about] in YES_NO" :key="key" class="flex items-start gap-2"
      ><input
        type="checkbox"
        class="mt-1 accent-ink"
        :checked="type[key]"
        @change="setType(type, key, ($event.target as HTMLInputElement).checked)"
      />
      <span
        >{{ label }}<span class="block text-xs text-soft">{{ about }}</span></span
      >
    </label>
    <div v-if="taxonomies.length">
      <p class="mb-1 font-medium">Its taxonomies</p>
      <label v-for="t in taxonomies" :key="t.id" class="flex items-center gap-2 py-0.5"
        ><input
          type="checkbox"
          class="accent-ink"
          :checked="type.taxonomies.includes(t.id)"
          @change="toggleTaxonomy(t.id, ($event.target as HTMLInputElement).checked)"
        />
        {{ t.plural }}</label
      >
    </div>
    <div>
      <p class="mb-1 font-medium">Writers may leave out of one page</p>
      <label v-for="[what, words] in LEAVES" :key="what" class="mr-3 inline-flex items-center gap-1"
        ><input
          type="checkbox"
          class="accent-ink"
          :checked="type.mayLeaveOut?.includes(what) ?? false"
          @change="toggleLeave(what, ($event.target as HTMLInputElement).checked)"
        />
        {{ words }}</label
      >
    </div>
    <button v-if="session.mayDesign" type="button" class="btn btn-small" @click="$emit('remove')">
      Remove this page type…
    </button>
  </fieldset>
</template>
