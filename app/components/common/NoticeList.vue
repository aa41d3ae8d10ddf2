<script setup lang="ts">
import { useNotices } from '~/stores/notices'

const notices = useNotices()

function act(id: number, run: () => void) {
  notices.drop(id)
  run()
}
</script>

<template>
  <!-- A strip below the work, not a card above it: a notice never covers what somebody is about to press. -->
  <div class="relative z-50 shrink-0">
    <div
      v-for="notice in notices.notices"
      :key="notice.id"
      :role="notice.kind === 'failed' ? 'alert' : 'status'"
      class="flex items-center gap-3 border-t border-ink px-4 py-1.5"
      :class="notice.kind === 'failed' ? 'bg-spot text-white' : 'bg-raised'"
    >
      <p class="mr-auto min-w-0">{{ notice.text }}</p>
      <button
        v-if="notice.action"
        type="button"
        class="btn btn-small text-ink"
        @click="act(notice.id, notice.action.run)"
      >
        {{ notice.action.label }}
      </button>
      <button type="button" class="underline" @click="notices.drop(notice.id)">Close</button>
    </div>
  </div>
</template>
