<script setup lang="ts">
import { momentIn } from '#core/time'
import type { SiteCount } from '#core/formats'
import { counted } from '#core/text'
import type { ImportAnswer, SiteFileAnswer, SiteFileInput } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** The whole site as one file, out and in. Nothing changes before its preview is confirmed. */
defineProps<{ busy: boolean }>()
const emit = defineEmits<{ started: [] }>()

const site = useSite()
const notices = useNotices()
const chosen = ref<HTMLInputElement>()
const waits = shallowRef<SiteFileAnswer | null>(null)
const starting = ref(false)
const times = useTimes()
const input = reactive<SiteFileInput>({ replace: false, settings: false })
const NAMES: Record<SiteCount['what'], [one: string, many: string]> = {
  types: ['page type', 'page types'],
  taxonomies: ['taxonomy', 'taxonomies'],
  terms: ['term', 'terms'],
  people: ['person', 'people'],
  entries: ['entry', 'entries'],
  pictures: ['picture', 'pictures'],
  files: ['other file', 'other files'],
  layouts: ['layout', 'layouts'],
  frames: ['frame', 'frames'],
  menus: ['menu', 'menus'],
}
const counts = computed(() => (waits.value?.counts ?? []).filter((c) => c.fresh + c.differ + c.same > 0))
const isHere = computed(() => counts.value.some((c) => c.differ > 0))
const isSame = computed(() => counts.value.some((c) => c.same > 0))

const { uploads, send } = useUploads<SiteFileAnswer>(
  () => '/site-file',
  (answer) => {
    waits.value = answer
    // On a site without entries all of it is wanted, down to its name.
    const isEmpty = site.site!.entries.length === 0
    Object.assign(input, { replace: isEmpty, settings: isEmpty })
  },
)
function take(files: FileList | null) {
  waits.value = null
  send([...(files ?? [])].slice(0, 1))
  if (chosen.value) chosen.value.value = ''
}
async function run() {
  starting.value = true
  const { id } = waits.value!
  const begun = await notices.attempt(() => useApi<ImportAnswer>('POST', `/site-file/${id}/run`, { ...input }))
  starting.value = false
  if (!begun) return
  waits.value = null
  emit('started')
}
</script>

<template>
  <section aria-label="Whole site">
    <h2 class="made mb-1 text-lg">The whole site in one file</h2>
    <p class="mb-3 max-w-2xl text-soft">
      Page types, terms, people, entries, menus, pictures, files, settings and the design. Users, orders and messages
      are not in it.
    </p>
    <p class="flex flex-wrap gap-2">
      <a class="btn" href="/api/site-file" download>Export site</a>
      <input
        ref="chosen"
        type="file"
        accept=".zip"
        class="sr-only"
        tabindex="-1"
        aria-label="Site file to import"
        @change="take(($event.target as HTMLInputElement).files)"
      />
      <button type="button" class="btn" :disabled="busy" @click="chosen?.click()">Import site file…</button>
    </p>
    <UploadList :uploads="uploads" class="mt-3" />
    <div v-if="waits" class="mt-4 border border-ink bg-sheet p-4" role="status">
      <p class="mb-3">
        <strong class="made text-base font-semibold">{{ waits.from }}</strong>, exported
        {{ times.write(momentIn(waits.made, 'UTC') ?? 0) }}. Nothing is changed yet.
      </p>
      <table class="mb-4 w-full max-w-md text-start">
        <thead class="text-xs text-soft">
          <tr>
            <th class="py-1 text-start font-normal">In the file</th>
            <th class="py-1 text-end font-normal">new</th>
            <th v-if="isHere" class="py-1 text-end font-normal">different here</th>
            <th v-if="isSame" class="py-1 text-end font-normal">the same here</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in counts" :key="c.what" class="border-t">
            <th class="py-1 text-start font-normal">
              {{ counted(c.fresh + c.differ + c.same, NAMES[c.what][0], NAMES[c.what][1]) }}
            </th>
            <td class="py-1 text-end font-mono text-xs">{{ c.fresh || '' }}</td>
            <td v-if="isHere" class="py-1 text-end font-mono text-xs">{{ c.differ || '' }}</td>
            <td v-if="isSame" class="py-1 text-end font-mono text-xs">{{ c.same || '' }}</td>
          </tr>
        </tbody>
      </table>
      <template v-if="waits.wrong">
        <p class="mb-1 font-semibold">
          {{ counted(waits.wrong, 'entry does', 'entries do') }} not fit beside what is here:
        </p>
        <ul class="mb-3 max-h-40 overflow-y-auto text-xs">
          <li v-for="p in waits.problems" :key="p.entry">{{ p.title || p.entry }}: {{ p.why }}</li>
        </ul>
      </template>
      <label v-if="isHere" class="flex items-center gap-2"
        ><input v-model="input.replace" type="checkbox" class="accent-ink" /> Replace what is different here</label
      >
      <label class="flex items-center gap-2"
        ><input v-model="input.settings" type="checkbox" class="accent-ink" /> Take its settings too: name, language,
        currency, time zone, home, shop</label
      >
      <p class="mt-4 flex justify-end gap-2">
        <button type="button" class="btn" @click="waits = null">Cancel</button>
        <button type="button" class="btn btn-spot" :disabled="starting || busy || waits.wrong > 0" @click="run">
          Import site
        </button>
      </p>
    </div>
  </section>
</template>
