<script setup lang="ts">
import { type Entry, changedParts, partsOfEntry } from '#core/model'
import type { StatesAnswer } from '#shared/api/types'
import { useSite } from '~/stores/site'

/** Every state of an entry that was stored: compared with what stands here now, field by field, and brought back. */
const props = defineProps<{
  entry: Entry
  revision: number
  states: () => Promise<StatesAnswer['states']>
  stateAt: (revision: number) => Promise<Entry>
}>()
defineEmits<{ close: []; back: [entry: Entry] }>()

const site = useSite()
const { whenDone } = useEntryWords()
const all = shallowRef<StatesAnswer['states'] | null>(null)
const failed = ref('')
const at = ref(0)
const then = shallowRef<Entry | null>(null)
const { label, words } = useEntryParts(
  () => site.catalogue!,
  () => props.entry,
)
const differing = computed(() => (then.value ? changedParts(then.value, props.entry) : []))
const partsThen = computed(() => (then.value ? partsOfEntry(then.value) : {}))
const partsNow = computed(() => partsOfEntry(props.entry))

async function attempt(work: () => Promise<void>) {
  failed.value = ''
  try {
    await work()
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(() =>
  attempt(async () => {
    all.value = await props.states()
    const before = all.value.find((s) => s.revision < props.revision) ?? all.value[0]
    if (before) await look(before.revision)
  }),
)
const look = (revision: number) =>
  attempt(async () => {
    at.value = revision
    then.value = await props.stateAt(revision)
  })
</script>

<template>
  <ModalSheet title="Stored states" wide @close="$emit('close')">
    <p v-if="failed" role="alert" class="mb-3 font-semibold">{{ failed }}</p>
    <p v-if="!all" class="text-soft" role="status">Fetching what was stored…</p>
    <div v-else class="grid gap-6 sm:grid-cols-[190px_1fr]">
      <ol class="max-h-[50vh] space-y-px overflow-y-auto" aria-label="Stored states">
        <li v-for="s in all" :key="s.revision">
          <button
            type="button"
            class="w-full px-2 py-1.5 text-start"
            :class="at === s.revision ? 'cornered bg-wash' : 'bg-board hover:bg-raised'"
            :aria-current="at === s.revision ? 'true' : undefined"
            @click="look(s.revision)"
          >
            {{ s.revision === revision ? 'As it is stored now' : `State ${s.revision}` }}
            <span class="block text-xs text-soft">{{
              [whenDone(s.at), s.by].filter(Boolean).join(', ') || 'from the beginning'
            }}</span>
          </button>
        </li>
      </ol>
      <div v-if="then" class="min-w-0">
        <p v-if="differing.length === 0" class="text-soft">What stands here now says the same.</p>
        <table v-else class="w-full text-xs">
          <thead class="text-start text-soft">
            <tr>
              <th class="w-28 pb-1 text-start font-normal">What differs</th>
              <th class="pb-1 pr-4 text-start font-normal">Then</th>
              <th class="pb-1 text-start font-normal">Here now</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="what in differing" :key="what" class="border-t align-top">
              <th scope="row" class="py-1.5 pr-2 text-start font-semibold">{{ label(what) }}</th>
              <td class="py-1.5 pr-4">
                <span class="line-clamp-6 [overflow-wrap:anywhere]">{{ words(what, partsThen[what]) }}</span>
              </td>
              <td class="py-1.5">
                <span class="line-clamp-6 [overflow-wrap:anywhere]">{{ words(what, partsNow[what]) }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Close</button>
      <button
        type="button"
        class="btn btn-spot"
        :disabled="!then || differing.length === 0"
        @click="then && $emit('back', then)"
      >
        Bring this back
      </button>
    </template>
  </ModalSheet>
</template>
