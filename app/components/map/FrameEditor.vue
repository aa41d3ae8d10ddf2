<script setup lang="ts">
import type { Circumstance } from '#core/conditions'
import type { DisplayRule, RegionSetting } from '#core/design'
import type { Target } from '#core/targets'
import { frameSentence } from '#core/rules'
import { REGIONS, type Region } from '#core/tree'
import { counted } from '#core/text'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

const frame = defineModel<DisplayRule>({ required: true })
defineProps<{ isNew: boolean }>()

const map = useMap()
const design = useDesign()
const site = useSite()
const notices = useNotices()

const layoutsFor = (region: Region) =>
  design.layouts.map((l) => l.layout).filter((l) => l.region === region && !l.starter)
const sentence = computed(() => (map.names ? frameSentence(frame.value, map.names) : ''))
const covered = ref<number | null>(null)
watch(
  [() => frame.value.covers, () => frame.value.except],
  async (conditions) => {
    const [covers, except] = conditions
    const count = await coveredAside(site.told!, { covers, except })
    if (frame.value.covers === covers && frame.value.except === except) covered.value = count
  },
  { immediate: true },
)
const coveredWords = computed(() => {
  if (frame.value.covers.length === 0 && frame.value.offeredTo.length > 0)
    return 'It changes nothing until a writer chooses it for an entry.'
  if (frame.value.covers.length === 0) return 'It covers no page yet, so it decides nothing.'
  if (covered.value === null) return ''
  if (covered.value > 0) return `Covers ${counted(covered.value, 'page')}.`
  return 'No page fits these conditions now, so it decides nothing.'
})
const types = computed(() => [...site.catalogue!.types.values()])
const more = ref(frame.value.outranks || frame.value.offeredTo.length > 0 || frame.value.name !== '')
/** Layouts that a say names and that are no longer there, or are for another region. */
const isGone = (region: Region) => {
  const say = frame.value.regions[region]
  return say.kind === 'use' && !layoutsFor(region).some((l) => l.id === say.layout)
}

/** The say that each region had before it was taken off, or left empty: it comes back in one press. */
const before = reactive<Partial<Record<Region, RegionSetting>>>({})
function keepSay(region: Region) {
  const say = frame.value.regions[region]
  if (say.kind === 'use' || (say.kind === 'empty' && before[region]?.kind !== 'use')) before[region] = { ...say }
}
for (const region of REGIONS) {
  keepSay(region)
  const stored = design.frameById.get(frame.value.id)?.frame.regions[region]
  if (!before[region] && stored && stored.kind !== 'pass') before[region] = stored
  // What was switched off at another time had a layout too.
  const { layout } = { layout: undefined, ...frame.value.regions[region] }
  if (!before[region] && layout) before[region] = { kind: 'use', layout }
}
/** Takes a region off, or brings back what it said. */
function toggle(region: Region) {
  const say = frame.value.regions[region]
  const kept = before[region]
  keepSay(region)
  const first = layoutsFor(region)[0]
  if (say.kind === 'use') frame.value.regions[region] = { kind: 'pass', layout: say.layout }
  else if (kept && kept.kind !== say.kind) frame.value.regions[region] = { ...kept }
  else if (say.kind === 'empty') frame.value.regions[region] = { kind: 'pass' }
  else frame.value.regions[region] = first ? { kind: 'use', layout: first.id } : { kind: 'empty' }
}
/** What the toggle of a region would bring. */
function toggleWords(region: Region): string {
  const say = frame.value.regions[region]
  const kept = before[region]
  if (say.kind === 'use' || (say.kind === 'empty' && kept?.kind !== 'use')) return 'off'
  return 'on'
}
function toggleTitle(region: Region): string {
  const kept = before[region]
  if (toggleWords(region) === 'off') return `Take the ${region} off: no say`
  if (kept?.kind === 'use') return `Use ${design.layoutName(kept.layout)} again`
  return kept?.kind === 'empty' ? `Leave the ${region} empty again` : `Have a say on the ${region}`
}

function sayValue(region: Region): string {
  const say = frame.value.regions[region]
  return say.kind === 'use' ? `use:${say.layout}` : say.kind
}
function setSay(region: Region, value: string) {
  keepSay(region)
  frame.value.regions[region] = value.startsWith('use:')
    ? { kind: 'use', layout: value.slice(4) }
    : { kind: value as 'empty' | 'pass' }
}
function offer(type: string, on: boolean) {
  frame.value.offeredTo = on ? [...frame.value.offeredTo, type] : frame.value.offeredTo.filter((t) => t !== type)
}
function setTargets(list: 'covers' | 'except', targets: Target[]) {
  frame.value[list] = targets
}
function setCircumstances(list: Circumstance[]) {
  frame.value.onlyWhen = list
}

async function remove() {
  const { id } = frame.value
  const name = map.labelOf(id)
  map.drop()
  const removed = await notices.attempt(() => design.removeFrame(id))
  if (!removed) return
  notices.say(`The frame “${name}” is removed from the draft. It waits under Removed, below the ladder.`, {
    label: 'Put it back',
    run: () => void notices.attempt(() => design.putFrame(removed.frame, removed.revision)),
  })
}
/** What the layout that is chosen for a region is for. */
function aboutOf(region: Region): string {
  const say = frame.value.regions[region]
  return (say.kind === 'use' && design.layoutById.get(say.layout)?.layout.about) || ''
}
</script>

<template>
  <div class="space-y-2 border-t px-2.5 pb-2.5 pt-2">
    <TargetList
      v-for="list in ['covers', 'except'] as const"
      :key="list"
      :which="list"
      :targets="frame[list]"
      @set="setTargets(list, $event)"
    />
    <CircumstanceList :circumstances="frame.onlyWhen" @set="setCircumstances" />
    <div class="space-y-1 border-t pt-2">
      <div v-for="region in REGIONS" :key="region" class="grid grid-cols-[62px_1fr_34px] items-center gap-x-1">
        <span class="text-xs text-soft">{{ REGION_NAMES[region] }}</span>
        <select
          class="input"
          :aria-label="REGION_NAMES[region]"
          :value="sayValue(region)"
          @change="setSay(region, ($event.target as HTMLSelectElement).value)"
        >
          <option value="pass">no say</option>
          <option value="empty">left empty</option>
          <option v-if="isGone(region)" :value="sayValue(region)">a layout that no longer exists</option>
          <option
            v-for="layout in layoutsFor(region)"
            :key="layout.id"
            :value="`use:${layout.id}`"
            :title="layout.about"
          >
            {{ layout.name }}
          </option>
        </select>
        <button
          type="button"
          class="btn btn-small h-7! justify-center px-0!"
          :aria-label="toggleTitle(region)"
          :title="toggleTitle(region)"
          @click="toggle(region)"
        >
          {{ toggleWords(region) }}
        </button>
        <p v-if="aboutOf(region)" class="col-span-2 col-start-2 pb-1 text-xs text-soft">{{ aboutOf(region) }}</p>
      </div>
    </div>
    <div class="space-y-1 border-t pt-2 text-xs text-soft">
      <p data-testid="sentence">{{ sentence }}.</p>
      <p :class="covered === 0 && 'bg-wash p-1.5 text-ink'" role="status">{{ coveredWords }}</p>
    </div>
    <button type="button" class="text-xs underline" :aria-expanded="more" @click="more = !more">
      {{ more ? 'Less' : 'Name, rank, writers' }}
    </button>
    <div v-if="more" class="space-y-2">
      <label class="grid grid-cols-[62px_1fr] items-center gap-x-1">
        <span class="text-xs text-soft">Called</span>
        <input v-model="frame.name" class="input" maxlength="120" placeholder="by its conditions" />
      </label>
      <label class="flex items-center gap-1.5"
        ><input v-model="frame.outranks" type="checkbox" class="accent-ink" /> outranks all others</label
      >
      <fieldset>
        <legend class="mb-0.5 text-xs text-soft">Offered to writers of</legend>
        <label v-for="type in types" :key="type.id" class="mr-3 inline-flex items-center gap-1">
          <input
            type="checkbox"
            class="accent-ink"
            :checked="frame.offeredTo.includes(type.id)"
            @change="offer(type.id, ($event.target as HTMLInputElement).checked)"
          />
          {{ type.plural }}
        </label>
      </fieldset>
    </div>
    <div class="flex items-center gap-2 border-t pt-2.5">
      <label class="mr-auto flex items-center gap-1.5"
        ><input v-model="frame.on" type="checkbox" class="accent-ink" /> on</label
      >
      <template v-if="!isNew">
        <button type="button" class="btn btn-small" @click="map.beginCopy(frame.id)">Duplicate</button>
        <button type="button" class="btn btn-small" @click="remove">Remove</button>
      </template>
    </div>
  </div>
</template>
