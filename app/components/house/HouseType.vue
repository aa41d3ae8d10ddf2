<script setup lang="ts">
import { SCALE_STEPS, type ScaleStep, sizeOf } from '#core/styles'

/** Families, and the sizes of type: by a ratio, or by hand for each step. */
const edits = useHouseEdits()
const { mark } = useHouseMark()
const house = computed(() => edits.house.value)
const FAMILIES_OF = [
  { key: 'headingFamily', label: 'Headings', mark: 'h1,h2,h3,h4' },
  { key: 'textFamily', label: 'Text', mark: 'p,li,td' },
  { key: 'interfaceFamily', label: 'Menus, buttons', mark: 'nav,.of-btn,label' },
] as const
const STEP_WORDS: Record<ScaleStep, string> = {
  h1: 'Heading 1',
  h2: 'Heading 2',
  h3: 'Heading 3',
  h4: 'Heading 4',
  small: 'Small',
}
const RATIOS = [
  { value: 1.125, label: '9 : 8' },
  { value: 1.2, label: '6 : 5' },
  { value: 1.25, label: '5 : 4' },
  { value: 1.33, label: '4 : 3' },
  { value: 1.414, label: '√2' },
  { value: 1.5, label: '3 : 2' },
  { value: 1.618, label: 'golden' },
]
const byRatio = (step: ScaleStep) => sizeOf({ ...house.value, scale: { ...house.value.scale, byHand: {} } }, step)
const byHand = (step: ScaleStep) => house.value.scale.byHand[step]
</script>

<template>
  <div v-for="f in FAMILIES_OF" :key="f.key" class="mb-2" @focusin.stop="mark = f.mark">
    <p class="mb-0.5 text-soft">{{ f.label }}</p>
    <FamilyPicker :label="f.label" :value="house[f.key]" @set="edits.set([f.key], $event)" />
  </div>
  <HouseFonts />
  <div class="mt-3">
    <HouseNumber label="Text" :at="['textSize']" :value="house.textSize" :min="6" :max="200" shows="p,li" />
    <HouseNumber
      label="Line height"
      :at="['lineHeight']"
      :value="house.lineHeight"
      :min="0.5"
      :max="4"
      :step="0.05"
      unit="×"
      shows="p,li"
    />
    <HouseNumber
      label="Heading weight"
      :at="['headingWeight']"
      :value="house.headingWeight"
      :min="100"
      :max="1000"
      :step="50"
      unit=""
      shows="h1,h2,h3,h4"
    />
    <HouseNumber
      label="Ratio"
      :at="['scale', 'ratio']"
      :value="house.scale.ratio"
      :min="1"
      :max="3"
      :step="0.01"
      unit="×"
    />
    <div class="mb-2 flex flex-wrap gap-1 pl-[120px]">
      <button
        v-for="r in RATIOS"
        :key="r.value"
        type="button"
        class="btn btn-small px-1.5!"
        :class="house.scale.ratio === r.value && 'border-ink! bg-ink text-sheet'"
        :aria-pressed="house.scale.ratio === r.value"
        @click="edits.set(['scale', 'ratio'], r.value)"
      >
        {{ r.label }}
      </button>
    </div>
    <div v-for="step in SCALE_STEPS" :key="step" class="flex items-center gap-1">
      <HouseNumber
        class="flex-1"
        :label="STEP_WORDS[step]"
        :at="['scale', 'byHand', step]"
        :value="byHand(step)"
        :placeholder="String(byRatio(step))"
        :min="6"
        :max="400"
        :shows="step === 'small' ? '' : step"
      />
      <button
        v-if="byHand(step) !== undefined"
        type="button"
        class="w-16 text-end text-2xs font-medium text-spot-deep hover:underline"
        :aria-label="`${STEP_WORDS[step]} is set by hand. Give it back to the ratio`"
        @click="edits.set(['scale', 'byHand', step], null)"
      >
        by hand ×
      </button>
      <span v-else class="w-16 text-end text-2xs text-soft">by ratio</span>
    </div>
  </div>
</template>
