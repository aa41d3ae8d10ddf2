<script setup lang="ts">
import type { Column, Row } from '#core/tree'

/** What a row or a column gives what stands in it; closed until it is asked for, or gives something. */
const props = defineProps<{ box: Row | Column }>()
const open = ref(props.box.gives !== undefined)
const count = computed(() =>
  Object.values(props.box.gives ?? {}).reduce((sum, styles) => sum + Object.keys(styles).length, 0),
)
</script>

<template>
  <section class="border-t py-1">
    <h3>
      <button
        type="button"
        class="flex w-full items-baseline justify-between py-1.5 text-start"
        :aria-expanded="open"
        @click="open = !open"
      >
        <span class="font-semibold">Looks of what stands in it</span>
        <span class="text-2xs text-soft">{{ count ? `${count} given` : 'nothing given' }}</span>
      </button>
    </h3>
    <div v-if="open" role="group" aria-label="Looks of what stands in it" class="mb-2 border-l-2 border-edge pl-3">
      <SheetGives :giver="box" typed="" />
    </div>
  </section>
</template>
