<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { ICONS, ICON_CSS, iconSvg } from '#core/drawing'
import { findByWords } from '#core/text'
import type { Value } from '#core/tree'

/** A sign of the open set, found by a few letters of its name. */
defineProps<{ value: Value; label: string }>()
const emit = defineEmits<{ set: [value: string | null] }>()
const typed = ref('')
const found = computed(() => findByWords(ICONS, typed.value, (name) => name.replaceAll('-', ' ')))
const button = ref<{ $el: HTMLElement }>()
/** Shapes of our own set, by their names. */
const Sign = ({ name }: { name: string }) => h('span', { innerHTML: iconSvg(name) })
Sign.props = ['name']
useHead({ style: [{ key: 'icons', innerHTML: ICON_CSS }] })
</script>

<template>
  <Popover v-slot="{ close }" class="relative min-w-0 flex-1">
    <PopoverButton ref="button" class="input flex items-center gap-2" :aria-label="`${label}: ${value || 'none'}`">
      <Sign v-if="typeof value === 'string'" class="text-base" :name="value" />
      <span class="truncate" :class="!value && 'text-soft'">{{ value || 'none' }}</span>
    </PopoverButton>
    <PopoverPanel>
      <FloatingPanel :anchor="button?.$el" :width="280" class="p-2">
        <input v-model="typed" class="input mb-1.5" placeholder="clock, arrow, mail …" aria-label="Find an icon" />
        <div class="grid max-h-64 grid-cols-8 gap-px overflow-y-auto">
          <button
            type="button"
            class="grid aspect-square place-items-center text-2xs text-soft hover:bg-board"
            @click="(emit('set', null), close())"
          >
            none
          </button>
          <button
            v-for="name in found"
            :key="name"
            type="button"
            class="grid aspect-square place-items-center text-base hover:bg-board"
            :class="name === value && 'bg-wash'"
            :aria-label="name"
            :aria-pressed="name === value"
            :title="name"
            @click="(emit('set', name), close())"
          >
            <Sign :name="name" />
          </button>
        </div>
        <p v-if="found.length === 0" class="p-1 text-soft">No icon is called that.</p>
      </FloatingPanel>
    </PopoverPanel>
  </Popover>
</template>
