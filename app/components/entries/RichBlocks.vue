<script setup lang="ts">
import type { Editor } from '@tiptap/vue-3'
import type { Value } from '#core/tree'

/** The tools over the text of an entry for what is no words: pictures, tables, films. */
const props = defineProps<{ editor: Editor | undefined }>()

const film = ref<string | null>(null)
const chain = () => props.editor?.chain().focus()
const on = (name: string) => props.editor?.isActive(name) ?? false
const attrs = (name: string) => (props.editor?.getAttributes(name) ?? {}) as Record<string, string | null>
function addPicture(value: Value) {
  if (typeof value === 'string')
    chain()
      ?.insertContent({ type: 'picture', attrs: { id: value } })
      .run()
}
const refused = ref('')
function addFilm() {
  const address = filmAddress(film.value ?? '')
  refused.value = address ? '' : 'The address of a film begins with https:// or with / for a file of this site.'
  if (!address) return
  chain()?.insertContent({ type: 'film', attrs: { address } }).run()
  film.value = null
}
function say(name: 'picture' | 'film', key: string, event: Event) {
  const value = (event.target as HTMLInputElement).value.trim() || null
  props.editor
    ?.chain()
    .updateAttributes(name, { [key]: value })
    .run()
}
const TABLE = [
  ['row below', () => chain()?.addRowAfter().run()],
  ['column after', () => chain()?.addColumnAfter().run()],
  ['without the row', () => chain()?.deleteRow().run()],
  ['without the column', () => chain()?.deleteColumn().run()],
  ['no table', () => chain()?.deleteTable().run()],
] as const
const TOOL = 'h-6 px-1 hover:bg-board'
</script>

<template>
  <AskPicture class="ml-1" :value="null" label="Put a picture into the text" words="picture" @set="addPicture" />
  <button type="button" :class="TOOL" @click="chain()?.insertTable({ rows: 3, cols: 2, withHeaderRow: true }).run()">
    table
  </button>
  <button type="button" :class="TOOL" :aria-expanded="film !== null" @click="film = film === null ? '' : null">
    film
  </button>
  <form v-if="film !== null" class="flex w-full gap-1 border-t p-1" @submit.prevent="addFilm">
    <input
      v-model="film"
      class="input"
      placeholder="https://… or a file of this site"
      aria-label="Address of the film"
    />
    <button class="btn btn-small">Put in</button>
    <p v-if="refused" class="self-center text-xs font-semibold" role="alert">{{ refused }}</p>
  </form>
  <div v-if="on('picture')" class="flex w-full flex-wrap gap-2 border-t p-1">
    <input
      class="input max-w-72"
      placeholder="Described as (its own, if empty)"
      aria-label="Description of this picture here"
      :value="attrs('picture').alt ?? ''"
      @change="say('picture', 'alt', $event)"
    />
    <input
      class="input max-w-72"
      placeholder="Caption"
      aria-label="Caption of this picture"
      :value="attrs('picture').caption ?? ''"
      @change="say('picture', 'caption', $event)"
    />
  </div>
  <div v-if="on('film')" class="flex w-full border-t p-1">
    <input
      class="input max-w-72"
      placeholder="Called"
      aria-label="What this film is called"
      :value="attrs('film').title ?? ''"
      @change="say('film', 'title', $event)"
    />
  </div>
  <div v-if="on('table')" class="flex w-full flex-wrap gap-x-1 border-t px-1 text-xs">
    <button v-for="[label, run] in TABLE" :key="label" type="button" :class="TOOL" @mousedown.prevent @click="run">
      {{ label }}
    </button>
  </div>
</template>
