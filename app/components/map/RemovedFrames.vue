<script setup lang="ts">
import { frameName } from '#core/rules'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** Frames that were removed: they wait below the ladder until the owner clears them. */
const design = useDesign()
const map = useMap()
const notices = useNotices()
const session = useSession()
const frames = computed(() => design.removed.frames)
const name = (id: string) => {
  const state = frames.value.find((f) => f.frame.id === id)
  return state && map.names ? frameName(state.frame, map.names) : ''
}
async function putBack(id: string) {
  const state = frames.value.find((f) => f.frame.id === id)
  if (!state) return
  const was = name(id)
  const done = await notices.attempt(async () => (await design.putFrame(state.frame, state.revision), true))
  if (done) notices.say(`The frame “${was}” stands on the ladder again.`)
}
</script>

<template>
  <details v-if="frames.length" class="mt-5 text-xs">
    <summary class="text-soft">Removed, {{ frames.length }}</summary>
    <ul class="mt-1.5 space-y-1">
      <li
        v-for="{ frame } in frames"
        :key="frame.id"
        class="flex items-start gap-2 border border-dashed border-edge px-2 py-1"
      >
        <span class="min-w-0 flex-1 break-words text-soft">{{ name(frame.id) }}</span>
        <button v-if="session.mayDesign" type="button" class="shrink-0 underline" @click="putBack(frame.id)">
          Put back
        </button>
      </li>
    </ul>
  </details>
</template>
