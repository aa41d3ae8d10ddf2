<script setup lang="ts">
import { CIRCUMSTANCES, type Circumstance, type Question, circumstanceSpec } from '#core/conditions'
import { checkFrame } from '#core/design'
import { newFrame } from '#core/rules'

/** One circumstance, said in a small form that its kind asks; refused in a sentence while it cannot hold. */
const emit = defineEmits<{ add: [circumstance: Circumstance]; close: [] }>()

const KINDS = Object.entries(CIRCUMSTANCES).map(([value, { label }]) => ({ value, label }))
const said = ref<Circumstance>(start('parameter'))
const refused = ref('')

function start(kind: Circumstance['kind']): Circumstance {
  return JSON.parse(JSON.stringify(CIRCUMSTANCES[kind].start)) as Circumstance
}
const questions = computed(() =>
  (circumstanceSpec(said.value).questions as readonly Question<Circumstance>[]).filter(
    (q) => q.when?.(said.value) ?? true,
  ),
)
function answer(part: string, value: unknown) {
  const next = { ...said.value, [part]: value }
  // What is not asked any more is not said either.
  if (value === undefined) delete (next as Record<string, unknown>)[part]
  said.value = next as Circumstance
}
const answerOf = (part: string): unknown => (said.value as unknown as Record<string, unknown>)[part]
const yearly = computed(() => said.value.kind === 'date' && said.value.yearly === true)

function add() {
  const [problem] = checkFrame({ ...newFrame('probe', [], 0), onlyWhen: [said.value] })
  refused.value = problem?.sentence ?? ''
  if (!problem) emit('add', said.value)
}
watch(said, () => (refused.value = ''))
</script>

<template>
  <form class="space-y-1.5 border border-edge bg-sheet p-1.5" @submit.prevent="add">
    <select
      :value="said.kind"
      class="input"
      aria-label="Kind of circumstance"
      @change="said = start(($event.target as HTMLSelectElement).value as Circumstance['kind'])"
    >
      <option v-for="k in KINDS" :key="k.value" :value="k.value">{{ k.label }}</option>
    </select>
    <CircumstanceQuestion
      v-for="question in questions"
      :key="`${said.kind} ${question.part}`"
      :question="question"
      :value="answerOf(question.part)"
      :yearly="yearly"
      @answer="answer(question.part, $event)"
    />
    <p v-if="refused" class="bg-wash p-1.5 text-xs" role="alert">{{ refused }}</p>
    <div class="flex justify-end gap-1">
      <button type="button" class="btn btn-small" @click="$emit('close')">Not this</button>
      <button class="btn btn-small">Add</button>
    </div>
  </form>
</template>
