<script setup lang="ts">
import type { Box, BoxOf, Drop } from '#core/editor'
import type { TreeNode } from '#core/tree'
import type { LivePerson } from '#shared/api/types'

const props = defineProps<{
  boxOf: BoxOf
  scale: number
  chosen: readonly string[]
  hovered: string | null
  drop: Drop | null
  mayAdd: boolean
  /** Who else is here, with what they have in hand. */
  people: readonly LivePerson[]
  /** What can be sized: the one thing in hand. */
  sized: TreeNode | null
  drawn: (property: string) => number
}>()
defineEmits<{ add: [] }>()

const place = (box: Box | undefined, grow = 0) =>
  box && {
    left: `${box.x * props.scale - grow}px`,
    top: `${box.y * props.scale - grow}px`,
    width: `${box.width * props.scale + 2 * grow}px`,
    height: `${box.height * props.scale + 2 * grow}px`,
  }
const taken = computed(() =>
  props.chosen.flatMap((id) => {
    const box = place(props.boxOf(id), 4)
    return box ? [{ id, box }] : []
  }),
)
const elsewhere = computed(() =>
  props.people.flatMap((person) => {
    const box = place(person.node ? props.boxOf(person.node) : undefined, 2)
    return box ? [{ ...person, box }] : []
  }),
)
const chosenBox = computed(() => place(props.chosen.length ? props.boxOf(props.chosen.at(-1)!) : undefined))
const holder = computed(() => place(props.drop ? props.boxOf(props.drop.parent) : undefined, 1))
const over = computed(() =>
  !props.chosen.includes(props.hovered ?? '')
    ? place(props.hovered ? props.boxOf(props.hovered) : undefined, 1)
    : undefined,
)
const line = computed(() => place(props.drop?.line))
</script>

<template>
  <div class="pointer-events-none absolute inset-0 [clip-path:inset(0_-20px)]">
    <div v-if="over" class="absolute border border-dashed border-ink/60" :style="over" />
    <div
      v-for="{ id, box } in taken"
      :key="id"
      class="cornered absolute border border-dotted border-spot"
      :style="box"
      data-testid="selection"
    ></div>
    <template v-for="person in elsewhere" :key="person.window">
      <div class="absolute border border-ink/50" :style="person.box" />
      <span
        class="absolute -left-2 max-w-24 origin-top-left -translate-y-full rotate-0 truncate bg-ink px-1 text-2xs text-sheet"
        :style="{ top: person.box.top }"
        >{{ person.name }}</span
      >
    </template>
    <SizeHandles v-if="sized" :node="sized" :box-of="boxOf" :scale="scale" :drawn="drawn" />
    <!-- Beside the page, like notes on a drawing: how high what is in hand reaches, and where something can be added. -->
    <template v-if="chosenBox">
      <div class="absolute -left-2 w-px bg-spot" :style="{ top: chosenBox.top, height: chosenBox.height }" />
      <button
        v-if="mayAdd"
        type="button"
        class="group pointer-events-auto absolute -left-4 grid h-4 w-4 -translate-y-1/2 place-items-center"
        :style="{ top: `calc(${chosenBox.top} + ${chosenBox.height})` }"
        aria-label="Add something after"
        title="Add something after (A)"
        @click="$emit('add')"
      >
        <span class="h-px w-3 bg-spot group-hover:hidden group-focus-visible:hidden" />
        <span
          class="hidden size-4 place-items-center border border-spot bg-raised text-xs leading-none text-spot group-hover:grid group-focus-visible:grid"
          >+</span
        >
      </button>
    </template>
    <div v-if="holder" class="absolute border-2 border-spot/40" :style="holder" data-testid="holder" />
    <div v-if="line" class="absolute bg-spot" :style="{ ...line, minWidth: '2px', minHeight: '2px' }" />
  </div>
</template>
