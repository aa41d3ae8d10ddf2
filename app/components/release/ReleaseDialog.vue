<script setup lang="ts">
import { counted } from '#core/words'
import { useChecks } from '~/stores/checks'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'

const emit = defineEmits<{ close: [] }>()
const design = useDesign()
const notices = useNotices()
const checks = useChecks()
const note = ref('')
const busy = ref(false)
const count = computed(() => design.waiting.length)
const found = computed(() => checks.findings?.length ?? 0)

async function release() {
  busy.value = true
  const done = await notices.attempt(() => design.release(note.value))
  busy.value = false
  if (!done) return
  notices.say(`Release ${done.number} is what visitors see now.`)
  emit('close')
}
</script>

<template>
  <ModalSheet title="Release to visitors" @close="$emit('close')">
    <p class="mb-3 text-soft">
      Visitors see the site as it was released last. This is what a release changes for them:
    </p>
    <ChangeList :changes="design.waiting" />
    <p v-if="found > 0" class="mt-3 bg-wash px-3 py-2">
      {{ counted(found, 'thing') }} will not do what was meant.
      <NuxtLink class="underline" to="/studio/checks" @click="emit('close')">Look at the checks</NuxtLink> first, or
      release as it is.
    </p>
    <p v-if="design.releases[0]" class="mt-3 text-xs">
      <NuxtLink
        class="underline"
        :to="`/studio/releases/compare?before=${design.releases[0].number}&after=draft`"
        @click="emit('close')"
        >See every page that changes, before and after</NuxtLink
      >
    </p>
    <label class="mt-4 block">
      A note for whoever looks back <span class="text-soft">(optional)</span>
      <input v-model="note" class="input mt-1" maxlength="500" />
    </label>
    <template #actions>
      <button class="btn" type="button" @click="$emit('close')">Not yet</button>
      <button class="btn btn-spot" type="button" :disabled="busy || count === 0" @click="release">
        Release {{ counted(count, 'change') }}
      </button>
    </template>
  </ModalSheet>
</template>
