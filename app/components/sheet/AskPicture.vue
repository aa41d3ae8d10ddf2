<script setup lang="ts">
import type { Value } from '#core/tree'
import { pictureAddress } from '#core/drawing'
import { findByWords } from '#core/site'
import { useSite } from '~/stores/site'

/** `words` stand in the place of the picture that is chosen, where choosing one does something else. */
const props = defineProps<{ value: Value; label: string; words?: string }>()
const emit = defineEmits<{ set: [value: Value] }>()

const site = useSite()
const choosing = ref(false)
const typed = ref('')
const picture = computed(() =>
  typeof props.value === 'string' ? site.catalogue!.pictures.get(props.value) : undefined,
)
const found = computed(() =>
  findByWords(
    site.site!.pictures,
    typed.value,
    (p) => p.alt,
    (p) => p.fileName,
  ).slice(0, 120),
)
function pick(id: string | null) {
  choosing.value = false
  emit('set', id)
}
</script>

<template>
  <button v-if="words" type="button" class="h-6 px-1 hover:bg-board" :aria-label="label" @click="choosing = true">
    {{ words }}
  </button>
  <button
    v-else
    type="button"
    class="input flex items-center gap-2 px-1!"
    :aria-label="`${label}: ${picture?.alt ?? 'none'}`"
    @click="choosing = true"
  >
    <img v-if="picture" :src="pictureAddress(picture)" alt="" class="size-5 shrink-0 object-cover" />
    <span class="truncate" :class="!picture && 'pl-1 text-soft'">{{
      picture?.alt ?? (value ? 'a picture that no longer exists' : 'none')
    }}</span>
  </button>
  <ModalSheet v-if="choosing" title="Choose a picture" wide @close="choosing = false">
    <input v-model="typed" type="search" class="input mb-3" placeholder="Find a picture" aria-label="Find a picture" />
    <p v-if="found.length === 0" class="text-soft">No picture is called that.</p>
    <ul class="grid grid-cols-[repeat(auto-fill,minmax(120px,1fr))] gap-2">
      <li v-for="p in found" :key="p.id">
        <button
          type="button"
          class="block w-full border p-1 text-start hover:border-ink"
          :class="p.id === value ? 'border-ink' : 'border-rule'"
          @click="pick(p.id)"
        >
          <img :src="pictureAddress(p)" alt="" loading="lazy" class="aspect-square w-full object-cover" />
          <span class="mt-1 block truncate text-xs">{{ p.alt || p.fileName }}</span>
        </button>
      </li>
    </ul>
    <template #actions>
      <button type="button" class="btn" @click="pick(null)">None</button>
      <button type="button" class="btn" @click="choosing = false">Close</button>
    </template>
  </ModalSheet>
</template>
