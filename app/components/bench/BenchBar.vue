<script setup lang="ts">
import type { Page } from '#core/model'
import { counted } from '#core/text'
import type { LivePerson } from '#shared/api/types'
import { useBench } from '~/stores/bench'
import { useFollowing } from '~/stores/following'
import { useMap } from '~/stores/map'
import { usePieces } from '~/stores/pieces'

const shown = defineModel<Page>('shown', { required: true })
const aside = defineModel<BenchAside>('aside', { required: true })
const view = defineModel<BenchView>('view', { required: true })
defineEmits<{ add: [] }>()

const bench = useBench()
const map = useMap()
const following = useFollowing()
const pieces = usePieces()
const REGION = {
  header: 'Header layout',
  intro: 'Intro layout',
  body: 'Body layout',
  footer: 'Footer layout',
  card: 'Card layout',
  piece: 'Shared piece',
}
const reach = computed(() => map.reachOfLayout.get(bench.layout!.id) ?? 0)
const reachWords = computed(() => {
  if (bench.layout!.region === 'card') return ''
  if (bench.layout!.region === 'piece') {
    const { layouts, pages } = pieces.reachOf(bench.layout!.id)
    return `in ${counted(layouts.length, 'layout')}, on ${counted(pages, 'page')}`
  }
  return reach.value === 0 ? 'shows on no page yet' : `shows on ${counted(reach.value, 'page')}`
})
const names = (people: readonly LivePerson[]) => [...new Set(people.map((p) => p.name))].join(', ')
const CARDS = [
  { value: 'one', label: 'One card' },
  { value: 'grid', label: 'In a grid' },
] as const
const VIEWS = [
  { value: 'plan', label: 'Plan' },
  { value: 'both', label: 'Both' },
  { value: 'page', label: 'Page' },
  { value: 'widths', label: 'Widths' },
] as const
</script>

<template>
  <div
    class="flex min-h-11 shrink-0 items-center gap-3 border-b bg-sheet px-3.5 max-md:flex-wrap max-md:gap-y-1.5 max-md:py-1.5"
  >
    <div class="min-w-24 max-w-80">
      <p class="flex min-w-0 items-baseline gap-2">
        <span class="shrink-0 text-soft max-lg:hidden" :class="following.variation && 'max-2xl:hidden'">{{
          REGION[bench.layout!.region]
        }}</span>
        <span class="made truncate text-base leading-tight" :title="bench.layout!.name">{{ bench.layout!.name }}</span>
        <span
          v-if="bench.people.length === 0"
          class="shrink-0 text-xs text-soft max-xl:hidden"
          :class="following.variation && 'max-2xl:hidden'"
          >{{ reachWords }}</span
        >
      </p>
      <p v-if="following.variation" class="flex min-w-0 items-baseline gap-1 text-2xs leading-tight text-soft">
        <template v-if="following.base">
          <span class="shrink-0">follows</span>
          <NuxtLink class="truncate underline" :to="`/studio/layouts/${following.base.id}`">{{
            following.base.name
          }}</NuxtLink>
        </template>
        <span v-else class="font-semibold text-ink">what it follows is not there</span>
      </p>
    </div>
    <p v-if="bench.people.length" class="shrink-0 text-xs text-soft" data-testid="people">
      with {{ names(bench.people) }}
    </p>
    <div class="ml-auto flex items-center gap-1">
      <button
        type="button"
        class="btn btn-small"
        :disabled="!bench.undoable && !pieces.undoable"
        :title="bench.undoable ? `Undo: ${bench.undoable}` : 'Nothing to undo'"
        @click="bench.undo"
      >
        Undo
      </button>
      <button
        type="button"
        class="btn btn-small"
        :disabled="!bench.redoable && !pieces.redoable"
        :title="bench.redoable ? `Redo: ${bench.redoable}` : 'Nothing to redo'"
        @click="bench.redo"
      >
        Redo
      </button>
      <button
        v-if="following.variation"
        type="button"
        class="btn btn-small"
        :title="`${counted(following.changes.length, 'own change')}: what this layout says differently from its base`"
        :class="aside === 'own' && 'border-ink! bg-ink text-sheet'"
        :aria-pressed="aside === 'own'"
        @click="aside = aside === 'own' ? 'sheet' : 'own'"
      >
        {{ following.changes.length }} own
      </button>
      <button
        type="button"
        class="btn btn-small"
        :class="aside === 'history' && 'border-ink! bg-ink text-sheet'"
        :aria-pressed="aside === 'history'"
        @click="aside = aside === 'history' ? 'sheet' : 'history'"
      >
        History
      </button>
    </div>
    <ToggleRow
      v-if="bench.layout!.region === 'card'"
      label="How the card is seen"
      :options="CARDS"
      :value="bench.inGrid ? 'grid' : 'one'"
      @pick="bench.inGrid = $event === 'grid'"
    />
    <ShownWith v-model="shown" />
    <ToggleRow label="What to see" :options="VIEWS" :value="view" @pick="view = $event" />
  </div>
</template>
