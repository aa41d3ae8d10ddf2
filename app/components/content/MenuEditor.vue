<script setup lang="ts">
import { MENU_LEVELS, type Link, type Menu, type MenuItem, findItem, menuLines } from '#core/model'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** A menu as a tree that is edited in place: its words, where each item leads, and in what order. */
const props = defineProps<{ menu: Menu }>()

const site = useSite()
const session = useSession()
const edits = useMenuEdits()
const inHand = ref<string | null>(null)

const lines = computed(() => menuLines(props.menu))
const itemOf = (id: string): MenuItem | undefined => findItem(props.menu.items, id)?.item
const item = computed(() => (inHand.value ? itemOf(inHand.value) : undefined))
const pageOf = ({ link }: MenuItem) => (typeof link === 'object' ? site.catalogue!.page(link.page) : undefined)
const titleOf = (id: string): string => {
  const found = itemOf(id)
  return (found && pageOf(found)?.title) || 'Words of this item'
}
/** Why visitors do not see an item; empty where they do. */
function lost({ link, items }: MenuItem): string {
  if (typeof link === 'object') return site.catalogue!.page(link.page) ? '' : 'its page is gone or not published'
  return link === '' && items.length === 0 ? 'leads nowhere yet' : ''
}
const goesTo = (found: MenuItem): string =>
  lost(found) || (pageOf(found)?.address ?? (typeof found.link === 'string' ? found.link : ''))
function add(value: unknown) {
  if (!value) return
  const tops = lines.value.filter((l) => l.parent === null).length
  inHand.value = edits.addItem(props.menu, { parent: null, index: tops }, value as Link)
}
function say(id: string, words: string) {
  const found = itemOf(id)
  if (found && found.label !== words.trim()) edits.say(props.menu, id, words.trim())
}
</script>

<template>
  <div>
    <p v-if="lines.length === 0" class="mb-3 border border-dashed border-edge bg-sheet p-4 text-soft">
      Nothing in it yet. Find a page below by a few letters; it is called what its page is called, unless you give it
      words of its own.
    </p>
    <OutlineLines
      :label="menu.name"
      :lines="lines"
      :words="(id) => itemOf(id)?.label ?? ''"
      :blank="titleOf"
      :most="MENU_LEVELS"
      :in-hand="inHand"
      :locked="!session.mayDesign"
      @take="inHand = $event"
      @say="say"
      @add="edits.addItem(menu, $event)"
      @place="(id, spot) => edits.place(menu, id, spot)"
      @remove="edits.take(menu, $event)"
    >
      <template #default="{ line }">
        <span
          v-if="itemOf(line.id)"
          class="max-w-[45%] truncate font-mono text-2xs"
          :class="lost(itemOf(line.id)!) ? 'font-sans font-semibold' : 'text-soft'"
          >{{ goesTo(itemOf(line.id)!) }}</span
        >
      </template>
      <template #add>New item</template>
    </OutlineLines>
    <div v-if="session.mayDesign" class="mt-4 max-w-md">
      <p class="mb-1 text-xs text-soft">Add a page, a term, an archive, or an address</p>
      <AskLink label="Add to the menu" placeholder="a few letters of its name" :value="null" @set="add" />
    </div>
    <div v-if="item && session.mayDesign" class="mt-4 max-w-md border-t pt-3">
      <p class="mb-1 font-medium">“{{ item.label || titleOf(item.id) }}” leads to</p>
      <AskLink label="Leads to" :value="item.link" @set="edits.lead(menu, item.id, ($event ?? '') as Link)" />
      <p v-if="lost(item)" class="mt-1 text-xs font-semibold">{{ lost(item) }}; visitors do not see it.</p>
      <button
        v-if="item.label && pageOf(item)"
        type="button"
        class="mt-2 text-xs text-soft underline"
        @click="edits.say(menu, item.id, '')"
      >
        Call it what its page is called: {{ pageOf(item)!.title }}
      </button>
    </div>
  </div>
</template>
