<script setup lang="ts">
import { nanoid } from 'nanoid'
import { type DeliveryWay, PLAIN_SHOP, type ShopSettings, type TaxClass } from '#core/selling'
import { allCountries } from '#core/shop'
import { useSite } from '~/stores/site'

/** By what rules the site sells; each is kept as soon as it is said. */
const site = useSite()
const { refused, attempt } = useInPlace()
const settings = computed(() => site.site!.settings)
const shop = computed<ShopSettings>(() => settings.value.selling ?? PLAIN_SHOP)
const countries = computed(() => allCountries(settings.value.locale))

const set = (change: Partial<ShopSettings>) =>
  attempt(async () => {
    await useApi('PUT', '/settings', { change: { selling: { ...shop.value, ...change } } })
    await site.load()
  })
const text = (event: Event) => (event.target as HTMLInputElement).value.trim()
const number = (event: Event, fallback: number) => {
  const value = Number(text(event))
  return text(event) !== '' && Number.isFinite(value) ? value : fallback
}
const isOn = (event: Event) => (event.target as HTMLInputElement).checked
const setTax = (at: number, change: Partial<TaxClass>) =>
  set({ taxes: shop.value.taxes.map((t, i) => (i === at ? { ...t, ...change } : t)) })
const setWay = (at: number, change: Partial<DeliveryWay>) =>
  set({ deliveries: shop.value.deliveries.map((w, i) => (i === at ? { ...w, ...change } : w)) })
const addTax = () => set({ taxes: [...shop.value.taxes, { id: nanoid(8), label: 'Tax', rate: 0, elsewhere: [] }] })
const addWay = () =>
  set({
    deliveries: [
      ...shop.value.deliveries,
      { id: nanoid(8), label: 'By post', about: '', price: 0, freeFrom: null, countries: [], collected: false },
    ],
  })
/** Countries as they are typed: two letters each. */
const codes = (event: Event) => [
  ...new Set(
    text(event)
      .toUpperCase()
      .split(/[^A-Z]+/)
      .filter((c) => c.length === 2),
  ),
]
</script>

<template>
  <div class="space-y-5">
    <p v-if="refused" class="bg-wash p-2 text-xs" role="alert">{{ refused }}</p>
    <div>
      <p class="mb-1 font-medium">Taxes</p>
      <div v-for="(t, i) in shop.taxes" :key="t.id" class="mb-1 grid grid-cols-[1fr_90px_auto] gap-2">
        <input
          class="input text-ink"
          :value="t.label"
          maxlength="80"
          :aria-label="`Name of tax ${i + 1}`"
          @change="setTax(i, { label: text($event) })"
        />
        <span class="flex items-center gap-1"
          ><input
            class="input text-ink"
            inputmode="decimal"
            :value="t.rate"
            :aria-label="`Rate of tax ${i + 1}`"
            @change="setTax(i, { rate: number($event, t.rate) })"
          />%</span
        >
        <button
          v-if="shop.taxes.length > 1"
          type="button"
          class="btn btn-small"
          :aria-label="`Take away tax ${i + 1}`"
          @click="set({ taxes: shop.taxes.filter((_, n) => n !== i) })"
        >
          ×
        </button>
      </div>
      <button type="button" class="btn btn-small" @click="addTax">Add a tax</button>
      <label class="mt-2 flex items-center gap-2"
        ><input type="checkbox" class="accent-ink" :checked="shop.included" @change="set({ included: isOn($event) })" />
        Prices have the tax in them</label
      >
    </div>
    <div>
      <p class="mb-1 font-medium">Delivery</p>
      <div v-for="(w, i) in shop.deliveries" :key="w.id" class="mb-2 border bg-sheet p-2">
        <div class="grid gap-2 sm:grid-cols-[1fr_1fr_90px_90px]">
          <label class="text-xs text-soft"
            >Way<input
              class="input text-ink"
              :value="w.label"
              maxlength="120"
              @change="setWay(i, { label: text($event) })"
          /></label>
          <label class="text-xs text-soft"
            >What is said of it<input
              class="input text-ink"
              :value="w.about"
              maxlength="300"
              @change="setWay(i, { about: text($event) })"
          /></label>
          <label class="text-xs text-soft"
            >Costs<input
              class="input text-ink"
              inputmode="decimal"
              :value="w.price"
              @change="setWay(i, { price: number($event, w.price) })"
          /></label>
          <label class="text-xs text-soft"
            >Free from<input
              class="input text-ink"
              inputmode="decimal"
              :value="w.freeFrom ?? ''"
              placeholder="never"
              @change="setWay(i, { freeFrom: text($event) === '' ? null : number($event, 0) })"
          /></label>
        </div>
        <div class="mt-1.5 flex flex-wrap items-center gap-3">
          <label class="flex min-w-0 flex-1 items-center gap-2 text-xs text-soft"
            >Countries<input
              class="input text-ink"
              :value="w.countries.join(' ')"
              placeholder="everywhere, or GB IE"
              @change="setWay(i, { countries: codes($event) })"
          /></label>
          <label class="flex items-center gap-1.5 text-xs"
            ><input
              type="checkbox"
              class="accent-ink"
              :checked="w.collected"
              @change="setWay(i, { collected: isOn($event) })"
            />
            it is called for</label
          >
          <button
            type="button"
            class="btn btn-small"
            @click="set({ deliveries: shop.deliveries.filter((_, n) => n !== i) })"
          >
            Take away
          </button>
        </div>
      </div>
      <button type="button" class="btn btn-small" @click="addWay">Add a way</button>
    </div>
    <div class="grid gap-3 sm:grid-cols-3">
      <label class="block font-medium"
        >The shop is in
        <select class="input mt-1 font-normal" :value="shop.country" @change="set({ country: text($event) })">
          <option v-for="c in countries" :key="c.id" :value="c.id">{{ c.name }}</option>
        </select>
      </label>
      <label class="block font-medium"
        >Tax of delivery
        <select class="input mt-1 font-normal" :value="shop.deliveryTax" @change="set({ deliveryTax: text($event) })">
          <option v-for="t in shop.taxes" :key="t.id" :value="t.id">{{ t.label }}, {{ t.rate }}%</option>
        </select>
      </label>
      <label class="block font-medium"
        >Sells to<input
          class="input mt-1 font-normal"
          :value="shop.countries.join(' ')"
          placeholder="everywhere, or GB IE"
          @change="set({ countries: codes($event) })"
      /></label>
      <label class="block font-medium"
        >Held unpaid for minutes<input
          class="input mt-1 font-normal"
          type="number"
          min="5"
          max="1440"
          :value="shop.hold"
          @change="set({ hold: number($event, shop.hold) })"
      /></label>
      <label class="block font-medium"
        >Personal data kept for days<input
          class="input mt-1 font-normal"
          type="number"
          min="1"
          max="20000"
          :value="shop.keep"
          @change="set({ keep: number($event, shop.keep) })"
      /></label>
      <label class="block font-medium"
        >Numbers begin with<input
          class="input mt-1 font-normal"
          maxlength="12"
          :value="shop.prefix"
          @change="set({ prefix: text($event) })"
      /></label>
      <label class="block font-medium sm:col-span-2"
        >Orders are mailed to<input
          class="input mt-1 font-normal"
          type="email"
          maxlength="254"
          :value="shop.mail"
          placeholder="nobody"
          @change="set({ mail: text($event) })"
      /></label>
    </div>
  </div>
</template>
