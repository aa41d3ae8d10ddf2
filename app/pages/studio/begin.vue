<script setup lang="ts">
import { zoneHere } from '#core/time'
import { useSession } from '~/stores/session'
import type { FoundingInput } from '#shared/api/types'

/** The first page of an installation: whoever has the code founds its site here. */
definePageMeta({ layout: false })
useHead({ title: 'Begin' })

const session = useSession()
const failed = ref('')
const busy = ref(false)
const first = ref<HTMLInputElement>()
const said = reactive({
  code: '',
  site: { name: '', locale: 'en-GB', currency: 'EUR', timeZone: 'UTC' },
  beginning: 'pages-and-stories' as FoundingInput['beginning'],
  owner: { name: '', mail: '', password: '' },
})
const LOCALES = 'en-GB en-US de-DE fr-FR es-ES it-IT nl-NL pt-PT pl-PL sv-SE da-DK nb-NO fi-FI cs-CZ el-GR tr-TR ja-JP'
const languages = computed(() => {
  const names = new Intl.DisplayNames('en', { type: 'language' })
  return [...new Set([said.site.locale, ...LOCALES.split(' ')])].map((value) => ({ value, label: named(names, value) }))
})
const currencies = computed(() => {
  const names = new Intl.DisplayNames('en', { type: 'currency' })
  return Intl.supportedValuesOf('currency').map((value) => ({ value, label: `${value}, ${named(names, value)}` }))
})
const zones = computed(() => [...new Set([said.site.timeZone, 'UTC', ...Intl.supportedValuesOf('timeZone')])])
function named(names: Intl.DisplayNames, value: string): string {
  try {
    return names.of(value) ?? value
  } catch {
    return value
  }
}
onMounted(() => {
  // What the browser of whoever founds it is set to is the likeliest.
  said.site.locale = navigator.language.includes('-') ? navigator.language : said.site.locale
  said.site.timeZone = zoneHere()
  first.value?.focus()
})

const BEGINNINGS = [
  ['pages-and-stories', 'Pages and stories', 'A tree of pages, and dated stories with topics and an archive.'],
  ['nothing', 'Nothing', 'You make every page type yourself.'],
] as const

async function found() {
  busy.value = true
  failed.value = ''
  try {
    await session.found({ ...said, site: { ...said.site, origin: location.origin } })
    await navigateTo('/studio')
  } catch (error) {
    failed.value = (error as Error).message
    if (failed.value.includes('founded already')) await session.load()
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="h-full overflow-y-auto p-6">
    <form class="mx-auto w-full max-w-2xl border border-ink bg-sheet" @submit.prevent="found">
      <div class="flex items-center gap-3 bg-ink px-6 py-4 text-sheet">
        <StudioMark class="size-6" />
        <div>
          <h1 class="text-base font-semibold leading-tight">Begin a site</h1>
          <p class="text-xs text-[#c5c3bc]">Nothing stands here yet. Everything below can be changed later.</p>
        </div>
      </div>
      <div class="grid gap-x-6 gap-y-4 p-6 sm:grid-cols-2">
        <p v-if="!session.secure" class="border border-spot bg-wash p-3 sm:col-span-2" role="alert">
          This address is not https, so the browser will not keep you signed in. Use https, or localhost on the machine
          itself.
        </p>
        <label class="block font-medium sm:col-span-2">
          Code
          <span class="block text-xs font-normal text-soft"
            >It was printed where the server was started, and is good once.</span
          >
          <input
            ref="first"
            v-model="said.code"
            class="input mt-1 h-9! max-w-56 font-mono font-normal uppercase tracking-widest"
            name="code"
            autocomplete="one-time-code"
            spellcheck="false"
            maxlength="40"
            required
          />
        </label>
        <fieldset class="space-y-4 border-t pt-4">
          <legend class="made text-base">The site</legend>
          <label class="block font-medium"
            >Name<input v-model="said.site.name" class="input mt-1 h-9! font-normal" maxlength="120" required
          /></label>
          <label class="block font-medium"
            >Language
            <select v-model="said.site.locale" class="input mt-1 h-9! font-normal">
              <option v-for="l in languages" :key="l.value" :value="l.value">{{ l.label }}</option>
            </select>
          </label>
          <label class="block font-medium"
            >Currency
            <select v-model="said.site.currency" class="input mt-1 h-9! font-normal">
              <option v-for="c in currencies" :key="c.value" :value="c.value">{{ c.label }}</option>
            </select>
          </label>
          <label class="block font-medium"
            >Time zone
            <select v-model="said.site.timeZone" class="input mt-1 h-9! font-normal">
              <option v-for="z in zones" :key="z">{{ z }}</option>
            </select>
          </label>
        </fieldset>
        <fieldset class="space-y-4 border-t pt-4">
          <legend class="made text-base">You, its owner</legend>
          <label class="block font-medium"
            >Your name<input
              v-model="said.owner.name"
              class="input mt-1 h-9! font-normal"
              autocomplete="name"
              maxlength="120"
              required
          /></label>
          <label class="block font-medium"
            >Mail address<input
              v-model="said.owner.mail"
              class="input mt-1 h-9! font-normal"
              type="email"
              autocomplete="username"
              maxlength="200"
              required
          /></label>
          <label class="block font-medium"
            >Password
            <span class="block text-xs font-normal text-soft">12 characters or more</span>
            <input
              v-model="said.owner.password"
              class="input mt-1 h-9! font-normal"
              type="password"
              autocomplete="new-password"
              minlength="12"
              maxlength="500"
              required
            />
          </label>
        </fieldset>
        <fieldset class="border-t pt-4 sm:col-span-2">
          <legend class="made text-base">It begins with</legend>
          <div class="mt-2 grid gap-2 sm:grid-cols-2">
            <label
              v-for="[value, label, about] in BEGINNINGS"
              :key="value"
              class="flex items-start gap-2.5 border p-3"
              :class="said.beginning === value ? 'cornered border-ink bg-wash' : 'border-rule bg-raised'"
            >
              <input v-model="said.beginning" type="radio" name="beginning" :value="value" class="mt-1 accent-ink" />
              <span
                ><span class="block font-medium">{{ label }}</span
                ><span class="block text-xs text-soft">{{ about }}</span></span
              >
            </label>
          </div>
        </fieldset>
        <p v-if="failed" class="border border-spot bg-wash p-3 sm:col-span-2" role="alert">{{ failed }}</p>
        <div class="flex justify-end border-t pt-4 sm:col-span-2">
          <button class="btn btn-spot h-9! px-6" :disabled="busy">{{ busy ? 'Founding…' : 'Found the site' }}</button>
        </div>
      </div>
    </form>
  </main>
</template>
