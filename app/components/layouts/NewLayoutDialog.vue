<script setup lang="ts">
import type { Match, Starter, StarterUse } from '#core/starters'
import type { Edit } from '#core/layouts'
import type { LayoutRegion } from '#core/tree'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** A new layout: for which region, by which name, and what it begins as, seen with the content of this site. */
const props = defineProps<{ region: LayoutRegion }>()
const emit = defineEmits<{ close: [] }>()

const REGIONS: { value: LayoutRegion; label: string; about: string }[] = [
  { value: 'header', label: 'Header', about: 'at the top of pages' },
  { value: 'intro', label: 'Intro', about: 'the band between header and body' },
  { value: 'body', label: 'Body', about: 'an entry, or the entries of an archive' },
  { value: 'footer', label: 'Footer', about: 'at the foot of pages' },
  { value: 'card', label: 'Card', about: 'one entry inside a grid' },
  { value: 'piece', label: 'Shared piece', about: 'kept once, and placed in layouts' },
]
const USES: Record<StarterUse, string> = {
  entry: 'For an entry',
  list: 'For an archive',
  term: 'For the page of a term',
  person: 'For the page of a person',
  search: 'For what a search found',
  lost: 'For the lost page',
  'sign-in': 'For signing in',
  member: 'For the page of a member',
  basket: 'For the basket',
  checkout: 'For the checkout',
  receipt: 'For the receipt',
  'order-status': 'For an order by its link',
}
const RATIO: Record<LayoutRegion, number> = { header: 0.42, intro: 0.42, body: 0.9, footer: 0.4, card: 1.1, piece: 0.4 }

const design = useDesign()
const site = useSite()
const notices = useNotices()
const { starters, matches: matchesOf, fit, picture } = useStarters()
const region = ref(props.region)
const name = ref('')
/** What it begins as: nothing, `from` or `follows` and an id, or `starter` and an id. */
const begins = ref('')
const own = computed(() => design.layouts.filter((l) => l.layout.region === region.value).map((l) => l.layout))
const bases = computed(() => own.value.filter((l) => !l.starter))
const kept = computed(() => own.value.filter((l) => l.starter))
watch(region, () => {
  begins.value = ''
  if (starters.some((s) => s.name === name.value)) name.value = ''
})

const types = computed(() => [...(site.catalogue?.types.values() ?? [])])
const typeId = ref(types.value.find((t) => t.fields.length > 0)?.id ?? types.value[0]?.id ?? '')
const type = computed(() => types.value.find((t) => t.id === typeId.value) ?? null)
const offered = computed(() => starters.filter((s) => s.region === region.value))
/** Starters by what they are for, where that is told apart. */
const groups = computed(() => {
  const uses = [...new Set(offered.value.map((s) => s.use))]
  const told = uses.map((use) => ({ title: use ? USES[use] : '', items: offered.value.filter((s) => s.use === use) }))
  // An empty sheet is for anything.
  return told[0]?.title === '' ? told : [{ title: '', items: [] }, ...told]
})
const chosen = computed(() => offered.value.find((s) => `starter ${s.id}` === begins.value) ?? null)
const byType = computed(() => offered.value.some(goesByType))
/** What was found for the starter that is chosen, as it was found or chosen by hand. */
const found = ref<readonly Match[]>([])
watch([chosen, type], () => (found.value = chosen.value ? matchesOf(chosen.value, type.value) : []))
const drawn = (starter: Starter) => () =>
  picture(starter, type.value, starter === chosen.value ? found.value : matchesOf(starter, type.value))
const { keptPicture } = useKeptStarters()
const size = computed(() => ({ ratio: RATIO[region.value], at: region.value === 'card' ? 380 : 1240 }))

function pick(key: string, called: string) {
  if (!name.value.trim() || starters.some((s) => s.name === name.value)) name.value = called
  begins.value = key
}

async function make() {
  const id = await notices.attempt(() => {
    const label = name.value.trim()
    if (chosen.value) {
      const made = fit(chosen.value, found.value)
      const rows = (parent: string) =>
        made.children.map((node, index): Edit => ({ kind: 'insert', parent, index, node }))
      return design.beginLayout(label, region.value, rows, `begin as ${chosen.value.name}`)
    }
    const [how = '', of] = begins.value.split(' ')
    return design.createLayout(label, region.value, of ? { [how]: of } : {})
  })
  if (!id) return
  emit('close')
  await navigateTo(`/studio/layouts/${id}`)
}
</script>

<template>
  <ModalSheet title="New layout" full @close="$emit('close')">
    <div class="grid gap-6 md:grid-cols-[270px_minmax(0,1fr)]">
      <form id="new-layout" class="space-y-4 self-start md:sticky md:top-0" @submit.prevent="make">
        <fieldset>
          <legend class="mb-1 font-medium">It is a</legend>
          <label v-for="r in REGIONS" :key="r.value" class="flex items-baseline gap-2 py-0.5">
            <input v-model="region" type="radio" name="region" class="accent-ink" :value="r.value" />
            <span class="shrink-0">{{ r.label }}</span><span class="text-xs text-soft">{{ r.about }}</span>
          </label>
        </fieldset>
        <label class="block font-medium">
          Name
          <input v-model="name" class="input mt-1 font-normal" maxlength="120" required placeholder="House header" />
        </label>
        <label v-if="bases.length" class="block font-medium">
          Begins
          <select v-model="begins" class="input mt-1 font-normal">
            <option value="">empty</option>
            <option v-if="chosen" :value="begins">as “{{ chosen.name }}”</option>
            <optgroup label="as a variation, which follows">
              <option v-for="layout in bases" :key="layout.id" :value="`follows ${layout.id}`">
                {{ layout.name }}
              </option>
            </optgroup>
            <optgroup label="as a copy, which stands alone, of">
              <option v-for="layout in own" :key="layout.id" :value="`from ${layout.id}`">
                {{ layout.name }}
              </option>
            </optgroup>
          </select>
        </label>
        <label v-if="byType && types.length" class="block font-medium">
          For entries of
          <select v-model="typeId" class="input mt-1 font-normal">
            <option v-for="t in types" :key="t.id" :value="t.id">{{ t.plural }}</option>
          </select>
        </label>
        <StarterFit v-if="chosen" v-model="found" />
      </form>
      <div class="min-w-0">
        <p class="mb-2 text-soft">Or begin from something ready-made, seen here with what this site has.</p>
        <TileShelf v-for="(group, i) in groups" :key="group.title" :title="group.title">
          <StarterTile
            v-if="i === 0 && !group.title"
            name="Empty"
            about="A sheet with nothing on it"
            :chosen="begins === ''"
            @pick="begins = ''"
          />
          <StarterTile
            v-for="starter in group.items"
            :key="`${starter.id} ${typeId}`"
            :name="starter.name"
            :about="starter.about"
            :chosen="chosen === starter"
            :draw="drawn(starter)"
            v-bind="size"
            @pick="pick(`starter ${starter.id}`, starter.name)"
          />
        </TileShelf>
        <TileShelf v-if="kept.length" title="Kept by you">
          <StarterTile
            v-for="layout in kept"
            :key="layout.id"
            :name="layout.name"
            :about="layout.about ?? ''"
            :chosen="begins === `from ${layout.id}`"
            :draw="() => keptPicture(layout)"
            v-bind="size"
            @pick="pick(`from ${layout.id}`, layout.name)"
          />
        </TileShelf>
      </div>
    </div>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Not now</button>
      <button type="submit" form="new-layout" class="btn btn-spot" :disabled="!name.trim()">Make it</button>
    </template>
  </ModalSheet>
</template>
