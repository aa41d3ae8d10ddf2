<script setup lang="ts">
import { type Entry, type RichDoc, checkEntry, entryName } from '#core/site'
import { frameName } from '#core/frames'
import type { EntryAnswer, StaleEntryAnswer } from '#shared/api/types'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

definePageMeta({ layout: 'content' })

const route = useRoute()
const site = useSite()
const design = useDesign()
const map = useMap()
const notices = useNotices()
const id = computed(() => String(route.params.id))
const entry = ref<Entry | null>(null)
const revision = ref(0)
const kept = ref('')
const failed = ref('')
const theirs = shallowRef<EntryAnswer | null>(null)
const unstored = useKept<{ entry: Entry; revision: number }>(`working-copy.${id.value}`)
const busy = ref(false)
const duplicating = ref(false)

const type = computed(() => (entry.value ? site.catalogue!.types.get(entry.value.type) : undefined))
const name = computed(() => (entry.value ? entryName(entry.value, type.value) : ''))
useHead({ title: () => name.value || 'Entry' })

function take(answer: EntryAnswer) {
  entry.value = JSON.parse(JSON.stringify(answer.entry)) as Entry
  revision.value = answer.revision
  kept.value = JSON.stringify(answer.entry)
  theirs.value = null
}
async function open() {
  failed.value = ''
  try {
    const answer = await useApi<EntryAnswer>('GET', `/entries/${encodeURIComponent(id.value)}`)
    const was = await unstored.take()
    take(answer)
    if (!was) return
    entry.value = was.entry
    revision.value = was.revision
    notices.say('What you wrote here before is here again; it is not stored yet.', {
      label: 'Take what is stored',
      run: () => take(answer),
    })
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(open)

const changed = computed(() => entry.value !== null && JSON.stringify(entry.value) !== kept.value)
const problem = computed(() => (entry.value ? checkEntry(entry.value, site.catalogue!)[0] : undefined))
const people = computed(() => site.site!.people)
const taxonomies = computed(() =>
  (type.value?.taxonomies ?? []).flatMap((t) => site.catalogue!.taxonomies.get(t) ?? []),
)
const termsOf = (taxonomy: string) => site.site!.terms.filter((t) => t.taxonomy === taxonomy)
const offered = computed(() =>
  design.frames.filter((f) => f.frame.offeredTo.includes(type.value?.id ?? '')).map((f) => f.frame),
)
const address = computed(() => site.catalogue!.addressOf(id.value))

function toggleTerm(term: string, on: boolean) {
  const { terms } = entry.value!
  entry.value!.terms = on ? [...terms, term] : terms.filter((t) => t !== term)
}
/** What was written while it was being stored stays, on top of what is stored now. */
function takeStored(answer: EntryAnswer, sent: string) {
  if (JSON.stringify(entry.value) === sent) return take(answer)
  revision.value = answer.revision
  kept.value = JSON.stringify(answer.entry)
  void unstored.keep({ entry: entry.value!, revision: answer.revision })
}
async function save() {
  if (!entry.value || problem.value || busy.value) return
  busy.value = true
  const sent = JSON.stringify(entry.value)
  try {
    takeStored(await site.putEntry(JSON.parse(sent) as Entry, revision.value), sent)
    notices.say(
      changed.value
        ? 'The entry is stored as it was when you pressed the button. What you wrote since is not stored yet.'
        : 'The entry is stored, and visitors see it.',
    )
    await notices.attempt(site.load)
  } catch (error) {
    if (error instanceof Refusal && error.problem.code === 'stale-revision')
      theirs.value = (error.body as StaleEntryAnswer).current
    else notices.fail(error)
  } finally {
    busy.value = false
  }
}
function putMineOverTheirs() {
  if (theirs.value) revision.value = theirs.value.revision
  theirs.value = null
  void save()
}
watch(
  entry,
  (now) => {
    if (now) void unstored.keep(changed.value ? { entry: now, revision: revision.value } : null)
  },
  { deep: true },
)
onBeforeRouteLeave(() => {
  if (!changed.value) return
  const here = route.fullPath
  notices.say(`What you wrote in “${name.value}” is not stored yet. It waits for you in this browser.`, {
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
  <form v-else class="flex h-full flex-col" @submit.prevent="save">
    <div class="flex items-center gap-3 border-b bg-sheet px-6 py-2">
      <NuxtLink to="/studio/content/entries" class="text-soft underline">Entries</NuxtLink>
      <span class="text-soft">{{ type.name }}</span>
      <h1 class="made min-w-0 truncate text-lg">{{ name }}</h1>
      <a
        v-if="address"
        class="ml-auto truncate font-mono text-2xs text-soft underline"
        :href="address"
        target="_blank"
        >{{ address }}</a
      >
      <button type="button" class="btn" :class="!address && 'ml-auto'" @click="duplicating = true">
        Another like it
      </button>
      <button class="btn btn-spot" :disabled="busy || !changed || problem !== undefined">Store the entry</button>
    </div>
    <div v-if="theirs" class="flex items-center gap-3 bg-wash px-6 py-2" role="alert">
      <p class="mr-auto">
        Somebody else has stored this entry meanwhile (“{{ theirs.entry.title }}”). What you wrote is still here.
      </p>
      <button type="button" class="btn btn-small" @click="take(theirs)">Take theirs</button>
      <button type="button" class="btn btn-small" @click="putMineOverTheirs">Store mine over it</button>
    </div>
    <p v-if="problem" class="bg-wash px-6 py-2" role="alert">
      {{ problem.sentence.replace(' Nothing was stored.', '') }}
    </p>
    <div class="min-h-0 flex-1 overflow-y-auto">
      <div class="mx-auto grid max-w-5xl gap-x-10 gap-y-5 px-6 py-6 lg:grid-cols-[1.5fr_1fr]">
        <div class="space-y-4">
          <label class="block font-medium"
            >Title<input v-model="entry.title" class="input mt-1 h-9! font-normal" maxlength="500"
          /></label>
          <label class="block font-medium"
            >Summary<textarea v-model="entry.summary" class="input mt-1 font-normal" rows="2" maxlength="1000" />
          </label>
          <div>
            <p class="mb-1 font-medium">Content</p>
            <RichField :value="entry.content" label="Content" @set="entry.content = $event as RichDoc" />
          </div>
        </div>
        <div class="space-y-4">
          <div class="border border-edge bg-sheet p-3">
            <label class="block font-medium">
              Frame
              <select v-model="entry.chosenFrame" class="input mt-1 font-normal" aria-label="Frame">
                <option :value="null">as the conditions say</option>
                <option v-for="f in offered" :key="f.id" :value="f.id">
                  {{ map.names ? frameName(f, map.names) : f.id }}
                </option>
                <option
                  v-if="entry.chosenFrame && !offered.some((f) => f.id === entry!.chosenFrame)"
                  :value="entry.chosenFrame"
                >
                  a frame that is no longer offered
                </option>
              </select>
            </label>
            <p class="mt-1 text-xs text-soft">
              {{
                offered.length
                  ? 'A frame chosen here outranks the conditions of all others. Frames change for visitors with the next release.'
                  : `No frame is offered to writers of ${type.plural.toLowerCase()}. A designer offers one on the Map.`
              }}
            </p>
          </div>
          <label class="flex items-center gap-2 font-medium"
            ><input v-model="entry.published" type="checkbox" class="accent-ink" /> Published</label
          >
          <label class="block font-medium"
            >Last part of the address<input
              v-model="entry.slug"
              class="input mt-1 font-mono text-xs font-normal"
              maxlength="80"
          /></label>
          <label class="block font-medium">
            {{ type.personLabel }}
            <select v-model="entry.person" class="input mt-1 font-normal">
              <option :value="null">nobody</option>
              <option v-for="p in people" :key="p.id" :value="p.id">{{ p.name }}</option>
            </select>
          </label>
          <label class="block font-medium"
            >Date<input
              class="input mt-1 font-normal"
              type="date"
              :value="entry.date ?? ''"
              @change="entry.date = ($event.target as HTMLInputElement).value || null"
          /></label>
          <div class="font-medium">
            Lead picture
            <AskPicture
              :value="entry.picture"
              label="Lead picture"
              class="mt-1 font-normal"
              @set="entry.picture = $event as string | null"
            />
          </div>
          <fieldset v-for="taxonomy in taxonomies" :key="taxonomy.id">
            <legend class="mb-1 font-medium">{{ taxonomy.name }}</legend>
            <label v-for="term in termsOf(taxonomy.id)" :key="term.id" class="mr-3 inline-flex items-center gap-1">
              <input
                type="checkbox"
                class="accent-ink"
                :checked="entry.terms.includes(term.id)"
                @change="toggleTerm(term.id, ($event.target as HTMLInputElement).checked)"
              />
              {{ term.title }}
            </label>
          </fieldset>
          <div v-for="field in type.fields" :key="field.id">
            <EntryField
              :field="field"
              :value="entry.fields[field.id]"
              @set="entry.fields = { ...entry.fields, [field.id]: $event }"
            />
            <p v-if="field.help" class="mt-0.5 text-xs text-soft">{{ field.help }}</p>
            <p v-if="field.required" class="mt-0.5 text-xs text-soft">Asked of every published entry.</p>
          </div>
        </div>
      </div>
    </div>
    <NewEntryDialog v-if="duplicating && entry" :from="entry" @close="duplicating = false" />
  </form>
</template>
