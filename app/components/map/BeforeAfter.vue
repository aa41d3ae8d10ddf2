<script setup lang="ts">
import { type Impact, rulesOf } from '#core/rules'
import type { Page } from '#core/model'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'

/** The pages that an edit changes, each as the real page before and after, side by side. */
defineEmits<{ close: [] }>()

const map = useMap()
const design = useDesign()
const shownName = useShownName()
const { draw } = useDrawing()

const changes = computed(() => {
  const byPage = new Map<number, Impact[]>()
  for (const change of map.impact) byPage.set(change.page, [...(byPage.get(change.page) ?? []), change])
  return byPage
})
const before = (page: Page) => draw({ design: design.design, rules: design.rules, page, request: map.request })
function after(page: Page) {
  const tried = { ...design.design, frames: map.triedFrames }
  return draw({ design: tried, rules: rulesOf(tried), page, request: map.request })
}
</script>

<template>
  <ModalSheet title="Before and after" full @close="$emit('close')">
    <PagesSideBySide
      v-slot="{ index }"
      label="Pages that change"
      :pages="[...changes.keys()]"
      :before="before"
      :after="after"
    >
      <span v-for="change in changes.get(index)" :key="change.region" class="mr-4">
        <span class="text-soft">{{ REGION_NAMES[change.region] }}:</span> <s>{{ shownName(change.from) }}</s> →
        <strong>{{ shownName(change.to) }}</strong>
      </span>
    </PagesSideBySide>
    <template #actions><button type="button" class="btn" @click="$emit('close')">Back to the edit</button></template>
  </ModalSheet>
</template>
