<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { useDesign } from '~/stores/design'
import { useFinder } from '~/stores/finder'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

const session = useSession()
const site = useSite()
const design = useDesign()
const notices = useNotices()
const finder = useFinder()
/** Screens that ask for what they show themselves need no site: a large one is read when another screen is gone to. */
const route = useRoute()
const needsSite = computed(() => !route.meta.alone)
const failed = ref('')

async function load() {
  failed.value = ''
  try {
    await Promise.all([!needsSite.value || site.ready || site.load(), design.loaded || design.load()])
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(load)
watch(needsSite, load)
/** From wherever a hand is, a field included. */
useEventListener('keydown', (event) => {
  if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k' || event.defaultPrevented) return
  event.preventDefault()
  void find()
})
/** Everything is found among all there is, which may have to be read first. */
async function find() {
  await notices.attempt(() => Promise.all([site.ready || site.load(), design.loaded || design.load()]))
  finder.open = site.ready && design.loaded
}

async function signOut() {
  await notices.attempt(session.signOut)
  window.location.assign('/studio/sign-in')
}
</script>

<template>
  <div class="flex h-full flex-col">
    <StudioBar @sign-out="signOut" />
    <main id="main" class="min-h-0 flex-1" tabindex="-1">
      <div v-if="failed" class="grid h-full place-items-center" role="alert">
        <div class="max-w-md text-center">
          <p class="made mb-2 text-lg">The studio could not be opened</p>
          <p class="mb-4 text-soft">{{ failed }}</p>
          <button class="btn" type="button" @click="load">Try again</button>
        </div>
      </div>
      <slot v-else-if="(site.ready && design.loaded) || !needsSite" />
      <p v-else class="grid h-full place-items-center text-soft" role="status">Fetching the site and its design…</p>
    </main>
    <NoticeList />
    <StudioFinder v-if="finder.open" />
  </div>
</template>
