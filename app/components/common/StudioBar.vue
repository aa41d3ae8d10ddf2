<script setup lang="ts">
import { counted } from '#core/text'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

const emit = defineEmits<{ signOut: [] }>()

const PLACES = [
  { to: '/studio', label: 'Map' },
  { to: '/studio/layouts', label: 'Layouts' },
  { to: '/studio/house', label: 'House' },
  { to: '/studio/content', label: 'Content' },
  { to: '/studio/visitors', label: 'Visitors' },
  { to: '/studio/checks', label: 'Checks' },
  { to: '/studio/releases', label: 'Releases' },
]

/** So many stand in the bar in any window; where there is no room, the others fold into one. */
const ALWAYS = 4

const session = useSession()
const design = useDesign()
const route = useRoute()
const releasing = ref(false)
const waiting = computed(() => design.waiting.length)

const changing = ref(false)
const notices = useNotices()
async function endSessions(of: 'me' | 'everybody') {
  const done = await notices.attempt(async () => (await session.endSessions(of), true))
  if (done) window.location.assign('/studio/sign-in')
}
const ACCOUNT = computed(() => [
  { label: 'New password…', run: () => void (changing.value = true) },
  { label: 'Sign out', run: () => emit('signOut') },
  { label: 'Sign out everywhere', run: () => void endSessions('me') },
  ...(session.user?.role === 'owner'
    ? [{ label: 'Sign everybody out', run: () => void endSessions('everybody') }]
    : []),
])

const folded = computed(() => PLACES.slice(ALWAYS).find((place) => isHere(place.to)))
const isHere = (to: string) => (to === '/studio' ? route.path === to : route.path.startsWith(to))
</script>

<template>
  <header
    class="flex h-11 shrink-0 items-center gap-4 bg-ink px-3.5 text-sheet max-sm:h-auto max-sm:flex-wrap max-sm:pt-1.5"
  >
    <a href="#main" class="sr-only focus:not-sr-only">Skip to the work</a>
    <NuxtLink to="/studio" class="flex min-w-0 items-center gap-2.5 font-semibold">
      <StudioMark class="size-5 shrink-0" />
      <span class="truncate text-base max-md:hidden">{{ session.site }}</span>
    </NuxtLink>
    <nav
      class="flex h-full items-stretch gap-1 max-sm:order-last max-sm:h-9 max-sm:w-full max-sm:justify-between md:ml-4"
      aria-label="Studio"
    >
      <NuxtLink
        v-for="(place, i) in PLACES"
        :key="place.to"
        :to="place.to"
        class="flex items-center border-b-3 border-transparent px-2.5 pt-0.5 text-[#d5d3cc] hover:text-white"
        :class="[isHere(place.to) && 'border-b-spot! text-white!', i >= ALWAYS && 'max-[1100px]:hidden']"
        :aria-current="isHere(place.to) ? 'page' : undefined"
      >
        {{ place.label }}
      </NuxtLink>
      <Menu as="div" class="relative flex min-[1100px]:hidden">
        <MenuButton
          class="flex items-center gap-1 border-b-3 border-transparent px-2.5 pt-0.5 text-[#d5d3cc] hover:text-white"
          :class="folded && 'border-b-spot! text-white!'"
        >
          {{ folded?.label ?? 'More' }} <span aria-hidden="true">▾</span>
        </MenuButton>
        <MenuItems class="absolute right-0 top-full z-50 mt-px w-40 border border-edge bg-raised py-1 text-ink">
          <MenuItem v-for="place in PLACES.slice(ALWAYS)" :key="place.to" v-slot="{ active, close }">
            <NuxtLink :to="place.to" class="block px-3 py-1.5" :class="active && 'bg-board'" @click="close">{{
              place.label
            }}</NuxtLink>
          </MenuItem>
        </MenuItems>
      </Menu>
    </nav>
    <div class="ml-auto flex items-center gap-3">
      <span class="text-xs text-[#c5c3bc] max-lg:hidden" role="status">
        {{ waiting === 0 ? 'Nothing waits for release' : `${counted(waiting, 'change')} waiting` }}
      </span>
      <button
        v-if="session.mayDesign"
        class="btn btn-spot"
        type="button"
        :disabled="waiting === 0"
        @click="releasing = true"
      >
        Release…
      </button>
      <Menu as="div" class="relative">
        <MenuButton class="btn border-[#5a5e65] bg-transparent text-sheet hover:border-white!">
          {{ session.user?.name.split(' ')[0] }} <span aria-hidden="true">▾</span>
        </MenuButton>
        <MenuItems class="absolute right-0 z-50 mt-1 w-60 border border-edge bg-raised py-1 text-ink">
          <p class="border-b px-3 pb-2 pt-1">
            {{ session.user?.name }}<br />
            <span class="text-xs text-soft">{{ session.user?.mail }}, {{ session.user?.role }}</span>
          </p>
          <MenuItem v-slot="{ active }">
            <a href="/" target="_blank" class="block px-3 py-1.5" :class="active && 'bg-board'"
              >Open the published site</a
            >
          </MenuItem>
          <MenuItem v-for="action in ACCOUNT" :key="action.label" v-slot="{ active }">
            <button
              type="button"
              class="block w-full px-3 py-1.5 text-start"
              :class="active && 'bg-board'"
              @click="action.run"
            >
              {{ action.label }}
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </div>
    <PasswordDialog v-if="changing" @close="changing = false" />
    <ReleaseDialog v-if="releasing" @close="releasing = false" />
  </header>
</template>
