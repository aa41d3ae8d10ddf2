<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { drawnAsElements } from '#core/layouts'
import { countNodes, elementsOf, isVariation } from '#core/tree'
import { counted } from '#core/text'
import type { LayoutState } from '#shared/api/types'
import { useChecks } from '~/stores/checks'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

const props = defineProps<{ state: LayoutState }>()

const design = useDesign()
const session = useSession()
const checks = useChecks()
const site = useSite()
const map = useMap()
const notices = useNotices()
const pieces = usePieces()
const { draw } = useDrawing()
const router = useRouter()
const renaming = ref(false)
const removing = ref(false)

const layout = computed(() => props.state.layout)
const address = computed(() => `/studio/layouts/${layout.value.id}`)
const reach = computed(() => map.reachOfLayout.get(layout.value.id) ?? 0)
const inCards = computed(() => layout.value.region === 'card')
const isPiece = computed(() => layout.value.region === 'piece')
/** A piece that stands among other things is seen as narrow as there. */
const asElements = computed(() => isPiece.value && drawnAsElements(design.trees.of(layout.value).tree))
const stands = computed(() => (isPiece.value ? pieces.reachOf(layout.value.id) : null))
const reachWords = computed(() => {
  if (layout.value.starter) return `${layout.value.region}, to begin from`
  if (stands.value) {
    const { layouts, pages } = stands.value
    return layouts.length === 0
      ? 'stands nowhere yet'
      : `stands in ${counted(layouts.length, 'layout')}, on ${counted(pages, 'page')}`
  }
  if (inCards.value) return 'drawn inside grids'
  return reach.value === 0 ? 'shows on no page' : `shows on ${counted(reach.value, 'page')}`
})
const times = useTimes()
const changed = computed(() => times.write(props.state.changedAt, 'day'))
/** It is seen with the page with which it opens. */
const page = computed(() => {
  const { tree } = design.trees.of(layout.value)
  return firstPageFor(tree, site.catalogue!, map.kept, stands.value?.layouts)
})
function picture(): string {
  const { design: all, rules } = design
  const inHand = { layout: layout.value.id, region: layout.value.region }
  return draw({ design: all, rules, page: page.value, request: map.request, inHand, alone: true })
}
const RATIO = { header: 0.13, intro: 0.34, body: 0.62, footer: 0.28, card: 1.2, piece: 0.34 }
const empty = computed(() => countNodes(design.trees.of(layout.value).tree) === 0)

async function duplicate() {
  const { region, id, name } = layout.value
  const copy = await notices.attempt(() => design.createLayout(`${name}, copy`, region, { from: id }))
  if (copy) notices.say(`“${name}, copy” stands on the shelf.`)
}
async function keep() {
  const { region, id, name } = layout.value
  const copy = await notices.attempt(() => design.createLayout(name, region, { from: id, starter: true }))
  if (copy) notices.say(`“${name}” is kept to begin from, as it is now. It stands at the end of the shelf.`)
}
async function vary() {
  const { region, id, name } = layout.value
  const made = await notices.attempt(() => design.createLayout(`${name}, variation`, region, { follows: id }))
  if (made) await router.push(`/studio/layouts/${made}`)
}
const base = computed(() => (isVariation(layout.value) ? layout.value.follows.base : null))
const ownChanges = computed(() => (isVariation(layout.value) ? layout.value.follows.changes.length : 0))
const followers = computed(() => design.trees.followersOf(layout.value.id))
async function rename(name: string) {
  // Leaving the input by Enter or Escape takes the focus from it, which calls this once more.
  if (!renaming.value) return
  renaming.value = false
  const text = name.trim()
  if (!text || text === layout.value.name) return
  await notices.attempt(async () => {
    await design.editLayout(layout.value.id, { kind: 'rename', id: layout.value.id, name: text })
    await design.loadReleases()
  })
}
const actions = computed(() => [
  { label: 'Open', run: () => router.push(address.value) },
  ...(session.mayDesign
    ? [
        { label: 'Rename', run: () => void (renaming.value = true) },
        { label: 'Duplicate', run: duplicate },
        { label: 'New variation', run: vary },
        ...(layout.value.starter ? [] : [{ label: 'Keep as a starter', run: keep }]),
        { label: 'Remove…', run: () => void (removing.value = true) },
      ]
    : []),
])
/** The frames that show it, each with on how many pages; those that name it and show it nowhere come last. */
const uses = computed(() => {
  const shown = map.usesOfLayout.get(layout.value.id) ?? []
  const named = design.frames.filter((f) =>
    Object.values(f.frame.regions).some((s) => s.kind === 'use' && s.layout === layout.value.id),
  )
  const rest = named.filter((f) => !shown.some((u) => u.frame === f.frame.id)).map((f) => f.frame.id)
  return [...shown, ...rest.map((frame) => ({ frame, pages: 0 }))]
})
const MOST_NAMED = 3
/** Card layouts are drawn by the grids of others. */
const grids = computed(() =>
  inCards.value
    ? design.layouts
        .filter((l) => elementsOf(design.trees.of(l.layout).tree).some((e) => e.props.card === layout.value.id))
        .map((l) => l.layout.name)
    : [],
)
</script>

<template>
  <article class="flex flex-col border bg-raised focus-within:border-ink hover:border-edge">
    <NuxtLink :to="address" class="block border-b" :aria-label="`Open ${layout.name} on the bench`" tabindex="-1">
      <div v-if="empty" class="grid h-24 place-items-center text-soft">Nothing in it yet</div>
      <PagePicture
        v-else
        :draw="picture"
        :title="`${layout.name}, small`"
        :ratio="asElements ? 0.55 : RATIO[layout.region]"
        :at="inCards ? 420 : asElements ? 520 : 1240"
      />
    </NuxtLink>
    <div class="flex items-start gap-2 px-3 py-2">
      <div class="min-w-0 flex-1">
        <input
          v-if="renaming"
          class="input made"
          :value="layout.name"
          maxlength="120"
          aria-label="Name of the layout"
          @vue:mounted="($event: any) => $event.el.select()"
          @keydown.enter="rename(($event.target as HTMLInputElement).value)"
          @keydown.esc="renaming = false"
          @blur="rename(($event.target as HTMLInputElement).value)"
        />
        <h3 v-else class="made break-words text-base leading-snug">
          <NuxtLink :to="address" class="hover:underline">{{ layout.name }}</NuxtLink>
        </h3>
        <p v-if="layout.about" class="mb-0.5 break-words text-xs">{{ layout.about }}</p>
        <p class="text-xs text-soft">{{ reachWords }} · {{ changed }}</p>
        <p v-if="base" class="mt-0.5 text-xs">
          follows
          <NuxtLink class="underline" :to="`/studio/layouts/${base}`">{{ design.layoutName(base) }}</NuxtLink>, with
          {{ ownChanges === 0 ? 'no change of its own' : counted(ownChanges, 'own change') }}
        </p>
        <p v-if="followers.length" class="mt-0.5 text-xs">
          followed by
          <template v-for="(follower, i) in followers.slice(0, MOST_NAMED)" :key="follower.id"
            ><template v-if="i > 0">, </template
            ><NuxtLink class="underline" :to="`/studio/layouts/${follower.id}`">{{ follower.name }}</NuxtLink></template
          ><template v-if="followers.length > MOST_NAMED">
            and {{ counted(followers.length - MOST_NAMED, 'other') }}</template
          >
        </p>
        <ul v-if="uses.length" class="mt-1 space-y-px text-xs" :aria-label="`Where ${layout.name} shows`">
          <li v-for="use in uses.slice(0, MOST_NAMED)" :key="use.frame" class="flex items-baseline gap-2">
            <NuxtLink
              class="min-w-0 flex-1 break-words hover:underline"
              :class="use.pages === 0 && 'text-soft'"
              :to="`/studio?frame=${use.frame}`"
              >{{ map.labelOf(use.frame) }}</NuxtLink
            >
            <span class="shrink-0 font-mono text-2xs text-soft">{{ use.pages || 'nowhere' }}</span>
          </li>
          <li v-if="uses.length > MOST_NAMED" class="text-soft">
            and by {{ counted(uses.length - MOST_NAMED, 'more frame') }}
          </li>
        </ul>
        <p v-if="grids.length" class="mt-1 text-xs">in the grids of {{ grids.slice(0, 4).join(', ') }}</p>
        <p v-if="stands?.layouts.length" class="mt-1 text-xs">
          in
          <template v-for="(one, i) in stands.layouts.slice(0, MOST_NAMED)" :key="one.id"
            ><template v-if="i > 0">, </template
            ><NuxtLink class="underline" :to="`/studio/layouts/${one.id}`">{{ one.name }}</NuxtLink></template
          ><template v-if="stands.layouts.length > MOST_NAMED">
            and {{ counted(stands.layouts.length - MOST_NAMED, 'other') }}</template
          >
        </p>
        <FindingMarks class="mt-1" :findings="checks.byLayout.get(layout.id)" />
      </div>
      <span class="tinted mt-1 size-3 shrink-0 border" :class="design.tintOf(layout.id)" title="Its tint on the Map" />
      <Menu as="div" class="relative">
        <MenuButton class="btn btn-small btn-bare" :aria-label="`More about ${layout.name}`">⋯</MenuButton>
        <MenuItems class="absolute right-0 z-20 w-40 border border-ink bg-raised py-1">
          <MenuItem v-for="action in actions" :key="action.label" v-slot="{ active }">
            <button
              type="button"
              class="block w-full px-3 py-1 text-start"
              :class="active && 'bg-board'"
              @click="action.run"
            >
              {{ action.label }}
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </div>
    <RemoveLayoutDialog v-if="removing" :state="state" @close="removing = false" />
  </article>
</template>
