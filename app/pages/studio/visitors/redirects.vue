<script setup lang="ts">
import Papa from 'papaparse'
import { safeCell } from '#core/formats'
import type { Link, Redirect } from '#core/model'
import { counted } from '#core/text'
import type { RedirectsAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** Addresses that were a page's once, or are led elsewhere by hand. */
definePageMeta({ layout: 'visitors' })
useHead({ title: 'Redirects' })

const site = useSite()
const session = useSession()
const notices = useNotices()
const redirects = shallowRef<RedirectsAnswer['redirects'] | null>(null)
const failed = ref('')
const typed = ref('')
const { query } = useRoute()
const from = ref(typeof query.from === 'string' ? query.from : '')
const to = ref<Link>('')
const branch = ref(false)
const { refused, attempt } = useInPlace()
const times = useTimes()

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
  const told = await attempt(() => useApi<RedirectsAnswer>('POST', '/redirects', input))
  if (told) redirects.value = told.redirects
  return told !== undefined
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
/** As spreadsheets have it: from, to, and whether all below goes along. */
const FIELDS = ['from', 'to', 'below']
function save() {
  const rows = redirects.value!.map((r) => [r.address, leadsTo(r).address, r.branch ? 'yes' : ''].map(safeCell))
  saveFile('redirects.csv', 'text/csv', Papa.unparse({ fields: FIELDS, data: rows }))
}
const chosen = ref<HTMLInputElement>()
async function bring(event: Event) {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (!file) return
  const { data, meta } = Papa.parse<Record<string, string>>(await file.text(), { header: true, skipEmptyLines: true })
  if (!meta.fields?.includes('from') || !meta.fields.includes('to')) {
    refused.value = `${file.name} has no columns called from and to. Nothing was taken.`
    return
  }
  const put = data.map((row) => ({
    address: pathOnly(row.from ?? ''),
    to: (row.to ?? '').trim(),
    ...(/^(yes|true|1)$/i.test(row.below ?? '') && { branch: true }),
  }))
  if (put.length > 0 && (await change({ put }))) notices.say(`${counted(put.length, 'redirect')} taken along.`)
}
/** Takes one in hand again; led anew, it leads there. */
function take(r: Redirect) {
  from.value = r.address
  to.value = r.to
  branch.value = r.branch === true
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
  <RoomState :failed="failed" :ready="redirects !== null" what="the addresses" @again="open">
    <div v-if="redirects" class="h-full overflow-y-auto">
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
        <div class="mb-3 flex gap-1.5">
          <button type="button" class="btn btn-small" :disabled="redirects.length === 0" @click="save">
            Write as CSV
          </button>
          <template v-if="session.mayDesign">
            <input
              ref="chosen"
              type="file"
              accept=".csv,text/csv"
              class="hidden"
              aria-label="CSV of redirects"
              @change="bring"
            />
            <button type="button" class="btn btn-small" @click="chosen?.click()">Read from CSV…</button>
          </template>
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
              >{{ times.write(r.at, 'day')
              }}<button
                v-if="session.mayDesign"
                type="button"
                class="btn btn-small"
                :aria-label="`Change ${r.address}`"
                @click="take(r)"
              >
                Change</button
              ><button
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
  </RoomState>
</template>
