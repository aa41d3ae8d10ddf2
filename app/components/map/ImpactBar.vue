<script setup lang="ts">
import { frameSentence } from '#core/rules'
import { REGIONS, type Region } from '#core/tree'
import { counted, nounFor } from '#core/text'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useNotices } from '~/stores/notices'

const map = useMap()
const design = useDesign()
const notices = useNotices()
const busy = ref(false)
const comparing = ref(false)

/** Changes come page by page, so a page is counted when it is another than the one before. */
const sums = computed(() => {
  const regions = Object.fromEntries(REGIONS.map((r) => [r, 0])) as Record<Region, number>
  let pages = 0
  let last = -1
  for (const { page, region } of map.impact) {
    regions[region]++
    if (page !== last) pages++
    last = page
  }
  return { pages, regions }
})
const pages = computed(() => sums.value.pages)
const parts = computed(() =>
  REGIONS.map((region) => ({ region, count: sums.value.regions[region] })).filter((p) => p.count > 0),
)
const sentence = computed(() =>
  pages.value === 0 ? 'This edit changes no page' : `This edit changes ${counted(pages.value, 'page')}`,
)
const onlySometimes = computed(() => (map.edit?.frame.onlyWhen.length ?? 0) > 0)
const detail = computed(() => {
  if (parts.value.length > 0)
    return `${parts.value.map((p) => counted(p.count, p.region, p.region === 'body' ? 'bodies' : undefined)).join(', ')}, nothing else`
  return onlySometimes.value ? 'for whoever is looking now; choose another visitor above' : 'nothing looks different'
})

const named = (id: string) => `“${map.labelOf(id)}”`
/** What the edit comes to beside other frames, where that is not what was meant. */
const standing = computed<string[]>(() => {
  const { rivals } = map
  const open = map.edit?.frame
  if (!rivals || !open) return []
  const ties = rivals.ties
    .slice(0, 3)
    .map((t) => `It ties with ${named(t.frame)} on ${counted(t.pages, 'page')}; their order on the ladder decides.`)
  if (!open.on) return ['It is switched off, so it decides nothing.']
  if (rivals.decides) return ties
  if (!REGIONS.some((r) => open.regions[r].kind !== 'pass'))
    return ['It decides nothing, because it has no say on any region.']
  if (open.offeredTo.length > 0 && !rivals.covers) return ['It changes nothing until a writer chooses it for an entry.']
  if (!rivals.covers) return ['It decides nothing, because no page fits its conditions.']
  const by = rivals.shadowedBy.slice(0, 3).map(named).join(', ')
  const more = rivals.shadowedBy.length > 3 ? ` and ${rivals.shadowedBy.length - 3} more` : ''
  if (!by) return ['It decides nothing, because the layouts it names cannot be used there.']
  return [
    `It decides nothing, because ${by}${more} ${nounFor(rivals.shadowedBy.length, 'stands', 'stand')} before it everywhere.`,
    ...ties,
  ]
})

async function keep() {
  const open = map.edit
  if (!open) return
  busy.value = true
  const before = await notices.attempt(map.keep)
  busy.value = false
  if (before === undefined) return
  const { id } = open.frame
  const name = map.labelOf(id)
  notices.say(before ? `The frame “${name}” is changed in the draft.` : `The frame “${name}” stands in the draft.`, {
    label: 'Undo',
    run: () =>
      void notices.attempt(async () =>
        before ? design.putFrame(before, design.frameById.get(id)!.revision) : design.removeFrame(id),
      ),
  })
}
</script>

<template>
  <div class="m-4 mt-0 bg-ink text-sheet" role="region" aria-label="Impact of this edit">
    <div
      v-if="map.edit?.theirs && map.names"
      class="flex flex-wrap items-center gap-3 border-b border-[#44484f] px-3.5 py-2"
      role="alert"
    >
      <p class="mr-auto min-w-0">
        Another window has kept this frame meanwhile, as:
        <strong>{{ frameSentence(map.edit.theirs, map.names) }}</strong>. Your edit is still here; keeping it puts it in
        the place of theirs.
      </p>
      <button type="button" class="btn btn-small text-ink" @click="map.takeTheirs">Take theirs</button>
    </div>
    <div class="flex items-center gap-2 px-3.5 py-2 max-md:flex-wrap">
      <div class="mr-auto min-w-0 leading-snug" role="status">
        <p>
          <strong class="font-semibold">{{ sentence }}</strong> <span class="ml-2 text-[#c5c3bc]">{{ detail }}</span>
        </p>
        <p v-for="line in standing" :key="line" class="text-[#f0c9bb]">{{ line }}</p>
      </div>
      <button
        type="button"
        class="btn border-[#5a5e65] bg-transparent text-sheet hover:border-white! disabled:text-[#a9a79f]!"
        :disabled="pages === 0"
        @click="comparing = true"
      >
        Before and after
      </button>
      <button
        type="button"
        class="btn border-[#5a5e65] bg-transparent text-sheet hover:border-white!"
        @click="map.drop"
      >
        Drop
      </button>
      <button type="button" class="btn text-ink" :disabled="busy" @click="keep">Keep</button>
    </div>
    <BeforeAfter v-if="comparing" @close="comparing = false" />
  </div>
</template>
