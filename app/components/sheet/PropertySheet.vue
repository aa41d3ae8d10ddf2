<script setup lang="ts">
import { kindName, propertiesOf } from '#core/elements'
import {
  type LooksKey,
  type Step,
  type StyleValue,
  type Styles,
  type TreeNode,
  defaultsKey,
  find,
  looksOf,
  pathTo,
} from '#core/tree'
import { type Page, findByWords } from '#core/site'
import { STYLE_GROUPS, stylePropertiesOn } from '#core/styles'
import { useBench } from '~/stores/bench'
import { useChecks } from '~/stores/checks'
import { useSession } from '~/stores/session'

/** Everything that can be said about the thing in hand, as one list that can be searched. */
defineProps<{ page: Page }>()

const bench = useBench()
const checks = useChecks()
const session = useSession()
const typed = ref('')
const root = ref<HTMLElement>()
const node = computed<TreeNode | undefined>(() =>
  bench.layout && bench.selected ? find(bench.layout, bench.selected)?.node : undefined,
)
const title = computed(() => (node.value ? kindName(node.value) : 'Layout'))
const whereabouts = computed(() => {
  if (!node.value || !bench.layout) return ''
  const path = pathTo(bench.layout, node.value.id)
  const row = path.filter((n) => n.kind === 'row' && n.id !== node.value!.id).at(-1)
  const column = path.filter((n) => n.kind === 'column' && n.id !== node.value!.id).at(-1)
  if (row?.kind !== 'row') return ''
  const number = row.children.findIndex((c) => c.id === (column?.id ?? node.value!.id)) + 1
  return `in ${row.name ?? 'a row'}, column ${number}`
})
/** A search that finds nothing says so. */
const nothingFound = computed(() => {
  if (!node.value || !typed.value.trim()) return false
  const says = propertiesOf(node.value)
  const styles = stylePropertiesOn(node.value.kind)
  return (
    findByWords(Object.values(says), typed.value, (p) => p.label).length === 0 &&
    findByWords(
      styles,
      typed.value,
      (p) => p.label,
      (p) => `${STYLE_GROUPS[p.group]} ${p.also ?? ''}`,
    ).length === 0
  )
})
/** Whose looks are in hand: those of the thing itself, of a part, of a state. */
const at = ref<LooksKey>('')
watch(
  () => bench.selected,
  () => (at.value = ''),
)
const own = computed<Styles>(() => {
  if (!node.value) return {}
  if (at.value === '') return node.value.styles
  return (node.value.kind === 'element' && node.value.looks?.[at.value]) || {}
})
function setStyle(property: string, value: StyleValue | null) {
  const edit = { kind: 'setStyle' as const, id: node.value!.id, property, step: bench.step, value }
  bench.apply(at.value ? { ...edit, at: at.value } : edit)
}
const notes = computed(() => checks.byNode.get(bench.selected ?? ''))
const STEP_WORDS: Record<Step, string> = { wide: 'wide screens', medium: 'medium screens', narrow: 'narrow screens' }

function focusFirst() {
  root.value
    ?.querySelector<HTMLElement>(
      '[data-says] input, [data-says] textarea, [data-says] [contenteditable=true], [data-says] button, [data-says] select',
    )
    ?.focus()
}
defineExpose({ focusFirst })
</script>

<template>
  <aside ref="root" class="flex min-h-0 flex-col border-l bg-sheet" aria-label="Properties">
    <div class="px-3.5 pb-2 pt-3">
      <h2 class="flex min-w-0 items-baseline gap-2">
        <span class="made text-base">{{ title }}</span>
        <span class="truncate text-xs text-soft">{{ whereabouts }}</span>
      </h2>
      <input
        v-model="typed"
        type="search"
        class="input mt-2"
        placeholder="Find a property"
        aria-label="Find a property"
      />
    </div>
    <p v-if="!session.mayDesign" class="border-y bg-board px-3.5 py-1.5 text-xs text-soft" role="note">
      You may look at this layout. Designers and owners change it.
    </p>
    <fieldset
      :key="bench.selected ?? 'layout'"
      class="min-h-0 min-w-0 flex-1 overflow-y-auto px-3.5 pb-10"
      :disabled="!session.mayDesign"
    >
      <SheetLayout v-if="!node" :typed="typed" />
      <template v-else>
        <FindingMarks class="mb-2" :findings="notes" />
        <p v-if="nothingFound" class="border-t py-2.5 text-soft">Nothing here is called “{{ typed.trim() }}”.</p>
        <SheetSays :node="node" :typed="typed" :page="page" data-says />
        <SheetParts v-if="node.kind === 'element' && !typed.trim()" v-model="at" :element="node" />
        <SheetStyles
          :key="at"
          :styles="own"
          :defaults="bench.layout!.defaults[defaultsKey(node.kind === 'element' ? node.type : node.kind, at)] ?? {}"
          :owner="looksOf(at).part ? 'part' : node.kind"
          :typed="typed"
          :node-id="at ? null : node.id"
          :step-words="STEP_WORDS[bench.step]"
          @set="setStyle"
        />
      </template>
    </fieldset>
  </aside>
</template>
