<script setup lang="ts">
import { nodeName } from '#core/elements'
import type { TreeNode } from '#core/tree'
import { usePieces } from '~/stores/pieces'

/** Makes the row or the element in hand a piece: kept once, and shown wherever it is placed. */
const props = defineProps<{ node: TreeNode }>()

const pieces = usePieces()
const asking = ref(false)
const name = ref('')
const busy = ref(false)

function begin() {
  name.value = props.node.name ?? ''
  asking.value = true
}
async function make() {
  if (!name.value.trim() || busy.value) return
  busy.value = true
  await pieces.shareInHand(name.value.trim())
  busy.value = asking.value = false
}
</script>

<template>
  <section class="border-t py-2.5" aria-label="Share">
    <button v-if="!asking" type="button" class="btn btn-small" @click="begin">Share this…</button>
    <form v-else class="space-y-1.5" @submit.prevent="make" @keydown.esc.stop="asking = false">
      <label class="block font-medium">
        Share this as
        <input
          v-model="name"
          class="input mt-1 font-normal"
          maxlength="120"
          :placeholder="nodeName(node)"
          @vue:mounted="($event: any) => $event.el.focus()"
        />
      </label>
      <p class="text-xs text-soft">It is kept once from then on, and can be placed in any layout.</p>
      <div class="flex gap-1">
        <button type="submit" class="btn btn-small btn-spot" :disabled="!name.trim() || busy">Share it</button>
        <button type="button" class="btn btn-small" @click="asking = false">Not now</button>
      </div>
    </form>
  </section>
</template>
