<script setup lang="ts">
import type { HomeChoice } from '#core/site'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** What home shows; the one place where that is set. It belongs to the content, so it holds at once. */
const site = useSite()
const notices = useNotices()
const home = computed(() => site.site!.settings.home)
const value = computed(() => (home.value.kind === 'entry' ? `entry:${home.value.entry}` : `archive:${home.value.type}`))
const archives = computed(() => site.site!.types.filter((t) => t.archive))
const trees = computed(() => {
  const types = new Set(site.site!.types.filter((t) => t.tree).map((t) => t.id))
  return site.site!.entries.filter(
    (e) => e.published && (types.has(e.type) || (home.value.kind === 'entry' && home.value.entry === e.id)),
  )
})

async function set(text: string) {
  const [kind, ...rest] = text.split(':')
  const id = rest.join(':')
  const choice: HomeChoice = kind === 'entry' ? { kind, entry: id } : { kind: 'archive', type: id }
  const before = home.value
  const done = await notices.attempt(() => site.setHome(choice))
  if (done !== undefined)
    notices.say('Home shows something else now, for visitors too.', {
      label: 'Undo',
      run: () => void notices.attempt(() => site.setHome(before)),
    })
}
</script>

<template>
  <label class="block border border-edge bg-sheet p-2">
    <span class="text-xs text-soft">Home shows, at once and without a release</span>
    <select
      class="input mt-1"
      :value="value"
      aria-label="Home shows"
      @change="set(($event.target as HTMLSelectElement).value)"
    >
      <optgroup label="A page">
        <option v-for="e in trees" :key="e.id" :value="`entry:${e.id}`">{{ e.title }}</option>
      </optgroup>
      <optgroup label="An archive">
        <option v-for="t in archives" :key="t.id" :value="`archive:${t.id}`">all {{ t.plural.toLowerCase() }}</option>
      </optgroup>
    </select>
  </label>
</template>
