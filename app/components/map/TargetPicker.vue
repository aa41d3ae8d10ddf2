<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { type Target, type TargetChoice, findChoices, targetChoices } from '#core/frames'
import { useSite } from '~/stores/site'

/** A target picked by typing a few letters of a page, term or type. */
defineProps<{ label: string }>()
const emit = defineEmits<{ pick: [target: Target] }>()

const site = useSite()
const open = ref(false)
const typed = ref('')
const input = ref<{ $el: HTMLInputElement }>()
const root = ref<HTMLElement>()
const leave = useLeaving(root, () => (open.value = false))
const all = computed(() => (open.value && site.catalogue ? targetChoices(site.catalogue) : []))
const found = computed(() => findChoices(all.value, typed.value))

function begin() {
  open.value = true
  typed.value = ''
  void nextTick(() => input.value?.$el.focus())
}
function pick(choice: TargetChoice | null) {
  if (!choice) return
  emit('pick', JSON.parse(JSON.stringify(choice.target)) as Target)
  open.value = false
}
</script>

<template>
  <div ref="root" @focusout="leave">
    <button
      v-if="!open"
      type="button"
      class="border border-dashed border-edge px-1.5 py-0.5 text-soft hover:border-ink hover:text-ink"
      :aria-label="label"
      @click="begin"
    >
      + add
    </button>
    <Combobox v-else :model-value="null" nullable @update:model-value="pick">
      <div class="relative">
        <ComboboxInput
          ref="input"
          class="input"
          :aria-label="label"
          placeholder="Type a few letters"
          autocomplete="off"
          @change="typed = $event.target.value"
          @keydown.esc="open = false"
        />
        <ComboboxOptions
          static
          class="absolute right-0 top-full z-30 max-h-64 w-60 overflow-y-auto border border-ink bg-raised py-1"
        >
          <li v-if="found.length === 0" class="px-2.5 py-1 text-soft">Nothing is called that.</li>
          <ComboboxOption v-for="(choice, i) in found" :key="i" v-slot="{ active }" :value="choice" as="template">
            <li
              class="flex cursor-pointer items-baseline justify-between gap-2 px-2.5 py-1"
              :class="active && 'bg-ink text-sheet'"
            >
              <span class="min-w-0 break-words">{{ choice.label }}</span>
              <span class="shrink-0 text-2xs" :class="active ? 'text-sheet' : 'text-soft'">{{ choice.what }}</span>
            </li>
          </ComboboxOption>
        </ComboboxOptions>
      </div>
    </Combobox>
  </div>
</template>
