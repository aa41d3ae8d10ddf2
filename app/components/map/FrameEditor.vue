<script setup lang="ts">
import { type Frame, type Target, targetName } from '#core/frames'
import { REGIONS, type Region } from '#core/layouts'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useNotices } from '~/stores/notices'

const frame = defineModel<Frame>({ required: true })
defineProps<{ isNew: boolean }>()

const map = useMap()
const design = useDesign()
const notices = useNotices()

const REGION_NAMES: Record<Region, string> = { header: 'Header', intro: 'Intro', body: 'Body', footer: 'Footer' }
const layoutsFor = (region: Region) => design.layouts.filter((l) => l.layout.region === region).map((l) => l.layout)

function add(list: 'covers' | 'except', target: Target) {
  frame.value[list].push(target)
}
function sayValue(region: Region): string {
  const say = frame.value.regions[region]
  return say.kind === 'use' ? `use:${say.layout}` : say.kind
}
function setSay(region: Region, value: string) {
  frame.value.regions[region] = value.startsWith('use:')
    ? { kind: 'use', layout: value.slice(4) }
    : { kind: value as 'empty' | 'pass' }
}

async function remove() {
  const { id } = frame.value
  map.drop()
  const removed = await notices.attempt(() => design.removeFrame(id))
  if (!removed) return
  notices.say('The frame is removed from the draft.', {
    label: 'Put it back',
    run: () => void notices.attempt(() => design.putFrame(removed.frame, removed.revision)),
  })
}
</script>

<template>
  <div class="border-t px-2.5 pb-2.5 pt-2">
    <div v-for="list in ['covers', 'except'] as const" :key="list" class="mb-2 grid grid-cols-[58px_1fr] gap-x-1">
      <span class="pt-1 text-xs text-soft">{{ list === 'covers' ? 'Covers' : 'Except' }}</span>
      <ul class="flex flex-wrap gap-1">
        <li
          v-for="(target, i) in frame[list]"
          :key="i"
          class="flex max-w-full items-center border border-edge bg-board"
        >
          <span class="min-w-0 truncate px-1.5 py-0.5">{{ map.names ? targetName(target, map.names) : '' }}</span>
          <button
            type="button"
            class="px-1.5 py-0.5 hover:bg-rule"
            :aria-label="`Take away ${map.names ? targetName(target, map.names) : 'target'}`"
            @click="frame[list].splice(i, 1)"
          >
            ×
          </button>
        </li>
        <li>
          <TargetPicker
            :label="list === 'covers' ? 'Add what it covers' : 'Add an exception'"
            @pick="add(list, $event)"
          />
        </li>
      </ul>
    </div>
    <div v-for="region in REGIONS" :key="region" class="mb-1 grid grid-cols-[58px_1fr] items-center gap-x-1">
      <span class="text-xs text-soft">{{ REGION_NAMES[region] }}</span>
      <select
        class="input"
        :aria-label="REGION_NAMES[region]"
        :value="sayValue(region)"
        @change="setSay(region, ($event.target as HTMLSelectElement).value)"
      >
        <option value="pass">no say</option>
        <option value="empty">left empty</option>
        <option v-for="layout in layoutsFor(region)" :key="layout.id" :value="`use:${layout.id}`">
          {{ layout.name }}
        </option>
      </select>
    </div>
    <p v-if="frame.covers.length === 0" class="mt-2 text-xs text-soft">It covers no page yet, so it decides nothing.</p>
    <div class="mt-2.5 flex justify-between">
      <label class="flex items-center gap-1.5"
        ><input v-model="frame.on" type="checkbox" class="accent-ink" /> on</label
      >
      <button v-if="!isNew" type="button" class="btn btn-small" @click="remove">Remove frame</button>
    </div>
  </div>
</template>
