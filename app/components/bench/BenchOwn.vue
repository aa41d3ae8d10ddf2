<script setup lang="ts">
import { changeKey, changedThing } from '#core/layouts'
import { type Change, find } from '#core/tree'
import { counted } from '#core/text'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'
import { type Touched, useFollowing } from '~/stores/following'

/** All that this variation says differently from its base: each can be dropped, or moved down into the base. */
defineEmits<{ close: [] }>()

const bench = useBench()
const design = useDesign()
const following = useFollowing()
/** The change that is about to be moved down, and what that would touch. */
const down = shallowRef<{ change: Change; touched: Touched } | null>(null)
watch(
  () => following.changes,
  () => (down.value = null),
)
const lines = computed(() =>
  following.holding.map((change) => {
    const thing = changedThing(change)
    return {
      change,
      key: changeKey(change),
      words: capital(following.words(change)),
      says: following.baseSays(change),
      // What was taken out is not there to be taken in hand.
      thing: thing && bench.layout && find(bench.layout, thing) ? thing : null,
    }
  }),
)
const waits = computed(() => [...following.waiting].map((change) => ({ change, key: changeKey(change) })))
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

function ask(change: Change) {
  const touched = following.touched([change])
  down.value = touched && { change, touched }
}
const named = (ids: readonly string[]) => {
  const names = ids.slice(0, 4).map((id) => `“${design.layoutName(id)}”`)
  return names.join(', ') + (ids.length > 4 ? ` and ${counted(ids.length - 4, 'other')}` : '')
}
</script>

<template>
  <aside class="flex min-h-0 flex-col border-l bg-sheet" aria-label="Own changes" @keydown.esc="$emit('close')">
    <div class="flex items-baseline justify-between border-b px-3.5 pb-2 pt-3">
      <h2 class="made text-base">Own changes</h2>
      <button type="button" class="text-xs underline" @click="$emit('close')">Close</button>
    </div>
    <div class="min-h-0 flex-1 overflow-y-auto pb-4">
      <p v-if="following.base" class="px-3.5 py-2.5 text-xs text-soft">
        Everything else follows
        <NuxtLink class="underline" :to="`/studio/layouts/${following.base.id}`">{{ following.base.name }}</NuxtLink>,
        now and later.
      </p>
      <p v-if="lines.length === 0 && waits.length === 0" class="px-3.5 py-1 text-soft">
        Nothing is said differently yet. Change anything here, and it will stand in this list.
      </p>
      <ol aria-label="Own changes">
        <li v-for="line in lines" :key="line.key" class="border-t px-3.5 py-2 first:border-t-0">
          <button
            v-if="line.thing"
            type="button"
            class="block w-full text-start hover:underline"
            :class="bench.selected === line.thing && 'font-semibold'"
            @click="bench.choose(line.thing)"
          >
            {{ line.words }}
          </button>
          <p v-else>{{ line.words }}</p>
          <p class="text-2xs text-soft [overflow-wrap:anywhere]">{{ following.base?.name }}: {{ line.says }}</p>
          <div v-if="down?.change === line.change" class="mt-1.5 bg-board p-2 text-xs" role="alert">
            <p v-if="down.touched.layouts.length">
              It will stand in “{{ following.base?.name }}”, and show in {{ named(down.touched.layouts) }}:
              {{ counted(down.touched.pages, 'page') }} beside those of this layout.
            </p>
            <p v-else>It will stand in “{{ following.base?.name }}”; nothing looks different by it.</p>
            <p class="mt-1.5 flex gap-2">
              <button type="button" class="btn btn-small" @click="following.moveDown([line.change])">
                Move it down
              </button>
              <button type="button" class="btn btn-small btn-bare" @click="down = null">Not now</button>
            </p>
          </div>
          <p v-else-if="bench.mayEdit" class="mt-0.5 flex gap-3 text-2xs text-soft">
            <button
              type="button"
              class="underline"
              :aria-label="`Drop: ${line.words}`"
              @click="following.follow([line.change])"
            >
              Drop it
            </button>
            <button type="button" class="underline" :aria-label="`Move down: ${line.words}`" @click="ask(line.change)">
              Move down into the base…
            </button>
          </p>
        </li>
      </ol>
      <section v-if="waits.length" class="mt-3 border-t" aria-label="Own changes that wait">
        <h3 class="px-3.5 pt-2.5 font-semibold">{{ counted(waits.length, 'own change') }} waiting</h3>
        <p class="px-3.5 pb-1 text-xs text-soft">
          Their thing is not in the base now. They hold again when it is back, or point them at what is in hand.
        </p>
        <ol>
          <li v-for="{ change, key } in waits" :key="key" class="px-3.5 py-1.5">
            <p>{{ capital(following.words(change)) }}</p>
            <p v-if="bench.mayEdit" class="mt-0.5 flex gap-3 text-xs">
              <button type="button" class="underline" @click="following.follow([change])">Drop it</button>
              <button type="button" class="underline" :disabled="!bench.selected" @click="following.point(change)">
                Point it at what is in hand
              </button>
            </p>
          </li>
        </ol>
      </section>
    </div>
    <div v-if="bench.mayEdit && following.variation" class="border-t bg-board px-3.5 py-2.5">
      <button type="button" class="btn btn-small" @click="following.standAlone">End following</button>
      <p class="mt-1 text-2xs text-soft">It stays as it looks, and stands alone from then on. Undo takes it back.</p>
    </div>
  </aside>
</template>
