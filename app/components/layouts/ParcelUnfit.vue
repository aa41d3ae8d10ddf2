<script setup lang="ts">
import type { ImportChoice, Unfit } from '#core/formats'
import { counted } from '#core/text'
import { useSite } from '~/stores/site'

/** What a design file names and this site does not have: created here, exchanged, taken out, or kept by name. */
const props = defineProps<{ unfit: readonly Unfit[] }>()
const choices = defineModel<Record<string, ImportChoice>>({ required: true })

const site = useSite()
const KIND: Record<Unfit['kind'], string> = {
  page: 'Page',
  type: 'Page type',
  taxonomy: 'Taxonomy',
  term: 'Term',
  person: 'Person',
  menu: 'Menu',
  picture: 'Picture',
  field: 'Field',
}
const MOST_OFFERED = 500

/** Things of this site that could be used instead. */
function instead(kind: Unfit['kind']): { id: string; label: string }[] {
  const c = site.catalogue!
  switch (kind) {
    case 'page':
      return c.pages.map((p) => ({ id: p.key, label: p.title }))
    case 'type':
      return [...c.types.values()].map((t) => ({ id: t.id, label: t.plural }))
    case 'taxonomy':
      return [...c.taxonomies.values()].map((t) => ({ id: t.id, label: t.plural }))
    case 'term':
      return [...c.terms.values()].map((t) => ({ id: t.id, label: t.title }))
    case 'person':
      return [...c.people.values()].map((p) => ({ id: p.id, label: p.name }))
    case 'menu':
      return [...c.menus.values()].map((m) => ({ id: m.id, label: m.name }))
    case 'picture':
      return c.site.pictures.map((p) => ({ id: p.id, label: p.alt || p.fileName }))
    case 'field':
      return [...c.types.values()].flatMap((t) => t.fields.map((f) => ({ id: f.id, label: `${f.label} (${t.name})` })))
  }
}
/** Those that are offered: a likely one is among them however many there are. */
function offered({ kind, like }: Unfit): { id: string; label: string }[] {
  const all = instead(kind)
  const first = all.slice(0, MOST_OFFERED)
  const likely = all.find((one) => one.id === like)
  return !likely || first.includes(likely) ? first : [likely, ...first]
}
const lists = computed(() => new Map(props.unfit.map((u) => [u.key, offered(u)])))
const valueOf = ({ key }: Unfit): string => {
  const choice = choices.value[key] ?? { do: 'keep' }
  return choice.do === 'use' ? `use:${choice.id}` : choice.do
}
function choose(key: string, value: string) {
  const choice: ImportChoice = value.startsWith('use:')
    ? { do: 'use', id: value.slice(4) }
    : { do: value as 'keep' | 'drop' | 'create' }
  choices.value = { ...choices.value, [key]: choice }
}
const carried = computed(() => props.unfit.filter((u) => u.carried))
function createAll() {
  choices.value = {
    ...choices.value,
    ...Object.fromEntries(carried.value.map((u) => [u.key, { do: 'create' as const }])),
  }
}
</script>

<template>
  <section aria-label="Not on this site">
    <div class="flex items-baseline justify-between gap-3">
      <h3 class="font-semibold">Not on this site</h3>
      <button v-if="carried.length > 1" type="button" class="text-xs text-soft underline" @click="createAll">
        Create all {{ carried.length }} here
      </button>
    </div>
    <p class="mb-2 text-soft">
      The file names these. What is called the same here is used; a name that is kept does nothing until there is such a
      thing.
    </p>
    <ul class="border-t">
      <li
        v-for="u in unfit"
        :key="u.key"
        class="grid items-center gap-x-3 gap-y-1 border-b py-1.5 sm:grid-cols-[80px_1fr_240px]"
      >
        <span class="text-soft">{{ KIND[u.kind] }}</span>
        <span class="min-w-0 break-words"
          ><span v-if="u.name" class="made text-base leading-snug">{{ u.name }}</span
          ><span v-else class="font-mono text-xs">{{ u.id }}</span>
          <span class="ml-2 text-xs text-soft">in {{ counted(u.users.length, 'place') }}</span></span
        >
        <select
          class="input"
          :aria-label="`What to do about ${u.name || u.id}`"
          :value="valueOf(u)"
          @change="choose(u.key, ($event.target as HTMLSelectElement).value)"
        >
          <option v-if="u.carried" value="create">Create it here</option>
          <option value="keep">Keep the name</option>
          <option value="drop">Take it out</option>
          <optgroup :label="`Use another ${KIND[u.kind].toLowerCase()}`">
            <option v-for="o in lists.get(u.key)" :key="o.id" :value="`use:${o.id}`">{{ o.label }}</option>
          </optgroup>
        </select>
      </li>
    </ul>
  </section>
</template>
