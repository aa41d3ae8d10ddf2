<script setup lang="ts">
import { nanoid } from 'nanoid'
import { type Item, type Property, type TreeNode, type Value, copyOf } from '#core/tree'
import type { Page } from '#core/model'
import { useBench } from '~/stores/bench'

/** A property that holds several things: a list in their order, each opened in place to say its values. */
const props = defineProps<{
  node: TreeNode
  name: string
  property: Extract<Property, { kind: 'items' }>
  page: Page
}>()

const bench = useBench()
const nameOf = useItemNames()
const open = ref<string | null>(null)
const items = computed(() => (props.node.props[props.name] as Item[] | undefined) ?? props.property.default)
const one = computed(() => props.property.one.toLowerCase())
const full = computed(() => items.value.length >= props.property.most)

const label = (item: Item, at: number): string => nameOf(props.property, item) || `${props.property.one} ${at + 1}`
const base = computed(() => ({ id: props.node.id, property: props.name }))

function add(index: number, from?: Item) {
  const item = { id: nanoid(12), props: copyOf(from?.props ?? {}) }
  if (bench.apply({ kind: 'insertItem', ...base.value, index, item })) open.value = item.id
}
function remove(item: Item) {
  bench.apply({ kind: 'removeItem', ...base.value, item: item.id })
}
function move(item: Item, index: number) {
  if (index >= 0 && index < items.value.length) bench.apply({ kind: 'moveItem', ...base.value, item: item.id, index })
}
function set(item: Item, property: string, value: Value | undefined) {
  const edit = { kind: 'setProperty' as const, id: props.node.id, property }
  const within = { items: props.name, item: item.id }
  bench.apply(value === undefined ? { ...edit, within, unset: true } : { ...edit, within, value })
}
</script>

<template>
  <div class="py-1" role="group" :aria-label="property.label">
    <p class="mb-1 text-soft">{{ property.label }}</p>
    <ol class="space-y-1">
      <li v-for="(item, at) in items" :key="item.id" class="border border-rule bg-raised">
        <div class="flex items-center">
          <button
            type="button"
            class="min-w-0 flex-1 truncate px-2 py-1 text-start"
            :aria-expanded="open === item.id"
            @click="open = open === item.id ? null : item.id"
            @keydown.alt.up.prevent.stop="move(item, at - 1)"
            @keydown.alt.down.prevent.stop="move(item, at + 1)"
          >
            {{ label(item, at) }}
          </button>
          <button
            type="button"
            class="px-1 py-1 text-soft hover:text-ink disabled:opacity-30"
            :disabled="at === 0"
            :aria-label="`Move ${label(item, at)} up`"
            @click="move(item, at - 1)"
          >
            ↑
          </button>
          <button
            type="button"
            class="px-1 py-1 text-soft hover:text-ink disabled:opacity-30"
            :disabled="at === items.length - 1"
            :aria-label="`Move ${label(item, at)} down`"
            @click="move(item, at + 1)"
          >
            ↓
          </button>
        </div>
        <div v-if="open === item.id" class="border-t border-rule px-2 pb-1.5 pt-1">
          <AskProperty
            v-for="(spec, part) in property.of"
            :key="part"
            :property="spec"
            :value="item.props[part]"
            :beside="item.props"
            :page="page"
            @set="set(item, String(part), $event)"
          />
          <div class="mt-1 flex gap-3 text-xs">
            <button v-if="!full" type="button" class="text-soft hover:text-ink" @click="add(at + 1, item)">
              Duplicate
            </button>
            <button type="button" class="text-soft hover:text-spot-deep" @click="remove(item)">Remove {{ one }}</button>
          </div>
        </div>
      </li>
    </ol>
    <button
      type="button"
      class="mt-1 w-full border border-dashed border-edge py-1 text-soft hover:border-ink hover:text-ink disabled:opacity-40"
      :disabled="full"
      @click="add(items.length)"
    >
      Add a {{ one }}
    </button>
  </div>
</template>
