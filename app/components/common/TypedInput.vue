<script setup lang="ts">
/**
 * A field that says what was typed in it once that is done, and keeps it until then, whatever is drawn anew meanwhile.
 * With `stays`, what was refused stays too, until it is mended or another value comes.
 */
const props = defineProps<{ value: string; long?: boolean; stays?: boolean }>()
const emit = defineEmits<{ say: [words: string, field: HTMLInputElement] }>()
const typed = ref<string | null>(null)
watch(
  () => props.value,
  () => (typed.value = null),
)
function say(event: Event) {
  if (typed.value === null) return
  emit('say', typed.value.trim(), event.target as HTMLInputElement)
  if (!props.stays) typed.value = null
}
</script>

<template>
  <component
    :is="long ? 'textarea' : 'input'"
    :value="typed ?? value"
    @input="typed = ($event.target as HTMLInputElement).value"
    @change="say"
  />
</template>
