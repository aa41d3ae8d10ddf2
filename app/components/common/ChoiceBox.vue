<script setup lang="ts" generic="T extends { label: string; what: string }">
import { Combobox, ComboboxOption, ComboboxOptions } from '@headlessui/vue'

/** One thing picked by typing a few letters of it. It takes the focus when it appears. */
defineProps<{ label: string; placeholder: string; found: readonly T[] }>()
const emit = defineEmits<{ pick: [choice: T]; leave: [] }>()
const typed = defineModel<string>('typed', { required: true })
const box = ref<HTMLElement>()
const input = ref<{ $el: HTMLInputElement }>()
onMounted(() => input.value?.$el.focus())
</script>

<template>
  <Combobox :model-value="null" nullable @update:model-value="(c: T | null) => c && emit('pick', c)">
    <div ref="box" class="relative">
      <FindInput
        ref="input"
        class="input"
        :aria-label="label"
        :placeholder="placeholder"
        @change="typed = $event.target.value"
        @keydown.esc.stop="emit('leave')"
      />
      <FloatingPanel :anchor="box">
        <ComboboxOptions static class="max-h-64 overflow-y-auto py-1">
          <li v-if="found.length === 0" class="px-2.5 py-1 text-soft">Nothing is called that.</li>
          <ComboboxOption v-for="(choice, i) in found" :key="i" v-slot="{ active }" :value="choice" as="template">
            <li
              class="flex cursor-pointer items-baseline justify-between gap-2 px-2.5 py-0.5"
              :class="active && 'bg-ink text-sheet'"
            >
              <span class="min-w-0 break-words">{{ choice.label }}</span>
              <span class="shrink-0 text-2xs" :class="active ? 'text-sheet' : 'text-soft'">{{ choice.what }}</span>
            </li>
          </ComboboxOption>
        </ComboboxOptions>
      </FloatingPanel>
    </div>
  </Combobox>
</template>
