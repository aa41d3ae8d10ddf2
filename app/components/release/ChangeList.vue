<script setup lang="ts">
import type { Change } from '#shared/api/types'

defineProps<{ changes: Change[] }>()

const WHAT = { layout: 'Layout', frame: 'Frame', house: 'House style', menu: 'Menu' }
const HOW = { new: 'new', changed: 'changed', removed: 'removed' }
</script>

<template>
  <ul class="border-t">
    <li v-for="change in changes" :key="change.what + change.id" class="flex items-baseline gap-3 border-b py-1.5">
      <span class="w-20 shrink-0 text-soft">{{ WHAT[change.what] }}</span>
      <span class="made min-w-0 flex-1 break-words text-base leading-snug">{{ change.name }}</span>
      <span class="text-xs text-soft">{{ HOW[change.how] }}</span>
    </li>
  </ul>
</template>
