<script setup lang="ts">
import type { SiteDocument } from '#core/fields'
import type { FilesAnswer } from '#shared/api/types'

/** Brings a file from the own machine and gives it as a document, with what is known of it. */
const emit = defineEmits<{ brought: [document: SiteDocument] }>()

const chosen = ref<HTMLInputElement>()
const { uploads, send } = useUploads<FilesAnswer['files'][number]>(
  () => '/files',
  ({ id, fileName, size, pages }, file) =>
    emit('brought', {
      name: file.name.replace(/\.[a-z0-9]{1,8}$/i, ''),
      address: `/files/${id}/${fileName}`,
      size,
      ...(pages !== null && { pages }),
    }),
)
function take() {
  const files = chosen.value?.files
  if (files?.length) send([...files])
  if (chosen.value) chosen.value.value = ''
}
</script>

<template>
  <span class="contents">
    <button type="button" class="h-6 px-1 hover:bg-board" @click="chosen?.click()">bring a file</button>
    <input
      ref="chosen"
      type="file"
      multiple
      class="sr-only"
      tabindex="-1"
      aria-label="Documents to bring"
      @change="take"
    />
    <UploadList :uploads="uploads" class="basis-full" />
  </span>
</template>
