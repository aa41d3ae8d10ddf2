<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { LayoutElement, Property, Row, TreeNode, Value } from '#core/tree'
import { elementSpec, isAskedFor, propertiesOf, typesListed } from '#core/elements'
import { changeKey, settingKey } from '#core/layouts'
import { readSpans, setColumns, setPropertyOfAll } from '#core/editor'
import type { Page } from '#core/model'
import { findByWords } from '#core/text'
import { useBench } from '~/stores/bench'
import { useFollowing } from '~/stores/following'
import { usePieces } from '~/stores/pieces'

const props = defineProps<{ node: TreeNode; typed: string; page: Page }>()

const bench = useBench()
const following = useFollowing()
const pieces = usePieces()
const { split, merge, duplicate } = useBenchActions()
provide(
  LISTED_TYPES,
  computed(() => (props.node.kind === 'element' ? typesListed(props.node) : [])),
)
const specs = computed<Record<string, Property>>(() => propertiesOf(props.node))
const asked = computed(() =>
  Object.entries(specs.value).filter(([, p]) => isAskedFor(p, props.node.props, specs.value)),
)
const found = computed(() =>
  findByWords(asked.value, props.typed, ([, p]) => p.label).filter(([name]) => !saidHere.value || isOpen(name)),
)
/** Of something of a piece only what its place may say. */
const saidHere = computed(() => pieces.inside !== null && !pieces.isEntered)
const isOpen = (property: string) => props.node.open?.includes(property) ?? false
/** In a piece, each value can be left to the places of it. */
const inPiece = computed(() => ids.value.length === 1 && (bench.layout!.region === 'piece' || pieces.isEntered))
const mayChange = computed(() => !saidHere.value && !(pieces.inside && props.node.kind === 'row'))
const showRest = computed(() => !props.typed.trim())
const PRESETS = [[12], [6, 6], [4, 8], [8, 4], [5, 7], [7, 5], [4, 4, 4], [3, 3, 3, 3], [3, 6, 3]]
const spans = computed(() => (props.node.kind === 'row' ? props.node.children.map((c) => c.span).join(' + ') : ''))
const spansRefused = ref('')

const placesOf = (element: LayoutElement) => elementSpec(element.type)?.places

const ownKey = (property: string) =>
  bench.nodes.length === 1 ? settingKey({ kind: 'setProperty', id: props.node.id, property }) : null
/** Values of items that are its own, each by itself. */
const ownInItems = (list: string): string[] =>
  (following.byThing.get(props.node.id) ?? []).flatMap((c) =>
    c.kind === 'set' && c.edit.kind === 'setProperty' && c.edit.within?.items === list ? [changeKey(c)] : [],
  )
const ids = computed(() => (bench.chosen.length > 1 ? bench.chosen : [props.node.id]))
/** Of several things in hand, whether they do not say the same. */
const several = (property: string) =>
  bench.nodes.length > 1 &&
  bench.nodes.some((n) => JSON.stringify(n.props[property]) !== JSON.stringify(props.node.props[property]))

function set(property: string, value: Value | undefined) {
  bench.apply(setPropertyOfAll(pieces.inside ? bench.tree! : bench.layout!, ids.value, property, value))
}
function rename(name: string) {
  if (name.trim() !== (props.node.name ?? '')) bench.apply({ kind: 'rename', id: props.node.id, name: name.trim() })
}
function setSpans(list: number[]) {
  spansRefused.value = ''
  bench.apply(setColumns(bench.layout!, props.node.id, list, () => nanoid(12)))
}
function typeSpans(text: string) {
  const read = readSpans(text)
  spansRefused.value = typeof read === 'string' ? read : ''
  if (typeof read !== 'string') setSpans(read)
}
const isPreset = (list: number[]) =>
  props.node.kind === 'row' && (props.node as Row).children.map((c) => c.span).join() === list.join()
</script>

<template>
  <section v-if="showRest || found.length" class="border-t py-2.5">
    <h3 v-if="node.kind === 'element' || node.kind === 'place'" class="mb-1.5 font-semibold">Says</h3>
    <p v-if="saidHere && found.length === 0" class="text-xs text-soft">
      What it says is the piece’s: nothing of it is left open.
    </p>
    <div v-if="node.kind === 'row' && showRest && mayChange" class="mb-2">
      <h3 class="mb-1.5 font-semibold">Columns</h3>
      <div class="mb-1.5 grid grid-cols-5 gap-1">
        <button
          v-for="list in PRESETS"
          :key="list.join()"
          type="button"
          class="grid h-6 grid-cols-12 gap-px border bg-raised p-0.5 hover:border-ink"
          :class="isPreset(list) ? 'border-ink' : 'border-rule'"
          :aria-label="`Columns ${list.join(' + ')}`"
          :aria-pressed="isPreset(list)"
          :title="list.join(' + ')"
          @click="setSpans(list)"
        >
          <span v-for="(s, i) in list" :key="i" class="bg-board" :style="{ gridColumn: `span ${s}` }" />
        </button>
      </div>
      <label class="grid grid-cols-[88px_1fr] items-center">
        <span class="text-soft">Spans</span>
        <input
          class="input font-mono text-xs"
          :value="spans"
          aria-label="Spans of the columns"
          @change="typeSpans(($event.target as HTMLInputElement).value)"
        />
      </label>
      <p v-if="spansRefused" class="mt-1 bg-wash p-1.5 text-xs" role="alert">{{ spansRefused }}</p>
    </div>
    <div
      v-if="node.kind === 'column' && showRest && !pieces.inside"
      class="mb-2 grid grid-cols-3 gap-1"
      role="group"
      aria-label="Column"
    >
      <button type="button" class="btn btn-small justify-center" title="Part it in two (S)" @click="split">
        Split
      </button>
      <button type="button" class="btn btn-small justify-center" title="Make it one with the next (M)" @click="merge">
        Merge
      </button>
      <button type="button" class="btn btn-small justify-center" title="Copy it with all in it (D)" @click="duplicate">
        Duplicate
      </button>
    </div>
    <template v-for="[name, property] in found" :key="name">
      <AskItems v-if="property.kind === 'items'" :node="node" :name="name" :property="property" :page="page" />
      <AskProperty
        v-else
        :property="property"
        :value="node.props[name]"
        :page="page"
        :several="several(name)"
        @set="set(name, $event)"
      />
      <OpenMark v-if="inPiece" :node="node" :property="name" :label="property.label" />
      <OwnMark :of="ownKey(name)" :label="property.label" />
      <OwnMark v-for="key in ownInItems(name)" :key="key" :of="key" :label="property.label" />
    </template>
    <SheetPlaces v-if="node.kind === 'element' && showRest && !pieces.inside && placesOf(node)" :element="node" />
    <label v-if="showRest && ids.length === 1 && !saidHere" class="mt-1.5 grid grid-cols-[88px_1fr] items-center">
      <span class="text-soft">Called</span>
      <input
        class="input"
        :value="node.name ?? ''"
        maxlength="120"
        placeholder="no name of its own"
        @change="rename(($event.target as HTMLInputElement).value)"
      />
    </label>
    <OwnMark v-if="ids.length === 1" :of="settingKey({ kind: 'rename', id: node.id, name: '' })" label="The name" />
  </section>
</template>
