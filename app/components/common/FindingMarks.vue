<script setup lang="ts">
import type { Finding } from '#core/checks'
import { counted } from '#core/text'

/** What the checks found about a thing, beside it: a mark, and the sentences when it is opened. */
defineProps<{ findings: Finding[] | undefined }>()
const { words } = useFindingWords()
</script>

<template>
  <details v-if="findings?.length" class="text-xs">
    <summary class="w-fit list-none bg-wash px-1.5 py-px font-medium text-ink">
      {{ counted(findings.length, 'note') }}
    </summary>
    <ul class="mt-1 space-y-1">
      <li v-for="(f, i) in findings" :key="i">
        {{ words(f).says }} <span class="text-soft">{{ words(f).todo }}</span>
      </li>
    </ul>
  </details>
</template>
