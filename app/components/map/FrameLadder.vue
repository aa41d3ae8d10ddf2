<script setup lang="ts">
import type { DisplayRule } from '#core/design'
import { type Group, equalsOf, ladderOf } from '#core/rules'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSession } from '~/stores/session'

const HEADINGS: Record<Group, string> = {
  outranking: 'Outranking all others',
  circumstances: 'Only in some circumstances',
  pages: 'Single pages',
  groups: 'Groups',
  types: 'Page types',
  kinds: 'Kinds of page',
  site: 'Whole site',
}

const map = useMap()
const session = useSession()
const design = useDesign()
const dragged = ref<string | null>(null)
const over = ref<string | null>(null)
const groups = computed(() => ladderOf(map.triedFrames))
/** Those that a frame can be dragged among: nothing but their order decides between them. */
const equals = (id: string | null): DisplayRule[] => {
  const frame = map.triedFrames.find((f) => f.id === id)
  const ranked = groups.value.flatMap((g) => g.frames)
  return frame ? equalsOf(frame, ranked) : []
}
const beginning = ref(false)
/** Nothing of a design is there yet. */
const isEmpty = computed(() => design.loaded && design.frames.length === 0 && design.layouts.length === 0)
const isNew = computed(() => map.edit?.revision === 0)
const box = ref<HTMLElement>()

/** Puts a frame before another of its equals (or last), as an edit whose impact is seen before it is kept. */
function place(id: string, frames: readonly DisplayRule[], before: string | null) {
  const rest = frames.filter((f) => f.id !== id)
  const at = before === null ? rest.length : rest.findIndex((f) => f.id === before)
  if (at < 0 || !frames.some((f) => f.id === id)) return
  const [above, below] = [rest[at - 1]?.order, rest[at]?.order]
  const order = above === undefined ? (below ?? 0) - 1 : below === undefined ? above + 1 : (above + below) / 2
  if (!map.edit) map.beginEdit(id)
  if (map.edit?.frame.id === id) map.edit.frame.order = order
}
function drop(before: string | null) {
  if (dragged.value && dragged.value !== before) place(dragged.value, equals(dragged.value), before)
  dragged.value = over.value = null
}
function nudge(frame: DisplayRule, by: number) {
  const frames = equals(frame.id)
  const at = frames.findIndex((f) => f.id === frame.id)
  const target = frames[by < 0 ? at - 1 : at + 2]
  if (by < 0 ? at > 0 : at < frames.length - 1) place(frame.id, frames, target?.id ?? null)
}
const mayDrag = (id: string) =>
  session.mayDesign && (map.edit === null || map.edit.frame.id === id) && equals(id).length > 1
const isLastEqual = (id: string) => equals(dragged.value).at(-1)?.id === id

watch(
  () => map.edit?.frame.id,
  (id) =>
    id &&
    void nextTick(() =>
      box.value?.querySelector(`[data-frame="${CSS.escape(id)}"]`)?.scrollIntoView({ block: 'nearest' }),
    ),
)
</script>

<template>
  <aside class="flex flex-col bg-board" aria-label="Ladder of frames">
    <div class="flex items-center justify-between px-3.5 pb-1 pt-3">
      <h2 class="made text-lg">Frames</h2>
      <button v-if="session.mayDesign" type="button" class="btn" :disabled="map.edit !== null" @click="map.beginNew()">
        Add frame
      </button>
    </div>
    <div ref="box" class="min-h-0 flex-1 overflow-y-auto px-3.5 pb-6">
      <p v-if="groups.length === 0" class="mt-4 border border-dashed border-edge p-4 text-soft">
        A frame says on which pages a layout appears. There is none yet, so every page shows its plain body and nothing
        else. Make a header in Layouts, then add a frame for every page.
      </p>
      <div v-if="isEmpty && session.mayDesign" class="mt-3 border border-ink bg-raised p-4">
        <p class="made mb-1 text-base">Begin with a whole site</p>
        <p class="mb-3 text-xs text-soft">
          Three ready-made ones, seen with what this site has; all of it can be changed.
        </p>
        <button type="button" class="btn btn-spot" @click="beginning = true">Look at them</button>
      </div>
      <WholeSiteDialog v-if="beginning" @close="beginning = false" />
      <FrameCard v-if="isNew && map.edit" :key="map.edit.frame.id" class="mt-3" :frame="map.edit.frame" />
      <template v-for="{ group, frames } in groups" :key="group">
        <h3
          class="mb-1.5 mt-3.5 flex items-center gap-2 text-xs font-medium text-soft after:h-px after:flex-1 after:border-t after:border-dashed after:border-edge"
        >
          {{ HEADINGS[group] }}
        </h3>
        <div
          v-for="frame in frames"
          :key="frame.id"
          class="pb-1.5"
          :class="over === frame.id && dragged !== frame.id && 'border-t-2 border-spot'"
          :draggable="mayDrag(frame.id) && map.edit?.frame.id !== frame.id"
          :title="mayDrag(frame.id) ? 'Drag it above or below its equals' : undefined"
          @dragstart="dragged = frame.id"
          @dragend="dragged = over = null"
          @dragover="equals(dragged).some((f) => f.id === frame.id) && ($event.preventDefault(), (over = frame.id))"
          @drop.prevent="drop(frame.id)"
        >
          <FrameCard
            v-if="!(isNew && frame.id === map.edit?.frame.id)"
            :frame="frame"
            :equals="equals(frame.id).length > 1"
            @nudge="nudge(frame, $event)"
          />
          <div
            v-if="dragged && dragged !== frame.id && isLastEqual(frame.id)"
            class="-mb-1.5 h-3"
            @dragover.prevent.stop="over = null"
            @drop.prevent.stop="drop(null)"
          />
        </div>
      </template>
      <RemovedFrames />
    </div>
  </aside>
</template>
