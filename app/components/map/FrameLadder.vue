<script setup lang="ts">
import { GROUPS, type Frame, type Group, groupOf } from '#core/frames'
import { useMap } from '~/stores/map'

const HEADINGS: Record<Group, string> = {
  outranking: 'Outranking all others',
  circumstances: 'Only in some circumstances',
  pages: 'Single pages',
  groups: 'Groups',
  types: 'Page types',
  kinds: 'Kinds of page',
  site: 'Whole site',
}

const map = useMap()
const byOrder = (a: Frame, b: Frame) => a.order - b.order || (a.id < b.id ? -1 : 1)
const groups = computed(() =>
  GROUPS.map((group) => ({ group, frames: map.triedFrames.filter((f) => groupOf(f) === group).sort(byOrder) })).filter(
    (g) => g.frames.length > 0,
  ),
)
const isNew = computed(() => map.edit?.revision === 0)
</script>

<template>
  <aside class="flex flex-col bg-board" aria-label="Ladder of frames">
    <div class="flex items-center justify-between px-3.5 pb-1 pt-3">
      <h2 class="made text-lg">Frames</h2>
      <button type="button" class="btn" :disabled="map.edit !== null" @click="map.beginNew()">Add frame</button>
    </div>
    <div class="min-h-0 flex-1 overflow-y-auto px-3.5 pb-6">
      <p v-if="groups.length === 0" class="mt-4 border border-dashed border-edge p-4 text-soft">
        A frame says on which pages a layout appears. There is none yet, so every page shows its plain body and nothing
        else. Make a header in Layouts, then add a frame for every page.
      </p>
      <FrameCard v-if="isNew && map.edit" :key="map.edit.frame.id" class="mt-3" :frame="map.edit.frame" />
      <template v-for="{ group, frames } in groups" :key="group">
        <h3
          class="mb-1.5 mt-3.5 flex items-center gap-2 text-xs font-medium text-soft after:h-px after:flex-1 after:border-t after:border-dashed after:border-edge"
        >
          {{ HEADINGS[group] }}
        </h3>
        <template v-for="frame in frames" :key="frame.id">
          <FrameCard v-if="!(isNew && frame.id === map.edit?.frame.id)" class="mb-1.5" :frame="frame" />
        </template>
      </template>
    </div>
  </aside>
</template>
