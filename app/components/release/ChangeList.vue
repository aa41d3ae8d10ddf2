<script setup lang="ts">
import type { Change } from '#shared/api/types'

defineProps<{ changes: Change[] }>()

const WHAT = { layout: 'Layout', frame: 'Frame', house: 'House style', menu: 'Menu' }
const MOST = 6
const HOW = { new: 'new', changed: 'changed', removed: 'removed' }
</script>

<template>
  <ul class="border-t">
    <li v-for="change in changes" :key="change.what + change.id" class="flex items-baseline gap-3 border-b py-1.5">
      <span class="w-20 shrink-0 text-soft">{{ WHAT[change.what] }}</span>
      <span class="min-w-0 flex-1">
        <span class="made break-words text-base leading-snug">{{ change.name }}</span>
        <span v-if="change.also" class="block text-xs text-soft">
          and what follows it, where that says nothing else: {{ change.also.slice(0, MOST).join(', ')
          }}{{ change.also.length > MOST ? ` and ${change.also.length - MOST} more` : '' }}
        </span>
      </span>
      <span class="text-xs text-soft">{{ HOW[change.how] }}</span>
    </li>
  </ul>
</template>
