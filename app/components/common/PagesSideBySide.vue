<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import type { Page } from '#core/model'
import { useMap } from '~/stores/map'

/** Pages that differ, as a list that is stepped through; the one in hand stands before and after, side by side. */
const props = defineProps<{
  /** The pages, by their indices in the catalogue. */
  pages: readonly number[]
  before: (page: Page) => string
  after: (page: Page) => string
  label: string
  names?: { before: string; after: string }
}>()
/** What is told of the page in hand. */
defineSlots<{ default(props: { index: number }): unknown }>()

const map = useMap()
const at = ref(0)
watch(
  () => props.pages,
  () => (at.value = 0),
)
const index = computed(() => props.pages[Math.min(at.value, props.pages.length - 1)])
const page = computed(() => (index.value === undefined ? undefined : map.catalogue!.pages[index.value]))
const sides = computed(() =>
  page.value
    ? [
        { name: props.names?.before ?? 'Before', html: props.before(page.value) },
        { name: props.names?.after ?? 'After', html: props.after(page.value) },
      ]
    : [],
)
const list = ref<HTMLElement>()
const virtual = useVirtualizer(
  computed(() => ({
    count: props.pages.length,
    getScrollElement: () => list.value ?? null,
    estimateSize: () => 30,
    overscan: 10,
  })),
)
function step(by: number) {
  at.value = (at.value + by + props.pages.length) % props.pages.length
  virtual.value.scrollToIndex(at.value)
}
</script>

<template>
  <div class="grid h-full grid-cols-[220px_1fr] gap-4 max-md:grid-cols-1 max-md:grid-rows-[auto_1fr]">
    <div
      ref="list"
      class="min-h-0 overflow-y-auto border-r pr-2 max-md:max-h-40"
      role="listbox"
      :aria-label="label"
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
          {{ map.catalogue!.pages[pages[item.index]!]!.title }}
        </button>
      </div>
    </div>
    <div v-if="page && index !== undefined" class="flex min-h-0 min-w-0 flex-col">
      <div class="mb-2 flex items-baseline gap-3">
        <h3 class="made truncate text-base">{{ page.title }}</h3>
        <span class="truncate font-mono text-2xs text-soft">{{ page.address || 'every address that is no page' }}</span>
        <span class="ml-auto flex shrink-0 gap-1">
          <button type="button" class="btn btn-small" @click="step(-1)">Previous</button>
          <button type="button" class="btn btn-small" @click="step(1)">Next</button>
        </span>
      </div>
      <p class="mb-3 text-xs"><slot :index="index" /></p>
      <div class="grid min-h-0 flex-1 grid-cols-2 gap-4 overflow-y-auto">
        <figure v-for="side in sides" :key="side.name">
          <figcaption class="mb-1 text-xs font-semibold">{{ side.name }}</figcaption>
          <PagePicture class="border" :draw="() => side.html" :title="`${side.name}: ${page.title}`" :ratio="1.1" />
        </figure>
      </div>
    </div>
  </div>
</template>
