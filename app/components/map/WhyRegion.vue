<script setup lang="ts">
import { type RegionOutcome, type Standing, frameName, lossWords } from '#core/frames'
import type { Region } from '#core/layouts'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'

const props = defineProps<{ region: Region; outcome: RegionOutcome & { standings: Standing[] } }>()

const map = useMap()
const design = useDesign()
const NAMES: Record<Region, string> = { header: 'Header', intro: 'Intro', body: 'Body', footer: 'Footer' }

const shown = computed(() => {
  const { shown: what } = props.outcome
  if (what.kind === 'layout') return design.layoutName(what.layout)
  return { empty: 'left empty', none: 'nothing', plain: 'plain body' }[what.kind]
})
const winner = computed(() => props.outcome.standings.find((s) => s.loss === null))
const losers = computed(() => props.outcome.standings.filter((s) => s.loss !== null && s.loss.kind !== 'passed'))
const sayName = (s: Standing) => (s.say.kind === 'use' ? design.layoutName(s.say.layout) : 'left empty')
const name = (s: Standing) => (map.names ? frameName(s.candidate.frame, map.names) : '')
const words = (s: Standing) => (winner.value && map.names ? lossWords(s, winner.value, map.names) : '')
</script>

<template>
  <section class="mt-2 grid grid-cols-[54px_1fr] gap-x-2 border-t pt-2">
    <h3 class="pt-0.5 text-xs text-soft">{{ NAMES[region] }}</h3>
    <div class="min-w-0 text-xs">
      <p class="text-sm font-semibold" :class="outcome.shown.kind !== 'layout' && 'text-soft'">{{ shown }}</p>
      <p v-if="winner" class="text-soft">
        set by
        <button
          type="button"
          class="text-start underline decoration-rule underline-offset-2 hover:decoration-current"
          @click="map.edit || map.beginEdit(winner.candidate.frame.id)"
        >
          {{ name(winner) }}
        </button>
      </p>
      <p v-else class="text-soft">no frame has a say{{ region === 'body' ? ', so the content stands plainly' : '' }}</p>
      <ul>
        <li v-for="s in losers" :key="s.candidate.frame.id" class="mt-0.5 text-soft">
          <s>{{ sayName(s) }}</s> {{ words(s) }}
        </li>
      </ul>
    </div>
  </section>
</template>
