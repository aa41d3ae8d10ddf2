<script setup lang="ts">
import { usesOf } from '#core/checks'
import { useDesign } from '~/stores/design'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** The menus of the site, edited in place; they belong to the design and are released with it. */
definePageMeta({ layout: 'content' })
useHead({ title: 'Menus' })

const site = useSite()
const design = useDesign()
const session = useSession()
const edits = useMenuEdits()
const { menus, store } = edits
const route = useRoute()
const inHand = ref<string | null>(null)
const added = ref('')
const removing = ref(false)

const menu = computed(() => menus.value.find((m) => m.id === inHand.value))
function begin() {
  const asked = menus.value.find((m) => m.id === route.query.menu)
  inHand.value = (asked ?? menus.value[0])?.id ?? null
}
function add() {
  const name = added.value.trim()
  const id = name && edits.addMenu(name)
  if (!id) return
  inHand.value = id
  added.value = ''
}
const uses = computed(() =>
  menu.value ? usesOf({ kind: 'menu', id: menu.value.id }, design.design, site.catalogue!) : null,
)
function remove() {
  if (edits.removeMenu(menu.value!.id)) inHand.value = menus.value[0]?.id ?? null
  removing.value = false
}
</script>

<template>
  <DocumentRoom :store="store" what="the menus" @ready="begin">
    <section class="overflow-y-auto border-r bg-board p-3 max-lg:border-b" aria-label="Menus">
      <h1 class="made mb-1.5 text-base">Menus</h1>
      <ul class="space-y-px">
        <li v-for="m in menus" :key="m.id">
          <button
            type="button"
            class="w-full px-2 py-1.5 text-start [overflow-wrap:anywhere]"
            :class="menu?.id === m.id ? 'cornered bg-wash' : 'bg-sheet hover:bg-raised'"
            :aria-current="menu?.id === m.id ? 'true' : undefined"
            @click="inHand = m.id"
          >
            {{ m.name }}
          </button>
        </li>
      </ul>
      <p v-if="menus.length === 0" class="border border-dashed border-edge p-3 text-soft">
        There is none yet. A header wants one, and a footer often another.
      </p>
      <form v-if="session.mayDesign" class="mt-2 flex gap-1" @submit.prevent="add">
        <input
          v-model="added"
          class="input min-w-0 flex-1"
          placeholder="Another menu"
          aria-label="Name of a new menu"
          maxlength="200"
        />
        <button class="btn" :disabled="!added.trim()">Add</button>
      </form>
    </section>
    <section class="overflow-y-auto p-6" aria-label="Items">
      <template v-if="menu">
        <h2 class="made mb-4 text-xl [overflow-wrap:anywhere]">{{ menu.name }}</h2>
        <MenuEditor :key="menu.id" :menu="menu" />
      </template>
      <p v-else class="text-soft">Choose a menu, or make one.</p>
    </section>
    <aside class="overflow-y-auto border-l bg-sheet p-4 max-lg:border-t" aria-label="Properties">
      <fieldset v-if="menu && uses" class="space-y-4" :disabled="!session.mayDesign">
        <label class="block font-medium"
          >Name<TypedInput
            class="input mt-1 font-normal"
            :value="menu.name"
            maxlength="200"
            @say="(words) => words && edits.nameMenu(menu!, words)"
        /></label>
        <div>
          <p class="mb-1 font-medium">Where it stands</p>
          <ul class="text-xs">
            <li v-for="id in uses.layouts" :key="id">
              <NuxtLink :to="`/studio/layouts/${id}`" class="underline">{{ design.layoutName(id) }}</NuxtLink>
            </li>
            <li v-if="uses.layouts.length === 0" class="text-soft">in no layout yet</li>
          </ul>
        </div>
        <p class="text-xs text-soft">Visitors see it as it was at the last release.</p>
        <button v-if="session.mayDesign" type="button" class="btn btn-small" @click="removing = true">
          Remove this menu…
        </button>
      </fieldset>
    </aside>
    <RemoveThing
      v-if="removing && menu && uses"
      :name="menu.name"
      :uses="uses"
      @close="removing = false"
      @remove="remove"
    />
  </DocumentRoom>
</template>
