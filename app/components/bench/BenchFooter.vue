<script setup lang="ts">
import { nodeName } from '#core/elements'
import { type TreeNode, pathTo } from '#core/tree'
import { describeEdit, isPlace, pathIn, pieceOf, placeOfPath } from '#core/layouts'
import { counted } from '#core/text'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'
import { usePieces } from '~/stores/pieces'

defineEmits<{ keys: [] }>()

const bench = useBench()
const design = useDesign()
const pieces = usePieces()
/** What is of a piece stands in its place, and in the rows and columns of the piece. */
const path = computed((): TreeNode[] => {
  if (!bench.layout || !bench.selected) return []
  const at = placeOfPath(bench.selected)
  if (!at) return pathTo(bench.layout, bench.selected)
  const inside = pathTo(bench.tree!, bench.selected).filter((n) => n.id.startsWith(pathIn(at.place, '')))
  return [...pathTo(bench.layout, at.place), ...inside]
})
const SAVE = {
  saved: 'Saved',
  saving: 'Saving…',
  waiting: 'Waiting for the server; your work is kept here',
  stopped: 'Not saved; your work is kept here',
}
const HINTS = [
  { keys: ['A'], does: 'add' },
  { keys: ['D'], does: 'duplicate' },
  { keys: ['X'], does: 'remove' },
  { keys: ['Alt ↑↓'], does: 'move' },
  { keys: ['[', ']'], does: 'width' },
]

function nameOf(node: TreeNode, i: number): string {
  if (isPlace(node)) return design.layoutName(pieceOf(node) ?? '')
  if (node.name || node.kind !== 'column') return nodeName(node)
  const row = path.value[i - 1]
  return `Column ${row?.kind === 'row' ? row.children.findIndex((c) => c.id === node.id) + 1 : ''}`
}
</script>

<template>
  <footer class="shrink-0 bg-ink text-[#d5d3cc]">
    <div
      v-if="bench.saving === 'stopped'"
      class="flex items-center gap-4 border-b border-[#44484f] px-3.5 py-1.5"
      role="alert"
    >
      <p class="min-w-0 flex-1">{{ bench.stopped }}</p>
      <button type="button" class="underline" @click="bench.tryAgain">Try again</button>
    </div>
    <div v-if="bench.aside.length" class="flex items-center gap-4 border-b border-[#44484f] px-3.5 py-1.5" role="alert">
      <p class="min-w-0 flex-1">
        {{ counted(bench.aside.length, 'edit') }} could not be kept:
        <span v-for="(a, i) in bench.aside" :key="i"
          >{{ i ? '; ' : '' }}{{ describeEdit(a.edit, bench.layout!) }} ({{ a.problem.sentence }})</span
        >
      </p>
      <button type="button" class="underline" @click="bench.understood">Understood</button>
    </div>
    <BenchContests />
    <div class="flex h-7 items-center gap-4 px-3.5 text-xs">
      <nav
        aria-label="Path to the selection"
        data-keys
        class="flex min-w-0 items-center gap-1.5 overflow-hidden whitespace-nowrap"
      >
        <button type="button" class="hover:text-white" @click="bench.selected = null">{{ bench.layout!.name }}</button>
        <template v-for="(node, i) in path" :key="node.id">
          <span aria-hidden="true">›</span>
          <button
            type="button"
            class="truncate hover:text-white"
            :class="i === path.length - 1 && 'font-semibold text-white'"
            @click="bench.selected = node.id"
          >
            {{ nameOf(node, i) }}
          </button>
        </template>
      </nav>
      <div class="ml-auto flex shrink-0 items-center gap-3 max-lg:hidden">
        <template v-if="bench.selected">
          <span v-for="hint in HINTS" :key="hint.does" class="flex items-center gap-1">
            <span v-for="key in hint.keys" :key="key" class="kbd">{{ key }}</span> {{ hint.does }}
          </span>
        </template>
        <button type="button" class="flex items-center gap-1 hover:text-white" @click="$emit('keys')">
          <span class="kbd">?</span> all keys
        </button>
      </div>
      <span
        role="status"
        class="shrink-0 max-lg:ml-auto"
        :class="(bench.saving === 'waiting' || bench.saving === 'stopped') && 'font-semibold text-white'"
        >{{ SAVE[bench.saving === 'saved' ? pieces.saving : bench.saving] }}</span
      >
    </div>
  </footer>
</template>
