<script setup lang="ts">
import { counted } from '#core/text'
import { linesOf } from '#core/model'
import { pathOf } from '#core/addresses'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'
import { useStructure } from '~/stores/structure'

/** The terms of each taxonomy: a tree, edited in place. */
definePageMeta({ layout: 'content' })
useHead({ title: 'Terms' })

const site = useSite()
const session = useSession()
const structure = useStructure()
const edits = useStructureEdits()
const { taxonomies, terms } = edits
const route = useRoute()
const inHand = ref<string | null>(null)
const term = ref<string | null>(null)
const removing = ref<string | null>(null)
const lines = ref<{ add(): void }>()
/** Terms below terms, below terms: deeper ones are for nobody to find. */
const LEVELS = 6

const taxonomy = computed(() => taxonomies.value.find((t) => t.id === inHand.value) ?? taxonomies.value[0])
const own = computed(() => terms.value.filter((t) => t.taxonomy === taxonomy.value?.id))
const tree = computed(() => linesOf(own.value))
const termInHand = computed(() => own.value.find((t) => t.id === term.value))
const titleOf = (id: string) => own.value.find((t) => t.id === id)?.title ?? ''
const counts = computed(() => {
  const found = new Map<string, number>()
  for (const { terms: of } of site.site!.entries) for (const t of of) found.set(t, (found.get(t) ?? 0) + 1)
  return found
})
function begin() {
  const asked = terms.value.find((t) => t.id === route.query.term)
  inHand.value = asked?.taxonomy ?? taxonomies.value[0]?.id ?? null
  term.value = asked?.id ?? null
}
function say(id: string, words: string) {
  const found = own.value.find((t) => t.id === id)
  if (found && found.title !== words.trim()) edits.nameTerm(found, words.trim())
}
const usesOf = (id: string) => edits.uses({ kind: 'term', id })
const isUsed = (id: string) => edits.usesWords(usesOf(id)) !== ''
/** What nothing uses goes at once; undo has it back. */
function remove(id: string) {
  if (isUsed(id)) removing.value = id
  else edits.takeTerm(id)
}
function removeUsed() {
  if (removing.value && edits.takeTerm(removing.value)) removing.value = null
}
</script>

<template>
  <DocumentRoom :store="structure" what="what the site is built of" @ready="begin">
    <section class="overflow-y-auto border-r bg-board p-3 max-lg:border-b" aria-label="Taxonomies">
      <h1 class="made mb-1.5 text-base">Terms</h1>
      <ul class="space-y-px">
        <li v-for="t in taxonomies" :key="t.id">
          <button
            type="button"
            class="flex w-full items-baseline justify-between gap-2 px-2 py-1.5 text-start"
            :class="taxonomy?.id === t.id ? 'cornered bg-wash' : 'bg-sheet hover:bg-raised'"
            :aria-current="taxonomy?.id === t.id ? 'true' : undefined"
            @click="((inHand = t.id), (term = null))"
          >
            <span class="min-w-0 [overflow-wrap:anywhere]">{{ t.plural }}</span>
            <span class="font-mono text-2xs text-soft">{{ terms.filter((of) => of.taxonomy === t.id).length }}</span>
          </button>
        </li>
      </ul>
      <p v-if="taxonomies.length === 0" class="border border-dashed border-edge p-3 text-soft">
        Terms belong to a taxonomy: rooms, topics, colours.
        <NuxtLink to="/studio/content/types" class="underline">Make one beside the page types</NuxtLink>
      </p>
    </section>
    <section class="overflow-y-auto p-6" aria-label="Terms">
      <template v-if="taxonomy">
        <h2 class="made text-xl">{{ taxonomy.plural }}</h2>
        <p class="mb-4 text-soft">
          {{
            taxonomy.pages
              ? `Each has a page at /${taxonomy.slug}/… that lists its entries.`
              : 'They have no pages of their own.'
          }}
        </p>
        <p v-if="own.length === 0" class="mb-3 border border-dashed border-edge bg-sheet p-4 text-soft">
          There is none yet. A {{ taxonomy.name.toLowerCase() }} groups entries and can have a page that lists them.
        </p>
        <OutlineLines
          ref="lines"
          :label="taxonomy.plural"
          :lines="tree"
          :words="titleOf"
          :blank="`Untitled ${taxonomy.name.toLowerCase()}`"
          :most="LEVELS"
          :in-hand="term"
          :locked="!session.mayDesign"
          @take="term = $event"
          @say="say"
          @add="edits.addTerm(taxonomy.id, '', $event)"
          @place="edits.placeTerm"
          @remove="remove"
        >
          <template #default="{ line }">
            <img
              v-if="site.catalogue!.pictures.get(own.find((t) => t.id === line.id)?.picture ?? '')"
              :src="smallAddress(site.catalogue!.pictures.get(own.find((t) => t.id === line.id)!.picture!)!)"
              alt=""
              class="size-6 object-cover"
            />
            <span class="w-20 text-end text-xs text-soft">{{
              counts.get(line.id) ? counted(counts.get(line.id)!, 'entry', 'entries') : 'no entry'
            }}</span>
          </template>
          <template #add>New {{ taxonomy.name.toLowerCase() }}</template>
        </OutlineLines>
      </template>
    </section>
    <aside class="overflow-y-auto border-l bg-sheet p-4 max-lg:border-t" aria-label="Properties">
      <template v-if="termInHand && taxonomy">
        <h2 class="made mb-3 text-base">{{ termInHand.title || 'Untitled' }}</h2>
        <TermSheet
          :key="termInHand.id"
          :term="termInHand"
          :others="own.filter((t) => t.id !== termInHand!.id)"
          :address="pathOf(taxonomy.slug, termInHand.slug)"
          :pages="taxonomy.pages"
        />
      </template>
      <p v-else class="text-soft">Choose a term to say more about it.</p>
    </aside>
    <RemoveThing
      v-if="removing"
      :name="titleOf(removing) || 'this term'"
      :uses="usesOf(removing)"
      @close="removing = null"
      @remove="removeUsed"
    />
  </DocumentRoom>
</template>
