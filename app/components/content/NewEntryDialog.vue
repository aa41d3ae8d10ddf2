<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { Entry, PageType } from '#core/model'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** A new entry, or another one that begins with what one says. */
const props = defineProps<{ type?: string; types: readonly PageType[]; from?: Entry }>()
const emit = defineEmits<{ close: [] }>()

const site = useSite()
const notices = useNotices()
const type = ref(props.from?.type ?? (props.type || props.types[0]?.id) ?? '')
const title = ref(props.from ? `${props.from.title}, copy` : '')
const busy = ref(false)

async function make() {
  busy.value = true
  const made = await notices.attempt(() =>
    site.createEntry({
      id: nanoid(12),
      type: type.value,
      title: title.value.trim(),
      ...(props.from && { from: props.from.id }),
    }),
  )
  busy.value = false
  if (!made) return
  emit('close')
  await navigateTo(`/studio/content/entries/${made}`)
}
</script>

<template>
  <ModalSheet :title="from ? 'Another one like it' : 'New entry'" @close="$emit('close')">
    <p v-if="types.length === 0" class="text-soft">
      There is no page type yet. <NuxtLink to="/studio/content/types" class="underline">Make one first</NuxtLink>, then
      entries of it.
    </p>
    <form v-else id="new-entry" class="space-y-4" @submit.prevent="make">
      <label v-if="!from" class="block font-medium"
        >Page type
        <select v-model="type" class="input mt-1 font-normal">
          <option v-for="t in types" :key="t.id" :value="t.id">{{ t.name }}</option>
        </select>
      </label>
      <label class="block font-medium"
        >Title
        <input v-model="title" class="input mt-1 font-normal" maxlength="500" />
      </label>
      <p class="text-soft">It is not published until you say so. Its address is made from the title.</p>
    </form>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Not now</button>
      <button v-if="types.length" type="submit" form="new-entry" class="btn btn-spot" :disabled="busy">Make it</button>
    </template>
  </ModalSheet>
</template>
