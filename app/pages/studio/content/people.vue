<script setup lang="ts">
import type { Person } from '#core/model'
import { findByWords } from '#core/text'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'
import { useStructure } from '~/stores/structure'

/** The people who write or look after entries. */
definePageMeta({ layout: 'content' })
useHead({ title: 'People' })

const site = useSite()
const session = useSession()
const structure = useStructure()
const edits = useStructureEdits()
const { people } = edits
const route = useRoute()
const inHand = ref<string | null>(null)
const typed = ref('')
const added = ref('')
const removing = ref(false)

const person = computed(() => people.value.find((p) => p.id === inHand.value))
const found = computed(() =>
  findByWords(
    people.value,
    typed.value,
    (p) => p.name,
    (p) => p.role,
  ),
)
const counts = computed(() => {
  const all = new Map<string, number>()
  for (const { person: of } of site.site!.entries) if (of) all.set(of, (all.get(of) ?? 0) + 1)
  return all
})
const faceOf = ({ picture }: Person) => (picture ? site.catalogue!.pictures.get(picture) : undefined)
function begin() {
  const asked = people.value.find((p) => p.id === route.query.person)
  inHand.value = (asked ?? people.value[0])?.id ?? null
}
function add() {
  const name = added.value.trim()
  const id = name && edits.addPerson(name)
  if (!id) return
  inHand.value = id
  added.value = ''
}
function remove() {
  if (edits.remove(['people'], person.value!.id)) removing.value = false
}
function move(event: KeyboardEvent, id: string) {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  if (!by || !event.altKey || !session.mayDesign) return
  event.preventDefault()
  const button = event.currentTarget as HTMLElement
  if (edits.moveBy(['people'], people.value, id, by)) void nextTick(() => button.focus())
}
</script>

<template>
  <DocumentRoom :store="structure" what="what the site is built of" @ready="begin">
    <section class="flex flex-col overflow-y-auto border-r bg-board p-3 max-lg:border-b" aria-label="People">
      <h1 class="made mb-1.5 text-base">People</h1>
      <input
        v-if="people.length > 8"
        v-model="typed"
        type="search"
        class="input mb-2"
        placeholder="Find somebody"
        aria-label="Find somebody"
      />
      <ul class="space-y-px">
        <li v-for="p in found" :key="p.id">
          <button
            type="button"
            class="flex w-full items-center gap-2.5 px-2 py-1.5 text-start"
            :class="person?.id === p.id ? 'cornered bg-wash' : 'bg-sheet hover:bg-raised'"
            :aria-current="person?.id === p.id ? 'true' : undefined"
            @click="inHand = p.id"
            @keydown="move($event, p.id)"
          >
            <img v-if="faceOf(p)" :src="smallAddress(faceOf(p)!)" alt="" class="size-8 shrink-0 object-cover" />
            <span v-else class="size-8 shrink-0 border border-dashed border-edge" />
            <span class="min-w-0 flex-1 [overflow-wrap:anywhere]"
              >{{ p.name || 'Nameless' }}<span class="block text-xs text-soft">{{ p.role }}</span></span
            >
            <span class="font-mono text-2xs text-soft">{{ counts.get(p.id) ?? 0 }}</span>
          </button>
        </li>
      </ul>
      <p v-if="people.length === 0" class="border border-dashed border-edge p-3 text-soft">
        Nobody yet. People write or look after entries, and have a page once they do.
      </p>
      <p v-else-if="found.length === 0" class="py-2 text-soft">Nobody is called that.</p>
      <form v-if="session.mayDesign" class="mt-2 flex gap-1" @submit.prevent="add">
        <input
          v-model="added"
          class="input min-w-0 flex-1"
          placeholder="Another name"
          aria-label="Name of somebody new"
          maxlength="200"
        />
        <button class="btn" :disabled="!added.trim()">Add</button>
      </form>
    </section>
    <section class="overflow-y-auto p-6 lg:col-span-2" aria-label="Person">
      <PersonSheet
        v-if="person"
        :key="person.id"
        :person="person"
        :address="site.catalogue!.page(`person:${person.id}`)?.address ?? null"
        @remove="removing = true"
      />
      <p v-else class="text-soft">Choose somebody, or add somebody.</p>
    </section>
    <RemoveThing
      v-if="removing && person"
      :name="person.name"
      :uses="edits.uses({ kind: 'person', id: person.id })"
      @close="removing = false"
      @remove="remove"
    />
  </DocumentRoom>
</template>
