<script setup lang="ts">
import { ELEMENTS, elementSpec, givenTo, kindInKey, sortName, sortOf } from '#core/elements'
import { type Edit, looksWords, settingKey } from '#core/layouts'
import { together } from '#core/editor'
import {
  type Defaults,
  type Layout,
  type LayoutElement,
  type LooksKey,
  type StyleValue,
  type TreeNode,
  defaultsKey,
  looksKey,
  looksOf,
  walk,
} from '#core/tree'
import { type Owner, cascade, stylePropertiesOn } from '#core/styles'
import { useBench } from '~/stores/bench'

/** The looks that a layout, a row or a column gives what stands in it, one kind at a time. */
const props = defineProps<{ giver: Layout | Extract<TreeNode, { kind: 'row' | 'column' }>; typed: string }>()

const bench = useBench()
const held = computed(() => [...walk(props.giver)])
const elements = computed(() => held.value.filter((n): n is LayoutElement => n.kind === 'element'))
const given = computed<Defaults>(() =>
  props.giver.kind === 'layout' ? props.giver.defaults : (props.giver.gives ?? {}),
)
const boxes = computed(() =>
  (['row', 'column', 'place'] as const).filter((kind) => {
    const always = props.giver.kind === 'layout' ? kind !== 'place' : kind === 'column' && props.giver.kind === 'row'
    return always || held.value.some((n) => n.kind === kind)
  }),
)
const BOX_WORDS = { row: 'row', column: 'column', place: 'place in an element' }
const kinds = computed(() => {
  const used = new Set([
    ...elements.value.map((e) => e.type),
    ...Object.keys(given.value).map((k) => k.split(/[ .]/)[0]),
  ])
  const sorts = new Set([
    ...elements.value.flatMap((e) => sortOf(e) ?? []),
    ...Object.keys(given.value)
      .map((k) => k.split(' ')[0]!)
      .filter((k) => k.includes('.')),
  ])
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
const named = (type: string, at: LooksKey) => [
  defaultsKey(type, at),
  `${elementSpec(type)!.name.toLowerCase()}: ${looksWords(type, at)}`,
]
/** What is given is seen at once; else the first of what stands there. */
const of = ref<string>(Object.keys(given.value)[0] ?? boxes.value[0] ?? kinds.value[0]?.[0] ?? 'row')
const isBox = computed(() => (boxes.value as readonly string[]).includes(of.value))
const owner = computed<Owner>(() => {
  if (isBox.value) return of.value as Owner
  return looksOf(of.value.split(' ')[1] ?? '').part ? 'part' : 'element'
})
/** What is given to the same from around; to a sort also what its kind is given. */
const around = computed(() => {
  const outer = props.giver.kind === 'layout' ? {} : givenTo(bench.layout!, props.giver.id)
  const [key = '', at] = of.value.split(' ')
  const { kind, sort } = kindInKey(key)
  if (sort === null) return outer[of.value] ?? {}
  const ofKind = defaultsKey(kind, at)
  return cascade(outer[ofKind], outer[of.value], given.value[ofKind])
})
function set(values: { property: string; value: StyleValue | null }[]) {
  const box = props.giver.kind === 'layout' ? {} : { box: props.giver.id }
  const edits = values.map((v): Edit => ({ kind: 'setDefault', ...box, of: of.value, step: bench.step, ...v }))
  bench.apply(together(`looks of every ${of.value}`, edits))
}
const ownKey = (property: string) =>
  settingKey({
    kind: 'setDefault',
    ...(props.giver.kind !== 'layout' && { box: props.giver.id }),
    of: of.value,
    property,
    step: bench.step,
    value: null,
  })
const isGiven = (key: string) => (given.value[key] ? ' (set)' : '')
</script>

<template>
  <p v-if="!boxes.length && !kinds.length" class="py-1 text-soft">Nothing stands in it yet.</p>
  <template v-else>
    <label class="mb-2 grid grid-cols-[88px_1fr] items-center">
      <span class="text-soft">Looks of</span>
      <select v-model="of" class="input" aria-label="Whose looks are given">
        <option v-for="kind in boxes" :key="kind" :value="kind">every {{ BOX_WORDS[kind] }}{{ isGiven(kind) }}</option>
        <option v-for="[key, name] in kinds" :key="key" :value="key">every {{ name }}{{ isGiven(key!) }}</option>
      </select>
    </label>
    <SheetStyles
      :key="of"
      :styles="given[of] ?? {}"
      :defaults="around"
      :asked="stylePropertiesOn(owner)"
      :typed="typed"
      :node-id="null"
      :own-key="ownKey"
      :step-words="`${bench.step} screens`"
      @set="set"
    />
  </template>
</template>
