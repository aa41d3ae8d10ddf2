<script setup lang="ts">
import { Combobox, ComboboxOption, ComboboxOptions, Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { findByWords } from '#core/text'
import { type Findable, useFinder } from '~/stores/finder'

/** One field from which anything in the studio is found and done. */
const finder = useFinder()
// What another window has made meanwhile is found as soon as it is known here.
const all = computed(useFindables())
const typed = ref('')
/** So many of one kind are listed before more letters are asked for. */
const MOST_OF_A_KIND = 8
const groups = computed(() => {
  const found = findByWords(
    all.value,
    typed.value,
    (f) => f.label,
    (f) => f.about,
  )
  return [...new Set(found.map((f) => f.group))].map((group) => {
    const items = found.filter((f) => f.group === group)
    return { group, items: items.slice(0, MOST_OF_A_KIND), more: Math.max(0, items.length - MOST_OF_A_KIND) }
  })
})

function pick(found: Findable | null) {
  if (!found) return
  finder.open = false
  // Once the list is gone and the focus is back where it was.
  setTimeout(found.run, 60)
}
</script>

<template>
  <Dialog :open="true" class="relative z-50" @close="finder.open = false">
    <div class="fixed inset-0 bg-ink/30" aria-hidden="true" />
    <div class="fixed inset-x-0 top-16 flex justify-center px-4">
      <DialogPanel class="flex max-h-[76vh] w-full max-w-xl flex-col border border-ink bg-sheet">
        <DialogTitle class="sr-only">Find and do anything</DialogTitle>
        <Combobox :model-value="null" nullable @update:model-value="pick">
          <FindInput
            class="h-11 w-full shrink-0 border-b bg-raised px-4 text-base outline-none"
            placeholder="A page, a layout, a frame, something here, or what to do"
            aria-label="Find and do anything"
            autofocus
            @change="typed = $event.target.value"
            @keydown.esc.prevent.stop="finder.open = false"
          />
          <ComboboxOptions static class="min-h-0 overflow-y-auto py-1.5">
            <li v-if="groups.length === 0" class="px-4 py-2 text-soft">
              Nothing is called “{{ typed.trim() }}”. Try fewer or other letters.
            </li>
            <li v-for="{ group, items, more } in groups" :key="group" role="presentation">
              <p class="px-4 pb-0.5 pt-2 text-2xs text-soft">{{ group }}</p>
              <ul role="presentation">
                <ComboboxOption v-for="item in items" :key="item.key" v-slot="{ active }" :value="item" as="template">
                  <li class="flex cursor-pointer items-baseline gap-2 px-4 py-1" :class="active && 'bg-ink text-sheet'">
                    <span class="shrink-0 [max-width:60%] truncate">{{ item.label }}</span>
                    <span class="min-w-0 flex-1 truncate text-xs" :class="active ? 'text-sheet/80' : 'text-soft'">{{
                      item.about
                    }}</span>
                    <span v-for="key in item.keys" :key="key" class="kbd shrink-0">{{ key }}</span>
                  </li>
                </ComboboxOption>
              </ul>
              <p v-if="more" class="px-4 py-0.5 text-2xs text-soft">and {{ more }} more; type on</p>
            </li>
          </ComboboxOptions>
        </Combobox>
      </DialogPanel>
    </div>
  </Dialog>
</template>
