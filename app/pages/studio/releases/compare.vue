<script setup lang="ts">
import type { Differing } from '#core/releases'
import type { Design } from '#core/design'
import { rulesOf } from '#core/rules'
import type { Page } from '#core/model'
import { counted } from '#core/text'
import type { CompareAnswer } from '#shared/api/types'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** Two releases, or one and the draft: what changed in words, and every page that differs, before and after. */
definePageMeta({ layout: 'studio' })
useHead({ title: 'Two releases compared' })

const design = useDesign()
const map = useMap()
const site = useSite()
const route = useRoute()
const router = useRouter()
const { draw } = useDrawing()

const chosen = computed(() => ({
  before: String(route.query.before ?? design.releases[0]?.number ?? ''),
  after: String(route.query.after ?? 'draft'),
}))
const choose = (side: 'before' | 'after', value: string) =>
  void router.replace({ query: { ...chosen.value, [side]: value } })
const swap = () => void router.replace({ query: { before: chosen.value.after, after: chosen.value.before } })
const options = computed(() => [
  { value: 'draft', label: 'the draft, as it stands now' },
  ...design.releases.map((r) => ({
    value: String(r.number),
    label: `release ${r.number}${r.note ? `: ${r.note}` : ''}`,
  })),
])
const nameOf = (which: string) => (which === 'draft' ? 'The draft' : `Release ${which}`)

const both = shallowRef<CompareAnswer | null>(null)
const differing = shallowRef<Differing | null>(null)
const failed = ref('')
onMounted(() => design.loadReleases().catch(() => {}))
watch(
  () => [chosen.value.before, chosen.value.after, site.told] as const,
  async ([before, after, told]) => {
    if (!before || !told) return
    failed.value = ''
    differing.value = null
    try {
      const address = `/releases/compare?before=${encodeURIComponent(before)}&after=${encodeURIComponent(after)}`
      both.value = await useApi<CompareAnswer>('GET', address)
      differing.value = await compareAside(told, both.value.before, both.value.after, map.request)
    } catch (error) {
      both.value = null
      failed.value = (error as Error).message
    }
  },
  { immediate: true },
)

const drawn = (of: Design, page: Page) => draw({ design: of, rules: rulesOf(of), page, request: map.request })
const regionsOf = (index: number) => differing.value?.pages.find((p) => p.page === index)?.regions ?? []
const summary = computed(() => {
  if (!differing.value) return ''
  const { pages, house } = differing.value
  if (pages.length === 0) return 'Every page looks the same.'
  const said = `${counted(pages.length, 'page')} of ${site.catalogue!.pages.length} ${pages.length === 1 ? 'looks' : 'look'} different`
  return house ? `${said}: the house style is another.` : `${said}.`
})
</script>

<template>
  <div class="flex h-full flex-col px-6 py-5 max-md:px-3">
    <div class="mb-4 flex flex-wrap items-end gap-x-4 gap-y-2">
      <h1 class="made mr-2 text-xl">Compared</h1>
      <label v-for="side in ['before', 'after'] as const" :key="side" class="text-xs text-soft">
        {{ side === 'before' ? 'Before' : 'After' }}
        <select
          class="input mt-0.5 block w-64 text-ink"
          :value="chosen[side]"
          @change="choose(side, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="o in options" :key="o.value" :value="o.value">{{ o.label }}</option>
        </select>
      </label>
      <button type="button" class="btn" @click="swap">Swap</button>
      <p class="ml-auto" role="status">
        {{ failed ? '' : differing ? summary : 'Looking at every page…' }}
      </p>
    </div>
    <p v-if="failed" class="bg-wash p-3" role="alert">{{ failed }}</p>
    <div v-else-if="both" class="grid min-h-0 flex-1 grid-cols-[260px_1fr] gap-6 max-lg:grid-cols-1">
      <section class="min-h-0 overflow-y-auto" aria-label="What changed">
        <h2 class="mb-1 font-semibold">{{ counted(both.changes.length, 'change') }}</h2>
        <ChangeList v-if="both.changes.length" :changes="both.changes" />
        <p v-else class="border-y py-3 text-soft">Both are the same.</p>
      </section>
      <PagesSideBySide
        v-if="differing && differing.pages.length"
        v-slot="{ index }"
        class="min-h-0"
        label="Pages that differ"
        :names="{ before: nameOf(chosen.before), after: nameOf(chosen.after) }"
        :pages="differing.pages.map((p) => p.page)"
        :before="(page) => drawn(both!.before, page)"
        :after="(page) => drawn(both!.after, page)"
      >
        <span v-if="regionsOf(index).length">
          <span class="text-soft">Differs in</span>
          {{
            regionsOf(index)
              .map((r) => REGION_NAMES[r].toLowerCase())
              .join(', ')
          }}
        </span>
        <span v-else class="text-soft">Differs by the house style alone</span>
      </PagesSideBySide>
      <p v-else-if="differing" class="text-soft">Nothing looks different on any page.</p>
    </div>
  </div>
</template>
