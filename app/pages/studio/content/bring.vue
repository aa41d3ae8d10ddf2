<script setup lang="ts">
import { type ColumnWay, guessTargets } from '#core/importing'
import { counted } from '#core/text'
import type { BringInput, BringPreviewAnswer, ImportAnswer, ImportsAnswer, SheetAnswer } from '#shared/api/types'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** Content from elsewhere, taken along row by row, and content on its way out. */
definePageMeta({ layout: 'content' })
useHead({ title: 'Bring along' })

const site = useSite()
const design = useDesign()
const session = useSession()
const notices = useNotices()
const imports = shallowRef<ImportAnswer[]>([])
const sheet = shallowRef<SheetAnswer | null>(null)
const plan = reactive<BringInput>({ type: { kind: 'there', id: '' }, columns: {}, published: false, make: true })
const preview = shallowRef<BringPreviewAnswer | null>(null)
const refused = ref('')
const busy = ref(false)
const over = ref(false)
const chosen = ref<HTMLInputElement>()
const folder = ref<HTMLInputElement>()
const running = computed(() => imports.value.find((i) => i.state === 'running'))
const types = computed(() => site.site!.types)
const type = computed(() => {
  const { type: of } = plan
  return of.kind === 'there' ? (types.value.find((t) => t.id === of.id) ?? null) : null
})
const taxonomies = computed(() =>
  site.site!.taxonomies.filter((t) => !type.value || type.value.taxonomies.includes(t.id)),
)
const out = reactive({ type: '', format: 'csv' })
watchEffect(() => {
  if (!types.value.some((t) => t.id === out.type)) out.type = types.value[0]?.id ?? ''
})
const FORMATS = [
  ['csv', 'Table (CSV)'],
  ['tsv', 'Table (TSV)'],
  ['jsonl', 'JSON lines'],
  ['markdown', 'Markdown files with pictures, in a zip'],
  ['atom', 'Atom feed'],
  ['rss', 'RSS feed'],
] as const

async function look() {
  imports.value = (await useApi<ImportsAnswer>('GET', '/imports')).imports
}
const EVERY = 700
let timer: ReturnType<typeof setTimeout> | undefined
async function watchRunning() {
  const was = running.value?.id
  await look().catch((error: unknown) => notices.fail(error))
  clearTimeout(timer)
  if (running.value) timer = setTimeout(() => void watchRunning(), EVERY)
  // A whole site brings its design along, and its name.
  else if (was) await notices.attempt(() => Promise.all([site.load(), design.load(), session.load()]))
}
onMounted(() => session.mayDesign && watchRunning())
onBeforeUnmount(() => clearTimeout(timer))

function begin(answer: SheetAnswer) {
  sheet.value = answer
  refused.value = ''
  preview.value = null
  const [first] = types.value
  plan.type = first ? { kind: 'there', id: first.id } : newType()
  guess()
}
const newType = (): BringInput['type'] => {
  const words =
    sheet
      .value!.name.replace(/\.\w+$/, '')
      .replace(/[-_]+/g, ' ')
      .trim() || 'Things'
  const plural = words.charAt(0).toUpperCase() + words.slice(1)
  return { kind: 'new', name: plural.replace(/ies$/, 'y').replace(/s$/, ''), plural }
}
/** Columns that are nothing known become fields of a type that is new. */
function guess() {
  const { columns, kinds } = sheet.value!
  const found = guessTargets(columns, type.value, taxonomies.value)
  if (plan.type.kind === 'new') for (const c of columns) found[c] ||= `new:${kinds[c] ?? 'text'}`
  plan.columns = found
}
function choose(id: string) {
  plan.type = id ? { kind: 'there', id } : newType()
  guess()
}
const { uploads, send } = useUploads<SheetAnswer>(() => '/imports', begin)
/** Several files, or a folder, go as one zip. */
async function take(files: Iterable<File>) {
  over.value = false
  const all = [...files]
  send(all.length > 1 ? [await zipOf(all)] : all)
  if (folder.value) folder.value.value = ''
  if (chosen.value) chosen.value.value = ''
}
/** What is fetched changes nothing of what is previewed. */
watch(
  () => ({ ...plan, fetchImages: undefined }),
  () => (preview.value = null),
  { deep: true },
)

async function attempt(work: () => Promise<void>) {
  busy.value = true
  refused.value = ''
  try {
    await work()
  } catch (error) {
    if (error instanceof Refusal && error.problem.status < 500) refused.value = error.problem.sentence
    else notices.fail(error)
  }
  busy.value = false
}
const see = () =>
  attempt(async () => {
    preview.value = await useApi<BringPreviewAnswer>('POST', `/imports/${sheet.value!.id}/preview`, plan)
  })
/** The two ways in which the values of a column may be written. */
const WAYS = {
  day: [
    ['day-first', 'day, then month'],
    ['month-first', 'month, then day'],
  ],
  number: [
    ['point', 'a point tells decimals: 1.5'],
    ['comma', 'a comma tells decimals: 1,5'],
  ],
} as const
function answer(column: string, way: ColumnWay) {
  plan.ways = { ...plan.ways, [column]: way }
  void see()
}
const run = () =>
  attempt(async () => {
    await useApi('POST', `/imports/${sheet.value!.id}/run`, plan)
    sheet.value = null
    await watchRunning()
  })
const cancel = (id: string) => attempt(async () => void (await useApi('POST', `/imports/${id}/cancel`)))
const undo = (id: string) =>
  attempt(async () => {
    await useApi('DELETE', `/imports/${id}`)
    notices.say('The import is taken back: what it made waits under Removed, what it changed is as it was.')
    await look()
    await site.load()
  })
const STATES = { running: 'running', done: 'done', cancelled: 'cancelled', undone: 'taken back' } as const
const opened = ref<string | null>(null)
const titled = computed(() => Object.values(plan.columns).includes('title'))
</script>

<template>
  <div class="h-full overflow-y-auto">
    <div class="mx-auto max-w-5xl space-y-8 px-6 py-6">
      <section v-if="session.mayDesign" aria-label="Bring along">
        <h1 class="made mb-1 text-xl">Bring content along</h1>
        <p class="mb-4 max-w-2xl text-soft">
          Tables (CSV, TSV), JSON, Markdown files, Atom and RSS feeds; several of them, with their pictures, in a zip.
          Nothing changes until you have seen the preview and said yes.
        </p>
        <template v-if="!sheet">
          <div
            class="border-2 border-dashed p-8 text-center"
            :class="over ? 'border-spot bg-wash' : 'border-edge bg-sheet'"
            @dragover.prevent="over = true"
            @dragleave="over = false"
            @drop.prevent="take(filesOf($event.dataTransfer))"
          >
            <input
              ref="chosen"
              type="file"
              multiple
              class="sr-only"
              tabindex="-1"
              aria-label="File to bring along"
              @change="take(($event.target as HTMLInputElement).files ?? [])"
            />
            <button type="button" class="btn btn-spot" :disabled="!!running" @click="chosen?.click()">
              Choose a file…
            </button>
            <input
              ref="folder"
              type="file"
              webkitdirectory
              class="sr-only"
              tabindex="-1"
              aria-label="Folder to bring along"
              @change="take(($event.target as HTMLInputElement).files ?? [])"
            />
            <button type="button" class="btn ml-2" :disabled="!!running" @click="folder?.click()">
              Choose a folder…
            </button>
            <p class="mt-2 text-soft">or drop it here</p>
          </div>
          <UploadList :uploads="uploads" class="mt-3" />
        </template>
        <template v-else>
          <div class="mb-4 flex flex-wrap items-end gap-4 border border-edge bg-sheet p-3">
            <p class="mr-auto self-center">
              <strong class="font-semibold">{{ sheet.name }}</strong>, {{ counted(sheet.rows, 'row')
              }}{{ sheet.pictures ? `, ${counted(sheet.pictures, 'picture')}` : '' }}
            </p>
            <label class="block font-medium"
              >Become entries of
              <select
                class="input mt-1 font-normal"
                :value="plan.type.kind === 'there' ? plan.type.id : ''"
                @change="choose(($event.target as HTMLSelectElement).value)"
              >
                <option v-for="t in types" :key="t.id" :value="t.id">{{ t.plural }}</option>
                <option value="">a new page type</option>
              </select>
            </label>
            <template v-if="plan.type.kind === 'new'">
              <label class="block font-medium"
                >One is called<input v-model="plan.type.name" class="input mt-1 font-normal" maxlength="120"
              /></label>
              <label class="block font-medium"
                >Several<input v-model="plan.type.plural" class="input mt-1 font-normal" maxlength="120"
              /></label>
            </template>
            <button type="button" class="btn" @click="sheet = null">Another file</button>
          </div>
          <BringColumns
            :sheet="sheet"
            :type="type"
            :taxonomies="taxonomies"
            :columns="plan.columns"
            :person="type?.personLabel || 'Person'"
            @set="(column, target) => (plan.columns[column] = target)"
          />
          <div class="my-4 flex flex-wrap items-center gap-x-6 gap-y-2">
            <label class="flex items-center gap-2"
              ><input v-model="plan.published" type="checkbox" class="accent-ink" /> New entries are published at
              once</label
            >
            <label class="flex items-center gap-2"
              ><input v-model="plan.make" type="checkbox" class="accent-ink" /> Make terms and people that are
              missing</label
            >
            <button type="button" class="btn ml-auto" :disabled="busy" @click="see">Preview</button>
          </div>
          <p v-if="!titled" class="mb-3 text-xs text-soft">No column is the title yet.</p>
        </template>
        <p v-if="refused" class="my-3 border border-edge bg-wash p-3" role="alert">{{ refused }}</p>
        <div v-if="sheet && preview" class="border border-ink bg-sheet p-4" role="status">
          <p class="mb-3">
            <strong class="font-semibold">{{ counted(preview.fresh, 'new entry', 'new entries') }}</strong>{{
              preview.replaced ? `, and ${counted(preview.replaced, 'entry', 'entries')} changed` : ''
            }}{{ preview.same ? `; ${counted(preview.same, 'entry stays', 'entries stay')} as before` : '' }}.
            <template v-if="preview.made.terms.length || preview.made.people.length"
              >Made for them: {{ counted(preview.made.terms.length, 'term') }},
              {{ counted(preview.made.people.length, 'person', 'people') }}.</template
            >
          </p>
          <label v-if="preview.images" class="mb-4 flex items-center gap-2"
            ><input v-model="plan.fetchImages" type="checkbox" class="accent-ink" @change="see" /> Fetch
            {{ counted(preview.images, 'picture') }} from the web, and keep
            {{ preview.images === 1 ? 'it' : 'them' }} here</label
          >
          <fieldset v-for="q in preview.questions" :key="q.column" class="mb-4">
            <legend class="mb-1.5 font-semibold">
              “{{ q.column }}” can be read in two ways, such as {{ q.examples.join(', ') }}
            </legend>
            <label v-for="[way, label] in WAYS[q.kind]" :key="way" class="mr-5 inline-flex items-center gap-2">
              <input
                type="radio"
                class="accent-ink"
                :name="`way-${q.column}`"
                :checked="q.way === way"
                @change="answer(q.column, way)"
              />
              {{ label }}
            </label>
          </fieldset>
          <ul class="mb-3 border-t">
            <li v-for="(e, i) in preview.entries" :key="i" class="border-b py-1.5">
              <span class="made text-base">{{ e.title || 'Untitled' }}</span>
              <span class="ml-2 font-mono text-2xs text-soft">{{ e.slug }}</span>
              <span v-if="e.replaces" class="ml-2 text-xs text-soft">is there already</span>
              <span class="block truncate text-xs text-soft">{{
                Object.entries(e.fields)
                  .map(([name, words]) => `${name}: ${words}`)
                  .join(' · ')
              }}</span>
            </li>
          </ul>
          <template v-if="preview.wrong">
            <p class="mb-1 font-semibold">In {{ counted(preview.wrong, 'row') }} something is not taken:</p>
            <ul class="mb-3 max-h-52 overflow-y-auto text-xs">
              <li v-for="(p, i) in preview.problems" :key="i">Row {{ p.row }}: {{ p.why }}</li>
            </ul>
          </template>
          <button type="button" class="btn btn-spot" :disabled="busy || !!running" @click="run">
            Take {{ counted(sheet.rows, 'row') }} along
          </button>
        </div>
        <ul v-if="imports.length" class="mt-6 border-t bg-sheet" aria-label="What was brought along">
          <li v-for="i in imports" :key="i.id" class="border-b px-3 py-2">
            <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
              <span class="mr-auto min-w-0"
                ><span class="font-medium">{{ i.name }}</span>
                <span class="block text-xs text-soft"
                  >{{ STATES[i.state] }}, {{ counted(i.made, 'new entry', 'new entries')
                  }}{{ i.replaced ? `, ${counted(i.replaced, 'entry', 'entries')} brought up to date` : '' }}, by
                  {{ i.by }}</span
                ></span
              >
              <progress v-if="i.state === 'running'" class="h-1.5 w-40 accent-ink" :value="i.done" :max="i.total">
                {{ i.done }} of {{ i.total }}
              </progress>
              <button
                v-if="i.problems.length"
                type="button"
                class="text-xs text-soft underline"
                :aria-expanded="opened === i.id"
                @click="opened = opened === i.id ? null : i.id"
              >
                {{ counted(i.problems.length, 'thing') }} not taken
              </button>
              <button v-if="i.state === 'running'" type="button" class="btn btn-small" @click="cancel(i.id)">
                Cancel
              </button>
              <button
                v-else-if="i.state !== 'undone'"
                type="button"
                class="btn btn-small"
                :disabled="busy || !!running"
                :aria-label="`Take back ${i.name}`"
                @click="undo(i.id)"
              >
                Take it back
              </button>
            </div>
            <ul v-if="opened === i.id" class="mt-2 max-h-52 overflow-y-auto text-xs">
              <li v-for="(p, n) in i.problems" :key="n">Row {{ p.row }}: {{ p.why }}</li>
            </ul>
          </li>
        </ul>
      </section>
      <section aria-label="Take content out">
        <h2 class="made mb-1 text-lg">Take content out</h2>
        <p v-if="types.length === 0" class="text-soft">There is no page type yet.</p>
        <form v-else class="flex flex-wrap items-end gap-3" action="/api/export/content" method="get">
          <label class="block font-medium"
            >All
            <select v-model="out.type" name="type" class="input mt-1 font-normal">
              <option v-for="t in types" :key="t.id" :value="t.id">{{ t.plural }}</option>
            </select>
          </label>
          <label class="block font-medium"
            >as
            <select v-model="out.format" name="format" class="input mt-1 font-normal">
              <option v-for="[id, label] in FORMATS" :key="id" :value="id">{{ label }}</option>
            </select>
          </label>
          <button class="btn">Fetch the file</button>
        </form>
      </section>
      <WholeSite v-if="session.isOwner" :busy="!!running" @started="watchRunning" />
    </div>
  </div>
</template>
