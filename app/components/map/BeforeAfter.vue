<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { type Impact, rulesOf } from '#core/frames'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** The pages that an edit changes, each as the real page before and after, side by side. */
defineEmits<{ close: [] }>()

const map = useMap()
const design = useDesign()
const site = useSite()
const shownName = useShownName()
const { draw } = useDrawing()

const changes = computed(() => {
  const byPage = new Map<number, Impact[]>()
  for (const change of map.impact) byPage.set(change.page, [...(byPage.get(change.page) ?? []), change])
  return [...byPage]
})
const at = ref(0)
const current = computed(() => changes.value[Math.min(at.value, changes.value.length - 1)])
const page = computed(() => (current.value ? site.catalogue!.pages[current.value[0]]! : undefined))
const before = computed(() =>
  page.value ? draw({ design: design.design, rules: design.rules, page: page.value, request: map.request }) : '',
)
const after = computed(() => {
  if (!page.value) return ''
  const tried = { ...design.design, frames: map.triedFrames }
  return draw({ design: tried, rules: rulesOf(tried), page: page.value, request: map.request })
})

const list = ref<HTMLElement>()
const virtual = useVirtualizer(
  computed(() => ({
    count: changes.value.length,
    getScrollElement: () => list.value ?? null,
    estimateSize: () => 30,
    overscan: 10,
  })),
)
function step(by: number) {
  at.value = (at.value + by + changes.value.length) % changes.value.length
  virtual.value.scrollToIndex(at.value)
}
</script>

<template>
  <ModalSheet title="Before and after" full @close="$emit('close')">
    <div class="grid h-full grid-cols-[220px_1fr] gap-4 max-md:grid-cols-1">
      <div
        ref="list"
        class="min-h-0 overflow-y-auto border-r pr-2"
        role="listbox"
        aria-label="Pages that change"
        tabindex="0"
        @keydown.down.prevent="step(1)"
        @keydown.up.prevent="step(-1)"
      >
        <div class="relative" :style="{ height: `${virtual.getTotalSize()}px` }">
          <button
            v-for="item in virtual.getVirtualItems()"
            :key="item.index"
            type="button"
            role="option"
            tabindex="-1"
            :aria-selected="item.index === at"
            class="absolute inset-x-0 h-[30px] truncate px-2 text-start"
            :class="item.index === at ? 'bg-ink text-sheet' : 'hover:bg-board'"
            :style="{ transform: `translateY(${item.start}px)` }"
            @click="at = item.index"
          >
            {{ site.catalogue!.pages[changes[item.index]![0]]!.title }}
          </button>
        </div>
      </div>
      <div v-if="page && current" class="flex min-h-0 min-w-0 flex-col">
        <div class="mb-2 flex items-baseline gap-3">
          <h3 class="made truncate text-base">{{ page.title }}</h3>
          <span class="truncate font-mono text-2xs text-soft">{{
            page.address || 'every address that is no page'
          }}</span>
          <span class="ml-auto flex shrink-0 gap-1">
            <button type="button" class="btn btn-small" @click="step(-1)">Previous</button>
            <button type="button" class="btn btn-small" @click="step(1)">Next</button>
          </span>
        </div>
        <p class="mb-3 text-xs">
          <span v-for="change in current[1]" :key="change.region" class="mr-4">
            <span class="text-soft">{{ REGION_NAMES[change.region] }}:</span> <s>{{ shownName(change.from) }}</s> →
            <strong>{{ shownName(change.to) }}</strong>
          </span>
        </p>
        <div class="grid min-h-0 flex-1 grid-cols-2 gap-4 overflow-y-auto">
          <figure
            v-for="side in [
              { name: 'Before', html: before },
              { name: 'After', html: after },
            ]"
            :key="side.name"
          >
            <figcaption class="mb-1 text-xs font-semibold">{{ side.name }}</figcaption>
            <PagePicture class="border" :draw="() => side.html" :title="`${side.name}: ${page.title}`" :ratio="1.1" />
          </figure>
        </div>
      </div>
    </div>
    <template #actions><button type="button" class="btn" @click="$emit('close')">Back to the edit</button></template>
  </ModalSheet>
</template>
