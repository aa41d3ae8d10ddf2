<script setup lang="ts">
import { readSum } from '#core/numbers'
import { typedLength } from '#core/styles'

/**
 * A number: typed with a unit or as a sum, stepped by arrows, dragged over its label. With `lengths`, what is typed in
 * another unit than px is kept in it, as a text. What is refused stays as it was
 * typed, with the reason, until it is mended; a wheel that passes over changes nothing.
 */
const props = defineProps<{
  value: number | string | undefined
  label: string
  placeholder?: string
  min?: number
  max?: number
  step?: number
  unit?: string
  lengths?: boolean
  centred?: boolean
  refuse: (value: number | string) => string | null
}>()
const emit = defineEmits<{ set: [value: number | string | null]; refused: [why: string] }>()

/** CSS pixels; the reference pixel of CSS Values and Units 4. */
const UNITS = { px: 1, rem: 16, pt: 4 / 3, mm: 96 / 25.4, cm: 96 / 2.54, in: 96 }
const root = ref<HTMLInputElement>()
/** What stands in the field while a hand is in it; null when it is what the value says. */
const typed = ref<string | null>(null)
const refused = ref('')
const step = computed(() => props.step ?? 1)
const shown = computed(() => typed.value ?? (props.value === undefined ? '' : String(props.value)))

const tidy = (value: number) => Math.round(value * 1000) / 1000

function judge(text: string): { value: number | string | null } | string {
  if (text.trim() === '') return { value: null }
  const length = props.lengths ? typedLength(text) : null
  if (length !== null) return props.refuse(length) ?? { value: length }
  const value = readSum(text, props.unit === 'px' ? UNITS : props.unit ? { [props.unit]: 1 } : {})
  if (value === null) return `“${text.trim().slice(0, 20)}” is no number and no sum`
  return props.refuse(tidy(value)) ?? { value: tidy(value) }
}

function tell(why: string) {
  refused.value = why
  emit('refused', why)
}

/** What is a number already holds at once; why something is none is said when the hand leaves. */
function type(text: string) {
  typed.value = text
  const judged = judge(text)
  if (typeof judged === 'string') return
  tell('')
  if (/^-?[\d.]+$/.test(text.trim()) && judged.value !== props.value) emit('set', judged.value)
}

function settle() {
  if (typed.value === null) return
  const judged = judge(typed.value)
  if (typeof judged === 'string') return tell(judged)
  tell('')
  typed.value = null
  if (judged.value !== (props.value ?? null)) emit('set', judged.value)
}

function nudge(by: number) {
  const judged = typed.value === null ? null : judge(typed.value)
  const now = judged && typeof judged !== 'string' && judged.value !== null ? judged.value : undefined
  move(now ?? props.value, by)
}

const AMOUNT = /^-?[\d.]*\d(?=[a-z%]+$)/
/** Changes a number, or that of a length in some unit, by so much; what is no single number stays. */
function move(from: number | string | undefined, by: number) {
  if (typeof from !== 'string') return put((from ?? (Number.parseFloat(props.placeholder ?? '') || 0)) + by)
  const amount = AMOUNT.exec(from)?.[0]
  if (amount) put(from.replace(amount, String(tidy(Number(amount) + by * (from.endsWith('em') ? 0.1 : 1)))))
}

function put(value: number | string) {
  const held = (n: number) => tidy(Math.max(props.min ?? -Infinity, Math.min(props.max ?? Infinity, n)))
  const next = typeof value === 'number' ? held(value) : value
  typed.value = null
  tell(props.refuse(next) ?? '')
  if (!refused.value && next !== props.value) emit('set', next)
}

function onKey(event: KeyboardEvent) {
  const by = { ArrowUp: 1, ArrowDown: -1 }[event.key]
  if (by) {
    event.preventDefault()
    nudge(by * step.value * (event.shiftKey ? 10 : 1))
  } else if (event.key === 'Enter') settle()
  else if (event.key === 'Escape' && typed.value !== null) {
    // What was typed is given up first; a second Esc leads back to the plan.
    event.stopPropagation()
    typed.value = null
    tell('')
  }
}

/** Dragging over the label: two pixels are one step, ten with Shift. */
function scrub(event: PointerEvent) {
  if (event.button !== 0 || root.value?.matches(':disabled')) return
  const had = props.value
  followPointer(event, ({ x }, { shiftKey }) => {
    const steps = Math.round(x / 2) * (shiftKey ? 10 : 1)
    if (steps !== 0 || props.value !== undefined) move(had, steps * step.value)
  })
}
defineExpose({ scrub })
</script>

<template>
  <span class="relative block">
    <input
      ref="root"
      class="input font-mono text-xs"
      :class="[centred ? 'px-1! text-center' : unit && 'pr-7!', refused && 'border-spot! bg-wash']"
      inputmode="decimal"
      autocomplete="off"
      role="spinbutton"
      :aria-valuenow="typeof value === 'number' ? value : undefined"
      :aria-valuetext="typeof value === 'string' ? value : undefined"
      :aria-valuemin="min"
      :aria-valuemax="max"
      :value="shown"
      :placeholder="placeholder"
      :aria-label="label"
      :aria-invalid="refused ? true : undefined"
      @input="type(($event.target as HTMLInputElement).value)"
      @change="settle"
      @blur="settle"
      @keydown="onKey"
    />
    <span
      v-if="unit && !centred && typeof value !== 'string'"
      class="absolute right-0 top-0 flex h-full cursor-ew-resize select-none items-center px-2 text-2xs text-soft"
      aria-hidden="true"
      @pointerdown.prevent="scrub"
      >{{ unit }}</span
    >
  </span>
</template>
