<script setup lang="ts">
import type { DisplayRule } from '#core/design'
import { REGIONS } from '#core/tree'
import { useChecks } from '~/stores/checks'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'

const props = defineProps<{ frame: DisplayRule; equals?: boolean }>()
defineEmits<{ nudge: [by: number] }>()

const map = useMap()
const design = useDesign()
const checks = useChecks()
const open = computed(() => map.edit?.frame.id === props.frame.id)
/** A word joiner keeps the question mark of a parameter and its name on one line. */
const sentence = computed(() => map.labelOf(props.frame.id).replace(/\?(?=\w)/g, '?\u2060'))
const reach = computed(() => map.reachOfFrame.get(props.frame.id) ?? 0)
const says = computed(() =>
  REGIONS.flatMap((region) => {
    const say = props.frame.regions[region]
    if (say.kind === 'pass') return []
    return say.kind === 'empty' ? `${region} left empty` : `${region}: ${design.layoutName(say.layout)}`
  }),
)
</script>

<template>
  <article
    class="border bg-raised"
    :class="[open ? 'border-ink' : 'border-rule', !frame.on && 'border-dashed']"
    :data-frame="frame.id"
  >
    <button
      type="button"
      class="block w-full px-2.5 py-2 text-start"
      :aria-expanded="open"
      :disabled="!open && map.edit !== null"
      :title="!open && map.edit ? 'Keep or drop the open edit first' : undefined"
      @click="open || map.beginEdit(frame.id)"
    >
      <span class="flex items-baseline justify-between gap-2">
        <span class="min-w-0 break-words font-medium leading-snug">{{ sentence }}</span>
        <span
          class="shrink-0 font-mono text-2xs text-soft"
          :title="frame.on ? `decides something on ${reach} pages` : 'switched off'"
          >{{ frame.on ? reach : 'off' }}</span
        >
      </span>
      <span class="mt-1 flex flex-wrap gap-x-3 text-xs text-soft">
        <span v-for="say in says" :key="say">{{ say }}</span>
        <span v-if="says.length === 0">says nothing yet</span>
      </span>
    </button>
    <FindingMarks v-if="!open" class="px-2.5 pb-2" :findings="checks.byFrame.get(frame.id)" />
    <div v-if="open && equals" class="flex items-center gap-1 px-2.5 pb-1.5 text-xs text-soft">
      Among its equals:
      <button type="button" class="btn btn-small" @click="$emit('nudge', -1)">higher</button>
      <button type="button" class="btn btn-small" @click="$emit('nudge', 1)">lower</button>
    </div>
    <FrameEditor v-if="open && map.edit" v-model="map.edit.frame" :is-new="map.edit.revision === 0" />
  </article>
</template>
