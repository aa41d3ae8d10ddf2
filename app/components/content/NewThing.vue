<script setup lang="ts">
/** Names something new: what one is called, and several. */
const props = defineProps<{ title: string; one: string; several: string }>()
const emit = defineEmits<{ close: []; make: [name: string, plural: string] }>()
const name = ref('')
const plural = ref('')
/** Until it is said otherwise, several are called by what most are. */
const usual = computed(() =>
  /[^aeiou]y$/i.test(name.value.trim()) ? name.value.trim().slice(0, -1) + 'ies' : `${name.value.trim()}s`,
)
function make() {
  if (name.value.trim()) emit('make', name.value.trim(), plural.value.trim() || usual.value)
}
const hint = computed(() => (name.value.trim() ? usual.value : props.several))
</script>

<template>
  <ModalSheet :title="title" @close="$emit('close')">
    <form id="new-thing" class="space-y-4" @submit.prevent="make">
      <label class="block font-medium"
        >One is called<input v-model="name" class="input mt-1 font-normal" maxlength="120" required :placeholder="one"
      /></label>
      <label class="block font-medium"
        >Several are called<input v-model="plural" class="input mt-1 font-normal" maxlength="120" :placeholder="hint"
      /></label>
    </form>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Not now</button>
      <button type="submit" form="new-thing" class="btn btn-spot" :disabled="!name.trim()">Make it</button>
    </template>
  </ModalSheet>
</template>
