<script setup lang="ts">
import { carriedBy } from '#core/formats'
import { BARE_DESIGN } from '#core/design'
import { treesOf } from '#core/layouts'
import { type PartKey, comesAlong } from '#core/releases'
import { isVariation } from '#core/tree'
import { counted } from '#core/text'
import { useDesign } from '~/stores/design'

/** Some layouts on their way to another site: which, whether variations come with what they follow, and what comes along. */
const emit = defineEmits<{ close: [] }>()

const design = useDesign()
const chosen = ref<string[]>([])
const alone = ref(false)
const NOTHING = { ...BARE_DESIGN, menus: [] }
const along = computed(() => {
  const { design: all, trees } = design
  const layouts = alone.value ? all.layouts.map((l) => trees.madeOf(l).made) : all.layouts
  const keys = new Set(chosen.value.map((id): PartKey => `layout ${id}`))
  const others = comesAlong(NOTHING, { ...all, layouts, menus: [] }, keys).filter(({ key }) => key !== 'house')
  const ids = new Set([...chosen.value, ...others.map(({ key }) => key.split(' ')[1]!)])
  const taken = layouts.filter((l) => ids.has(l.id))
  const carried = carriedBy(taken, treesOf({ layouts }), all.house)
  return [
    ...others.map(({ key }) => `“${design.layoutName(key.split(' ')[1]!)}”`),
    ...carried.looks.map((look) => `the look “${look.name}”`),
    ...(carried.colours.length > 0 ? [counted(carried.colours.length, 'colour')] : []),
    ...(carried.pictures.size > 0 ? [counted(carried.pictures.size, 'picture')] : []),
  ]
})
const hasVariations = computed(() =>
  chosen.value.some((id) => {
    const layout = design.layoutById.get(id)?.layout
    return layout && isVariation(layout)
  }),
)
const address = computed(
  () => `/api/parcel?layouts=${chosen.value.map(encodeURIComponent).join(',')}${alone.value ? '&alone=yes' : ''}`,
)
</script>

<template>
  <ModalSheet title="Take some layouts away" @close="$emit('close')">
    <p class="mb-1.5 flex gap-3 text-xs">
      <button type="button" class="text-soft underline" @click="chosen = design.layouts.map((l) => l.layout.id)">
        Choose all
      </button>
      <button type="button" class="text-soft underline" @click="chosen = []">Choose none</button>
    </p>
    <ul class="max-h-[46vh] overflow-y-auto border-y">
      <li v-for="{ layout } in design.layouts" :key="layout.id" class="border-b py-1.5 last:border-b-0">
        <label class="flex items-baseline gap-3">
          <input v-model="chosen" type="checkbox" class="accent-ink" :value="layout.id" />
          <span class="made min-w-0 flex-1 break-words text-base leading-snug">{{ layout.name }}</span>
          <span class="text-xs text-soft">{{ layout.region }}</span>
        </label>
      </li>
    </ul>
    <label v-if="hasVariations" class="mt-3 flex items-baseline gap-2">
      <input v-model="alone" type="checkbox" class="accent-ink" />
      Variations come standing alone, without what they follow
    </label>
    <p v-if="along.length" class="mt-3 bg-board p-2 text-xs" role="status">
      Comes along, since it is needed: {{ along.join(', ') }}.
    </p>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Not now</button>
      <a v-if="chosen.length" class="btn btn-spot" :href="address" download @click="emit('close')"
        >Take {{ counted(chosen.length, 'layout') }} away</a
      >
    </template>
  </ModalSheet>
</template>
