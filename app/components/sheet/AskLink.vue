<script setup lang="ts">
import { Combobox, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import type { Value } from '#core/tree'
import { findByWords } from '#core/text'
import { safeAddress } from '#core/addresses'
import { useSite } from '~/stores/site'

/** A link: a page of the site, found by its name, or an address typed in full. */
const props = defineProps<{ value: Value; label: string; placeholder?: string }>()
const emit = defineEmits<{ set: [value: Value] }>()

interface LinkOption {
  label: string
  detail: string
  value: Value
}

const site = useSite()
const box = ref<HTMLElement>()
const typed = ref('')
const shown = computed(() => {
  const { value } = props
  if (typeof value === 'object' && value && 'page' in value)
    return site.catalogue!.page(value.page)?.title ?? 'a page that no longer exists'
  return typeof value === 'string' ? value : ''
})
const found = computed<LinkOption[]>(() => {
  const text = typed.value.trim()
  const pages = findByWords(
    site.catalogue!.pages,
    text,
    (p) => p.title,
    (p) => p.address,
  ).filter((p) => p.address)
  const address = text && safeAddress(text) ? [{ label: text, detail: 'this address', value: text }] : []
  const none = text ? [] : [{ label: 'nothing', detail: '', value: null }]
  return [
    ...none,
    ...address,
    ...pages.slice(0, 40).map((p) => ({ label: p.title, detail: p.address, value: { page: p.key } })),
  ]
})
</script>

<template>
  <Combobox :model-value="null" nullable @update:model-value="(c: LinkOption | null) => c && emit('set', c.value)">
    <div ref="box" class="relative min-w-0 flex-1">
      <FindInput
        class="input"
        :aria-label="label"
        :placeholder="placeholder ?? 'nothing'"
        :display-value="() => shown"
        @change="typed = $event.target.value"
        @focus="$event.target.select()"
      />
      <ComboboxOptions as="div">
        <FloatingPanel :anchor="box">
          <ul class="max-h-64 overflow-y-auto py-1" role="presentation">
            <li v-if="found.length === 0" class="px-2.5 py-1 text-soft">
              No page is called that, and a link begins with /, https://, mailto: or tel:
            </li>
            <ComboboxOption v-for="(c, i) in found" :key="i" v-slot="{ active }" :value="c" as="template">
              <li class="cursor-pointer px-2.5 py-0.5" :class="active && 'bg-ink text-sheet'">
                <span class="block truncate">{{ c.label }}</span>
                <span class="block truncate font-mono text-2xs" :class="active ? 'text-sheet' : 'text-soft'">{{
                  c.detail
                }}</span>
              </li>
            </ComboboxOption>
          </ul>
        </FloatingPanel>
      </ComboboxOptions>
    </div>
  </Combobox>
</template>
