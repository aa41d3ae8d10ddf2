<script setup lang="ts">
import { type Circumstance, circumstanceName } from '#core/conditions'

/** Only when: circumstances that must all hold. */
const props = defineProps<{ circumstances: Circumstance[] }>()
const emit = defineEmits<{ set: [circumstances: Circumstance[]] }>()
const adding = ref(false)
const plain = () => JSON.parse(JSON.stringify(props.circumstances)) as Circumstance[]

function add(circumstance: Circumstance) {
  adding.value = false
  emit('set', [...plain(), circumstance])
}
</script>

<template>
  <div class="grid grid-cols-[62px_1fr] gap-x-1">
    <span class="pt-1 text-xs text-soft">Only when</span>
    <ul class="min-w-0 space-y-1">
      <li v-for="(c, i) in circumstances" :key="i" class="flex items-center border border-edge bg-board">
        <span class="min-w-0 flex-1 break-words px-1.5 py-0.5">{{ circumstanceName(c) }}</span>
        <button
          type="button"
          class="px-1.5 py-0.5 hover:bg-rule"
          :aria-label="`Take away: ${circumstanceName(c)}`"
          @click="
            emit(
              'set',
              plain().filter((_, k) => k !== i),
            )
          "
        >
          ×
        </button>
      </li>
      <li>
        <CircumstanceForm v-if="adding" @add="add" @close="adding = false" />
        <button
          v-else
          type="button"
          class="border border-dashed border-edge px-1.5 py-0.5 text-soft hover:border-ink hover:text-ink"
          aria-label="Add a circumstance"
          @click="adding = true"
        >
          + when
        </button>
      </li>
    </ul>
  </div>
</template>
