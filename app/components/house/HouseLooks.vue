<script setup lang="ts">
import { elementSpec } from '#core/elements'
import { type NamedLook, stylePropertiesOn } from '#core/styles'
import type { HouseUses } from '#core/checks'
import { type LooksKey, looksKey } from '#core/tree'
import { counted } from '#core/text'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'

/** Named looks of one kind of element: at rest and in its states. */
const props = defineProps<{ kind: string; uses: HouseUses }>()
const edits = useHouseEdits()
const design = useDesign()
const { mark } = useHouseMark()
const open = ref<string | null>(null)
const state = ref<LooksKey>('')
const typed = ref('')
const added = ref('')
/** Named looks hold at every width. */
const bench = useBench()
onMounted(() => (bench.step = 'wide'))

const spec = computed(() => elementSpec(props.kind))
const looks = computed(() => edits.house.value.looks.filter((l) => l.for === props.kind))
const STATE_WORDS: Record<string, string> = {
  hover: 'Under the pointer',
  focus: 'With the focus',
  current: 'Where one is',
  disabled: 'Out of reach',
}
const states = computed(() => [
  { value: '', label: 'At rest' },
  ...(spec.value?.states ?? []).map((s) => ({ value: looksKey('', s), label: STATE_WORDS[s]! })),
])
const asked = computed(() => {
  const { kind } = props
  const owner = kind === 'row' || kind === 'column' || kind === 'place' ? kind : 'element'
  return stylePropertiesOn(owner).filter((p) => p.group !== 'arrangement' && p.suits !== 'pictures')
})
const layoutsOf = (look: NamedLook) => props.uses.layouts.get(`look ${look.id}`) ?? []
const usedWords = (look: NamedLook) => (layoutsOf(look).length ? counted(layoutsOf(look).length, 'layout') : 'nowhere')
function toggle(look: NamedLook) {
  open.value = open.value === look.id ? null : look.id
  state.value = ''
  mark.value = open.value ? `.of-l-${look.id}` : ''
}
function add() {
  const name = added.value.trim()
  const id = name && edits.addLook(name, looks.value.find((l) => l.id === open.value) ?? looks.value[0])
  if (!id) return
  added.value = ''
  open.value = id
  mark.value = `.of-l-${id}`
}
const indexOf = (look: NamedLook) => edits.house.value.looks.indexOf(look)
</script>

<template>
  <ul class="space-y-1">
    <li v-for="look in looks" :key="look.id" class="bg-raised" :class="open === look.id && 'cornered'">
      <button
        type="button"
        class="flex w-full items-baseline gap-2 border px-2 py-1.5 text-start"
        :aria-expanded="open === look.id"
        @click="toggle(look)"
      >
        <span class="made min-w-0 flex-1 truncate">{{ look.name }}</span>
        <span class="text-2xs text-soft">{{ usedWords(look) }}</span>
      </button>
      <div v-if="open === look.id" class="border border-t-0 px-2.5 py-2">
        <div class="mb-2 flex gap-1.5">
          <TypedInput
            class="input min-w-0 flex-1"
            :value="look.name"
            maxlength="60"
            :aria-label="`Name of the look ${look.name}`"
            @say="(words) => words && edits.set(['looks', look.id, 'name'], words)"
          />
          <button
            type="button"
            class="btn btn-small h-7!"
            :disabled="looks[0]?.id === look.id"
            @click="edits.move('looks', look.id, indexOf(look) - 1)"
          >
            Up
          </button>
          <button
            type="button"
            class="btn btn-small h-7!"
            :disabled="kind === 'button' && looks.length === 1"
            @click="edits.remove('looks', look.id)"
          >
            Remove
          </button>
        </div>
        <ToggleRow label="State" :options="states" :value="state" @pick="state = $event" />
        <input v-model="typed" class="input my-2" placeholder="Find a look" aria-label="Find a look" />
        <SheetStyles
          :styles="state ? (look.looks[state] ?? {}) : look.styles"
          :defaults="state ? look.styles : {}"
          :asked="asked"
          :typed="typed"
          :node-id="null"
          step-words=""
          @set="edits.setLooks(look, state, $event)"
        />
        <p v-if="layoutsOf(look).length" class="border-t pt-1.5 text-xs">
          <span class="text-soft">In </span>
          <template v-for="(id, i) in layoutsOf(look)" :key="id"
            ><template v-if="i">, </template
            ><NuxtLink :to="`/studio/layouts/${id}`" class="underline">{{ design.layoutName(id) }}</NuxtLink></template
          >
        </p>
      </div>
    </li>
  </ul>
  <form class="mt-2 flex gap-1" @submit.prevent="add">
    <input
      v-model="added"
      class="input min-w-0 flex-1"
      placeholder="Another look"
      aria-label="Name of a new look"
      maxlength="60"
    />
    <button class="btn btn-small h-7!" :disabled="!added.trim()">Add</button>
  </form>
</template>
