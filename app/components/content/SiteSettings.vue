<script setup lang="ts">
import type { SiteSettings } from '#core/model'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** What the whole site goes by; each is kept as soon as it is said. */
const site = useSite()
const session = useSession()
const notices = useNotices()
const settings = computed(() => site.site!.settings)
const isOwner = computed(() => session.user?.role === 'owner')
const refused = reactive<Record<string, string>>({})
const kept = ref('')
const zones = Intl.supportedValuesOf('timeZone')
const currencies = Intl.supportedValuesOf('currency')

const TEXTS = [
  ['name', 'Name', 'text', 200],
  ['tagline', 'Tagline', 'text', 500],
  ['origin', 'Address of the published site', 'url', 255],
  ['locale', 'Locale', 'text', 35],
] as const

/** Working pages that a site has or does without. */
const PARTS = [
  { key: 'search', label: 'Visitors can search, at /search' },
  { key: 'shop', label: 'Visitors can buy: a basket at /basket, a checkout, and a page for each order' },
  { key: 'signIn', label: 'Members can sign in, at /sign-in, and have a page of their own, at /member' },
] as const

async function set(key: keyof SiteSettings, value: unknown, input?: HTMLInputElement) {
  refused[key] = ''
  try {
    await useApi('PUT', '/settings', { change: { [key]: value } })
    await site.load()
    kept.value = key
  } catch (error) {
    if (!(error instanceof Refusal) || error.problem.status !== 422) return notices.fail(error)
    // What was refused stays where it was typed, until it is mended.
    refused[key] = error.problem.sentence.replace(' Nothing was stored.', '')
    input?.focus()
  }
}
const text = (event: Event) => (event.target as HTMLInputElement).value.trim()
</script>

<template>
  <fieldset class="max-w-xl space-y-4" :disabled="!isOwner">
    <label v-for="[key, label, type, most] in TEXTS" :key="key" class="block font-medium"
      >{{ label
      }}<TypedInput
        class="input mt-1 font-normal"
        :type="type"
        stays
        :value="settings[key]"
        :maxlength="most"
        :aria-invalid="refused[key] ? 'true' : undefined"
        @say="(words, field) => set(key, words.replace(/\/+$/, ''), field)"
      />
      <span v-if="refused[key]" class="mt-0.5 block text-xs font-semibold" role="alert">{{ refused[key] }}</span>
    </label>
    <div class="grid gap-4 sm:grid-cols-2">
      <label class="block font-medium"
        >Currency
        <select class="input mt-1 font-normal" :value="settings.currency" @change="set('currency', text($event))">
          <option v-for="c in new Set([settings.currency, ...currencies])" :key="c">{{ c }}</option>
        </select>
      </label>
      <label class="block font-medium"
        >Time zone
        <select class="input mt-1 font-normal" :value="settings.timeZone" @change="set('timeZone', text($event))">
          <option v-for="z in new Set([settings.timeZone, ...zones])" :key="z">{{ z }}</option>
        </select>
      </label>
      <div class="font-medium">
        Logo
        <AskPicture class="mt-1 font-normal" :value="settings.logo" label="Logo" @set="set('logo', $event)" />
      </div>
      <div class="font-medium">
        Icon in browsers
        <AskPicture class="mt-1 font-normal" :value="settings.icon ?? null" label="Icon" @set="set('icon', $event)" />
        <p class="mt-0.5 text-xs font-normal text-soft">Without one, browsers show the logo.</p>
      </div>
      <div class="font-medium">
        Stands in where a picture is missing
        <AskPicture
          class="mt-1 font-normal"
          :value="settings.fallbackPicture"
          label="Picture that stands in"
          @set="set('fallbackPicture', $event)"
        />
      </div>
    </div>
    <div class="space-y-1.5">
      <label v-for="part in PARTS" :key="part.key" class="flex items-baseline gap-2"
        ><input
          type="checkbox"
          class="accent-ink"
          :checked="part.key === 'search' ? settings.search !== false : settings[part.key]"
          @change="set(part.key, ($event.target as HTMLInputElement).checked)"
        />
        <span>{{ part.label }}</span></label
      >
    </div>
    <p class="text-soft">
      What Home shows is chosen on the <NuxtLink to="/studio" class="underline">Map</NuxtLink>.
      <template v-if="!isOwner">Settings are for the owner to change.</template>
    </p>
    <p class="sr-only" role="status">{{ kept && `Kept: ${kept}` }}</p>
  </fieldset>
</template>
