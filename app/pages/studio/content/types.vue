<script setup lang="ts">
import type { Used } from '#core/checks'
import { FIELDS, type FieldKind } from '#core/fields'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'
import { useStructure } from '~/stores/structure'

/** Page types with their fields, and taxonomies: what the site is built of. */
definePageMeta({ layout: 'content' })
useHead({ title: 'Page types' })

const site = useSite()
const session = useSession()
const structure = useStructure()
const edits = useStructureEdits()
const { types, taxonomies } = edits
const route = useRoute()
const inHand = ref<{ kind: 'type' | 'taxonomy'; id: string } | null>(null)
const field = ref<string | null>(null)
const making = ref<'type' | 'taxonomy' | null>(null)
const removing = shallowRef<{ used: Used; name: string; at: string[] } | null>(null)
const added = reactive({ label: '', kind: 'text' as FieldKind })

const type = computed(() =>
  inHand.value?.kind === 'type' ? types.value.find((t) => t.id === inHand.value!.id) : undefined,
)
const taxonomy = computed(() =>
  inHand.value?.kind === 'taxonomy' ? taxonomies.value.find((t) => t.id === inHand.value!.id) : undefined,
)
const fieldInHand = computed(() => type.value?.fields.find((f) => f.id === field.value))
const counts = computed(() => {
  const found = new Map<string, number>()
  for (const { type: of } of site.site!.entries) found.set(of, (found.get(of) ?? 0) + 1)
  return found
})

function begin() {
  const asked = types.value.find((t) => t.id === route.query.type)
  if (asked) inHand.value = { kind: 'type', id: asked.id }
  else if (!inHand.value && types.value[0]) inHand.value = { kind: 'type', id: types.value[0].id }
}

function take(kind: 'type' | 'taxonomy', id: string) {
  inHand.value = { kind, id }
  field.value = null
}
function make(name: string, plural: string) {
  const kind = making.value!
  const id = kind === 'type' ? edits.addType(name, plural) : edits.addTaxonomy(name, plural)
  if (!id) return
  making.value = null
  take(kind, id)
}
function addField() {
  const label = added.label.trim()
  if (!label || !type.value) return
  const id = edits.addField(type.value, label, added.kind)
  if (!id) return
  field.value = id
  added.label = ''
}
function remove() {
  const { used, at } = removing.value!
  if (!edits.remove(at, used.id)) return
  if (used.kind === 'field') field.value = null
  removing.value = null
}
/** Alt with an arrow moves what has the focus among its like. */
function move(event: KeyboardEvent, at: string[], items: readonly { id: string }[], id: string) {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  if (!by || !event.altKey || !session.mayDesign) return
  event.preventDefault()
  const button = event.currentTarget as HTMLElement
  if (edits.moveBy(at, items, id, by)) void nextTick(() => button.focus())
}
</script>

<template>
  <DocumentRoom :store="structure" what="what the site is built of" @ready="begin">
    <section class="overflow-y-auto border-r bg-board p-3 max-lg:border-b" aria-label="What the site is built of">
      <h1 class="made mb-1.5 text-base">Page types</h1>
      <ul class="space-y-px">
        <li v-for="t in types" :key="t.id">
          <button
            type="button"
            class="flex w-full items-baseline justify-between gap-2 px-2 py-1.5 text-start"
            :class="type?.id === t.id ? 'cornered bg-wash' : 'bg-sheet hover:bg-raised'"
            :aria-current="type?.id === t.id ? 'true' : undefined"
            @click="take('type', t.id)"
            @keydown="move($event, ['types'], types, t.id)"
          >
            <span class="min-w-0 [overflow-wrap:anywhere]">{{ t.plural }}</span>
            <span class="font-mono text-2xs text-soft">{{ counts.get(t.id) ?? 0 }}</span>
          </button>
        </li>
      </ul>
      <p v-if="types.length === 0" class="border border-dashed border-edge p-3 text-soft">
        There is none yet. A page type is a kind of page that has fields: a story, an event, a product.
      </p>
      <button
        v-if="session.mayDesign"
        type="button"
        class="mt-1.5 w-full border border-dashed border-edge py-1.5 text-soft hover:border-ink hover:text-ink"
        @click="making = 'type'"
      >
        New page type
      </button>
      <h2 class="made mb-1.5 mt-6 text-base">Taxonomies</h2>
      <ul class="space-y-px">
        <li v-for="t in taxonomies" :key="t.id">
          <button
            type="button"
            class="w-full px-2 py-1.5 text-start [overflow-wrap:anywhere]"
            :class="taxonomy?.id === t.id ? 'cornered bg-wash' : 'bg-sheet hover:bg-raised'"
            :aria-current="taxonomy?.id === t.id ? 'true' : undefined"
            @click="take('taxonomy', t.id)"
            @keydown="move($event, ['taxonomies'], taxonomies, t.id)"
          >
            {{ t.plural }}
          </button>
        </li>
      </ul>
      <button
        v-if="session.mayDesign"
        type="button"
        class="mt-1.5 w-full border border-dashed border-edge py-1.5 text-soft hover:border-ink hover:text-ink"
        @click="making = 'taxonomy'"
      >
        New taxonomy
      </button>
    </section>
    <section class="overflow-y-auto p-6" aria-label="Fields">
      <template v-if="type">
        <h2 class="made text-xl">{{ type.plural }}</h2>
        <p class="mb-4 text-soft">
          Every {{ type.name.toLowerCase() }} has a title, a summary, content, a picture and an address. These are its
          own fields, in the order in which writers meet them.
        </p>
        <ol class="border-t bg-sheet">
          <li v-for="(f, i) in type.fields" :key="f.id" class="border-b">
            <button
              type="button"
              class="grid w-full grid-cols-[2rem_minmax(0,1fr)_140px_minmax(0,120px)] items-baseline gap-3 px-2 py-2 text-start max-sm:grid-cols-[2rem_minmax(0,1fr)_100px]"
              :class="field === f.id ? 'cornered bg-wash' : 'hover:bg-board'"
              :aria-current="field === f.id ? 'true' : undefined"
              @click="field = f.id"
              @keydown="move($event, ['types', type.id, 'fields'], type.fields, f.id)"
            >
              <span class="font-mono text-2xs text-soft">{{ i + 1 }}</span>
              <span class="font-medium [overflow-wrap:anywhere]"
                >{{ f.label }}<span v-if="f.required" class="ml-1.5 text-2xs font-normal text-soft">asked</span></span
              >
              <span class="text-soft">{{ FIELDS[f.kind].label }}{{ f.unit ? `, ${f.unit}` : '' }}</span>
              <span class="truncate font-mono text-2xs text-soft max-sm:hidden">{{ f.id }}</span>
            </button>
          </li>
        </ol>
        <p v-if="type.fields.length === 0" class="border-b py-4 text-soft">No fields of its own yet.</p>
        <form v-if="session.mayDesign" class="mt-3 flex flex-wrap gap-2" @submit.prevent="addField">
          <input
            v-model="added.label"
            class="input max-w-64"
            placeholder="Label of a new field"
            aria-label="Label of a new field"
            maxlength="200"
          />
          <select v-model="added.kind" class="input max-w-48" aria-label="Its kind">
            <option v-for="(kind, value) in FIELDS" :key="value" :value="value">{{ kind.label }}</option>
          </select>
          <button class="btn" :disabled="!added.label.trim()">Add the field</button>
        </form>
        <p v-if="session.mayDesign && type.fields.length > 1" class="mt-3 text-xs text-soft">
          <span class="kbd">Alt ↑↓</span> moves the field that has the focus.
        </p>
      </template>
      <template v-else-if="taxonomy">
        <h2 class="made text-xl">{{ taxonomy.plural }}</h2>
        <p class="text-soft">Terms by which entries are told apart. It is said on the right how they are called.</p>
      </template>
      <p v-else class="text-soft">Choose a page type, or make one.</p>
    </section>
    <aside class="overflow-y-auto border-l bg-sheet p-4 max-lg:border-t" aria-label="Properties">
      <template v-if="type && fieldInHand">
        <h2 class="mb-3 flex items-baseline gap-2">
          <span class="made text-base">Field</span
          ><button type="button" class="text-xs text-soft underline" @click="field = null">of {{ type.plural }}</button>
        </h2>
        <FieldSheet
          :key="`${type.id} ${fieldInHand.id}`"
          :type="type"
          :field="fieldInHand"
          @remove="
            removing = {
              used: { kind: 'field', type: type.id, id: fieldInHand.id },
              name: fieldInHand.label,
              at: ['types', type.id, 'fields'],
            }
          "
        />
      </template>
      <template v-else-if="type">
        <h2 class="made mb-3 text-base">Page type</h2>
        <TypeSheet
          :key="type.id"
          :type="type"
          @remove="removing = { used: { kind: 'type', id: type.id }, name: type.plural, at: ['types'] }"
        />
        <TypeSells :key="`${type.id} sold`" :type="type" />
        <TypeTells :key="`${type.id} told`" :type="type" />
      </template>
      <template v-else-if="taxonomy">
        <h2 class="made mb-3 text-base">Taxonomy</h2>
        <TaxonomySheet
          :key="taxonomy.id"
          :taxonomy="taxonomy"
          @remove="
            removing = { used: { kind: 'taxonomy', id: taxonomy.id }, name: taxonomy.plural, at: ['taxonomies'] }
          "
        />
      </template>
    </aside>
    <NewThing
      v-if="making"
      :title="making === 'type' ? 'New page type' : 'New taxonomy'"
      :one="making === 'type' ? 'Exhibit' : 'Room'"
      :several="making === 'type' ? 'Exhibits' : 'Rooms'"
      @close="making = null"
      @make="make"
    />
    <RemoveThing
      v-if="removing"
      :name="removing.name"
      :uses="edits.uses(removing.used)"
      @close="removing = null"
      @remove="remove"
    />
  </DocumentRoom>
</template>
