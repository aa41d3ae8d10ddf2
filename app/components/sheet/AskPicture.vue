<script setup lang="ts">
import type { Value } from '#core/tree'
import { useEventListener } from '@vueuse/core'
import type { StoredPictureAnswer } from '#shared/api/types'
import { findByWords } from '#core/text'
import { useSite } from '~/stores/site'

/** `words` stand in the place of the picture that is chosen, where choosing one does something else. */
// Beside the button stands a sheet, which takes none of what the button is given.
defineOptions({ inheritAttrs: false })
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
const { uploads, send } = useUploads<StoredPictureAnswer>(
  () => '/pictures',
  ({ picture: added }) => {
    site.tookPicture(added)
    // One that is brought along is meant to be shown here.
    if (uploads.value.length === 0) pick(added.id)
  },
)
const chosen = ref<HTMLInputElement>()
const over = ref(false)
function take(files: Iterable<File>) {
  over.value = false
  send(files)
}
function paste(event: ClipboardEvent) {
  const files = filesOf(event.clipboardData)
  if (!choosing.value || files.length === 0) return
  event.preventDefault()
  take(files)
}
useEventListener('paste', paste)
function pick(id: string | null) {
  choosing.value = false
  emit('set', id)
}
</script>

<template>
  <button
    v-if="words"
    v-bind="$attrs"
    type="button"
    class="h-6 px-1 hover:bg-board"
    :aria-label="label"
    @click="choosing = true"
  >
    {{ words }}
  </button>
  <button
    v-else
    v-bind="$attrs"
    type="button"
    class="input flex items-center gap-2 px-1!"
    :aria-label="`${label}: ${picture ? picture.alt || picture.fileName : 'none'}`"
    @click="choosing = true"
  >
    <img v-if="picture" :src="smallAddress(picture)" alt="" class="size-5 shrink-0 object-cover" />
    <span class="truncate" :class="!picture && 'pl-1 text-soft'">{{
      picture ? picture.alt || picture.fileName : value ? 'a picture that no longer exists' : 'none'
    }}</span>
  </button>
  <ModalSheet v-if="choosing" title="Choose a picture" wide @close="choosing = false">
    <div
      class="mb-3 flex items-center gap-3"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="take(filesOf($event.dataTransfer))"
    >
      <input v-model="typed" type="search" class="input" placeholder="Find a picture" aria-label="Find a picture" />
      <input
        ref="chosen"
        type="file"
        accept="image/*"
        multiple
        class="sr-only"
        tabindex="-1"
        aria-label="Files of pictures"
        @change="take(($event.target as HTMLInputElement).files ?? [])"
      />
      <button type="button" class="btn shrink-0" :class="over && 'border-spot!'" @click="chosen?.click()">
        Bring a picture…
      </button>
    </div>
    <UploadList :uploads="uploads" class="mb-3" />
    <p v-if="found.length === 0" class="text-soft">
      {{
        site.site!.pictures.length
          ? 'No picture is called that.'
          : 'There are no pictures yet. Choose files, drop them on the button, or paste one.'
      }}
    </p>
    <ul
      class="grid grid-cols-[repeat(auto-fill,minmax(120px,1fr))] gap-2"
      @dragover.prevent="over = true"
      @drop.prevent="take(filesOf($event.dataTransfer))"
    >
      <li v-for="p in found" :key="p.id">
        <button
          type="button"
          class="block w-full border p-1 text-start hover:border-ink"
          :class="p.id === value ? 'border-ink' : 'border-rule'"
          @click="pick(p.id)"
        >
          <img :src="smallAddress(p)" alt="" loading="lazy" class="aspect-square w-full object-cover" />
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
