<script setup lang="ts">
import { nanoid } from 'nanoid'
import { MOST_OFFERS, type Offer } from '#core/site'

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
    <table v-if="offers.length" class="w-full text-xs">
      <thead class="text-start text-soft">
        <tr>
          <th class="text-start font-normal">Called</th>
          <th class="text-start font-normal">On</th>
          <th class="w-20 text-start font-normal">Price</th>
          <th class="w-20 text-start font-normal">In all</th>
          <th><span class="sr-only">Take away</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(o, i) in offers" :key="o.id">
          <td class="pr-1">
            <input
              class="input"
              :value="o.label"
              maxlength="200"
              :aria-label="`Name of sort ${i + 1}`"
              @change="change(i, { label: text($event) })"
            />
          </td>
          <td class="pr-1">
            <input
              class="input"
              :type="o.day && o.day.length > 10 ? 'datetime-local' : 'date'"
              :value="o.day ?? ''"
              :aria-label="`Day of sort ${i + 1}`"
              @change="change(i, { day: text($event) || undefined })"
            />
          </td>
          <td class="pr-1">
            <input
              class="input"
              inputmode="decimal"
              :value="o.price ?? ''"
              placeholder="as above"
              :aria-label="`Price of sort ${i + 1}`"
              @change="change(i, { price: number($event) })"
            />
          </td>
          <td class="pr-1">
            <input
              class="input"
              inputmode="numeric"
              :value="o.stock ?? ''"
              placeholder="no end"
              :aria-label="`How many of sort ${i + 1}`"
              @change="change(i, { stock: whole($event) })"
            />
          </td>
          <td>
            <button
              type="button"
              class="h-6 px-1 hover:bg-board"
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
          </td>
        </tr>
      </tbody>
    </table>
    <button
      v-if="offers.length < MOST_OFFERS"
      type="button"
      class="h-6 px-1 hover:bg-board"
      @click="emit('set', [...offers, { id: nanoid(8), label: '' }])"
    >
      add a sort
    </button>
  </div>
</template>
