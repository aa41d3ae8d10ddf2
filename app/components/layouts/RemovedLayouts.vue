<script setup lang="ts">
import { counted } from '#core/text'
import type { LayoutState } from '#shared/api/types'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** What was removed waits here until the owner clears it: layouts, and the frames of the ladder with them. */
const design = useDesign()
const session = useSession()
const notices = useNotices()
const asking = ref(false)
const layouts = computed(() => design.removed.layouts)
const count = computed(() => layouts.value.length + design.removed.frames.length)
const times = useTimes()

async function putBack(state: LayoutState) {
  const done = await notices.attempt(async () => (await design.restoreLayout(state), true))
  if (done) notices.say(`“${state.layout.name}” stands on the shelf again.`)
}
async function clear() {
  asking.value = false
  const cleared = await notices.attempt(design.clearRemoved)
  if (cleared !== undefined) notices.say(`${counted(cleared, 'removed thing is', 'removed things are')} gone for good.`)
}
</script>

<template>
  <section v-if="count" class="mt-8" aria-labelledby="shelf-removed">
    <div class="mb-3 flex items-baseline gap-3 border-b border-ink pb-1">
      <h2 id="shelf-removed" class="text-base font-semibold">Removed</h2>
      <p class="min-w-0 flex-1 truncate text-xs text-soft">
        Not in the draft any more. Removed frames wait below the ladder on the Map.
      </p>
      <button v-if="session.user?.role === 'owner'" type="button" class="btn btn-small" @click="asking = true">
        Clear for good…
      </button>
    </div>
    <p v-if="layouts.length === 0" class="text-soft">No layout waits here.</p>
    <ul v-else class="border-t">
      <li v-for="state in layouts" :key="state.layout.id" class="flex items-center gap-4 border-b py-1.5">
        <span class="made min-w-0 flex-1 break-words text-base leading-snug">{{ state.layout.name }}</span>
        <span class="shrink-0 text-xs text-soft">{{ state.layout.region }}</span>
        <span class="shrink-0 text-xs text-soft max-md:hidden"
          >removed {{ times.write(state.changedAt) }} by {{ state.changedBy }}</span
        >
        <button v-if="session.mayDesign" type="button" class="btn btn-small" @click="putBack(state)">
          Put back<span class="sr-only"> {{ state.layout.name }}</span>
        </button>
      </li>
    </ul>
    <ModalSheet v-if="asking" title="Clear what was removed" @close="asking = false">
      <p>
        {{ counted(layouts.length, 'layout') }} and {{ counted(design.removed.frames.length, 'frame') }} would be gone
        for good, with all that was done in them. Releases keep what they hold.
      </p>
      <template #actions>
        <button type="button" class="btn" @click="asking = false">Let them wait</button>
        <button type="button" class="btn btn-spot" @click="clear">Clear {{ count }} for good</button>
      </template>
    </ModalSheet>
  </section>
</template>
