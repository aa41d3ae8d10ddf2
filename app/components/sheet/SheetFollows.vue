<script setup lang="ts">
import { changeKey } from '#core/layouts'
import type { Change } from '#core/tree'
import { counted } from '#core/text'
import { useBench } from '~/stores/bench'
import { useFollowing } from '~/stores/following'

/** On a variation: how the thing in hand stands to the base, and what a change of it here or there would mean. */
const props = defineProps<{ id: string }>()

const bench = useBench()
const following = useFollowing()
const mark = computed(() => following.markOf(props.id))
const own = computed<readonly Change[]>(() => following.byThing.get(props.id) ?? [])
/** Where it stands, and the spans of its columns: what no property below tells. */
const standing = computed(() => own.value.filter((c) => c.kind === 'move' || c.kind === 'spans'))
const besides = computed(() => {
  const { layouts, pages } = following.beside
  return `${counted(layouts.length, 'other layout')} with ${counted(pages, 'page')}`
})
</script>

<template>
  <div v-if="following.base && following.variation" class="border-t py-2 text-xs" data-testid="follows">
    <p v-if="mark === 'added'">
      <span class="font-semibold">+ own</span> Added here; {{ following.base.name }} has no such thing.
    </p>
    <template v-else>
      <p v-if="mark === ''">
        Follows
        <NuxtLink class="underline" :to="`/studio/layouts/${following.base.id}`">{{ following.base.name }}</NuxtLink>.
        What you change is this layout’s own.
      </p>
      <p v-else class="flex items-baseline justify-between gap-2">
        <span
          ><span class="font-semibold">≠ {{ counted(own.length, 'own change') }}</span
          >; the rest follows
          <NuxtLink class="underline" :to="`/studio/layouts/${following.base.id}`">{{
            following.base.name
          }}</NuxtLink></span
        >
        <button
          type="button"
          class="shrink-0 font-medium text-spot-deep hover:underline"
          :disabled="!bench.mayEdit"
          @click="following.follow(own)"
        >
          follow in all
        </button>
      </p>
      <p class="mt-1 text-soft">
        <NuxtLink class="underline" :to="`/studio/layouts/${following.base.id}?node=${id}`">Change it there</NuxtLink>
        instead, and {{ besides }} follow, where nothing else is said.
      </p>
    </template>
    <OwnMark
      v-for="change in standing"
      :key="changeKey(change)"
      class="mt-1"
      :of="changeKey(change)"
      :label="following.words(change)"
    />
  </div>
</template>
