<script setup lang="ts">
import type { Uses } from '#core/checks'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** Before something is taken away: everything that uses it, each a link to where it can be seen. */
const props = defineProps<{ name: string; uses: Uses }>()
defineEmits<{ close: []; remove: [] }>()

const design = useDesign()
const map = useMap()
const site = useSite()
const layouts = computed(() =>
  props.uses.layouts.map((id) => ({ to: `/studio/layouts/${id}`, name: design.layoutName(id) })),
)
const frames = computed(() => props.uses.frames.map((id) => ({ to: `/studio?frame=${id}`, name: map.labelOf(id) })))
const menus = computed(() => props.uses.menus.map((id) => site.catalogue!.menus.get(id)?.name ?? id))
const unused = computed(
  () =>
    layouts.value.length + frames.value.length + menus.value.length + props.uses.entries === 0 &&
    !props.uses.told &&
    !props.uses.sold,
)
</script>

<template>
  <ModalSheet :title="`Remove ${name}?`" @close="$emit('close')">
    <p v-if="unused">Nothing uses it.</p>
    <template v-else>
      <p class="mb-3">It is used by what stands below, which will go without it. The checks will name each place.</p>
      <dl class="grid grid-cols-[88px_1fr] gap-x-3 gap-y-2">
        <template v-if="uses.entries"
          ><dt class="text-soft">Entries</dt>
          <dd>{{ uses.entries.toLocaleString('en') }}, which keep what they say</dd></template
        >
        <template v-if="layouts.length"
          ><dt class="text-soft">Layouts</dt>
          <dd>
            <NuxtLink v-for="l in layouts" :key="l.to" :to="l.to" class="mr-3 underline">{{ l.name }}</NuxtLink>
          </dd></template
        >
        <template v-if="frames.length"
          ><dt class="text-soft">Frames</dt>
          <dd>
            <NuxtLink v-for="f in frames" :key="f.to" :to="f.to" class="mr-3 underline">{{ f.name }}</NuxtLink>
          </dd></template
        >
        <template v-if="menus.length"
          ><dt class="text-soft">Menus</dt>
          <dd>{{ menus.join(', ') }}</dd></template
        >
        <template v-if="uses.told"
          ><dt class="text-soft">Programs</dt>
          <dd>are told from it, and will be told as usual</dd></template
        >
        <template v-if="uses.sold"
          ><dt class="text-soft">Shop</dt>
          <dd>sells by it: entries go on by what they say now, which nobody can change any more</dd></template
        >
      </dl>
    </template>
    <p class="mt-3 text-soft">Undo puts it back as it was.</p>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Keep it</button>
      <button type="button" class="btn btn-spot" @click="$emit('remove')">Remove it</button>
    </template>
  </ModalSheet>
</template>
