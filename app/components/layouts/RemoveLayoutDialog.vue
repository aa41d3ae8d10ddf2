<script setup lang="ts">
import { type Impact, type OutcomeTable, compareTables, rulesOf } from '#core/rules'
import { counted } from '#core/text'
import type { LayoutState } from '#shared/api/types'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useSite } from '~/stores/site'

/** Removing a layout says first what would change: on which pages, and which frames have no say there any more. */
const props = defineProps<{ state: LayoutState }>()
const emit = defineEmits<{ close: [] }>()

const design = useDesign()
const site = useSite()
const map = useMap()
const notices = useNotices()
const pieces = usePieces()
const shownName = useShownName()
const impact = shallowRef<Impact[] | null>(null)
const busy = ref(false)
const id = computed(() => props.state.layout.id)
const frames = computed(() =>
  design.frames.filter((f) => Object.values(f.frame.regions).some((s) => s.kind === 'use' && s.layout === id.value)),
)

onMounted(async () => {
  const before = map.kept
  if (!before) return
  const layouts = design.design.layouts.filter((l) => l.id !== id.value)
  const after: OutcomeTable = await tabulateAside(site.told!, rulesOf({ ...design.design, layouts }), map.request)
  impact.value = compareTables(before, after)
})
/** Where a piece stands: nothing is drawn there without it. */
const standsIn = computed(() =>
  props.state.layout.region === 'piece' ? pieces.reachOf(id.value) : { layouts: [], pages: 0 },
)
const followers = computed(() => design.trees.followersOf(id.value))
/** What the region shows instead, most pages first. */
const instead = computed(() => {
  const counts = new Map<string, number>()
  for (const { to } of impact.value ?? []) counts.set(shownName(to), (counts.get(shownName(to)) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])
})

async function remove() {
  busy.value = true
  const { name } = props.state.layout
  const state = await notices.attempt(() => design.removeLayout(id.value))
  busy.value = false
  emit('close')
  if (!state) return
  notices.say(`“${name}” is removed from the draft. It waits under Removed, at the end of the shelf.`, {
    label: 'Put it back',
    run: () => void notices.attempt(() => design.restoreLayout(state)),
  })
}
</script>

<template>
  <ModalSheet :title="`Remove “${state.layout.name}”`" @close="$emit('close')">
    <p v-if="impact === null" class="text-soft" role="status">Looking at what would change…</p>
    <template v-else>
      <p v-if="standsIn.layouts.length" class="mb-2">
        It stands in <strong>{{ counted(standsIn.layouts.length, 'layout') }}</strong>, on
        {{ counted(standsIn.pages, 'page') }}: {{ standsIn.layouts.map((l) => `“${l.name}”`).join(', ') }}. Nothing is
        drawn there without it; put back, it is drawn again with all that was said of it there.
      </p>
      <p v-else-if="impact.length === 0">It shows on no page, so visitors will see no difference.</p>
      <template v-if="impact.length > 0">
        <p class="mb-2">
          <strong>{{ counted(impact.length, 'page') }}</strong> would show something else with the next release:
        </p>
        <ul class="mb-3 border-t">
          <li v-for="[name, pages] in instead" :key="name" class="flex justify-between gap-4 border-b py-1">
            <span class="made min-w-0 break-words text-base">{{ name }}</span>
            <span class="shrink-0 text-soft">on {{ counted(pages, 'page') }}</span>
          </li>
        </ul>
      </template>
      <p v-if="followers.length" class="mb-2">
        <strong>{{ counted(followers.length, 'layout follows it', 'layouts follow it') }}</strong>:
        {{ followers.map((f) => `“${f.name}”`).join(', ') }}.
        {{ followers.length === 1 ? 'It stays as it looks, and stands' : 'They stay as they look, and stand' }} alone
        from then on; put back, it is followed again.
      </p>
      <template v-if="frames.length">
        <p class="mb-1">
          {{ frames.length === 1 ? 'One frame names it and has' : `${frames.length} frames name it and have` }} no say
          there any more:
        </p>
        <ul class="list-disc pl-5">
          <li v-for="f in frames" :key="f.frame.id">{{ map.labelOf(f.frame.id) }}</li>
        </ul>
      </template>
      <p class="mt-3 text-soft">It waits under Removed, at the end of the shelf, until the owner clears it.</p>
    </template>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Keep it</button>
      <button type="button" class="btn btn-spot" :disabled="busy || impact === null" @click="remove">
        Remove from the draft
      </button>
    </template>
  </ModalSheet>
</template>
