<script setup lang="ts">
import { type OutlineLine, type Nudge, type OutlinePosition, branchLength, dropped, nudged, spotOf } from '#core/model'

/**
 * A tree that is edited in place, a line for each thing: its words are typed where they stand, Enter makes the next one,
 * Alt with an arrow moves it, and its handle is dragged, to the side too.
 */
const props = defineProps<{
  label: string
  lines: readonly OutlineLine[]
  /** What a line says, by its id. */
  words: (id: string) => string
  /** What stands where a line says nothing: the same in all, or by the line. */
  blank: string | ((id: string) => string)
  /** How many levels there may be. */
  most: number
  inHand: string | null
  locked?: boolean
}>()
const emit = defineEmits<{
  take: [id: string]
  say: [id: string, words: string]
  add: [spot: OutlinePosition]
  place: [id: string, spot: OutlinePosition]
  remove: [id: string]
}>()

const INDENT = 26
const blankOf = (id: string) => (typeof props.blank === 'string' ? props.blank : props.blank(id))
const list = ref<HTMLElement>()
const landing = shallowRef<{ line: number; depth: number; spot: OutlinePosition } | null>(null)
const said = ref('')

/** What is typed in a line and not said yet: it stays there whatever is drawn anew meanwhile. */
const typing = ref<{ id: string; words: string } | null>(null)
const shown = (id: string) => (typing.value?.id === id ? typing.value.words : props.words(id))
function say(id: string) {
  const typed = typing.value?.id === id ? typing.value.words : null
  if (typed === null) return
  typing.value = null
  if (typed !== props.words(id)) emit('say', id, typed)
}

const inputOf = (id: string) => list.value?.querySelector<HTMLInputElement>(`[data-line="${CSS.escape(id)}"] input`)
const focus = (id: string | undefined) => void (id && nextTick(() => inputOf(id)?.focus()))

/** A new one after another, or at the end; it gets the focus. */
function add(after?: OutlineLine) {
  const there = new Set(props.lines.map((l) => l.id))
  const tops = props.lines.filter((l) => l.parent === null).length
  const spot = after ? { ...spotOf(props.lines, after.id), parent: after.parent } : { parent: null, index: tops - 1 }
  emit('add', { parent: spot.parent, index: spot.index + 1 })
  void nextTick(() => focus(props.lines.find((l) => !there.has(l.id))?.id))
}
function place(id: string, spot: OutlinePosition) {
  emit('place', id, spot)
  focus(id)
  const level = props.lines.find((l) => l.id === id)?.depth ?? 0
  said.value = `${props.words(id) || blankOf(id)}, level ${level + 1}, number ${spot.index + 1} there`
}
const NUDGES: Readonly<Record<string, Nudge>> = {
  ArrowUp: 'up',
  ArrowDown: 'down',
  ArrowLeft: 'out',
  ArrowRight: 'in',
}
function key(event: KeyboardEvent, line: OutlineLine, i: number) {
  const nudge = NUDGES[event.key]
  const input = event.target as HTMLInputElement
  // What was typed is said before anything is done with it.
  const typed = event.key === 'Enter' || (nudge && event.altKey)
  if (typed && !props.locked) say(line.id)
  if (nudge && event.altKey) {
    event.preventDefault()
    const spot = props.locked ? null : nudged(props.lines, line.id, nudge, props.most)
    if (spot) place(line.id, spot)
  } else if (nudge === 'up' || nudge === 'down') {
    event.preventDefault()
    focus(props.lines[i + (nudge === 'up' ? -1 : 1)]?.id)
  } else if (event.key === 'Enter' && !props.locked) {
    event.preventDefault()
    add(line)
  } else if (event.key === 'Backspace' && input.value === '' && !props.locked) {
    event.preventDefault()
    focus(props.lines[i - 1]?.id ?? props.lines[i + 1]?.id)
    emit('remove', line.id)
  } else if (event.key === 'Escape') {
    typing.value = null
  }
}

/** Where what is dragged would land: above the line under the pointer or below it, as far to the side as it is. */
function over(id: string, event: PointerEvent) {
  const rows = [...list.value!.querySelectorAll('[data-line]')]
  const before = rows.findIndex((row) => {
    const box = row.getBoundingClientRect()
    return event.clientY < box.top + box.height / 2
  })
  const line = before < 0 ? rows.length : before
  const depth = Math.round((event.clientX - list.value!.getBoundingClientRect().left - 10) / INDENT)
  const spot = dropped(props.lines, id, line, depth, props.most)
  const to = spot?.parent ? props.lines.find((l) => l.id === spot.parent)!.depth + 1 : 0
  landing.value = spot && { line, depth: to, spot }
}
const drag = useDragging({
  nodeAt: (event) => (event.target as Element).closest('[data-handle]')?.getAttribute('data-handle') ?? null,
  over,
  end(id, done) {
    if (done && landing.value) place(id, landing.value.spot)
    landing.value = null
  },
})
const moving = computed(() => {
  const at = props.lines.findIndex((l) => l.id === drag.dragging.value)
  return new Set(at < 0 ? [] : props.lines.slice(at, at + branchLength(props.lines, at)).map((l) => l.id))
})
defineExpose({ add, focus })
</script>

<template>
  <div>
    <ul ref="list" class="relative border-t bg-sheet" :aria-label="label" @pointerdown="drag.begin">
      <li
        v-for="(line, i) in lines"
        :key="line.id"
        :data-line="line.id"
        class="relative flex items-center gap-2 border-b pr-2"
        :class="[inHand === line.id ? 'cornered bg-wash' : '', moving.has(line.id) && 'opacity-40']"
        :style="{ paddingLeft: `${line.depth * INDENT}px` }"
      >
        <span
          v-if="!locked"
          :data-handle="line.id"
          class="grid h-9 w-6 shrink-0 cursor-grab touch-none place-items-center text-edge hover:text-ink"
          aria-hidden="true"
          title="Drag, also to the side"
          >≡</span
        >
        <input
          class="h-9 min-w-0 flex-1 bg-transparent focus:outline-none"
          :class="line.depth === 0 && 'font-medium'"
          :value="shown(line.id)"
          :placeholder="blankOf(line.id)"
          :aria-label="`${words(line.id) || blankOf(line.id)}, level ${line.depth + 1}`"
          :readonly="locked"
          maxlength="200"
          @focus="$emit('take', line.id)"
          @keydown="key($event, line, i)"
          @input="typing = { id: line.id, words: ($event.target as HTMLInputElement).value }"
          @blur="say(line.id)"
        />
        <slot :line="line" />
        <button
          v-if="!locked"
          type="button"
          class="px-1.5 text-soft hover:text-ink"
          :aria-label="`Remove ${words(line.id) || blankOf(line.id)}`"
          @click="$emit('remove', line.id)"
        >
          ×
        </button>
      </li>
      <li
        v-if="landing"
        class="pointer-events-none absolute right-0 h-0.5 bg-spot"
        :style="{ top: `${landing.line * 37}px`, left: `${landing.depth * INDENT + 8}px` }"
        aria-hidden="true"
      />
    </ul>
    <div v-if="!locked" class="mt-3 flex flex-wrap items-center gap-4">
      <button type="button" class="btn" @click="add()"><slot name="add">Add one</slot></button>
      <p v-if="lines.length" class="text-xs text-soft">
        <span class="kbd">Enter</span> the next one, <span class="kbd">Alt ↑↓←→</span> moves,
        <span class="kbd">Backspace</span> in an empty one removes it
      </p>
    </div>
    <p class="sr-only" aria-live="polite">{{ said }}</p>
  </div>
</template>
