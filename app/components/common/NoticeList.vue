<script setup lang="ts">
import { useNotices } from '~/stores/notices'

const notices = useNotices()

function act(id: number, run: () => void) {
  notices.drop(id)
  run()
}
</script>

<template>
  <div class="pointer-events-none fixed inset-x-0 bottom-12 z-50 flex flex-col items-center gap-2 px-4">
    <div
      v-for="notice in notices.notices"
      :key="notice.id"
      :role="notice.kind === 'failed' ? 'alert' : 'status'"
      class="pointer-events-auto flex max-w-xl items-center gap-4 border bg-ink px-4 py-2.5 text-sheet"
      :class="notice.kind === 'failed' ? 'border-spot' : 'border-ink'"
    >
      <span>{{ notice.text }}</span>
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
