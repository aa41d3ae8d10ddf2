<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { REGIONS, type Region } from '#core/layouts'
import { type MapRow, mapRows } from '#core/frames'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

const ROW = 27

const map = useMap()
const site = useSite()
const box = ref<HTMLElement>()

const rows = computed<MapRow[]>(() =>
  site.catalogue && map.table
    ? mapRows(map.groups, site.catalogue, map.table, { open: map.unfolded, filter: map.filter })
    : [],
)
const virtual = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => box.value ?? null,
    estimateSize: () => ROW,
    overscan: 12,
  })),
)
const shown = computed(() => virtual.value.getVirtualItems())
const changed = computed(() => {
  const marks = new Set<string>()
  for (const { page, region } of map.impact) marks.add(`${page} ${region}`)
  return marks
})

const REGION_NAMES: Record<Region, string> = { header: 'Header', intro: 'Intro', body: 'Body', footer: 'Footer' }
const pageCount = computed(() => site.catalogue?.pages.length ?? 0)

function select(row: MapRow) {
  const page = site.catalogue!.pages[row.sample]
  map.selected = page ? { row: row.key, page: page.key } : null
}
function fold(row: MapRow) {
  if (map.unfolded.has(row.key)) map.unfolded.delete(row.key)
  else map.unfolded.add(row.key)
}
function isChanged(row: MapRow, region: Region): boolean {
  return row.pages.some((p) => changed.value.has(`${p} ${region}`))
}
const isSelected = (row: MapRow) => map.selected?.row === row.key

/** Arrow keys move through the rows; left and right fold and unfold. */
function onKey(event: KeyboardEvent, index: number) {
  const row = rows.value[index]!
  if (event.key === 'ArrowRight' && row.kind === 'group' && !map.unfolded.has(row.key)) return fold(row)
  if (event.key === 'ArrowLeft' && row.kind === 'group' && map.unfolded.has(row.key)) return fold(row)
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (!by) return
  event.preventDefault()
  let next = index + by
  while (rows.value[next]?.kind === 'heading') next += by
  const target = rows.value[next]
  if (!target) return
  select(target)
  virtual.value.scrollToIndex(next)
  void nextTick(() => box.value?.querySelector<HTMLElement>(`[data-index="${next}"] button[data-row]`)?.focus())
}
</script>

<template>
  <div class="flex flex-col px-4.5 pt-3">
    <div class="mb-2 flex items-baseline gap-3">
      <h1 class="made whitespace-nowrap text-lg">{{ pageCount }} pages</h1>
      <p class="min-w-0 truncate text-xs text-soft max-xl:hidden">
        Each strip is one layout; a break in it is an exception.
      </p>
      <input
        v-model="map.filter"
        type="search"
        class="input ml-auto max-w-56"
        placeholder="Find a page"
        aria-label="Find a page by name or address"
      />
    </div>
    <div
      class="grid grid-cols-[minmax(150px,1.9fr)_repeat(4,minmax(0,1fr))] gap-x-2.5 border-b border-ink pb-1.5 font-semibold"
    >
      <span>Pages</span>
      <span v-for="region in REGIONS" :key="region">{{ REGION_NAMES[region] }}</span>
    </div>
    <p v-if="!map.table" class="py-6 text-soft" role="status">Working out every page…</p>
    <p v-else-if="rows.length === 0" class="py-6 text-soft">No page has “{{ map.filter }}” in its name or address.</p>
    <div ref="box" class="min-h-0 flex-1 overflow-y-auto pb-6" tabindex="-1">
      <div class="relative" :style="{ height: `${virtual.getTotalSize()}px` }">
        <div
          v-for="item in shown"
          :key="rows[item.index]!.key"
          :data-index="item.index"
          class="absolute inset-x-0 grid grid-cols-[minmax(150px,1.9fr)_repeat(4,minmax(0,1fr))] gap-x-2.5"
          :style="{ top: `${item.start}px`, height: `${ROW}px` }"
        >
          <MapRowName
            :row="rows[item.index]!"
            :selected="isSelected(rows[item.index]!)"
            :open="map.unfolded.has(rows[item.index]!.key) || map.filter !== ''"
            @select="select(rows[item.index]!)"
            @fold="fold(rows[item.index]!)"
            @keydown="onKey($event, item.index)"
          />
          <MapStrip
            v-for="(region, r) in REGIONS"
            :key="region"
            :rows="rows"
            :index="item.index"
            :region="r"
            :selected="isSelected(rows[item.index]!)"
            :changed="isChanged(rows[item.index]!, region)"
            :first="item.index === shown[0]!.index"
            @select="select(rows[item.index]!)"
          />
        </div>
      </div>
    </div>
  </div>
</template>
