<script setup lang="ts">
import { Combobox, ComboboxOption, ComboboxOptions, Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { find } from '#core/tree'
import { findByWords } from '#core/text'
import { useBench } from '~/stores/bench'

/** Everything that can be added after the thing in hand: rows by their columns, and elements. */
const emit = defineEmits<{ close: [] }>()

const bench = useBench()
const { addAny } = useBenchActions()
const typed = ref('')
const layout = computed(() => bench.layout!)
const { rows, elements, pieces } = useAddable()
/** Inside a column one mostly adds elements; elsewhere, rows. */
const choices = computed(() => {
  const node = bench.held ? find(layout.value, bench.held)?.node : undefined
  return node && node.kind !== 'row'
    ? [...elements.value, ...pieces.value, ...rows]
    : [...rows, ...elements.value, ...pieces.value]
})
/** Any division of a row can be typed. */
const asTyped = computed(() => typedRow(typed.value))
const found = computed(() =>
  asTyped.value
    ? [asTyped.value]
    : findByWords(
        choices.value,
        typed.value,
        (c) => c.name,
        (c) => c.about,
      ),
)
const groups = computed(() =>
  [...new Set(found.value.map((c) => c.group))].map((group) => ({
    group,
    items: found.value.filter((c) => c.group === group),
  })),
)
const where = computed(() => {
  const node = bench.held ? find(layout.value, bench.held)?.node : undefined
  if (!node) return 'at the end'
  if (node.kind === 'column') return 'at the end of this column'
  return node.kind === 'row' ? 'in or after this row' : 'after this element'
})

function pick(choice: Addable | null) {
  if (!choice) return
  emit('close')
  addAny(choice)
}
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="$emit('close')">
    <div class="fixed inset-0 bg-ink/30" aria-hidden="true" />
    <div class="fixed inset-x-0 top-20 flex justify-center px-4">
      <DialogPanel class="flex max-h-[70vh] w-full max-w-2xl flex-col border border-ink bg-sheet">
        <Combobox :model-value="null" nullable @update:model-value="pick">
          <div class="flex items-baseline gap-2 px-4 pb-2 pt-3">
            <DialogTitle class="made text-base">Add</DialogTitle><span class="text-soft">{{ where }}</span>
          </div>
          <div class="px-4 pb-3">
            <FindInput
              class="input h-8!"
              placeholder="A few letters of what it is, or the columns of a row: 5+7"
              aria-label="Add what"
              autofocus
              @change="typed = $event.target.value"
              @keydown.esc.prevent.stop="$emit('close')"
            />
          </div>
          <ComboboxOptions static class="min-h-0 overflow-y-auto border-t px-4 py-3">
            <li v-if="found.length === 0" class="text-soft">{{ refusedRow(typed) || 'Nothing is called that.' }}</li>
            <li v-for="{ group, items } in groups" :key="group" role="presentation" class="mt-3 first:mt-0">
              <p class="mb-1 text-xs text-soft">{{ group }}</p>
              <ul class="grid grid-cols-2 gap-1.5 max-sm:grid-cols-1" role="presentation">
                <ComboboxOption v-for="item in items" :key="item.key" v-slot="{ active }" :value="item" as="template">
                  <li
                    class="flex cursor-pointer items-center gap-3 border bg-raised px-2.5 py-1.5"
                    :class="active ? 'border-ink outline outline-1 outline-ink' : 'border-rule'"
                  >
                    <ElementSketch :type="item.type" :spans="item.spans" />
                    <span class="min-w-0">
                      <span class="block font-medium leading-tight">{{ item.name }}</span>
                      <span class="block text-2xs leading-snug text-soft">{{ item.about }}</span>
                    </span>
                  </li>
                </ComboboxOption>
              </ul>
            </li>
          </ComboboxOptions>
        </Combobox>
      </DialogPanel>
    </div>
  </Dialog>
</template>
