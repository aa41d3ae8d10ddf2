<script setup lang="ts">
import { nodeName, propertiesOf } from '#core/elements'
import { drawnOpen, isPlace, pieceOf, placeOfPath } from '#core/layouts'
import type { Page } from '#core/model'
import { type Fill, type LayoutElement, type TreeNode, type Value, find } from '#core/tree'
import { counted } from '#core/text'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'
import { usePieces } from '~/stores/pieces'

/** The place of a piece in hand: which piece, where else it shows, what is open here, and what is in it. */
const props = defineProps<{ place: LayoutElement; page: Page }>()

const bench = useBench()
const design = useDesign()
const pieces = usePieces()
const { valueOf } = useEditWords()
const { looksIn } = useFillWords()

const id = computed(() => pieceOf(props.place))
const others = computed(() =>
  design.layouts.filter((l) => l.layout.region === 'piece' && l.layout.id !== bench.layout!.id),
)
const reach = computed(() => (id.value && pieces.piece ? pieces.reachOf(id.value) : null))
const state = computed(() => bench.places.find((p) => p.node === props.place.id))
const BECAUSE = {
  missing: 'This piece is not there: visitors see nothing here. Put it back from Removed, or choose another.',
  loop: 'This piece holds itself, so nothing of it is drawn. Take it out of the piece.',
  deep: 'Too many pieces stand one in the other, so nothing is drawn of this one.',
  large: 'All pieces here come to too much, so nothing is drawn of this one.',
}
/** What the piece leaves open, in the order of the page. */
const open = computed(() => drawnOpen(bench.tree!, props.place.id))
const nodeAt = (path: string): TreeNode | undefined => find(bench.tree!, path)?.node
const fills = computed(() => props.place.fills ?? [])
const saidOf = (path: string, property: string): Fill | undefined =>
  fills.value.find((f) => f.kind === 'setProperty' && f.id === placeOfPath(path)!.inside && f.property === property)
const waits = computed(() => state.value?.waiting ?? [])
/** Looks and parts that this place says itself. */
const looks = computed(() => fills.value.filter((f) => f.kind !== 'setProperty' && !waits.value.includes(f)))

function choose(piece: string) {
  bench.apply({ kind: 'setProperty', id: props.place.id, property: 'piece', value: piece })
}
function set(path: string, property: string, value: Value | undefined) {
  const said = value === undefined ? { unset: true as const } : { value }
  bench.apply({ kind: 'setProperty', id: path, property, ...said })
}
const whatSays = (fill: Fill) => {
  const says = pieces.saysPiece({ ...fill, id: pieces.pathOf(fill.id) })
  return says ? valueOf(says) : ''
}
/** The things that stand in the piece, as a list to take them in hand by. */
const things = computed(() => thingsIn(bench.tree!, props.place.id))
</script>

<template>
  <section class="border-t py-2.5" data-testid="piece" data-says>
    <p v-if="pieces.piece" class="mb-1.5">
      <NuxtLink class="made text-base underline" :to="`/studio/layouts/${pieces.piece.id}`">{{
        pieces.piece.name
      }}</NuxtLink>
    </p>
    <p v-if="pieces.piece?.about" class="mb-1.5 text-xs">{{ pieces.piece.about }}</p>
    <p v-if="reach" class="mb-2 text-xs text-soft" data-testid="piece-reach">
      Stands in {{ counted(reach.layouts.length, 'layout') }}, on {{ counted(reach.pages, 'page') }}.
    </p>
    <p v-if="state?.because" class="mb-2 bg-wash p-1.5 text-xs" role="alert">{{ BECAUSE[state.because] }}</p>
    <label class="grid grid-cols-[88px_1fr] items-center">
      <span class="text-soft">Piece</span>
      <select
        class="input"
        aria-label="Piece"
        :value="id ?? ''"
        @change="choose(($event.target as HTMLSelectElement).value)"
      >
        <option v-if="!pieces.piece" :value="id ?? ''">none</option>
        <option v-for="{ layout } in others" :key="layout.id" :value="layout.id">{{ layout.name }}</option>
      </select>
    </label>
    <div v-if="bench.mayEdit && pieces.piece" class="mt-2 flex flex-wrap gap-1">
      <NuxtLink class="btn btn-small" :to="`/studio/layouts/${pieces.piece.id}?page=${page.key}`"
        >Open the piece</NuxtLink
      >
      <button
        type="button"
        class="btn btn-small"
        title="It looks the same, and follows the piece no more"
        @click="pieces.makeOwn"
      >
        Make it this layout’s own
      </button>
    </div>
  </section>
  <section v-if="pieces.piece && !state?.because" class="border-t py-2.5" aria-label="Said here">
    <h3 class="mb-1.5 font-semibold">Said here</h3>
    <p v-if="open.length === 0" class="mb-1 text-xs text-soft">
      This piece leaves no words open: it says the same everywhere. Looks of what is in it can differ here.
    </p>
    <div v-for="{ path, property } in open" :key="`${path} ${property}`" class="mb-1.5">
      <template v-if="nodeAt(path)">
        <p class="text-2xs text-soft">{{ nodeName(nodeAt(path)!) }}</p>
        <AskItems
          v-if="propertiesOf(nodeAt(path)!)[property]?.kind === 'items'"
          :node="nodeAt(path)!"
          :name="property"
          :property="propertiesOf(nodeAt(path)!)[property] as never"
          :page="page"
        />
        <AskProperty
          v-else-if="propertiesOf(nodeAt(path)!)[property]"
          :property="propertiesOf(nodeAt(path)!)[property]!"
          :value="nodeAt(path)!.props[property]"
          :page="page"
          @set="set(path, property, $event)"
        />
        <p v-if="saidOf(path, property)" class="flex items-baseline gap-1.5 text-2xs">
          <span class="shrink-0 font-semibold">said here</span>
          <span class="min-w-0 flex-1 text-soft [overflow-wrap:anywhere]"
            >the piece: {{ whatSays(saidOf(path, property)!) }}</span
          >
          <button
            type="button"
            class="shrink-0 font-medium text-spot-deep hover:underline"
            :aria-label="`${propertiesOf(nodeAt(path)!)[property]!.label} as the piece says`"
            @click="pieces.unsay([saidOf(path, property)!])"
          >
            as the piece
          </button>
        </p>
      </template>
    </div>
    <p v-if="looks.length" class="mt-1 flex items-baseline justify-between gap-2 text-xs">
      <span>{{ counted(looks.length, 'look') }} of its own: {{ looksIn(looks, bench.tree!, place.id) }}</span>
      <button type="button" class="shrink-0 font-medium text-spot-deep hover:underline" @click="pieces.unsay(looks)">
        as the piece
      </button>
    </p>
    <div v-if="waits.length" class="mt-2 bg-board p-2 text-xs" role="note">
      <p>
        {{ counted(waits.length, 'thing') }} said here {{ waits.length === 1 ? 'waits' : 'wait' }}: the piece has no
        such thing now, or does not leave it open.
      </p>
      <ul class="my-1 list-disc pl-4">
        <li v-for="(fill, i) in waits" :key="i" class="[overflow-wrap:anywhere]">{{ valueOf(fill) }}</li>
      </ul>
      <button type="button" class="underline" @click="pieces.unsay(waits)">
        Drop {{ waits.length === 1 ? 'it' : 'them' }}
      </button>
    </div>
  </section>
  <section v-if="things.length" class="border-t py-2.5" aria-label="In it">
    <h3 class="mb-1.5 font-semibold">In it</h3>
    <ul class="space-y-px">
      <li v-for="thing in things" :key="thing.path">
        <button
          type="button"
          class="w-full truncate px-2 py-0.5 text-start hover:bg-board"
          :style="{ paddingInlineStart: `${8 + thing.depth * 12}px` }"
          @click="bench.choose(thing.path)"
        >
          {{ nodeName(thing.node) }}<span v-if="isPlace(thing.node)" class="text-soft">, a piece</span>
        </button>
      </li>
    </ul>
  </section>
</template>
