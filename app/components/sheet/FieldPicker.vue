<script setup lang="ts">
import { Combobox, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import type { FieldValue } from '#core/tree'
import { type FieldChoice, fieldChoices } from '#core/catalogue'
import type { Page } from '#core/model'
import { findByWords } from '#core/text'
import { useSite } from '~/stores/site'

/** A field picked from the list of those that the page shown has. */
const props = defineProps<{ page: Page; kinds: readonly string[] | null; label: string; words?: string }>()
const emit = defineEmits<{ pick: [value: FieldValue] }>()

const site = useSite()
const open = ref(false)
const typed = ref('')
const input = ref<{ $el: HTMLInputElement }>()
const root = ref<HTMLElement>()
const leave = useLeaving(root, () => (open.value = false))
const choices = computed(() =>
  fieldChoices(site.catalogue!, props.page).filter((c) => !props.kinds || props.kinds.includes(c.kind)),
)
const found = computed(() => findByWords(choices.value, typed.value, (c) => c.label))
const groups = computed(() =>
  [...new Set(found.value.map((c) => c.group))].map((group) => ({
    group,
    items: found.value.filter((c) => c.group === group),
  })),
)

function begin() {
  open.value = true
  typed.value = ''
  void nextTick(() => input.value?.$el.focus())
}
function pick(choice: FieldChoice | null) {
  if (!choice) return
  open.value = false
  const { of, via, field } = choice
  emit('pick', { kind: 'field', of, ...(via && { via }), field })
}
</script>

<template>
  <div ref="root" class="relative shrink-0" @focusout="leave">
    <button
      type="button"
      class="btn btn-small h-7! px-1.5!"
      :class="words && 'w-full'"
      :aria-label="label"
      :title="label"
      @click="begin"
    >
      {{ words ?? 'field' }}
    </button>
    <Combobox v-if="open" :model-value="null" nullable @update:model-value="pick">
      <FloatingPanel :anchor="root">
        <FindInput
          ref="input"
          class="h-8 w-full border-b px-2.5"
          :aria-label="label"
          placeholder="Find a field"
          @change="typed = $event.target.value"
          @keydown.esc.stop="open = false"
        />
        <ComboboxOptions static class="max-h-64 overflow-y-auto py-1">
          <li v-if="found.length === 0" class="px-2.5 py-1 text-soft">No field is called that.</li>
          <li v-for="{ group, items } in groups" :key="group" role="presentation">
            <p class="px-2.5 pt-1.5 text-2xs text-soft">{{ group }}</p>
            <ul role="presentation">
              <ComboboxOption v-for="(item, i) in items" :key="i" v-slot="{ active }" :value="item" as="template">
                <li
                  class="flex cursor-pointer justify-between gap-2 px-2.5 py-0.5"
                  :class="active && 'bg-ink text-sheet'"
                >
                  <span>{{ item.label }}</span><span class="text-2xs" :class="active ? 'text-sheet' : 'text-soft'">{{
                    item.kind
                  }}</span>
                </li>
              </ComboboxOption>
            </ul>
          </li>
        </ComboboxOptions>
      </FloatingPanel>
    </Combobox>
  </div>
</template>
