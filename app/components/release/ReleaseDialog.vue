<script setup lang="ts">
import { momentIn } from '#core/time'
import { useSite } from '~/stores/site'
import { BARE_DESIGN } from '#core/design'
import { type PartKey, comesAlong, partKey } from '#core/releases'
import { counted } from '#core/text'
import type { ReleaseNote } from '#shared/api/types'
import { useChecks } from '~/stores/checks'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'

/** What a release would change: all of it or some, now or at a moment; and afterwards, what to look at. */
const emit = defineEmits<{ close: [] }>()
const design = useDesign()
const notices = useNotices()
const checks = useChecks()
const note = ref('')
const busy = ref(false)
const found = computed(() => checks.findings?.length ?? 0)

const left = ref<ReadonlySet<PartKey>>(new Set())
const names = computed(() => new Map(design.waiting.map((c) => [partKey(c), c.name])))
const taken = computed(() => new Set(design.waiting.map(partKey).filter((key) => !left.value.has(key))))
/** What of the rest has to come along, and for what. */
const along = computed(() => {
  if (left.value.size === 0) return new Map<PartKey, string>()
  const needed = comesAlong(design.released ?? BARE_DESIGN, design.design, taken.value)
  return new Map(needed.map((a) => [a.key, `“${names.value.get(a.for) ?? 'something'}”`]))
})
const count = computed(() => new Set([...taken.value, ...along.value.keys()]).size)

const later = ref(false)
const at = ref('')
const until = ref('')
const site = useSite()
const zone = computed(() => site.site!.settings.timeZone)
/** A moment on the clocks of the site, wherever whoever sets it is. */
const moment = (text: string): number => momentIn(text, zone.value) ?? NaN
const times = useTimes()

/** What was released, once it is. */
const done = shallowRef<ReleaseNote | null>(null)
async function release() {
  busy.value = true
  const leave = [...left.value]
  if (later.value) {
    const plan = await notices.attempt(() =>
      design.planRelease({
        note: note.value,
        leave,
        at: moment(at.value),
        ...(until.value && { until: moment(until.value) }),
      }),
    )
    busy.value = false
    if (!plan) return
    notices.say(`Set for ${times.write(plan.at, 'longMoment')}. What you change until then is not in it.`)
    return emit('close')
  }
  const made = await notices.attempt(() => design.release(note.value, leave))
  busy.value = false
  if (!made) return
  done.value = made
}
</script>

<template>
  <ReleasedPages v-if="done" :release="done" @close="$emit('close')" />
  <ModalSheet v-else title="Release to visitors" @close="$emit('close')">
    <p class="mb-3 text-soft">
      Visitors see the site as it was released last. This is what a release changes for them:
    </p>
    <ChangeList v-model:left="left" :changes="design.waiting" :along="along" />
    <p v-if="left.size" class="mt-2 text-xs text-soft" role="status">
      {{ counted(design.waiting.length - count, 'change') }} will wait on in the draft.
    </p>
    <p v-if="found > 0" class="mt-3 bg-wash px-3 py-2">
      {{ counted(found, 'thing') }} will not do what was meant.
      <NuxtLink class="underline" to="/studio/checks" @click="emit('close')">Look at the checks</NuxtLink> first, or
      release as it is.
    </p>
    <p v-if="design.releases[0]" class="mt-3 text-xs">
      <NuxtLink
        class="underline"
        :to="`/studio/releases/compare?before=${design.releases[0].number}&after=draft`"
        @click="emit('close')"
        >See every page that changes, before and after</NuxtLink
      >
    </p>
    <label class="mt-4 block">
      A note for whoever looks back <span class="text-soft">(optional)</span>
      <input v-model="note" class="input mt-1" maxlength="500" />
    </label>
    <fieldset class="mt-4">
      <legend class="mb-1">When</legend>
      <label class="mr-4 inline-flex items-baseline gap-1.5">
        <input v-model="later" type="radio" class="accent-ink" name="when" :value="false" /> now
      </label>
      <label class="inline-flex items-baseline gap-1.5">
        <input v-model="later" type="radio" class="accent-ink" name="when" :value="true" /> at a moment
      </label>
      <div v-if="later" class="mt-2 grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <p class="col-span-full text-2xs text-soft">Times are those of {{ zone }}.</p>
        <label>Released <input v-model="at" type="datetime-local" class="input mt-1" required /></label>
        <label
          >and undone <span class="text-soft">(optional)</span>
          <input v-model="until" type="datetime-local" class="input mt-1" :min="at"
        /></label>
      </div>
    </fieldset>
    <template #actions>
      <button class="btn" type="button" @click="$emit('close')">Not yet</button>
      <button class="btn btn-spot" type="button" :disabled="busy || count === 0 || (later && !at)" @click="release">
        {{ later ? 'Set' : 'Release' }} {{ counted(count, 'change') }}
      </button>
    </template>
  </ModalSheet>
</template>
