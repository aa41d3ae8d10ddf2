<script setup lang="ts">
import type { Entry, EntryContest } from '#core/model'
import { useSite } from '~/stores/site'

/** What two people have both changed: both are shown, and one is chosen. */
const props = defineProps<{ contests: readonly EntryContest[]; entry: Entry }>()
defineEmits<{ settle: [contest: EntryContest, takeTheirs: boolean] }>()

const site = useSite()
const { label, words } = useEntryParts(
  () => site.catalogue!,
  () => props.entry,
)
</script>

<template>
  <section class="border-b bg-wash px-6 py-3" role="alert" aria-label="Changed by both">
    <p class="mb-2">
      Somebody else has stored this entry meanwhile. What only one of you changed is together here; this you both
      changed:
    </p>
    <dl class="space-y-2">
      <div v-for="c in contests" :key="c.what" class="grid gap-x-4 gap-y-1 sm:grid-cols-[120px_1fr_1fr]">
        <dt class="font-semibold">{{ label(c.what) }}</dt>
        <dd class="border border-edge bg-sheet p-2">
          <p class="mb-1.5 line-clamp-4 [overflow-wrap:anywhere]">{{ words(c.what, c.mine) }}</p>
          <button type="button" class="btn btn-small" @click="$emit('settle', c, false)">Keep mine</button>
        </dd>
        <dd class="border border-edge bg-sheet p-2">
          <p class="mb-1.5 line-clamp-4 [overflow-wrap:anywhere]">{{ words(c.what, c.theirs) }}</p>
          <button type="button" class="btn btn-small" @click="$emit('settle', c, true)">Take theirs</button>
        </dd>
      </div>
    </dl>
  </section>
</template>
