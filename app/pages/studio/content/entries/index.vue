<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { useLocalStorage } from '@vueuse/core'
import type { Structure } from '#core/model'
import { entryName } from '#core/catalogue'
import { counted } from '#core/text'
import type { ServerDocument } from '#core/edits'
import type { BulkAnswer, BulkInput, EntriesQuery, EntryRow } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** All entries as a table: found, sorted, chosen and changed together. */
definePageMeta({ layout: 'content', alone: true })
useHead({ title: 'Entries' })

const KEYS = ['type', 'state', 'term', 'person', 'picture', 'since', 'until', 'words', 'sort'] as const
const COLUMNS = [
  { id: 'type', label: 'Page type', wide: '110px', sort: 'type' },
  { id: 'state', label: 'State', wide: '150px' },
  { id: 'address', label: 'Address', wide: 'minmax(0,200px)' },
  { id: 'person', label: 'Person', wide: '130px' },
  { id: 'terms', label: 'Terms', wide: 'minmax(0,150px)' },
  { id: 'date', label: 'Date', wide: '100px', sort: 'date' },
  { id: 'changed', label: 'Changed', wide: '130px', sort: 'changed' },
] as const
const ROW = 36

const site = useSite()
const session = useSession()
const notices = useNotices()
const route = useRoute()
const router = useRouter()
const times = useTimes()
const { whenDone, stateWords } = useEntryWords()
const built = shallowRef<Structure | null>(null)
const columns = useLocalStorage<string[]>('outer-frame.entry-columns', ['type', 'state', 'person', 'date', 'changed'])
const chosen = ref(new Set<string>())
const making = ref(false)
const working = ref(false)
const refused = shallowRef<BulkAnswer['refused']>([])
const box = ref<HTMLElement>()

const query = computed(() => {
  const asked = KEYS.map((key) => [key, route.query[key]] as const).filter(([, v]) => typeof v === 'string' && v !== '')
  return Object.fromEntries(asked) as EntriesQuery
})
const table = useEntryTable(() => query.value)
const { rows, total, failed } = table
const shown = computed(() => COLUMNS.filter((c) => columns.value.includes(c.id)))
const grid = computed(() => ['36px', 'minmax(160px,1fr)', ...shown.value.map((c) => c.wide)].join(' '))
const virtual = useVirtualizer(
  computed(() => ({
    count: total.value ?? rows.value.size,
    getScrollElement: () => box.value ?? null,
    estimateSize: () => ROW,
    overscan: 12,
  })),
)
watchEffect(() => {
  const items = virtual.value.getVirtualItems()
  if (items.length && total.value !== null) table.see(items[0]!.index, items.at(-1)!.index)
})

function ask(change: Partial<Record<keyof EntriesQuery, string | undefined>>) {
  chosen.value = new Set()
  void router.replace({ query: { ...route.query, ...change } })
}
const sorting = computed(() => query.value.sort ?? '-changed')
function sort(by: string) {
  const next = sorting.value === by ? `-${by}` : sorting.value === `-${by}` ? by : by === 'title' ? by : `-${by}`
  ask({ sort: next })
}
const direction = (by: string) =>
  sorting.value === by ? 'ascending' : sorting.value === `-${by}` ? 'descending' : ('none' as const)

async function open() {
  await notices.attempt(async () => {
    const told = await useApi<ServerDocument<Structure, unknown>>('GET', '/structure')
    built.value = told.document
  })
}
void open()
void table.refresh()

const typeOf = (row: EntryRow) => built.value?.types.find((t) => t.id === row.type)
const cell: Record<string, (row: EntryRow) => string> = {
  type: (row) => typeOf(row)?.name ?? '',
  state: (row) => (query.value.state === 'removed' ? 'removed' : stateWords(row)),
  address: (row) => row.address ?? '',
  person: (row) => built.value?.people.find((p) => p.id === row.person)?.name ?? '',
  terms: (row) => row.terms.flatMap((t) => built.value?.terms.find((of) => of.id === t)?.title ?? []).join(', '),
  date: (row) => (row.date ? times.named(row.date) : ''),
  changed: (row) => [whenDone(row.changedAt), row.changedBy].filter(Boolean).join(', '),
}
function choose(id: string, on: boolean) {
  const next = new Set(chosen.value)
  if (on) next.add(id)
  else next.delete(id)
  chosen.value = next
}
async function chooseAll() {
  await notices.attempt(async () => {
    chosen.value = new Set(await table.all())
  })
}
const DONE: Record<BulkInput['does']['kind'], string> = {
  publish: 'published',
  unpublish: 'not published any more',
  remove: 'removed; they wait under Removed',
  'put-back': 'put back',
  'add-term': 'given the term',
  'take-term': 'without the term',
  person: 'given the person',
}
async function change(does: BulkInput['does'], ids = [...chosen.value]) {
  working.value = true
  await notices.attempt(async () => {
    const answer = await useApi<BulkAnswer>('POST', '/entries/change', { ids, does })
    refused.value = answer.refused
    const said = `${counted(answer.done, 'entry is', 'entries are')} ${DONE[does.kind]}.`
    const undo = { label: 'Undo', run: () => void change({ kind: 'put-back' }, ids) }
    if (answer.done > 0) notices.say(said, ...(does.kind === 'remove' ? [undo] : []))
    chosen.value = new Set()
    await table.refresh()
    if (site.ready) await site.load()
  })
  working.value = false
}
async function clear() {
  await notices.attempt(async () => {
    const { cleared } = await useApi<{ cleared: number }>('DELETE', '/removed')
    notices.say(`${counted(cleared, 'thing is', 'things are')} gone for good.`)
    await table.refresh()
  })
}
const clearing = ref(false)
</script>

<template>
  <div class="grid h-full grid-cols-[212px_minmax(0,1fr)] max-lg:grid-cols-1 max-lg:overflow-y-auto">
    <EntryFilters v-if="built" :query="query" :built="built" @set="ask" />
    <div v-else class="border-r bg-board" />
    <div class="flex min-h-0 flex-col px-5 pt-4">
      <div class="mb-3 flex flex-wrap items-center gap-3">
        <h1 class="made text-xl">
          {{ built?.types.find((t) => t.id === query.type)?.plural ?? 'Entries' }}
        </h1>
        <span class="mr-auto text-soft" role="status">{{
          total === null ? '' : counted(total, 'entry', 'entries')
        }}</span>
        <input
          :value="query.words ?? ''"
          type="search"
          class="input max-w-64"
          placeholder="Find by words, also in the text"
          aria-label="Find by words"
          maxlength="200"
          @input="ask({ words: ($event.target as HTMLInputElement).value || undefined })"
        />
        <EntryColumns :columns="COLUMNS" :shown="columns" @set="columns = $event" />
        <button
          v-if="query.state === 'removed' && session.user?.role === 'owner'"
          type="button"
          class="btn"
          :disabled="!total"
          @click="clearing = true"
        >
          Clear for good…
        </button>
        <button v-else type="button" class="btn btn-spot" @click="making = true">New entry</button>
      </div>
      <EntryBulk
        v-if="chosen.size && built"
        class="mb-3"
        :count="chosen.size"
        :total="total ?? 0"
        :built="built"
        :removed="query.state === 'removed'"
        :busy="working"
        @does="change"
        @all="chooseAll"
        @none="chosen = new Set()"
      />
      <div v-if="failed" class="border border-edge bg-wash p-4" role="alert">
        {{ failed }} <button type="button" class="ml-2 underline" @click="table.refresh">Try again</button>
      </div>
      <div class="min-h-0 flex-1 overflow-x-auto">
        <div role="table" aria-label="Entries" :aria-rowcount="total ?? -1" class="flex h-full min-w-[640px] flex-col">
          <div
            role="row"
            class="grid shrink-0 items-center gap-3 border-y bg-board py-1.5 text-xs text-soft"
            :style="{ gridTemplateColumns: grid }"
          >
            <span role="columnheader"><span class="sr-only">Chosen</span></span>
            <span role="columnheader" :aria-sort="direction('title')"
              ><button
                type="button"
                class="hover:text-ink"
                :class="direction('title') !== 'none' && 'font-semibold text-ink'"
                @click="sort('title')"
              >
                Title {{ direction('title') === 'ascending' ? '↑' : direction('title') === 'descending' ? '↓' : '' }}
              </button></span
            >
            <span
              v-for="c in shown"
              :key="c.id"
              role="columnheader"
              :aria-sort="'sort' in c ? direction(c.sort) : undefined"
            >
              <button
                v-if="'sort' in c"
                type="button"
                class="hover:text-ink"
                :class="direction(c.sort) !== 'none' && 'font-semibold text-ink'"
                @click="sort(c.sort)"
              >
                {{ c.label }}
                {{ direction(c.sort) === 'ascending' ? '↑' : direction(c.sort) === 'descending' ? '↓' : '' }}
              </button>
              <template v-else>{{ c.label }}</template>
            </span>
          </div>
          <p v-if="total === 0" class="border-b bg-sheet p-5 text-soft">
            {{
              Object.keys(query).some((k) => k !== 'sort' && k !== 'type')
                ? 'No entry is like that.'
                : 'There are no entries here yet. The first is made above.'
            }}
          </p>
          <div ref="box" role="rowgroup" class="min-h-0 flex-1 overflow-y-auto bg-sheet max-lg:min-h-96" tabindex="-1">
            <div class="relative" :style="{ height: `${virtual.getTotalSize()}px` }">
              <div
                v-for="item in virtual.getVirtualItems()"
                :key="item.index"
                role="row"
                :aria-rowindex="item.index + 1"
                class="absolute inset-x-0 grid items-center gap-3 border-b hover:bg-board"
                :class="rows.get(item.index) && chosen.has(rows.get(item.index)!.id) && 'bg-wash'"
                :style="{ transform: `translateY(${item.start}px)`, height: `${ROW}px`, gridTemplateColumns: grid }"
              >
                <template v-if="rows.get(item.index)">
                  <span role="cell" class="grid place-items-center"
                    ><input
                      type="checkbox"
                      class="accent-ink"
                      :aria-label="`Choose ${entryName(rows.get(item.index)!, typeOf(rows.get(item.index)!))}`"
                      :checked="chosen.has(rows.get(item.index)!.id)"
                      @change="choose(rows.get(item.index)!.id, ($event.target as HTMLInputElement).checked)"
                  /></span>
                  <span role="cell" class="flex min-w-0 items-baseline gap-2">
                    <span v-if="query.state === 'removed'" class="made truncate text-base">{{
                      entryName(rows.get(item.index)!, typeOf(rows.get(item.index)!))
                    }}</span>
                    <NuxtLink
                      v-else
                      :to="`/studio/content/entries/${rows.get(item.index)!.id}`"
                      class="made truncate text-base hover:underline"
                      >{{ entryName(rows.get(item.index)!, typeOf(rows.get(item.index)!)) }}</NuxtLink
                    >
                    <span v-if="rows.get(item.index)!.writing" class="shrink-0 text-2xs text-soft">being written</span>
                  </span>
                  <span
                    v-for="c in shown"
                    :key="c.id"
                    role="cell"
                    class="truncate text-xs"
                    :class="[
                      c.id === 'address' && 'font-mono text-2xs',
                      c.id === 'state' && !rows.get(item.index)!.address ? 'text-ink' : 'text-soft',
                    ]"
                    :title="cell[c.id]!(rows.get(item.index)!)"
                    >{{ cell[c.id]!(rows.get(item.index)!) }}</span
                  >
                </template>
              </div>
            </div>
          </div>
        </div>
      </div>
    </div>
    <NewEntryDialog v-if="making && built" :type="query.type" :types="built.types" @close="making = false" />
    <ModalSheet v-if="refused.length" title="Some could not be changed" @close="refused = []">
      <ul class="space-y-2">
        <li v-for="r in refused.slice(0, 50)" :key="r.id">
          <NuxtLink :to="`/studio/content/entries/${r.id}`" class="font-mono text-xs underline">{{ r.id }}</NuxtLink>
          <span class="block">{{ r.problem.sentence }}</span>
        </li>
      </ul>
      <p v-if="refused.length > 50" class="mt-3 text-soft">and {{ refused.length - 50 }} more</p>
      <template #actions><button type="button" class="btn" @click="refused = []">Understood</button></template>
    </ModalSheet>
    <ModalSheet v-if="clearing" title="Clear what was removed?" @close="clearing = false">
      <p>
        Removed entries, layouts and frames are gone for good then, with all their earlier states. Nothing brings them
        back but a backup.
      </p>
      <template #actions>
        <button type="button" class="btn" @click="clearing = false">Keep them</button>
        <button type="button" class="btn btn-spot" @click="((clearing = false), clear())">Clear for good</button>
      </template>
    </ModalSheet>
  </div>
</template>
