<script setup lang="ts">
import { type PartKey, partKey } from '#core/releases'
import type { Change } from '#shared/api/types'

defineProps<{
  changes: readonly Change[]
  /** What comes along whether it was chosen or not, and for what; where some may be left. */
  along?: ReadonlyMap<PartKey, string>
}>()
/** What is left for later; only asked where it is given. */
const left = defineModel<ReadonlySet<PartKey>>('left')

const WHAT = { layout: 'Layout', frame: 'Frame', house: 'House style', menu: 'Menu' }
const MOST = 6
const HOW = { new: 'new', changed: 'changed', removed: 'removed' }

function take(key: PartKey, on: boolean) {
  const next = new Set(left.value)
  if (on) next.delete(key)
  else next.add(key)
  left.value = next
}
</script>

<template>
  <ul class="border-t">
    <li v-for="change in changes" :key="change.what + change.id" class="flex items-baseline gap-3 border-b py-1.5">
      <input
        v-if="left"
        type="checkbox"
        class="accent-ink"
        :aria-label="`Release ${change.name}`"
        :checked="!left.has(partKey(change)) || along?.has(partKey(change))"
        :disabled="along?.has(partKey(change))"
        @change="take(partKey(change), ($event.target as HTMLInputElement).checked)"
      />
      <span class="w-20 shrink-0 text-soft">{{ WHAT[change.what] }}</span>
      <span class="min-w-0 flex-1">
        <span class="made break-words text-base leading-snug">{{ change.name }}</span>
        <span v-if="along?.has(partKey(change))" class="block text-xs text-soft">
          comes along: {{ along.get(partKey(change)) }} needs it
        </span>
        <span v-if="change.also" class="block text-xs text-soft">
          and what follows or shows it, where that says nothing else: {{ change.also.slice(0, MOST).join(', ')
          }}{{ change.also.length > MOST ? ` and ${change.also.length - MOST} more` : '' }}
        </span>
      </span>
      <span class="text-xs text-soft">{{ HOW[change.how] }}</span>
    </li>
  </ul>
</template>
