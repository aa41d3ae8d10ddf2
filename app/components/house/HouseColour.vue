<script setup lang="ts">
import { useHouseMark } from '~/composables/useHouseMark'
import type { At } from '#core/edits'

/** A colour that something of the house is drawn in; where it may be left unsaid, it can be given back. */
defineProps<{ label: string; at: At; value: string | undefined; unsaid?: string; shows?: string }>()
const edits = useHouseEdits()
const { mark } = useHouseMark()
</script>

<template>
  <HouseLine :label="label">
    <div class="flex items-center gap-1" @focusin.stop="shows && (mark = shows)">
      <AskColour
        class="min-w-0 flex-1"
        :value="value"
        :label="label"
        property=""
        :node-id="null"
        :unset="unsaid"
        @set="edits.set(at, $event)"
      />
      <button
        v-if="unsaid !== undefined && value !== undefined"
        type="button"
        class="btn btn-small"
        :aria-label="`${label}: say nothing`"
        @click="edits.set(at, null)"
      >
        ×
      </button>
    </div>
  </HouseLine>
</template>
