<script setup lang="ts">
import { ORDER_STATES, type OrderState } from '#core/shop'
import { amountOf } from '#core/selling'
import { counted } from '#core/text'
import type { OrdersAnswer } from '#shared/api/types'

/** What was bought: the newest first, the chosen one beside them, and what was taken lately. */
definePageMeta({ layout: 'visitors' })
useHead({ title: 'Orders' })

const { money, time } = useOrderWords()
const state = ref<'' | OrderState>('')
const words = ref('')
/** An order may be asked for by the address, as from the sheet of a day. */
const { order: named } = useRoute().query
const inHand = ref<number | null>(/^\d+$/.test(String(named)) ? Number(named) : null)
const today = useTimes().today()
const { answer, failed, asked, open } = useToldList<OrdersAnswer>('/visitors/orders', 'orders', { state, words })
const total = computed(() => Object.values(answer.value?.counts ?? {}).reduce((n, c) => n + c, 0))
const states = computed(() => [
  { value: '', label: `All ${total.value}` },
  ...ORDER_STATES.map((s) => ({ value: s, label: `${ORDER_WORDS[s]} ${answer.value?.counts[s] ?? 0}` })),
])
const taken = computed(() => (answer.value?.days ?? []).reduce((n, d) => n + d.taken, 0))
const amount = (minor: number) => amountOf(minor, answer.value!.currency)
</script>

<template>
  <RoomState :failed="failed" :ready="answer !== null" what="the orders" @again="open()">
    <div v-if="answer" class="grid h-full grid-cols-[minmax(0,1fr)_400px] max-lg:grid-cols-1 max-lg:overflow-y-auto">
      <div class="overflow-y-auto px-6 py-5 max-lg:overflow-visible print:hidden">
        <div class="mb-3 flex flex-wrap items-baseline gap-2">
          <h1 class="made mr-auto text-xl">Orders</h1>
          <template v-if="total">
            <NuxtLink class="btn btn-small" :to="`/studio/visitors/orders/day?day=${today}`">Who comes today</NuxtLink>
            <a class="btn btn-small" :href="`/api/visitors/orders/table?${asked}`" download>As a table</a>
          </template>
        </div>
        <div v-if="total" class="mb-4 grid grid-cols-[3fr_2fr] gap-3 max-md:grid-cols-1">
          <section class="border bg-sheet p-3" aria-label="Takings by day">
            <p class="mb-1 text-xs text-soft">{{ money(taken, answer.currency) }} in {{ answer.days.length }} days</p>
            <DaysChart
              :days="answer.days.map((d) => d.day)"
              :kinds="[{ label: 'Taken', colour: 'ink', counts: answer.days.map((d) => amount(d.taken)) }]"
              :says="`${money(taken, answer.currency)} in ${answer.days.length} days.`"
            />
          </section>
          <section class="border bg-sheet p-3" aria-label="Takings by goods">
            <p class="mb-1 text-xs text-soft">by goods</p>
            <GoodsChart
              v-if="answer.goods.length"
              :goods="answer.goods.map((g) => ({ title: g.title, amount: amount(g.total) }))"
              :says="answer.goods.map((g) => `${g.title}: ${money(g.total, answer!.currency)}`).join('. ')"
            />
            <p v-else class="py-6 text-soft">Nothing was sold in these days.</p>
          </section>
        </div>
        <div v-if="total" class="mb-2 flex flex-wrap items-center gap-2">
          <select v-model="state" class="input w-auto!" aria-label="Which">
            <option v-for="s in states" :key="s.value" :value="s.value">{{ s.label }}</option>
          </select>
          <input
            v-model="words"
            type="search"
            class="input w-64!"
            placeholder="Find a number, a name, a thing"
            aria-label="Find orders"
          />
        </div>
        <p v-if="answer.orders.length === 0" class="border-y py-4 text-soft">
          {{
            asked.size
              ? 'No order is like that.'
              : 'Nothing was ordered yet. Say of a page type how it is sold, put a Buy button into its layout, and what visitors order stands here.'
          }}
        </p>
        <ul v-else class="border-t bg-sheet" aria-label="Orders">
          <li v-for="o in answer.orders" :key="o.id" class="border-b">
            <button
              type="button"
              class="grid w-full grid-cols-[92px_minmax(0,1fr)_auto] items-baseline gap-x-3 px-3 py-1.5 text-start hover:bg-raised"
              :class="inHand === o.id && 'cornered bg-wash'"
              :aria-pressed="inHand === o.id"
              @click="inHand = o.id"
            >
              <span class="font-semibold">{{ o.number }}</span>
              <span class="truncate">{{ o.name || 'somebody' }}</span>
              <span class="text-end">{{ money(o.total, o.currency) }}</span>
              <span class="text-2xs text-soft">{{ ORDER_WORDS[o.state] }}</span>
              <span class="truncate text-xs text-soft">{{ o.things }}</span>
              <span class="text-2xs text-soft">{{ time(o.at) }}</span>
            </button>
          </li>
        </ul>
        <button v-if="answer.more" type="button" class="btn mt-3" @click="open(answer.orders.at(-1)!.id)">
          Show earlier ones
        </button>
        <p v-if="total" class="mt-3 text-xs text-soft">{{ counted(total, 'order') }} in all.</p>
      </div>
      <aside
        class="overflow-y-auto border-l bg-sheet p-4 max-lg:border-l-0 max-lg:border-t"
        aria-label="The chosen order"
      >
        <OrderSheet v-if="inHand !== null" :id="inHand" @moved="open()" />
        <p v-else class="text-soft">Choose an order to see what became of it.</p>
      </aside>
    </div>
  </RoomState>
</template>
