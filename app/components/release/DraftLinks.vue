<script setup lang="ts">
import type { DraftLink, NewDraftLink } from '#shared/api/types'
import { useNotices } from '~/stores/notices'

/** Addresses by which the draft can be walked before a release, also on a phone by somebody who does not sign in. */
const notices = useNotices()
const links = shallowRef<DraftLink[]>([])
const made = shallowRef<NewDraftLink | null>(null)
const hours = ref(24)
const TIMES = [
  { hours: 1, label: 'an hour' },
  { hours: 24, label: 'a day' },
  { hours: 24 * 7, label: 'a week' },
]
const times = useTimes()
const address = computed(() => made.value && new URL(made.value.address, window.location.href).href)

const load = async () => (links.value = await useApi<DraftLink[]>('GET', '/draft-links'))
onMounted(() => notices.attempt(load))

async function make() {
  const link = await notices.attempt(() => useApi<NewDraftLink>('POST', '/draft-links', { hours: hours.value }))
  if (!link) return
  made.value = link
  await notices.attempt(load)
}
async function end({ id }: DraftLink) {
  await notices.attempt(() => useApi('DELETE', `/draft-links/${id}`))
  if (made.value?.id === id) made.value = null
  await notices.attempt(load)
}
async function copy() {
  if (!address.value) return
  await navigator.clipboard.writeText(address.value).catch(() => {})
  notices.say('The address is copied.')
}
</script>

<template>
  <section aria-labelledby="walk-draft">
    <h2 id="walk-draft" class="made mb-1 text-xl">Walk the draft</h2>
    <p class="mb-3 text-soft">
      An address that shows every page as the draft stands, by its own links, to whoever has it: on a phone, or to
      somebody who has no password here. It ends by itself.
    </p>
    <form class="flex flex-wrap items-center gap-2" @submit.prevent="make">
      <label class="flex items-center gap-1.5"
        >For
        <select v-model.number="hours" class="input w-auto!" aria-label="For how long">
          <option v-for="t in TIMES" :key="t.hours" :value="t.hours">{{ t.label }}</option>
        </select></label
      >
      <button type="submit" class="btn">Make an address</button>
    </form>
    <div v-if="address" class="mt-3 border border-ink bg-raised p-3" role="status">
      <p class="mb-2 text-xs text-soft">Shown this once. Whoever has it sees the draft.</p>
      <p class="break-all font-mono text-xs">{{ address }}</p>
      <p class="mt-2 flex gap-2">
        <button type="button" class="btn btn-small" @click="copy">Copy</button>
        <a class="btn btn-small" :href="address" target="_blank" rel="noopener">Walk it here</a>
      </p>
    </div>
    <ul v-if="links.length" class="mt-3 border-t" aria-label="Addresses of the draft">
      <li v-for="link in links" :key="link.id" class="flex items-baseline justify-between gap-3 border-b py-1.5">
        <span>until {{ times.write(link.endsAt) }}</span>
        <span class="text-xs text-soft">made by {{ link.by }}</span>
        <button type="button" class="btn btn-small" @click="end(link)">End it</button>
      </li>
    </ul>
  </section>
</template>
