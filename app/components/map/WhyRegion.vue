<script setup lang="ts">
import { type RegionOutcome, type RankedCandidate, lossWords } from '#core/rules'
import type { RegionSetting } from '#core/design'
import type { Region } from '#core/tree'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSession } from '~/stores/session'

const props = defineProps<{ region: Region; outcome: RegionOutcome & { standings: RankedCandidate[] } }>()

const map = useMap()
const design = useDesign()
const session = useSession()
const shownName = useShownName()
const choosing = ref(false)

/** The frame that decides, also where its body gives way to the plain one. */
const winner = computed(() => props.outcome.standings.find((s) => s.loss === null || s.loss.kind === 'work-lacking'))
const losers = computed(() => props.outcome.standings.filter((s) => s.loss !== null && s.loss.kind !== 'passed'))
const sayName = (s: RankedCandidate) => (s.say.kind === 'use' ? design.layoutName(s.say.layout) : 'left empty')
const name = (s: RankedCandidate) => map.labelOf(s.candidate.frame.id)
const words = (s: RankedCandidate) => (map.names ? lossWords(s, winner.value ?? s, map.names) : '')
/** What the layout that is shown is for. */
const about = computed(() => {
  const { shown } = props.outcome
  return shown.kind === 'layout' ? design.layoutById.get(shown.layout)?.layout.about : undefined
})
const inHand = computed(() => map.selection?.region === props.region)
const others = computed(() => design.layouts.filter((l) => l.layout.region === props.region).map((l) => l.layout))
watch(inHand, (is) => (choosing.value = is && map.edit === null), { immediate: true })

function choose(value: string) {
  if (!value) return
  const say: RegionSetting = value === 'empty' ? { kind: 'empty' } : { kind: 'use', layout: value }
  map.beginHere(props.region, say)
  choosing.value = false
}
</script>

<template>
  <section class="mt-2 grid grid-cols-[54px_1fr] gap-x-2 border-t pt-2" :class="inHand && 'border-ink'">
    <h3 class="pt-0.5 text-xs text-soft">{{ REGION_NAMES[region] }}</h3>
    <div class="min-w-0 text-xs">
      <p class="break-words text-sm font-semibold" :class="outcome.shown.kind !== 'layout' && 'text-soft'">
        {{ shownName(outcome.shown) }}
      </p>
      <p v-if="about" class="break-words">{{ about }}</p>
      <p v-if="winner" class="text-soft">
        set by
        <button
          type="button"
          class="text-start underline decoration-edge underline-offset-2 enabled:hover:decoration-current"
          :disabled="map.edit !== null"
          :title="map.edit ? 'Keep or drop the open edit first' : 'Open this frame'"
          @click="map.beginEdit(winner.candidate.frame.id)"
        >
          {{ name(winner) }}
        </button>
      </p>
      <p v-else-if="outcome.leftOut" class="text-soft">its entry leaves it out</p>
      <p v-else class="text-soft">no frame has a say{{ region === 'body' ? ', so the content stands plainly' : '' }}</p>
      <ul>
        <li v-for="s in losers" :key="s.candidate.frame.id" class="mt-0.5 text-soft">
          <s>{{ sayName(s) }}</s> {{ words(s) }}
        </li>
      </ul>
      <template v-if="!map.edit && session.mayDesign">
        <select
          v-if="choosing"
          class="input mt-1"
          :aria-label="`Another layout for the ${region} here`"
          @change="choose(($event.target as HTMLSelectElement).value)"
        >
          <option value="">choose a layout</option>
          <option value="empty">leave it empty</option>
          <option v-for="layout in others" :key="layout.id" :value="layout.id" :title="layout.about">
            {{ chosenAs(layout) }}
          </option>
        </select>
        <button
          v-else
          type="button"
          class="mt-0.5 underline decoration-edge underline-offset-2 hover:decoration-current"
          :aria-label="`Use another layout here: ${region}`"
          @click="choosing = true"
        >
          Use another layout here
        </button>
      </template>
    </div>
  </section>
</template>
