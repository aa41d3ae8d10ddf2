<script setup lang="ts">
import { elementSpec } from '#core/elements'
import { settingKey } from '#core/layouts'
import { type LayoutElement, type LooksKey, type State, looksKey, looksOf } from '#core/tree'
import { useBench } from '~/stores/bench'

/** What an element is made of: which of its parts are shown, and whose looks stand below. */
const props = defineProps<{ element: LayoutElement }>()
const at = defineModel<LooksKey>({ required: true })

const bench = useBench()
const spec = computed(() => elementSpec(props.element.type))
const parts = computed(() => Object.entries(spec.value?.parts ?? {}))
const inHand = computed(() => looksOf(at.value))
const states = computed<readonly State[]>(
  () => (inHand.value.part ? spec.value?.parts?.[inHand.value.part]?.states : spec.value?.states) ?? [],
)
const STATE_WORDS: Record<State, string> = {
  hover: 'under the pointer',
  focus: 'with the focus',
  current: 'where one is',
  disabled: 'out of reach',
}
const hidden = (part: string) => props.element.hides?.includes(part) ?? false
const ownLooks = (part: string) => Object.keys(props.element.looks ?? {}).some((key) => looksOf(key).part === part)

function show(part: string, shown: boolean) {
  bench.apply({ kind: 'hidePart', id: props.element.id, part, hidden: !shown })
}
</script>

<template>
  <section v-if="parts.length || spec?.states" class="border-t py-2.5">
    <h3 class="mb-1.5 font-semibold">Looks of</h3>
    <ul class="space-y-px" aria-label="Whose looks stand below">
      <li
        v-for="[part, { label, hides, plain }] in [
          ['', { label: spec?.name ?? '', hides: false, plain: false }],
          ...parts,
        ] as const"
        :key="part"
        class="flex items-center"
      >
        <span v-if="plain" class="min-w-0 flex-1 truncate px-2 py-1 text-soft">{{ label }}</span>
        <button
          v-else
          type="button"
          class="min-w-0 flex-1 truncate px-2 py-1 text-start"
          :class="inHand.part === part ? 'cornered bg-wash' : 'hover:bg-board'"
          :aria-pressed="inHand.part === part"
          @click="at = part"
        >
          {{ part ? label : `the ${label.toLowerCase()} itself` }}
          <span v-if="part && ownLooks(part)" class="text-2xs text-spot-deep">here</span>
        </button>
        <label v-if="part && hides !== false" class="flex shrink-0 items-center gap-1 px-1 text-xs text-soft">
          <input
            type="checkbox"
            class="accent-ink"
            :checked="!hidden(part)"
            :aria-label="`${label} is shown`"
            @change="show(part, ($event.target as HTMLInputElement).checked)"
          />
          shown
        </label>
      </li>
    </ul>
    <OwnMark
      v-for="[part, { label }] in parts"
      :key="`own ${part}`"
      :of="settingKey({ kind: 'hidePart', id: element.id, part, hidden: true })"
      :label="`Whether ${label.toLowerCase()} is shown`"
    />
    <label v-if="states.length" class="mt-1.5 grid grid-cols-[88px_1fr] items-center">
      <span class="text-soft">As it is met</span>
      <select
        class="input"
        aria-label="As it is met"
        :value="inHand.state ?? ''"
        @change="at = looksKey(inHand.part, (($event.target as HTMLSelectElement).value || null) as State | null)"
      >
        <option value="">at rest</option>
        <option v-for="state in states" :key="state" :value="state">{{ STATE_WORDS[state] }}</option>
      </select>
    </label>
  </section>
</template>
