<script setup lang="ts">
import { useSession } from '~/stores/session'

/** The menu that an element shows, made and edited without leaving the bench. */
const props = defineProps<{ value: string | null }>()
const emit = defineEmits<{ set: [id: string] }>()

const session = useSession()
const edits = useMenuEdits()
const open = ref(false)
const name = ref('')
const failed = ref('')
const menu = computed(() => edits.menus.value.find((m) => m.id === props.value))

async function begin() {
  failed.value = ''
  open.value = true
  try {
    await edits.store.open()
  } catch (error) {
    failed.value = (error as Error).message
  }
}
function make() {
  const id = name.value.trim() && edits.addMenu(name.value.trim())
  if (!id) return
  name.value = ''
  emit('set', id)
}
function close() {
  edits.store.close()
  open.value = false
}
</script>

<template>
  <button v-if="session.mayDesign" type="button" class="mt-1 text-xs text-soft underline" @click="begin">
    {{ value ? 'Edit this menu' : 'Make a menu' }}
  </button>
  <ModalSheet v-if="open" :title="menu?.name ?? 'A menu'" wide @close="close">
    <p v-if="failed" role="alert">{{ failed }}</p>
    <p v-else-if="!edits.store.document" class="text-soft" role="status">Fetching the menus…</p>
    <MenuEditor v-else-if="menu" :menu="menu" />
    <form v-else class="flex max-w-md gap-2" @submit.prevent="make">
      <input
        v-model="name"
        class="input"
        placeholder="Name of the menu"
        aria-label="Name of the menu"
        maxlength="200"
      />
      <button class="btn btn-spot shrink-0" :disabled="!name.trim()">Make it</button>
    </form>
    <template #actions>
      <span class="mr-auto self-center text-xs text-soft" role="status">{{
        edits.store.saving === 'saved' ? 'Kept; visitors see it with the next release' : 'Keeping…'
      }}</span>
      <button type="button" class="btn" :disabled="!edits.store.history.undo.length" @click="edits.store.undo">
        Undo
      </button>
      <button type="button" class="btn btn-spot" @click="close">Done</button>
    </template>
  </ModalSheet>
</template>
