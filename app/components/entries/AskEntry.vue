<script setup lang="ts">
import { Combobox, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import type { Entry } from '#core/model'
import { entryName } from '#core/catalogue'
import { findByWords } from '#core/text'
import { useSite } from '~/stores/site'

/** An entry, found by a few letters; `none` is offered too. */
const props = defineProps<{ value: string | null; label: string; of?: string; without?: string; none: string }>()
const emit = defineEmits<{ set: [id: string | null] }>()

const site = useSite()
const box = ref<HTMLElement>()
const typed = ref('')
const name = (e: Entry) => entryName(e, site.catalogue!.types.get(e.type))
const shown = computed(() => {
  const found = props.value ? site.catalogue!.entries.get(props.value) : undefined
  return found ? name(found) : props.value ? 'an entry that is gone' : ''
})
/** Options are told apart by identity: they are made once for what was typed, and not at each drawing. */
const NOTHING = { id: null }
const found = computed(() =>
  findByWords(
    site.site!.entries.filter((e) => (!props.of || e.type === props.of) && e.id !== props.without),
    typed.value,
    name,
    (e) => e.slug,
  )
    .slice(0, 40)
    .map((e) => ({ id: e.id, name: name(e) })),
)
</script>

<template>
  <Combobox
    :model-value="null"
    nullable
    @update:model-value="(c: { id: string | null } | null) => c && emit('set', c.id)"
  >
    <div ref="box" class="relative">
      <FindInput
        class="input"
        :aria-label="label"
        :placeholder="none"
        :display-value="() => shown"
        @change="typed = $event.target.value"
        @focus="$event.target.select()"
      />
      <ComboboxOptions as="div">
        <FloatingPanel :anchor="box">
          <ul class="max-h-64 overflow-y-auto py-1" role="presentation">
            <ComboboxOption v-if="!typed.trim()" v-slot="{ active }" :value="NOTHING" as="template">
              <li class="cursor-pointer px-2.5 py-0.5" :class="active && 'bg-ink text-sheet'">{{ none }}</li>
            </ComboboxOption>
            <li v-if="found.length === 0" class="px-2.5 py-1 text-soft">No entry is called that.</li>
            <ComboboxOption v-for="e in found" :key="e.id" v-slot="{ active }" :value="e" as="template">
              <li class="cursor-pointer truncate px-2.5 py-0.5" :class="active && 'bg-ink text-sheet'">
                {{ e.name }}
              </li>
            </ComboboxOption>
          </ul>
        </FloatingPanel>
      </ComboboxOptions>
    </div>
  </Combobox>
</template>
