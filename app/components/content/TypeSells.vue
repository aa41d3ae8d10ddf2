<script setup lang="ts">
import { PLAIN_SHOP, type Sells } from '#core/selling'
import type { PageType } from '#core/model'
import { type FieldRole, fieldSpec } from '#core/fields'
import { useSession } from '~/stores/session'
import { useSite } from '~/stores/site'

/** How entries of a page type are sold: by which of its fields, how many at once, under which tax. */
const props = defineProps<{ type: PageType }>()

const session = useSession()
const site = useSite()
const { setType } = useStructureEdits()
const sells = computed(() => props.type.sells)
const taxes = computed(() => (site.site?.settings.selling ?? PLAIN_SHOP).taxes)
const suiting = (role: FieldRole) => props.type.fields.filter((f) => fieldSpec(f.kind).roles.includes(role))
const prices = computed(() => suiting('price'))

const FROM = [
  { key: 'stock', label: 'How many there are', role: 'stock', none: 'without end' },
  { key: 'on', label: 'It is for', role: 'day', none: 'no day' },
  { key: 'offers', label: 'Sorts', role: 'offers', none: 'only one' },
] as const

function set(change: Partial<Record<keyof Sells, unknown>>) {
  const next = Object.fromEntries(
    Object.entries({ ...sells.value, ...change }).filter(([, value]) => value !== undefined),
  )
  setType(props.type, 'sells', next)
}
function begin() {
  const [price] = prices.value
  if (price) set({ price: price.id, most: 10, tax: taxes.value[0]!.id, delivers: true })
}
const said = (event: Event) => (event.target as HTMLSelectElement).value
function setMost(event: Event) {
  const field = event.target as HTMLInputElement
  const most = Number(field.value)
  if (Number.isInteger(most) && most >= 1 && most <= 999) set({ most })
  else field.value = String(sells.value?.most ?? 1)
}
</script>

<template>
  <section class="mt-6 border-t pt-4" aria-label="Sold">
    <h3 class="font-semibold">Sold</h3>
    <template v-if="!sells">
      <p class="mb-2 text-xs text-soft">
        {{
          prices.length > 0
            ? 'Its entries are not sold.'
            : 'To sell its entries, give the type a field of money first: their price.'
        }}
      </p>
      <button v-if="session.mayDesign && prices.length > 0" type="button" class="btn btn-small" @click="begin">
        Sell its entries
      </button>
    </template>
    <fieldset v-else class="space-y-1.5" :disabled="!session.mayDesign">
      <LabelledRow label="Price">
        <select class="input" aria-label="Price" :value="sells.price" @change="set({ price: said($event) })">
          <option v-for="f in prices" :key="f.id" :value="f.id">{{ f.label }}</option>
        </select>
      </LabelledRow>
      <LabelledRow v-for="{ key, label, role, none } in FROM" :key="key" :label="label">
        <select
          class="input"
          :aria-label="label"
          :value="sells[key] ?? ''"
          @change="set({ [key]: said($event) || undefined })"
        >
          <option value="">{{ none }}</option>
          <option v-for="f in suiting(role)" :key="f.id" :value="f.id">{{ f.label }}</option>
        </select>
      </LabelledRow>
      <LabelledRow label="In one order">
        <input
          class="input w-20!"
          type="number"
          min="1"
          max="999"
          aria-label="In one order at most"
          :value="sells.most"
          @change="setMost"
        />
      </LabelledRow>
      <LabelledRow label="Tax">
        <select class="input" aria-label="Tax" :value="sells.tax" @change="set({ tax: said($event) })">
          <option v-for="t in taxes" :key="t.id" :value="t.id">{{ t.label }}, {{ t.rate }}%</option>
        </select>
      </LabelledRow>
      <label class="flex items-center gap-2 py-1">
        <input
          type="checkbox"
          class="accent-ink"
          :checked="sells.delivers"
          @change="set({ delivers: ($event.target as HTMLInputElement).checked })"
        />
        It has to be brought to the buyer
      </label>
      <p v-if="sells.stock" class="text-xs text-soft">
        How many there are counts those that are sold; the field shows visitors how many are left.
      </p>
      <button type="button" class="btn btn-small" @click="setType(type, 'sells', undefined)">Sell them no more</button>
    </fieldset>
  </section>
</template>
