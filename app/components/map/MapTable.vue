<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { type MapRow, mapRows } from '#core/map'
import { REGIONS, type Region } from '#core/tree'
import { useMap } from '~/stores/map'

const ROW = 27
const COLUMNS = 'grid-cols-[minmax(150px,1.9fr)_repeat(4,minmax(0,1fr))] gap-x-2.5'

const map = useMap()
const box = ref<HTMLElement>()

const rows = computed<MapRow[]>(() =>
  map.catalogue && map.table
    ? mapRows(map.groups, map.catalogue, map.table, { open: map.unfolded, filter: map.filter })
    : [],
)
const virtual = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => box.value ?? null,
    estimateSize: () => ROW,
    overscan: 4,
  })),
)
const shown = computed(() => virtual.value.getVirtualItems())
/** For every page, the regions that the open edit changes, as bits; null while it changes nothing. */
const changed = computed(() => {
  if (map.impact.length === 0) return null
  const marks = new Uint8Array(pageCount.value)
  for (const { page, region } of map.impact) marks[page]! |= 1 << REGIONS.indexOf(region)
  return marks
})
const inHand = computed(() => new Set(map.selection?.rows))
const pageCount = computed(() => map.catalogue?.pages.length ?? 0)

function select(row: MapRow, extend: boolean, region: Region | null = null) {
  const page = map.catalogue!.pages[row.sample]
  if (!page) return
  const before = extend ? map.selection : null
  const taken = before?.rows.includes(row.key) ? before.rows : [...(before?.rows ?? []), row.key]
  map.selection = {
    rows: taken,
    pages: new Set([...(before?.pages ?? []), ...row.pages]),
    page: page.key,
    region,
    frame: before ? null : (row.frame ?? null),
  }
}
const extends_ = (event: MouseEvent) => event.shiftKey || event.ctrlKey || event.metaKey
function fold(row: MapRow) {
  if (map.unfolded.has(row.key)) map.unfolded.delete(row.key)
  else map.unfolded.add(row.key)
}
const isOpen = (row: MapRow) => map.unfolded.has(row.key) || map.filter !== ''
function isChanged(row: MapRow, region: number): boolean {
  const marks = changed.value
  return marks !== null && row.pages.some((p) => marks[p]! & (1 << region))
}
const onKey = useMapKeys(rows, {
  select,
  fold,
  isOpen,
  focus(index) {
    virtual.value.scrollToIndex(index)
    void nextTick(() => box.value?.querySelector<HTMLElement>(`[data-index="${index}"] button[data-row]`)?.focus())
  },
})
</script>

<template>
  <div class="flex flex-col px-4.5 pt-3">
    <div class="mb-2 flex items-center gap-3">
      <h1 class="made whitespace-nowrap text-lg">{{ pageCount.toLocaleString('en') }} pages</h1>
      <input
        v-model="map.filter"
        type="search"
        class="input max-w-48"
        placeholder="Find a page"
        aria-label="Find a page by name or address"
      />
      <VisitorPicker class="ml-auto" />
    </div>
    <div class="grid border-b border-ink pb-1.5 font-semibold" :class="COLUMNS">
      <span>Pages</span>
      <span v-for="region in REGIONS" :key="region">{{ REGION_NAMES[region] }}</span>
    </div>
    <p v-if="!map.table" class="py-6 text-soft" role="status">Working out every page…</p>
    <p v-else-if="rows.length === 0" class="py-6 text-soft">
      No page has “{{ map.filter }}” in its name or address.
      <button type="button" class="text-ink underline" @click="map.filter = ''">Show all</button>
    </p>
    <div ref="box" class="min-h-0 flex-1 overflow-y-auto pb-6" tabindex="-1" data-testid="rows">
      <div class="relative" :style="{ height: `${virtual.getTotalSize()}px` }">
        <div
          v-for="item in shown"
          :key="rows[item.index]!.key"
          :data-index="item.index"
          class="absolute inset-x-0 grid"
          :class="COLUMNS"
          :style="{ transform: `translateY(${item.start}px)`, height: `${ROW}px` }"
        >
          <MapRowName
            :row="rows[item.index]!"
            :selected="inHand.has(rows[item.index]!.key)"
            :open="isOpen(rows[item.index]!)"
            @select="select(rows[item.index]!, extends_($event))"
            @fold="fold(rows[item.index]!)"
            @keydown="onKey($event, item.index)"
          />
          <MapStrip
            v-for="(region, r) in REGIONS"
            :key="region"
            :rows="rows"
            :index="item.index"
            :region="r"
            :selected="inHand.has(rows[item.index]!.key) && (!map.selection?.region || map.selection.region === region)"
            :changed="isChanged(rows[item.index]!, r)"
            :first="item.index === shown[0]!.index"
            @select="select(rows[item.index]!, extends_($event), region)"
          />
        </div>
      </div>
    </div>
  </div>
</template>
