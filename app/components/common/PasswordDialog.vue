<script setup lang="ts">
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** A new password; it ends the sessions of this account everywhere else. */
const emit = defineEmits<{ close: [] }>()
const session = useSession()
const notices = useNotices()
const current = ref('')
const next = ref('')
const failed = ref('')
const busy = ref(false)

async function change() {
  busy.value = true
  failed.value = ''
  try {
    await session.changePassword(current.value, next.value)
    notices.say('You have a new password. Wherever else you were signed in, you are not any more.')
    emit('close')
  } catch (error) {
    failed.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ModalSheet title="New password" @close="$emit('close')">
    <form id="new-password" class="space-y-4" @submit.prevent="change">
      <label class="block font-medium">
        The password you have now
        <input
          v-model="current"
          class="input mt-1 font-normal"
          type="password"
          autocomplete="current-password"
          required
        />
      </label>
      <label class="block font-medium">
        The new one, of at least 12 characters
        <input
          v-model="next"
          class="input mt-1 font-normal"
          type="password"
          autocomplete="new-password"
          minlength="12"
          maxlength="500"
          required
        />
      </label>
      <p v-if="failed" class="bg-wash p-2" role="alert">{{ failed }}</p>
    </form>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Keep the old one</button>
      <button type="submit" form="new-password" class="btn btn-spot" :disabled="busy">Change it</button>
    </template>
  </ModalSheet>
</template>
