<script setup lang="ts">
import type { Term } from '#core/model'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'
import { useStructure } from '~/stores/structure'

/** Everything that can be said of a term besides its title and where it stands. */
const props = defineProps<{ term: Term; others: readonly Term[]; address: string; pages: boolean }>()

const session = useSession()
const site = useSite()
const structure = useStructure()
const notices = useNotices()
const { setTerm } = useStructureEdits()
const into = ref('')
const busy = ref(false)
const LINES = [
  ['tagline', 'Tagline', 2, 1000],
  ['description', 'Description', 6, 10_000],
] as const

/** Its entries and frames go to another term, its address leads there. */
async function merge() {
  const other = props.others.find((t) => t.id === into.value)
  if (!other || busy.value) return
  busy.value = true
  await notices.attempt(async () => {
    await useApi('POST', '/terms/merge', { from: props.term.id, into: other.id })
    await structure.open()
    await site.load()
    notices.say(`What was in “${props.term.title}” is in “${other.title}” now.`)
  })
  busy.value = false
}
</script>

<template>
  <fieldset class="space-y-3" :disabled="!session.mayDesign || busy">
    <label class="block font-medium"
      >Last part of the address<TypedInput
        class="input mt-1 font-mono text-xs font-normal"
        :value="term.slug"
        maxlength="80"
        @say="setTerm(term, 'slug', $event)"
    /></label>
    <a
      v-if="pages"
      :href="address"
      target="_blank"
      class="block font-mono text-2xs text-soft underline [overflow-wrap:anywhere]"
      >{{ address }}</a
    >
    <label v-for="[key, label, rows, most] in LINES" :key="key" class="block font-medium"
      >{{ label
      }}<TypedInput
        long
        class="input mt-1 font-normal"
        :rows="rows"
        :value="term[key]"
        :maxlength="most"
        @say="setTerm(term, key, $event)"
      />
    </label>
    <div class="font-medium">
      Picture
      <AskPicture
        :value="term.picture"
        label="Picture"
        class="mt-1 font-normal"
        @set="setTerm(term, 'picture', $event)"
      />
    </div>
    <form v-if="session.mayDesign && others.length" class="border-t pt-3" @submit.prevent="merge">
      <label class="block font-medium"
        >Merge into
        <select v-model="into" class="input mt-1 font-normal">
          <option value="">choose another</option>
          <option v-for="t in others" :key="t.id" :value="t.id">{{ t.title || 'Untitled' }}</option>
        </select>
      </label>
      <template v-if="into">
        <p class="mt-1 text-xs text-soft">
          Entries and frames that name this term will name the other; its address will lead there.
        </p>
        <button class="btn btn-small mt-2" :disabled="structure.saving !== 'saved'">Merge the two</button>
      </template>
    </form>
    <NuxtLink :to="`/studio/content/entries?term=${term.id}`" class="block text-soft underline">Its entries</NuxtLink>
  </fieldset>
</template>
