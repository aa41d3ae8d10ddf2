<script setup lang="ts">
import { Combobox, ComboboxButton, ComboboxLabel, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { type Awkward, type Sample, MANY_SCREENS, awkwardPages, hasSample } from '#core/editor'
import type { Page } from '#core/model'
import { findByWords } from '#core/text'
import { useBench } from '~/stores/bench'
import { useSite } from '~/stores/site'

/** Which page the layout is looked at with: stepping through its like, the awkward ones, or any by name. */
const shown = defineModel<Page>({ required: true })

const site = useSite()
const typed = ref('')
const like = computed(() => pagesLike(shown.value, site.catalogue!))
const awkward = computed(() => awkwardPages(site.catalogue!, like.value))
const AWKWARD: { key: Awkward; label: string }[] = [
  { key: 'longest', label: 'Longest title' },
  { key: 'no-picture', label: 'No picture' },
  { key: 'emptiest', label: 'Emptiest' },
]
const hasAwkward = computed(() => Boolean(shown.value.entry || shown.value.term || shown.value.person))
const bench = useBench()
const SAMPLES: { value: Sample; label: string }[] = [
  { value: 'real', label: 'What it lists' },
  { value: 'none', label: 'Nothing' },
  { value: 'many', label: `${MANY_SCREENS} screens` },
]
const samples = computed(() => SAMPLES.filter((s) => hasSample(shown.value, s.value)))
const found = computed(() => {
  const pages = typed.value.trim() ? site.catalogue!.pages : like.value
  return findByWords(
    pages,
    typed.value,
    (p) => p.title,
    (p) => p.address,
  ).slice(0, 60)
})

const isShown = (key: Awkward) => awkward.value[key] !== undefined && awkward.value[key]?.key === shown.value.key

function stepBy(by: number) {
  const at = like.value.findIndex((p) => p.key === shown.value.key)
  shown.value = like.value[(at + by + like.value.length) % like.value.length]!
}
</script>

<template>
  <div class="flex items-center gap-1.5">
    <Combobox
      :model-value="shown"
      as="div"
      class="flex items-center gap-1.5"
      @update:model-value="(page) => page && (shown = page)"
    >
      <ComboboxLabel class="whitespace-nowrap text-xs text-soft max-xl:sr-only">Shown with</ComboboxLabel>
      <div class="relative flex">
        <button
          type="button"
          class="btn btn-small px-2!"
          aria-label="Previous page"
          :disabled="like.length < 2"
          @click="stepBy(-1)"
        >
          ‹
        </button>
        <FindInput
          class="input -mx-px h-6! w-44 text-xs max-xl:w-32"
          :display-value="(page: unknown) => (page as Page).title"
          @change="typed = $event.target.value"
          @focus="$event.target.select()"
        />
        <ComboboxButton class="btn btn-small -mr-px px-1.5!" aria-label="Choose a page">▾</ComboboxButton>
        <button
          type="button"
          class="btn btn-small px-2!"
          aria-label="Next page"
          :disabled="like.length < 2"
          @click="stepBy(1)"
        >
          ›
        </button>
        <ComboboxOptions
          class="absolute left-0 top-full z-30 max-h-80 w-80 overflow-y-auto border border-ink bg-raised py-1"
        >
          <li v-if="found.length === 0" class="px-3 py-1 text-soft">No page is called that.</li>
          <ComboboxOption v-for="page in found" :key="page.key" v-slot="{ active }" :value="page" as="template">
            <li class="cursor-pointer px-3 py-1" :class="active && 'bg-ink text-sheet'">
              <span class="block truncate">{{ page.title }}</span>
              <span class="block truncate font-mono text-2xs" :class="active ? 'text-sheet' : 'text-soft'">{{
                page.address || 'not found'
              }}</span>
            </li>
          </ComboboxOption>
        </ComboboxOptions>
      </div>
    </Combobox>
    <ToggleRow
      v-if="samples.length > 1"
      class="max-lg:hidden"
      label="What it lists"
      :options="samples"
      :value="bench.sample"
      @pick="bench.sample = $event"
    />
    <div v-if="hasAwkward" class="flex max-lg:hidden" role="group" aria-label="Awkward ones">
      <button
        v-for="a in AWKWARD"
        :key="a.key"
        type="button"
        class="btn btn-small -ml-px"
        :class="isShown(a.key) && 'border-ink! bg-ink text-sheet'"
        :aria-pressed="isShown(a.key)"
        :disabled="!awkward[a.key]"
        @click="shown = awkward[a.key]!"
      >
        {{ a.label }}
      </button>
    </div>
  </div>
</template>
