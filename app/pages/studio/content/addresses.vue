<script setup lang="ts">
import type { Link, Redirect } from '#core/site'
import type { RedirectsAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** Addresses that were a page's once, or are led elsewhere by hand. */
definePageMeta({ layout: 'content' })
useHead({ title: 'Addresses' })

const site = useSite()
const session = useSession()
const notices = useNotices()
const redirects = shallowRef<RedirectsAnswer['redirects'] | null>(null)
const failed = ref('')
const typed = ref('')
const from = ref('')
const to = ref<Link>('')
const branch = ref(false)
const refused = ref('')
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })

async function open() {
  failed.value = ''
  try {
    redirects.value = (await useApi<RedirectsAnswer>('GET', '/redirects')).redirects
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(open)

const leadsTo = ({ to }: Redirect): { address: string; words: string } => {
  if (typeof to === 'string') return { address: to, words: to }
  const page = site.catalogue!.page(to.page)
  return page ? { address: page.address, words: page.title } : { address: '', words: 'a page that is gone' }
}
const shown = computed(() => {
  const words = typed.value.trim().toLowerCase()
  return (redirects.value ?? []).filter(
    (r) => !words || r.address.toLowerCase().includes(words) || leadsTo(r).words.toLowerCase().includes(words),
  )
})
async function change(input: object): Promise<boolean> {
  refused.value = ''
  try {
    redirects.value = (await useApi<RedirectsAnswer>('POST', '/redirects', input)).redirects
    return true
  } catch (error) {
    if (error instanceof Refusal && error.problem.status === 422) refused.value = error.problem.sentence
    else notices.fail(error)
    return false
  }
}
/** As people paste them: with the site before it, with a slash at its end. */
const pathOnly = (address: string): string => {
  const path = address.trim().replace(/^https?:\/\/[^/]+/, '')
  return `/${path.replace(/^\/+|\/+$/g, '')}`
}
async function lead() {
  const put = [{ address: pathOnly(from.value), to: to.value, ...(branch.value && { branch: true }) }]
  if (!(await change({ put }))) return
  from.value = ''
  to.value = ''
  branch.value = false
}
async function remove({ at: _, ...redirect }: RedirectsAnswer['redirects'][number]) {
  if (!(await change({ remove: [redirect.address] }))) return
  notices.say(`${redirect.address} leads nowhere now.`, {
    label: 'Undo',
    run: () => void change({ put: [redirect] }),
  })
}
</script>

<template>
  <div v-if="failed" class="grid h-full place-items-center text-center" role="alert">
    <div>
      <p class="mb-4 max-w-md">{{ failed }}</p>
      <button type="button" class="btn" @click="open">Try again</button>
    </div>
  </div>
  <p v-else-if="!redirects" class="grid h-full place-items-center text-soft" role="status">Fetching the addresses…</p>
  <div v-else class="h-full overflow-y-auto">
    <div class="mx-auto max-w-5xl px-6 py-5">
      <div class="mb-1 flex flex-wrap items-baseline gap-3">
        <h1 class="made mr-auto text-xl">Addresses that lead elsewhere</h1>
        <input
          v-if="redirects.length > 5"
          v-model="typed"
          type="search"
          class="input max-w-56"
          placeholder="Find an address"
          aria-label="Find an address"
        />
      </div>
      <p class="mb-4 max-w-2xl text-soft">
        When a page gets another address, the old one leads to it from then on, by itself. Others can be led by hand.
      </p>
      <form
        v-if="session.mayDesign"
        class="mb-5 grid items-end gap-3 border border-edge bg-sheet p-3 md:grid-cols-[1fr_1fr_auto_auto]"
        @submit.prevent="lead"
      >
        <label class="block font-medium"
          >From<input
            v-model="from"
            class="input mt-1 font-mono text-xs font-normal"
            placeholder="/an/old/address"
            maxlength="1000"
        /></label>
        <div class="font-medium">
          To
          <AskLink class="mt-1 font-normal" label="To" :value="to" @set="to = ($event ?? '') as Link" />
        </div>
        <label class="flex h-8 items-center gap-2"
          ><input v-model="branch" type="checkbox" class="accent-ink" /> and all below it</label
        >
        <button class="btn btn-spot" :disabled="!from.trim() || !to">Lead it there</button>
        <p v-if="refused" class="text-sm font-semibold md:col-span-4" role="alert">{{ refused }}</p>
      </form>
      <p v-if="redirects.length === 0" class="border-y py-4 text-soft">None yet: every page has its first address.</p>
      <p v-else-if="shown.length === 0" class="border-y py-4 text-soft">No address is like that.</p>
      <ul v-else class="border-t bg-sheet">
        <li
          v-for="r in shown"
          :key="r.address"
          class="grid grid-cols-[1fr_1fr_auto] items-baseline gap-4 border-b px-3 py-2"
        >
          <span class="font-mono text-xs [overflow-wrap:anywhere]"
            >{{ r.address }}<span v-if="r.branch" class="ml-2 font-sans text-soft">and all below it</span></span
          >
          <span class="min-w-0 [overflow-wrap:anywhere]"
            ><span aria-hidden="true" class="text-soft">→ </span
            ><a v-if="leadsTo(r).address" :href="leadsTo(r).address" target="_blank" class="underline">{{
              leadsTo(r).words
            }}</a
            ><strong v-else class="font-semibold">{{ leadsTo(r).words }}</strong></span
          >
          <span class="flex items-baseline gap-3 text-xs text-soft"
            >{{ day.format(r.at)
            }}<button
              v-if="session.mayDesign"
              type="button"
              class="btn btn-small"
              :aria-label="`Remove ${r.address}`"
              @click="remove(r)"
            >
              Remove
            </button></span
          >
        </li>
      </ul>
    </div>
  </div>
</template>
