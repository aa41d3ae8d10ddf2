<script setup lang="ts">
import { useBench } from '~/stores/bench'

/** With nothing in hand: the layout's name, and the looks it gives all its rows, columns and elements. */
defineProps<{ typed: string }>()

const bench = useBench()
const layout = computed(() => bench.layout!)
function rename(name: string) {
  if (name.trim() && name.trim() !== layout.value.name)
    bench.apply({ kind: 'rename', id: layout.value.id, name: name.trim() })
}
function describe(about: string) {
  if (about.trim() !== (layout.value.about ?? '')) bench.apply({ kind: 'describe', about: about.trim() })
}
</script>

<template>
  <label class="grid grid-cols-[88px_1fr] items-center border-t py-2.5">
    <span class="text-soft">Name</span>
    <input
      class="input"
      :value="layout.name"
      maxlength="120"
      @change="rename(($event.target as HTMLInputElement).value)"
    />
  </label>
  <label class="grid grid-cols-[88px_1fr] items-center border-t py-2.5">
    <span class="text-soft">Is for</span>
    <input
      class="input"
      :value="layout.about ?? ''"
      maxlength="200"
      placeholder="In one line, for whoever chooses it"
      @change="describe(($event.target as HTMLInputElement).value)"
    />
  </label>
  <p class="border-t py-2.5 text-soft">
    Select something in the plan or on the page to change it. What is set below holds for all of its kind in this
    layout, unless one says otherwise.
  </p>
  <SheetGives :giver="layout" :typed="typed" />
</template>
