<script setup lang="ts">
import { nanoid } from 'nanoid'
import { MOST_OFFERS, type Offer } from '#core/fields'

/** The sorts in which an entry is sold: what each is called, its day, its price, and how many there are. */
const props = defineProps<{ label: string; offers: readonly Offer[] }>()
const emit = defineEmits<{ set: [offers: Offer[]] }>()

const change = (at: number, values: Partial<Offer>) =>
  emit(
    'set',
    props.offers.map((o, i) => {
      if (i !== at) return o
      const next = { ...o, ...values }
      if (!next.day) delete next.day
      return next
    }),
  )
const text = (event: Event) => (event.target as HTMLInputElement).value
const number = (event: Event): number | null => {
  const typed = text(event).trim()
  const value = Number(typed)
  return typed === '' || !Number.isFinite(value) || value < 0 ? null : value
}
const whole = (event: Event): number | null => {
  const value = number(event)
  return value === null ? null : Math.floor(value)
}
</script>

<template>
  <div>
    <p class="mb-1 font-medium">{{ label }}</p>
    <ul v-if="offers.length" class="mb-1 space-y-2">
      <li v-for="(o, i) in offers" :key="o.id" class="border bg-raised p-2 text-xs">
        <div class="mb-1.5 flex items-center gap-1">
          <input
            class="input font-medium"
            :value="o.label"
            maxlength="200"
            placeholder="What it is called"
            :aria-label="`Name of sort ${i + 1}`"
            @change="change(i, { label: text($event) })"
          />
          <button
            type="button"
            class="h-7 px-1.5 hover:bg-board"
            :aria-label="`Take away sort ${i + 1}`"
            @click="
              emit(
                'set',
                offers.filter((_, n) => n !== i),
              )
            "
          >
            ×
          </button>
        </div>
        <div class="grid grid-cols-[minmax(0,2fr)_minmax(0,1fr)_minmax(0,1fr)] gap-1.5">
          <label class="text-soft"
            >For the day<input
              class="input mt-0.5 text-ink"
              :type="o.day && o.day.length > 10 ? 'datetime-local' : 'date'"
              :value="o.day ?? ''"
              :aria-label="`Day of sort ${i + 1}`"
              @change="change(i, { day: text($event) || undefined })"
          /></label>
          <label class="text-soft"
            >Price<input
              class="input mt-0.5 text-ink"
              inputmode="decimal"
              :value="o.price ?? ''"
              placeholder="same"
              :aria-label="`Price of sort ${i + 1}`"
              @change="change(i, { price: number($event) })"
          /></label>
          <label class="text-soft"
            >In all<input
              class="input mt-0.5 text-ink"
              inputmode="numeric"
              :value="o.stock ?? ''"
              placeholder="no end"
              :aria-label="`How many of sort ${i + 1}`"
              @change="change(i, { stock: whole($event) })"
          /></label>
        </div>
      </li>
    </ul>
    <button
      v-if="offers.length < MOST_OFFERS"
      type="button"
      class="w-full border border-dashed border-edge py-1 text-xs text-soft hover:border-ink hover:text-ink"
      @click="emit('set', [...offers, { id: nanoid(8), label: '' }])"
    >
      Add a sort
    </button>
  </div>
</template>
