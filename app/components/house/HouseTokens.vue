<script setup lang="ts">
import { type TokensRead, editBetween, readHouseTokens, writeHouseTokens } from '#core/formats'
import { counted } from '#core/text'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** The house style as a file of design tokens, out and in; what a file says is told before it is taken. */
const edits = useHouseEdits()
const notices = useNotices()
const session = useSession()
const chosen = ref<HTMLInputElement>()
const read = shallowRef<TokensRead | null>(null)
const SHOWN = 6
const MOST = 5_000_000

function save() {
  const text = JSON.stringify(writeHouseTokens(edits.house.value), null, 2)
  saveFile(`${session.site || 'site'}.tokens.json`, 'application/design-tokens+json', text)
}
async function open(event: Event) {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (!file) return
  try {
    if (file.size > MOST) throw new Error(`${file.name} is larger than 5 MB. Nothing was read.`)
    const found = readHouseTokens(JSON.parse(await file.text()) as unknown, edits.house.value)
    if (!found || found.taken + found.untaken.length === 0) throw new Error(`${file.name} holds no design tokens.`)
    read.value = found
  } catch (error) {
    const why =
      error instanceof SyntaxError ? `${file.name} is no readable JSON. Nothing was read.` : (error as Error).message
    notices.fail(new Error(why))
  }
}
const change = computed(() => read.value && editBetween(edits.house.value, read.value.house, 'Design tokens'))
function take() {
  if (change.value) edits.store.apply(change.value)
  read.value = null
}
</script>

<template>
  <p class="mb-2 text-soft">The palette, the families and the measures, in the W3C format for design tokens.</p>
  <div class="flex flex-wrap gap-1.5">
    <button type="button" class="btn btn-small" @click="save">Write to a file</button>
    <input
      ref="chosen"
      type="file"
      accept=".json,.tokens"
      class="hidden"
      aria-label="File of design tokens"
      @change="open"
    />
    <button v-if="session.mayDesign" type="button" class="btn btn-small" @click="chosen?.click()">
      Read from a file…
    </button>
  </div>
  <div v-if="read" class="mt-2 border border-ink bg-raised p-2.5" role="status">
    <p class="mb-1.5">
      {{ counted(read.taken, 'token') }} can be taken{{ change ? '' : ', and change nothing' }}.
      <template v-if="read.untaken.length">{{ counted(read.untaken.length, 'other') }} cannot:</template>
    </p>
    <ul class="mb-2 text-xs text-soft">
      <li v-for="u in read.untaken.slice(0, SHOWN)" :key="u.path" class="[overflow-wrap:anywhere]">
        <span class="font-mono">{{ u.path }}</span> – {{ u.why }}
      </li>
      <li v-if="read.untaken.length > SHOWN">and {{ read.untaken.length - SHOWN }} more</li>
    </ul>
    <div class="flex gap-1.5">
      <button type="button" class="btn btn-small" :disabled="!change" @click="take">Take them</button>
      <button type="button" class="btn btn-small btn-bare" @click="read = null">Leave it</button>
    </div>
  </div>
</template>
