<script setup lang="ts">
import type { Page } from '#core/model'
import { STEPS, type WidthStep } from '#core/tree'
import { useBench } from '~/stores/bench'

/** The page at its three widths side by side: they scroll together, and each is edited for its own. */
defineProps<{ page: Page }>()
defineEmits<{ key: [event: KeyboardEvent]; add: [] }>()

type Paper = { editWords(): boolean; scrollTo(share: number): void }
const bench = useBench()
const papers: Partial<Record<WidthStep, Paper | null>> = {}
const ORDER = [...STEPS].reverse()
const columns = ORDER.map((step) => `minmax(${step === 'narrow' ? 150 : 0}px, ${WIDTH_AT[step]}fr)`).join(' ')

function follow(from: WidthStep, share: number) {
  for (const step of ORDER) if (step !== from) papers[step]?.scrollTo(share)
}
defineExpose({ editWords: () => papers[bench.step]?.editWords() ?? false })
</script>

<template>
  <div class="grid min-h-0 min-w-0 gap-px bg-rule" :style="{ gridTemplateColumns: columns }">
    <BenchPage
      v-for="step in ORDER"
      :key="step"
      :ref="(paper) => (papers[step] = paper as unknown as Paper | null)"
      :width="WIDTH_AT[step]"
      :at="step"
      :page="page"
      @key="$emit('key', $event)"
      @add="$emit('add')"
      @scrolled="follow(step, $event)"
    />
  </div>
</template>
