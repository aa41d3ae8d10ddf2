<script setup lang="ts">
import type { StyleValue, Styles } from '#core/layouts'
import { type Owner, STYLE_GROUPS, type StyleGroup, type StyleProperty, stylePropertiesOn } from '#core/styles'

/** Looks, grouped; every one says where its value comes from. */
const props = defineProps<{
  styles: Styles
  defaults: Styles
  owner: Owner
  typed: string
  nodeId: string | null
  stepWords: string
}>()
const emit = defineEmits<{ set: [property: string, value: StyleValue | null] }>()

const folded = useFoldedGroups()
const all = computed(() => stylePropertiesOn(props.owner))
const found = computed(() => {
  const words = props.typed.trim().toLowerCase()
  return all.value.filter(
    (p) => !words || p.label.toLowerCase().includes(words) || STYLE_GROUPS[p.group].toLowerCase().includes(words),
  )
})
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
const sideways = (list: StyleProperty[], what: string) => list.filter((p) => p.name.startsWith(what))
const rest = (list: StyleProperty[]) =>
  list.filter((p) => !/^(padding|margin|edge(Top|Right|Bottom|Left))/.test(p.name))
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
      <template v-if="group === 'space' && !searching">
        <AskSides
          title="Inside"
          :properties="sideways(properties, 'padding')"
          :styles="styles"
          :defaults="defaults"
          :node-id="nodeId"
          @set="(p, v) => emit('set', p, v)"
        />
        <AskSides
          title="Outside"
          :properties="sideways(properties, 'margin')"
          :styles="styles"
          :defaults="defaults"
          :node-id="nodeId"
          @set="(p, v) => emit('set', p, v)"
        />
      </template>
      <template v-else>
        <AskStyle
          v-for="property in searching ? properties : rest(properties)"
          :key="property.name"
          :property="property"
          :stepped="styles[property.name]"
          :inherited="defaults[property.name]"
          :node-id="nodeId"
          @set="emit('set', property.name, $event)"
        />
        <AskSides
          v-if="group === 'background' && !searching"
          title="Edge"
          :properties="properties.filter((p) => /^edge(Top|Right|Bottom|Left)$/.test(p.name))"
          :styles="styles"
          :defaults="defaults"
          :node-id="nodeId"
          @set="(p, v) => emit('set', p, v)"
        />
      </template>
    </div>
  </section>
</template>
