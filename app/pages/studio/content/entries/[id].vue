<script setup lang="ts">
import { useEventListener, useLocalStorage } from '@vueuse/core'
import type { Entry } from '#core/model'
import { entryName } from '#core/catalogue'
import type { BulkAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** An entry, written on a sheet of paper: what is said of it beside, and its page on request. */
definePageMeta({ layout: 'content', key: (route) => route.fullPath })

const route = useRoute()
const site = useSite()
const notices = useNotices()
const id = String(route.params.id)
const editing = useEntryEditing(id)
const { entry, failed, busy, keeping, contests, changed, problem, revision } = editing
const duplicating = ref(false)
const history = ref(false)
const paged = useLocalStorage('outer-frame.entry-page', false)

const type = computed(() => (entry.value ? site.catalogue!.types.get(entry.value.type) : undefined))
const name = computed(() => (entry.value ? entryName(entry.value, type.value) : ''))
useHead({ title: () => name.value || 'Entry' })
onMounted(editing.open)

const address = computed(() => site.catalogue!.addressOf(id))
const { stateWords } = useEntryWords()
const state = computed(() =>
  stateWords({
    ...entry.value!,
    from: entry.value!.from ?? null,
    until: entry.value!.until ?? null,
    address: address.value,
  }),
)
const KEEPING = {
  stored: 'Stored',
  keeping: 'Keeping…',
  kept: 'Kept for you; not stored yet',
  waiting: 'Kept in this browser; the server is away',
} as const

const set = (change: Partial<Entry>) => (entry.value = { ...entry.value!, ...change })
/** Of two fields that are left at once each keeps its value: what stands now is asked, and not what was drawn. */
const setField = (field: string, value: unknown) =>
  set({ fields: { ...entry.value!.fields, [field]: value } as Entry['fields'] })
function bring(old: Entry) {
  entry.value = { ...(JSON.parse(JSON.stringify(old)) as Entry), published: entry.value!.published }
  history.value = false
  notices.say('It stands here as it was then. Store it to make it hold.')
}
async function remove() {
  await notices.attempt(async () => {
    const does = (kind: string) => useApi<BulkAnswer>('POST', '/entries/change', { ids: [id], does: { kind } })
    const { refused } = await does('remove')
    if (refused[0]) return notices.fail(new Error(refused[0].problem.sentence))
    notices.say(`“${name.value}” is removed.`, {
      label: 'Undo',
      async run() {
        await does('put-back')
        await site.load()
        await navigateTo(`/studio/content/entries/${id}`)
      },
    })
    await navigateTo('/studio/content/entries')
    await site.load()
  })
}
useEventListener('keydown', (event) => {
  if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 's') return
  event.preventDefault()
  void editing.store()
})
onBeforeRouteLeave(() => {
  if (!changed.value || !entry.value) return
  const here = route.fullPath
  notices.say(`What you wrote in “${name.value}” is kept for you and not stored yet.`, {
    label: 'Go back to it',
    run: () => void navigateTo(here),
  })
})
</script>

<template>
  <div v-if="failed" class="grid h-full place-items-center text-center" role="alert">
    <div>
      <p class="mb-4">{{ failed }}</p>
      <NuxtLink class="btn" to="/studio/content/entries">All entries</NuxtLink>
    </div>
  </div>
  <p v-else-if="!entry || !type" class="grid h-full place-items-center text-soft" role="status">Fetching the entry…</p>
  <form v-else class="flex h-full flex-col" @submit.prevent="editing.store">
    <div class="flex flex-wrap items-center gap-x-3 gap-y-1 border-b bg-sheet px-6 py-2">
      <NuxtLink :to="`/studio/content/entries?type=${type.id}`" class="text-soft underline">{{ type.plural }}</NuxtLink>
      <h1 class="made min-w-0 max-w-[40ch] truncate text-base">{{ name }}</h1>
      <a v-if="address" class="truncate font-mono text-2xs text-soft underline" :href="address" target="_blank">{{
        address
      }}</a>
      <span class="text-xs text-soft">{{ state }}</span>
      <span class="ml-auto text-xs" role="status" :class="keeping === 'stored' ? 'text-soft' : 'font-semibold'">{{
        KEEPING[keeping]
      }}</span>
      <button v-if="changed" type="button" class="text-xs text-soft underline" @click="editing.drop">as stored</button>
      <button type="button" class="btn btn-small" @click="history = true">States</button>
      <button type="button" class="btn btn-small" @click="duplicating = true">Another like it</button>
      <button type="button" class="btn btn-small" @click="remove">Remove</button>
      <button type="button" class="btn" :aria-pressed="paged" @click="paged = !paged">
        {{ paged ? 'Hide its page' : 'Its page' }}
      </button>
      <button class="btn btn-spot" :disabled="busy || !changed || problem !== undefined || contests.length > 0">
        Store
      </button>
    </div>
    <EntryContests v-if="contests.length" :contests="contests" :entry="entry" @settle="editing.settle" />
    <p v-if="problem" class="border-b bg-wash px-6 py-2" role="alert">
      {{ problem.sentence.replace(' Nothing was stored.', '') }}
    </p>
    <div
      class="grid min-h-0 flex-1"
      :class="
        paged
          ? 'grid-cols-[minmax(0,1fr)_260px_minmax(0,46%)] max-xl:grid-cols-[minmax(0,1fr)_minmax(0,46%)] max-lg:grid-cols-1 max-lg:overflow-y-auto'
          : 'grid-cols-[minmax(0,1fr)_320px] max-lg:grid-cols-1 max-lg:overflow-y-auto'
      "
    >
      <div class="min-h-0 overflow-y-auto px-6 py-6" :class="paged && 'max-xl:row-span-2 max-lg:row-span-1'">
        <div class="mx-auto max-w-[46rem] border border-rule bg-sheet px-8 pb-10 pt-7 max-sm:px-4">
          <textarea
            :value="entry.title"
            class="made block w-full resize-none bg-transparent text-xl [field-sizing:content] font-semibold focus:outline-none"
            rows="1"
            aria-label="Title"
            :placeholder="`Title of the ${type.name.toLowerCase()}`"
            maxlength="500"
            @input="editing.setTitle(($event.target as HTMLTextAreaElement).value.replace(/\n/g, ' '))"
          />
          <textarea
            :value="entry.summary"
            class="mb-4 mt-2 block w-full resize-none bg-transparent text-base text-soft [field-sizing:content] focus:outline-none"
            rows="2"
            aria-label="Summary"
            placeholder="Summary: what lists and searches show of it"
            maxlength="1000"
            @input="set({ summary: ($event.target as HTMLTextAreaElement).value })"
          />
          <RichField :value="entry.content" label="Content" paper @set="set({ content: $event })" />
        </div>
      </div>
      <aside class="min-h-0 overflow-y-auto border-l bg-sheet p-4" aria-label="About this entry">
        <EntryAside :key="`${entry.id} ${revision}`" :entry="entry" @set="set" @field="setField" />
      </aside>
      <EntryPage v-if="paged" class="max-lg:min-h-[70vh]" :entry="entry" />
    </div>
    <NewEntryDialog v-if="duplicating" :from="entry" :types="site.site!.types" @close="duplicating = false" />
    <EntryHistory
      v-if="history"
      :entry="entry"
      :revision="revision"
      :states="editing.states"
      :state-at="editing.stateAt"
      @close="history = false"
      @back="bring"
    />
  </form>
</template>
