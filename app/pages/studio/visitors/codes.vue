<script setup lang="ts">
import { type DiscountCode, codeOf, discountShape } from '#core/shop'
import { refuse } from '#core/shape'
import { counted } from '#core/text'
import type { CodesAnswer } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** Codes by which something costs less: which there are, how often each was used, and what each takes off. */
definePageMeta({ layout: 'visitors' })
useHead({ title: 'Discounts' })

type Code = CodesAnswer['codes'][number]

const notices = useNotices()
const session = useSession()
const site = useSite()
const codes = shallowRef<Code[] | null>(null)
const failed = ref('')
const { refused, attempt } = useInPlace()
const editing = ref('')
const BLANK: DiscountCode = {
  format: 1,
  code: '',
  kind: 'percent',
  value: 10,
  least: 0,
  from: '',
  until: '',
  most: null,
  types: [],
  on: true,
}
const form = ref<DiscountCode>({ ...BLANK })

async function open() {
  failed.value = ''
  try {
    codes.value = (await useApi<CodesAnswer>('GET', '/visitors/codes')).codes
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(open)

const sold = computed(() => [...(site.catalogue?.types.values() ?? [])].filter((t) => t.sells))
const locale = computed(() => site.catalogue?.site.settings.locale)
const currency = computed(() => site.catalogue?.site.settings.currency ?? 'EUR')
const money = (amount: number) =>
  new Intl.NumberFormat(locale.value, { style: 'currency', currency: currency.value }).format(amount)
const { named: dayOf } = useTimes()
const takes = ({ kind, value }: DiscountCode) => (kind === 'percent' ? `${value}% off` : `${money(value)} off`)
function rules({ least, from, until, types }: DiscountCode): string {
  const names = types.map((id) => site.catalogue?.types.get(id)?.plural.toLowerCase() ?? 'what is gone')
  const days =
    from && until
      ? `${dayOf(from)} to ${dayOf(until)}`
      : from
        ? `from ${dayOf(from)}`
        : until && `until ${dayOf(until)}`
  const said = [names.length > 0 && `on ${names.join(', ')}`, least > 0 && `from ${money(least)} on`, days]
  return said.filter(Boolean).join('; ') || 'on everything'
}
const usedWords = ({ used, most }: Code) =>
  most !== null
    ? `used ${used} of ${counted(most, 'time')}`
    : used === 0
      ? 'not used yet'
      : `used ${counted(used, 'time')}`

async function save(code: DiscountCode): Promise<boolean> {
  const told = await attempt(() => useApi<CodesAnswer>('PUT', '/visitors/codes', code))
  if (told) codes.value = told.codes
  return told !== undefined
}
async function keep() {
  const code = {
    ...form.value,
    code: codeOf(form.value.code),
    most: form.value.most || null,
    least: form.value.least || 0,
  }
  const wrong = refuse(discountShape, code)
  if (wrong) return void (refused.value = `${wrong}.`)
  if (!editing.value && codes.value?.some((c) => c.code === code.code))
    return void (refused.value = `There is a code ${code.code} already: change that one, or give this another name.`)
  if (!(await save(code))) return
  editing.value = ''
  form.value = { ...BLANK }
}
const docOf = ({ used: _, ...code }: Code): DiscountCode => code
function take(code: Code) {
  editing.value = code.code
  form.value = docOf(code)
}
function leave() {
  editing.value = refused.value = ''
  form.value = { ...BLANK }
}
async function remove(code: Code) {
  const told = await notices.attempt(() => useApi<CodesAnswer>('POST', '/visitors/codes/removed', { code: code.code }))
  if (!told) return void open()
  codes.value = told.codes
  notices.say(`${code.code} is removed.`, { label: 'Undo', run: () => void save(docOf(code)) })
}
</script>

<template>
  <RoomState :failed="failed" :ready="codes !== null" what="the codes" @again="open">
    <div v-if="codes" class="h-full overflow-y-auto">
      <div class="mx-auto max-w-4xl px-6 py-5">
        <h1 class="made mb-1 text-xl">Discounts</h1>
        <p class="mb-4 max-w-2xl text-soft">
          Whoever types a code into the basket or at the checkout pays less. It counts as used once it was ordered with.
        </p>
        <form
          v-if="session.mayDesign"
          class="mb-5 grid items-end gap-3 border border-edge bg-sheet p-3 sm:grid-cols-2 md:grid-cols-4"
          :aria-label="editing ? `Changing ${editing}` : 'Another discount'"
          @submit.prevent="keep"
        >
          <label class="block font-medium"
            >Code<input
              v-model="form.code"
              class="input mt-1 font-mono text-xs font-normal uppercase"
              maxlength="40"
              placeholder="WINDING-DAY"
              :readonly="editing !== ''"
          /></label>
          <div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] items-end gap-2">
            <label class="block font-medium"
              >Takes off<input
                v-model.number="form.value"
                type="number"
                step="any"
                min="0.01"
                class="input mt-1 font-normal" /></label
            ><select v-model="form.kind" class="input" aria-label="Percent or an amount">
              <option value="percent">percent</option>
              <option value="amount">{{ currency }}</option>
            </select>
          </div>
          <label class="block font-medium"
            >Goods of at least<input
              v-model.number="form.least"
              type="number"
              step="any"
              min="0"
              class="input mt-1 font-normal"
          /></label>
          <label class="block font-medium"
            >How often in all<input
              v-model.number="form.most"
              type="number"
              min="1"
              class="input mt-1 font-normal"
              placeholder="as often as one likes"
          /></label>
          <label class="block font-medium"
            >From<input v-model="form.from" type="date" class="input mt-1 font-normal"
          /></label>
          <label class="block font-medium"
            >Until<input v-model="form.until" type="date" class="input mt-1 font-normal"
          /></label>
          <fieldset class="sm:col-span-2">
            <legend class="font-medium">On what (none: everything)</legend>
            <div class="mt-1 flex min-h-8 flex-wrap items-center gap-x-4 gap-y-1">
              <label v-for="t in sold" :key="t.id" class="flex items-center gap-2"
                ><input v-model="form.types" type="checkbox" class="accent-ink" :value="t.id" />{{ t.plural }}</label
              >
              <span v-if="sold.length === 0" class="text-soft">No page type is sold yet.</span>
            </div>
          </fieldset>
          <div class="flex flex-wrap items-center gap-2 sm:col-span-2 md:col-span-4">
            <button class="btn btn-spot" :disabled="!form.code.trim()">
              {{ editing ? 'Store it' : 'Make the code' }}
            </button>
            <button v-if="editing" type="button" class="btn" @click="leave">Leave it as it was</button>
            <p v-if="refused" class="font-semibold" role="alert">{{ refused }}</p>
          </div>
        </form>
        <p v-if="codes.length === 0" class="border-y py-4 text-soft">There are no codes yet.</p>
        <ul v-else class="border-t bg-sheet" aria-label="Codes">
          <li
            v-for="c in codes"
            :key="c.code"
            class="grid items-center gap-x-4 gap-y-1 border-b px-3 py-1.5 sm:grid-cols-[minmax(0,1fr)_auto]"
            :class="!c.on && 'text-soft'"
          >
            <span class="min-w-0">
              <span class="block truncate"
                ><strong class="font-mono text-sm font-semibold">{{ c.code }}</strong> {{ takes(c)
                }}<span v-if="!c.on"> (off)</span></span
              >
              <span class="block text-xs text-soft">{{ rules(c) }}; {{ usedWords(c) }}</span>
            </span>
            <span v-if="session.mayDesign" class="flex flex-wrap gap-2 sm:justify-end">
              <button type="button" class="btn btn-small" :aria-label="`Change ${c.code}`" @click="take(c)">
                Change
              </button>
              <button
                type="button"
                class="btn btn-small"
                :aria-label="`Switch ${c.code} ${c.on ? 'off' : 'on'}`"
                @click="save({ ...docOf(c), on: !c.on })"
              >
                Switch {{ c.on ? 'off' : 'on' }}
              </button>
              <button
                v-if="c.used === 0"
                type="button"
                class="btn btn-small"
                :aria-label="`Remove ${c.code}`"
                @click="remove(c)"
              >
                Remove
              </button>
            </span>
          </li>
        </ul>
      </div>
    </div>
  </RoomState>
</template>
