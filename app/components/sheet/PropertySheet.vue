<script setup lang="ts">
import { giverOf, givenTo, kindName, looksAskedOf, looksGiven, propertiesOf } from '#core/elements'
import { type LooksKey, type WidthStep, type StyleValue, type Styles, type TreeNode, looksOf, pathTo } from '#core/tree'
import type { Page } from '#core/model'
import { findByWords, counted } from '#core/text'
import { isPlace, settingKey } from '#core/layouts'
import { setStyleOfAll, together } from '#core/editor'
import { STYLE_GROUPS, cascade, stylePropertiesOn } from '#core/styles'
import { useBench } from '~/stores/bench'
import { useChecks } from '~/stores/checks'
import { useDesign } from '~/stores/design'
import { usePieces } from '~/stores/pieces'
import { useSession } from '~/stores/session'

/** Everything that can be said about the thing in hand, as one list that can be searched. */
defineProps<{ page: Page }>()
defineEmits<{ leave: [] }>()

const bench = useBench()
const design = useDesign()
const pieces = usePieces()
const checks = useChecks()
const session = useSession()
const typed = ref('')
const root = ref<HTMLElement>()
/** What is of a piece is shown as the piece says it once that was entered, else as it is drawn here. */
const node = computed<TreeNode | undefined>(() => {
  const last = bench.nodes.at(-1)
  return last && pieces.isEntered && pieces.inPiece ? { ...pieces.inPiece, id: last.id } : last
})
/** The place of a piece; and something of one, of which only what the place may say is asked. */
const isPiece = computed(() => node.value !== undefined && isPlace(node.value) && bench.nodes.length === 1)
const mayShare = computed(
  () =>
    bench.mayEdit &&
    bench.nodes.length === 1 &&
    !isPiece.value &&
    !pieces.inside &&
    (node.value?.kind === 'row' || node.value?.kind === 'element'),
)
const saidHere = computed(() => pieces.inside !== null && !pieces.isEntered)
/** Several things in hand are asked together for what they have in common. */
const alike = computed(() => bench.nodes.every((n) => sortOf(n) === sortOf(node.value!)))
const sortOf = (n: TreeNode) => (n.kind === 'element' || n.kind === 'place' ? `${n.kind} ${n.type}` : n.kind)
const title = computed(() => {
  if (!node.value) return 'Layout'
  return bench.nodes.length > 1 ? `${bench.nodes.length} things` : kindName(node.value)
})
const whereabouts = computed(() => {
  if (!node.value || !bench.layout) return ''
  if (bench.nodes.length > 1) return alike.value ? `each ${kindName(node.value).toLowerCase()}` : 'of different kinds'
  const path = pathTo(pieces.inside ? bench.tree! : bench.layout, node.value.id)
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
  return (
    findByWords(Object.values(says), typed.value, (p) => p.label).length === 0 &&
    findByWords(
      asked.value,
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
const looksIn = (n: TreeNode): Styles =>
  at.value === '' ? n.styles : (n.kind === 'element' && n.looks?.[at.value]) || {}
const own = computed<Styles>(() => (!node.value ? {} : saidHere.value ? saidLooks.value : looksIn(node.value)))
/** Looks that the place of a piece says itself. */
const saidLooks = computed<Styles>(() => {
  const found: Styles = {}
  for (const fill of pieces.place?.fills ?? [])
    if (fill.kind === 'setStyle' && pieces.pathOf(fill.id) === node.value!.id && (fill.at ?? '') === at.value)
      if (fill.value !== null) (found[fill.property] ??= {})[fill.step] = fill.value
  return found
})
/** The named look that it has, in the place of what is given around it. */
const namedLook = computed(() => design.house.looks.find((l) => l.id === node.value?.look) ?? null)
/** What holds where nothing is set: what is given around it, and over that, at the place of a piece, what that says. */
const given = computed<Styles>(() => {
  const look = namedLook.value
  const from = look
    ? ((at.value ? look.looks[at.value] : look.styles) ?? {})
    : (looksGiven(givenTo(treeOf.value, node.value!.id), node.value!, at.value) ?? {})
  return saidHere.value && pieces.inPiece ? cascade(from, looksIn(pieces.inPiece)) : from
})
const treeOf = computed(() => (pieces.inside ? bench.tree! : bench.layout!))
/** Looks that several things in hand do not have alike. */
const several = computed(() => {
  const all = bench.nodes.map(looksIn)
  const names = new Set(all.flatMap((styles) => Object.keys(styles)))
  return new Set([...names].filter((n) => all.some((s) => JSON.stringify(s[n]) !== JSON.stringify(own.value[n]))))
})
/** Only what suits all that is in hand. */
const asked = computed(() => {
  if (looksOf(at.value).part) return stylePropertiesOn('part')
  const [first = [], ...others] = bench.nodes.map(looksAskedOf)
  return first.filter((p) => others.every((o) => o.includes(p)))
})
/** Who gives a look that is not set here. */
const giver = (property: string, step: WidthStep) =>
  saidHere.value && pieces.inPiece && looksIn(pieces.inPiece)[property]?.[step] !== undefined
    ? 'piece'
    : namedLook.value
      ? 'look'
      : giverOf(treeOf.value, node.value!, at.value, property, step).kind
function setStyle(values: { property: string; value: StyleValue | null }[]) {
  const edits = values.flatMap((v) => {
    const look = { step: bench.step, ...v, ...(at.value && { at: at.value }) }
    return setStyleOfAll(treeOf.value, bench.chosen, look) ?? []
  })
  bench.apply(together('set looks', edits))
}
/** By what a look of the thing in hand is known among own changes of a variation. */
const ownKey = (property: string) =>
  bench.nodes.length === 1
    ? settingKey({
        kind: 'setStyle',
        id: node.value!.id,
        ...(at.value && { at: at.value }),
        property,
        step: bench.step,
        value: null,
      })
    : null
/** Own looks that are set for this width alone. */
const atThisWidth = computed(() =>
  bench.step === 'wide' ? [] : Object.keys(own.value).filter((name) => own.value[name]![bench.step] !== undefined),
)
function clearWidth() {
  setStyle(atThisWidth.value.map((property) => ({ property, value: null })))
}
const notes = computed(() => checks.byNode.get(bench.selected ?? ''))
const STEP_WORDS: Record<WidthStep, string> = {
  wide: 'wide screens',
  medium: 'medium screens',
  narrow: 'narrow screens',
}

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
  <aside
    ref="root"
    class="flex min-h-0 flex-col border-l bg-sheet"
    aria-label="Properties"
    @keydown.esc="!$event.defaultPrevented && $emit('leave')"
  >
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
    <p v-if="!bench.mayEdit && session.mayDesign" class="border-y bg-board px-3.5 py-1.5 text-xs text-soft" role="note">
      You look at an earlier state.
    </p>
    <p v-else-if="!session.mayDesign" class="border-y bg-board px-3.5 py-1.5 text-xs text-soft" role="note">
      You may look at this layout. Designers and owners change it.
    </p>
    <fieldset
      :key="bench.chosen.join() || 'layout'"
      class="min-h-0 min-w-0 flex-1 overflow-y-auto px-3.5 pb-10"
      :disabled="!bench.mayEdit"
    >
      <SheetLayout v-if="!node" :typed="typed" />
      <template v-else>
        <FindingMarks class="mb-2" :findings="notes" />
        <SheetFollows v-if="bench.nodes.length === 1 && !typed.trim()" :id="node.id" />
        <SheetInPiece v-if="pieces.inside && bench.nodes.length === 1 && !typed.trim()" :path="node.id" />
        <SheetPiece v-if="isPiece && node.kind === 'element'" :place="node" :page="page" />
        <p v-if="nothingFound" class="border-t py-2.5 text-soft">Nothing here is called “{{ typed.trim() }}”.</p>
        <SheetSays v-if="alike && !isPiece" :node="node" :typed="typed" :page="page" data-says />
        <SheetShare v-if="mayShare && !typed.trim()" :key="`share ${node.id}`" :node="node" />
        <SheetRelated v-if="alike && !isPiece && !typed.trim()" :node="node" :page="page" />
        <SheetParts
          v-if="node.kind === 'element' && bench.nodes.length === 1 && !isPiece && !typed.trim()"
          v-model="at"
          :element="node"
        />
        <p v-if="atThisWidth.length" class="flex items-baseline justify-between border-t py-2 text-xs">
          <span>{{ counted(atThisWidth.length, 'look') }} set for {{ STEP_WORDS[bench.step] }} alone</span>
          <button type="button" class="font-medium text-spot-deep hover:underline" @click="clearWidth">Clear</button>
        </p>
        <SheetLooks
          v-if="bench.mayEdit && at === '' && !isPiece && !pieces.inside && !typed.trim()"
          :key="`looks ${node.id}`"
          :node="node"
        />
        <SheetStyles
          v-if="!isPiece"
          :key="at"
          :styles="own"
          :defaults="given"
          :giver="giver"
          :own-key="ownKey"
          :asked="asked"
          :several="several"
          :typed="typed"
          :node-id="at ? null : node.id"
          :step-words="STEP_WORDS[bench.step]"
          @set="setStyle"
        />
        <SheetWithin
          v-if="
            (node.kind === 'row' || node.kind === 'column') && bench.nodes.length === 1 && !saidHere && !typed.trim()
          "
          :key="`within ${node.id}`"
          :box="node"
        />
        <SheetWhen
          v-if="at === '' && !saidHere && (!typed.trim() || 'shown when'.includes(typed.trim().toLowerCase()))"
          :key="`when ${node.id}`"
          :node="node"
          :page="page"
        />
      </template>
    </fieldset>
  </aside>
</template>
