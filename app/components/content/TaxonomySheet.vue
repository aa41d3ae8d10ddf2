<script setup lang="ts">
import type { Taxonomy } from '#core/model'
import { useSession } from '~/stores/session'

/** Everything that can be said of a taxonomy besides its terms. */
defineProps<{ taxonomy: Taxonomy }>()
defineEmits<{ remove: [] }>()

const session = useSession()
const { setTaxonomy } = useStructureEdits()
const TEXTS = [
  ['name', 'One term is called'],
  ['plural', 'Several are called'],
] as const
</script>

<template>
  <fieldset class="space-y-3" :disabled="!session.mayDesign">
    <label v-for="[key, label] in TEXTS" :key="key" class="block font-medium"
      >{{ label
      }}<TypedInput
        class="input mt-1 font-normal"
        :value="taxonomy[key]"
        maxlength="120"
        @say="(words) => words && setTaxonomy(taxonomy, key, words)"
    /></label>
    <label class="block font-medium"
      >Addresses begin with
      <span class="mt-1 flex items-center gap-1 font-normal"
        ><span class="font-mono text-soft">/</span
        ><TypedInput
          class="input font-mono text-xs"
          :value="taxonomy.slug"
          maxlength="80"
          @say="(words) => setTaxonomy(taxonomy, 'slug', words)"
      /></span>
    </label>
    <label class="flex items-start gap-2"
      ><input
        type="checkbox"
        class="mt-1 accent-ink"
        :checked="taxonomy.pages"
        @change="setTaxonomy(taxonomy, 'pages', ($event.target as HTMLInputElement).checked)"
      />
      <span>Its terms have pages<span class="block text-xs text-soft">each lists the entries that have it</span></span>
    </label>
    <button v-if="session.mayDesign" type="button" class="btn btn-small" @click="$emit('remove')">
      Remove this taxonomy…
    </button>
  </fieldset>
</template>
