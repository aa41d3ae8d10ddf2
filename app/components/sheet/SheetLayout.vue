<script setup lang="ts">
import { ELEMENTS, elementSpec, kindInKey, sortName, sortOf } from '#core/elements'
import { type Edit, looksWords, together } from '#core/layouts'
import { type LooksKey, type StyleValue, defaultsKey, elementsOf, looksKey, looksOf, walk } from '#core/tree'
import { type Owner, stylePropertiesOn } from '#core/styles'
import { useBench } from '~/stores/bench'

/** With nothing in hand: the layout's name, and the looks it gives all its rows, columns and elements. */
defineProps<{ typed: string }>()

const bench = useBench()
const of = ref('row')
const layout = computed(() => bench.layout!)
const kinds = computed(() => {
  const used = new Set(elementsOf(layout.value).map((e) => e.type))
  const sorts = new Set(elementsOf(layout.value).flatMap((e) => sortOf(e) ?? []))
  return ELEMENTS.filter((e) => used.has(e.type)).flatMap(({ type, name, parts = {}, states = [] }) => [
    [type, name.toLowerCase()],
    ...[...sorts].filter((s) => kindInKey(s).kind === type).map((s) => [s, sortName(s)!.toLowerCase()]),
    ...states.map((s) => looksKey('', s)).map((at) => named(type, at)),
    ...Object.entries(parts).flatMap(([part, spec]) => [
      named(type, part),
      ...(spec.states ?? []).map((s) => named(type, looksKey(part, s))),
    ]),
  ])
})
const hasPlaces = computed(() => [...walk(layout.value)].some((n) => n.kind === 'place'))
const named = (type: string, at: LooksKey) => [
  defaultsKey(type, at),
  `${elementSpec(type)!.name.toLowerCase()}: ${looksWords(type, at)}`,
]
const owner = computed<Owner>(() => {
  if (of.value === 'row' || of.value === 'column' || of.value === 'place') return of.value
  return looksOf(of.value.split(' ')[1] ?? '').part ? 'part' : 'element'
})
function setDefaults(values: { property: string; value: StyleValue | null }[]) {
  const edits = values.map((v): Edit => ({ kind: 'setDefault', of: of.value, step: bench.step, ...v }))
  bench.apply(together(`looks of every ${of.value}`, edits))
}
function rename(name: string) {
  if (name.trim() && name.trim() !== layout.value.name)
    bench.apply({ kind: 'rename', id: layout.value.id, name: name.trim() })
}
</script>

<template>
  <label class="grid grid-cols-[88px_1fr] items-center border-t py-2.5">
    <span class="text-soft">Name</span>
    <input
      class="input"
      :value="layout.name"
      maxlength="120"
      @change="rename(($event.target as HTMLInputElement).value)"
    />
  </label>
  <p class="border-t py-2.5 text-soft">
    Select something in the plan or on the page to change it. What is set below holds for all of its kind in this
    layout, unless one says otherwise.
  </p>
  <label class="mb-2 grid grid-cols-[88px_1fr] items-center">
    <span class="text-soft">Looks of</span>
    <select v-model="of" class="input">
      <option value="row">every row</option>
      <option value="column">every column</option>
      <option v-if="hasPlaces" value="place">every place in an element</option>
      <option v-for="[key, name] in kinds" :key="key" :value="key">every {{ name }}</option>
    </select>
  </label>
  <SheetStyles
    :key="of"
    :styles="layout.defaults[of] ?? {}"
    :defaults="{}"
    :asked="stylePropertiesOn(owner)"
    :typed="typed"
    :node-id="null"
    :step-words="`${bench.step} screens`"
    @set="setDefaults"
  />
</template>
