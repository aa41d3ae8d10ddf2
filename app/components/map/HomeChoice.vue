<script setup lang="ts">
import { resolve, CompiledRules } from '#core/rules'
import { Catalogue } from '#core/catalogue'
import type { HomeChoice } from '#core/model'
import { REGIONS, elementsOf } from '#core/tree'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** What home shows: chosen, seen with what it changes, then saved. It belongs to the content, so it holds at once. */
const site = useSite()
const design = useDesign()
const map = useMap()
const notices = useNotices()
const shownName = useShownName()
const home = computed(() => site.site!.settings.home)
const valueOf = (choice: HomeChoice) => (choice.kind === 'entry' ? `entry:${choice.entry}` : `archive:${choice.type}`)
const chosen = ref(valueOf(home.value))
watch(home, (is) => (chosen.value = valueOf(is)))
const isChanged = computed(() => chosen.value !== valueOf(home.value))
const archives = computed(() => site.site!.types.filter((t) => t.archive))
const trees = computed(() => {
  const types = new Set(site.site!.types.filter((t) => t.tree).map((t) => t.id))
  return site.site!.entries.filter(
    (e) => e.published && (types.has(e.type) || (home.value.kind === 'entry' && home.value.entry === e.id)),
  )
})
function choiceOf(text: string): HomeChoice {
  const at = text.indexOf(':')
  const id = text.slice(at + 1)
  return text.startsWith('entry:') ? { kind: 'entry', entry: id } : { kind: 'archive', type: id }
}

/** What saving changes, before it is saved: the layouts of home, and a list that its body would not show. */
const changes = computed(() => {
  if (!isChanged.value) return []
  const choice = choiceOf(chosen.value)
  const { settings, ...rest } = site.site!
  const after = new Catalogue({ ...rest, settings: { ...settings, home: choice } }, map.request.at)
  const regionsIn = (catalogue: Catalogue) =>
    resolve(new CompiledRules(design.rules, catalogue), catalogue.page('home')!, map.request).regions
  const [was, is] = [regionsIn(map.catalogue!), regionsIn(after)]
  const told = REGIONS.filter((r) => shownName(was[r].shown) !== shownName(is[r].shown)).map(
    (r) => `${REGION_NAMES[r]}: ${shownName(was[r].shown)} → ${shownName(is[r].shown)}`,
  )
  const { shown } = is.body
  const tree = shown.kind === 'layout' ? design.trees.tree(shown.layout) : undefined
  if (choice.kind === 'archive' && tree && !elementsOf(tree).some((e) => e.type === 'entry-list'))
    told.push(`The body “${design.layoutName(tree.id)}” has no list, so these entries would be listed nowhere.`)
  if (choice.kind === 'entry' && home.value.kind === 'archive')
    told.push('The entries that home lists now are listed where another page lists them, or nowhere.')
  return told
})

async function save() {
  const before = home.value
  const done = await notices.attempt(() => site.setHome(choiceOf(chosen.value)))
  if (done !== undefined)
    notices.say('Home shows something else now, for visitors too.', {
      label: 'Undo',
      run: () => void notices.attempt(() => site.setHome(before)),
    })
}
</script>

<template>
  <form class="block border border-edge bg-sheet p-2" @submit.prevent="save">
    <label class="block">
      <span class="text-xs text-soft">Home shows</span>
      <select v-model="chosen" class="input mt-1" aria-label="Home shows">
        <optgroup label="A page">
          <option v-for="e in trees" :key="e.id" :value="`entry:${e.id}`">{{ e.title }}</option>
        </optgroup>
        <optgroup label="An archive">
          <option v-for="t in archives" :key="t.id" :value="`archive:${t.id}`">all {{ t.plural.toLowerCase() }}</option>
        </optgroup>
      </select>
    </label>
    <div v-if="isChanged" class="mt-2 text-xs" role="status">
      <p>Visitors see it at once, without a release.</p>
      <ul class="mt-1 text-soft">
        <li v-for="line in changes" :key="line">{{ line }}</li>
      </ul>
      <div class="mt-2 flex gap-2">
        <button class="btn btn-small">Save</button>
        <button type="button" class="btn btn-small" @click="chosen = valueOf(home)">Cancel</button>
      </div>
    </div>
  </form>
</template>
