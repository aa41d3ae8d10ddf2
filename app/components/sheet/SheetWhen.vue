<script setup lang="ts">
import type { Condition } from '#core/conditions'
import type { Refinement } from '#core/targets'
import { setWhenOfAll } from '#core/editor'
import { settingKey } from '#core/layouts'
import type { Page } from '#core/model'
import type { TreeNode } from '#core/tree'
import { useBench } from '~/stores/bench'
import { usePieces } from '~/stores/pieces'

/** Shown when: what must hold for a thing to be drawn, by the same tests that frames have. */
const props = defineProps<{ node: TreeNode; page: Page }>()

const bench = useBench()
const pieces = usePieces()
const { words, holdsNow } = useConditions()
const adding = ref(false)
const conditions = computed(() => props.node.when ?? [])

function set(next: Condition[]) {
  bench.apply(setWhenOfAll(pieces.inside ? bench.tree! : bench.layout!, bench.chosen, next))
}
function add(condition: Condition) {
  adding.value = false
  set([...conditions.value, condition])
}
const addTest = (refinement: Refinement) =>
  (refinement.kind === 'field' || refinement.kind === 'term') && add(refinement)
/** How many entries a page lists is asked for where it lists any. */
const COUNTS: { label: string; condition: Condition }[] = [
  { label: '+ there are entries', condition: { kind: 'count', least: 1, most: null } },
  { label: '+ there are none', condition: { kind: 'count', least: null, most: 0 } },
]
const lists = computed(() => !props.page.entry)
</script>

<template>
  <section class="border-t py-2.5" aria-label="Shown when">
    <h3 class="mb-1.5 font-semibold">Shown when</h3>
    <p v-if="conditions.length === 0" class="mb-1 text-xs text-soft">
      Always. Ask for something, and it shows only then.
    </p>
    <ul class="space-y-1">
      <li v-for="(condition, i) in conditions" :key="i" class="flex items-center border border-edge bg-board">
        <span class="min-w-0 flex-1 px-1.5 py-0.5 [overflow-wrap:anywhere]">{{ words(condition) }}</span>
        <span v-if="!holdsNow(condition)" class="shrink-0 px-1 text-2xs text-spot-deep">not now</span>
        <button
          type="button"
          class="px-1.5 py-0.5 hover:bg-rule"
          :aria-label="`Take away: ${words(condition)}`"
          @click="set(conditions.filter((_, k) => k !== i))"
        >
          ×
        </button>
      </li>
    </ul>
    <OwnMark :of="settingKey({ kind: 'setWhen', id: node.id, when: [] })" label="When it is shown" />
    <CircumstanceForm v-if="adding" class="mt-1" @add="add" @close="adding = false" />
    <div v-else-if="bench.mayEdit" class="mt-1 space-y-1">
      <button
        type="button"
        class="border border-dashed border-edge px-1.5 py-0.5 text-xs text-soft hover:border-ink hover:text-ink"
        @click="adding = true"
      >
        + visitor, device, address, dates
      </button>
      <RefinementPicker :type="page.type ?? null" fields @pick="addTest" />
      <template v-if="lists">
        <button
          v-for="{ label, condition } in COUNTS"
          :key="label"
          type="button"
          class="px-1.5 py-0.5 text-xs text-soft hover:text-ink"
          @click="add(condition)"
        >
          {{ label }}
        </button>
      </template>
    </div>
  </section>
</template>
