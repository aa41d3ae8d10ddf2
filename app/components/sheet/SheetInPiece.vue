<script setup lang="ts">
import { placeOfPath } from '#core/layouts'
import type { Fill } from '#core/tree'
import { counted } from '#core/text'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'
import { usePieces } from '~/stores/pieces'

/** Something of a piece in hand: whether what is changed holds here alone, or wherever the piece stands. */
const props = defineProps<{ path: string }>()

const bench = useBench()
const design = useDesign()
const pieces = usePieces()
const name = computed(() => design.layoutName(pieces.inside!.piece))
const reach = computed(() => pieces.reachOf(pieces.inside!.piece))
const own = computed<Fill[]>(() => {
  const at = placeOfPath(props.path)!
  return (pieces.place?.fills ?? []).filter((f) => f.id === at.inside)
})
const WAYS = [
  { value: 'here', label: 'here only' },
  { value: 'piece', label: 'in the piece' },
] as const
function pick(way: (typeof WAYS)[number]['value']) {
  if (way === 'here') pieces.leave()
  else void pieces.enter()
}
</script>

<template>
  <div class="border-t py-2 text-xs" data-testid="in-piece">
    <p class="mb-1.5">
      Stands in the piece
      <button type="button" class="underline" @click="bench.choose(placeOfPath(path)!.place)">{{ name }}</button>. What
      you change holds
    </p>
    <ToggleRow label="Where a change holds" :options="WAYS" :value="pieces.isEntered ? 'piece' : 'here'" @pick="pick" />
    <p class="mt-1.5" :class="pieces.isEntered ? 'bg-wash p-1.5' : 'text-soft'" role="status">
      <template v-if="pieces.isEntered">
        It changes in {{ counted(reach.layouts.length, 'layout') }}, on {{ counted(reach.pages, 'page') }}, wherever
        nothing else is said.
      </template>
      <template v-else>Words can be said here where the piece leaves them open; looks always.</template>
    </p>
    <p v-if="own.length && !pieces.isEntered" class="mt-1.5 flex items-baseline justify-between gap-2">
      <span class="font-semibold">{{ counted(own.length, 'thing') }} said here</span>
      <button type="button" class="shrink-0 font-medium text-spot-deep hover:underline" @click="pieces.unsay(own)">
        as the piece
      </button>
    </p>
  </div>
</template>
