<script setup lang="ts">
import type { StyleValue, Styles } from '#core/tree'
import { findByWords } from '#core/text'
import type { GiverOf } from '~/composables/useStyleOrigin'
import { STYLE_GROUPS, type StyleGroup, type StyleProperty } from '#core/styles'

/** Looks, grouped; every one says where its value comes from. */
const props = defineProps<{
  styles: Styles
  defaults: Styles
  asked: readonly StyleProperty[]
  typed: string
  nodeId: string | null
  stepWords: string
  /** Properties of which several things in hand do not say the same. */
  several?: ReadonlySet<string>
  /** Who gives what is not set here; the layout where this is not said. */
  giver?: GiverOf
  /** By what a look is known among the own changes of a variation. */
  ownKey?: (property: string) => string | null
}>()
const emit = defineEmits<{ set: [values: { property: string; value: StyleValue | null }[]] }>()

const folded = useFoldedGroups()
const found = computed(() =>
  findByWords(
    props.asked,
    props.typed,
    (p) => p.label,
    (p) => `${STYLE_GROUPS[p.group]} ${p.also ?? ''}`,
  ),
)
const groups = computed(() =>
  (Object.keys(STYLE_GROUPS) as StyleGroup[])
    .map((group) => ({ group, properties: found.value.filter((p) => p.group === group) }))
    .filter((g) => g.properties.length > 0),
)
const searching = computed(() => props.typed.trim() !== '')
function setHere(properties: StyleProperty[]): string {
  const count = properties.filter((p) => props.styles[p.name]).length
  return count === 0 ? 'nothing set' : `${count} set here`
}
const isOpen = (group: StyleGroup) => searching.value || !folded.value.has(group)
/** Properties that come by side and are asked together. */
const BY_SIDE = [
  { title: 'Inside', names: /^padding/ },
  { title: 'Outside', names: /^margin/ },
  { title: 'Edge', names: /^edge(Top|Right|Bottom|Left)$/ },
]
const bySide = (list: StyleProperty[]) =>
  searching.value
    ? []
    : BY_SIDE.map((b) => ({ title: b.title, properties: list.filter((p) => b.names.test(p.name)) })).filter(
        (b) => b.properties.length > 0,
      )
const oneByOne = (list: StyleProperty[]) =>
  searching.value ? list : list.filter((p) => !BY_SIDE.some((b) => b.names.test(p.name)))
</script>

<template>
  <section v-for="{ group, properties } in groups" :key="group" class="border-t py-1">
    <h3>
      <button
        type="button"
        class="flex w-full items-baseline justify-between py-1.5 text-start"
        :aria-expanded="isOpen(group)"
        @click="folded.has(group) ? folded.delete(group) : folded.add(group)"
      >
        <span class="font-semibold">{{ STYLE_GROUPS[group] }}</span>
        <span class="text-2xs text-soft">{{ isOpen(group) ? stepWords : setHere(properties) }}</span>
      </button>
    </h3>
    <div v-if="isOpen(group)" class="pb-2">
      <AskStyle
        v-for="property in oneByOne(properties)"
        :key="property.name"
        :property="property"
        :stepped="styles[property.name]"
        :inherited="defaults[property.name]"
        :node-id="nodeId"
        :several="several?.has(property.name)"
        :giver="giver"
        :own-key="ownKey"
        @set="emit('set', [{ property: property.name, value: $event }])"
      />
      <AskSides
        v-for="sides in bySide(properties)"
        :key="sides.title"
        :title="sides.title"
        :properties="sides.properties"
        :styles="styles"
        :defaults="defaults"
        :node-id="nodeId"
        :several="several"
        :giver="giver"
        :own-key="ownKey"
        @set="emit('set', $event)"
      />
    </div>
  </section>
</template>
