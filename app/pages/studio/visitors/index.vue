<script setup lang="ts">
import { counted } from '#core/text'
import type { LikelyAnswer, LostAnswer, RedirectsAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** Addresses asked for that are no page: by days, and one by one with the page that was likely meant. */
definePageMeta({ layout: 'visitors' })
useHead({ title: 'Lost addresses' })

type Lost = LostAnswer['addresses'][number]
const notices = useNotices()
const session = useSession()
const answer = shallowRef<LostAnswer | null>(null)
const failed = ref('')
const days = ref<'7' | '30' | '90'>('30')
const kind = ref<'page' | 'file' | 'bots'>('page')
const inHand = ref<string | null>(null)
const likely = shallowRef<LikelyAnswer['likely'] | null>(null)
const KINDS = [
  { value: 'page', label: 'Pages' },
  { value: 'file', label: 'Pictures and files' },
  { value: 'bots', label: 'By bots' },
] as const
const SPANS = [
  { value: '7', label: '7 days' },
  { value: '30', label: '30 days' },
  { value: '90', label: '90 days' },
] as const

async function open() {
  failed.value = ''
  try {
    answer.value = await useApi<LostAnswer>('GET', `/visitors/lost?days=${days.value}`)
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(open)
watch(days, open)

const countOf = (a: Lost) => (kind.value === 'bots' ? a.bots : a.hits)
const shown = computed(() =>
  (answer.value?.addresses ?? [])
    .filter((a) => (kind.value === 'bots' ? a.bots > 0 && a.hits === 0 : a.what === kind.value && a.hits > 0))
    .sort((a, b) => countOf(b) - countOf(a)),
)
const chosen = computed(() => shown.value.find((a) => a.address === inHand.value) ?? null)
watch(
  () => chosen.value?.address,
  async (address) => {
    likely.value = null
    if (!address) return
    const found = await notices.attempt(() =>
      useApi<LikelyAnswer>('GET', `/visitors/likely?address=${encodeURIComponent(address)}`),
    )
    if (found && chosen.value?.address === address) likely.value = found.likely
  },
)
const kinds = computed(() => {
  const all = answer.value?.days ?? []
  return [
    { label: 'Pages', colour: 'ink', counts: all.map((d) => d.pages) },
    { label: 'Pictures and files', colour: 'faint', counts: all.map((d) => d.files) },
    { label: 'By bots', colour: 'edge', counts: all.map((d) => d.bots) },
  ]
})
const total = computed(() => kinds.value[0]!.counts.reduce((a, b) => a + b, 0))
const times = useTimes()
const sureWords = (sure: number) =>
  `${sure >= 0.8 ? 'very likely' : sure >= 0.55 ? 'likely' : 'a guess'}, ${Math.round(sure * 100)} %`

async function lead(address: string, page: string, title: string) {
  const done = await notices.attempt(() =>
    useApi<RedirectsAnswer>('POST', '/redirects', { put: [{ address, to: { page } }] }),
  )
  if (!done) return
  notices.say(`${address} leads to ${title} now.`, {
    label: 'Undo',
    run: () => void notices.attempt(async () => (await useApi('POST', '/redirects', { remove: [address] }), open())),
  })
  await open()
}
async function forget(address: string) {
  if (!(await notices.attempt(() => useApi('POST', '/visitors/forget', { addresses: [address] })))) return
  inHand.value = null
  await open()
}
</script>

<template>
  <RoomState :failed="failed" :ready="answer !== null" what="what was lost" @again="open">
    <div v-if="answer" class="grid h-full grid-cols-[minmax(0,1fr)_340px] max-lg:grid-cols-1 max-lg:overflow-y-auto">
      <div class="overflow-y-auto px-6 py-5 max-lg:overflow-visible">
        <div class="mb-3 flex flex-wrap items-baseline gap-3">
          <h1 class="made mr-auto text-xl">Lost addresses</h1>
          <ToggleRow label="Over how long" :options="SPANS" :value="days" @pick="days = $event" />
        </div>
        <DaysChart
          class="mb-4 border bg-sheet p-3"
          :days="answer.days.map((d) => d.day)"
          :kinds="kinds"
          :says="`${counted(total, 'time')} in ${days} days somebody asked for a page that is not there.`"
        />
        <ToggleRow class="mb-2" label="Which" :options="KINDS" :value="kind" @pick="kind = $event" />
        <p v-if="shown.length === 0" class="border-y py-4 text-soft">
          {{ kind === 'page' ? 'Nobody has asked for a page that is not there.' : 'None so far.' }}
        </p>
        <ul v-else class="border-t bg-sheet" aria-label="Addresses">
          <li v-for="a in shown" :key="a.address" class="border-b">
            <button
              type="button"
              class="grid w-full grid-cols-[1fr_auto_92px] items-baseline gap-3 px-3 py-1.5 text-start hover:bg-raised"
              :class="inHand === a.address && 'cornered bg-wash'"
              :aria-pressed="inHand === a.address"
              @click="inHand = a.address"
            >
              <span class="font-mono text-xs [overflow-wrap:anywhere]">{{ a.address }}</span>
              <span class="text-xs text-soft">{{ a.leads ? 'leads somewhere now' : counted(countOf(a), 'time') }}</span>
              <span class="text-end text-2xs text-soft">{{ times.write(a.lastAt, 'lately') }}</span>
            </button>
          </li>
        </ul>
      </div>
      <aside
        class="overflow-y-auto border-l bg-sheet p-4 max-lg:border-l-0 max-lg:border-t"
        aria-label="The chosen address"
      >
        <template v-if="chosen">
          <h2 class="mb-1 font-mono text-sm [overflow-wrap:anywhere]">{{ chosen.address }}</h2>
          <p class="mb-3 text-xs text-soft">
            Asked for {{ counted(chosen.hits, 'time')
            }}{{ chosen.bots ? `, and ${counted(chosen.bots, 'time')} by bots` : '' }}, since
            {{ times.write(chosen.firstAt, 'lately') }}.
          </p>
          <template v-if="chosen.origins.length">
            <h3 class="mb-1 font-semibold">Where they came from</h3>
            <ul class="mb-3">
              <li v-for="o in chosen.origins" :key="o.origin" class="flex justify-between gap-2 py-0.5">
                <span class="font-mono text-xs [overflow-wrap:anywhere]">{{ o.origin }}</span>
                <span class="text-xs text-soft">{{ o.hits }}</span>
              </li>
            </ul>
          </template>
          <p v-if="chosen.leads" class="mb-3 bg-raised p-2.5">It leads somewhere by now.</p>
          <template v-else>
            <h3 class="mb-1 font-semibold">What may have been meant</h3>
            <p v-if="!likely" class="text-soft" role="status">Looking…</p>
            <p v-else-if="likely.length === 0" class="text-soft">No page is like it.</p>
            <ul v-else class="space-y-1.5">
              <li v-for="l in likely" :key="l.page" class="border bg-raised p-2.5">
                <p class="made">{{ l.title }}</p>
                <p class="mb-1.5 text-xs text-soft">
                  <span class="font-mono">{{ l.address }}</span> · {{ sureWords(l.sure) }}
                </p>
                <button
                  v-if="session.mayDesign"
                  type="button"
                  class="btn btn-small"
                  @click="lead(chosen.address, l.page, l.title)"
                >
                  Lead it there
                </button>
              </li>
            </ul>
            <p v-if="session.mayDesign" class="mt-3 text-xs">
              <NuxtLink :to="`/studio/visitors/redirects?from=${encodeURIComponent(chosen.address)}`" class="underline"
                >Lead it elsewhere</NuxtLink
              >
            </p>
          </template>
          <button v-if="session.mayDesign" type="button" class="btn btn-small mt-4" @click="forget(chosen.address)">
            Seen to: count anew
          </button>
        </template>
        <p v-else class="text-soft">
          Choose an address to see where people came from, and which page they may have meant.
        </p>
      </aside>
    </div>
  </RoomState>
</template>
