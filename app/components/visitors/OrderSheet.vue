<script setup lang="ts">
import { addressLines } from '#core/shop'
import { counted } from '#core/text'
import type { OrderAnswer, OrderInput } from '#shared/api/types'
import { useNotices } from '~/stores/notices'
import { useSession } from '~/stores/session'

/** One order: what it is, who ordered it, how it stands, what became of it, and what can be done. */
const props = defineProps<{ id: number }>()
const emit = defineEmits<{ moved: [] }>()
const notices = useNotices()
const session = useSession()
const { money, time, day, locale } = useOrderWords()

const order = shallowRef<OrderAnswer | null>(null)
const failed = ref('')
const note = ref('')
const sure = ref<'' | 'cancel' | 'refund'>('')
async function open() {
  failed.value = ''
  sure.value = ''
  note.value = ''
  order.value = null
  const { id } = props
  try {
    const told = await useApi<OrderAnswer>('GET', `/visitors/orders/${id}`)
    if (id === props.id) order.value = told
  } catch (error) {
    failed.value = (error as Error).message
  }
}
watch(() => props.id, open, { immediate: true })

const busy = ref(false)
async function act(does: OrderInput['does'], says: string) {
  busy.value = true
  const told = await notices.attempt(() =>
    useApi<OrderAnswer>('POST', `/visitors/orders/${props.id}`, {
      does,
      ...(note.value.trim() && { note: note.value.trim() }),
    }),
  )
  busy.value = false
  sure.value = ''
  if (!told) return
  order.value = told
  note.value = ''
  notices.say(says)
  emit('moved')
}
const STORY: Record<string, string> = {
  note: 'Noted',
  mailed: 'Mailed again',
  placed: 'Placed',
  'paid-twice': 'Paid a second time: this payment goes back by itself',
  'surplus-refunded': 'The second payment went back',
  'payment-differs': 'A payment was reported that differs from the order',
}
const storyOf = ({ what, note }: OrderAnswer['story'][number]) =>
  what === 'came' ? `${note} came` : (STORY[what] ?? ORDER_WORDS[what as keyof typeof ORDER_WORDS] ?? what)
const addresses = computed(() => {
  const { order: of } = order.value!
  return [
    { label: 'Comes to', address: of.delivery },
    { label: 'Bill to', address: of.billing },
  ].flatMap(({ label, address }) => (address ? [{ label, lines: addressLines(address, locale.value) }] : []))
})
const print = () => window.print()
</script>

<template>
  <p v-if="failed" role="alert">
    {{ failed }} <button type="button" class="underline" @click="open">Try again</button>
  </p>
  <p v-else-if="!order" class="text-soft">Opening it…</p>
  <div v-else>
    <div class="mb-1 flex items-baseline gap-3">
      <h2 class="made mr-auto text-lg">{{ order.number }}</h2>
      <span class="text-xs font-semibold" :class="order.state === 'owing' ? 'text-spot-deep' : ''">{{
        ORDER_WORDS[order.state]
      }}</span>
    </div>
    <p class="mb-3 text-xs text-soft">
      {{ time(order.at) }}<template v-if="order.state === 'placed'">, held until {{ time(order.until) }}</template
      >, <a class="underline" :href="order.address" target="_blank" rel="noopener">as the buyer sees it</a>
    </p>
    <ul class="border-t">
      <li
        v-for="l in order.order.lines"
        :key="l.sku"
        class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-b py-1.5"
      >
        <span>{{ l.count }} × {{ [l.title, l.label].filter(Boolean).join(', ') }}</span>
        <span class="text-end">{{ money(l.total, order.currency) }}</span>
        <span v-if="l.on" class="text-xs text-soft">for {{ day(l.on) }}</span>
      </li>
    </ul>
    <dl class="my-2 grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 text-xs [&_dd]:text-end">
      <template v-if="order.order.totals.discount > 0">
        <dt>Discount{{ order.order.code && `, ${order.order.code}` }}</dt>
        <dd>−{{ money(order.order.totals.discount, order.currency) }}</dd>
      </template>
      <template v-if="order.order.totals.delivery !== null">
        <dt>{{ order.order.way?.label ?? 'Delivery' }}</dt>
        <dd>{{ money(order.order.totals.delivery, order.currency) }}</dd>
      </template>
      <template v-for="t in order.order.totals.taxes" :key="t.label + t.rate">
        <dt>{{ order.order.totals.included ? 'of it ' : '' }}{{ t.label }} {{ t.rate / 100 }}%</dt>
        <dd>{{ money(t.amount, order.currency) }}</dd>
      </template>
      <dt class="text-sm font-semibold">Total</dt>
      <dd class="text-sm font-semibold">{{ money(order.total, order.currency) }}</dd>
    </dl>
    <p v-if="order.order.buyer" class="[overflow-wrap:anywhere]">
      {{ order.order.buyer.name }},
      <a class="underline" :href="`mailto:${order.order.buyer.mail}`">{{ order.order.buyer.mail }}</a><template
        v-if="order.order.buyer.phone"
        >, {{ order.order.buyer.phone }}</template
      >
    </p>
    <p v-else class="text-soft">Who it was has been removed, as the law wants it. The figures stay.</p>
    <div v-if="addresses.length" class="mt-2 grid grid-cols-2 gap-3 text-xs">
      <div v-for="a in addresses" :key="a.label">
        <p class="text-soft">{{ a.label }}</p>
        <p v-for="(line, i) in a.lines" :key="i">{{ line }}</p>
      </div>
    </div>
    <p v-if="order.order.note" class="mt-2 whitespace-pre-wrap bg-wash p-2.5 text-xs [overflow-wrap:anywhere]">
      {{ order.order.note }}
    </p>
    <h3 class="made mb-1 mt-4">Its story</h3>
    <ol class="border-t text-xs">
      <li v-for="(s, i) in order.story" :key="i" class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-b py-1">
        <span>{{ storyOf(s) }}, by {{ s.by }}</span>
        <span class="text-soft">{{ time(s.at) }}</span>
        <span v-if="s.note && s.what !== 'came'" class="col-span-2 whitespace-pre-wrap">{{ s.note }}</span>
      </li>
      <li
        v-for="(m, i) in order.mails"
        :key="`mail ${i}`"
        class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-b py-1"
      >
        <span class="truncate">Mail to {{ m.to }}: {{ m.state }}</span>
        <span class="text-soft">{{ time(m.at) }}</span>
      </li>
    </ol>
    <label class="mt-3 block print:hidden">
      <span class="text-xs text-soft">A note to its story</span>
      <textarea v-model="note" class="input mt-1 h-auto! min-h-14 py-1.5" maxlength="2000" />
    </label>
    <div class="mt-2 flex flex-wrap gap-2 print:hidden">
      <button type="button" class="btn btn-small" :disabled="busy || !note.trim()" @click="act('note', 'It is noted.')">
        Note it
      </button>
      <button
        v-if="order.state === 'paid'"
        type="button"
        class="btn btn-small btn-spot"
        :disabled="busy"
        @click="act('send', 'It is sent, and the buyer is told.')"
      >
        It is sent
      </button>
      <button
        v-if="order.order.buyer && ['paid', 'sent', 'refunded', 'cancelled'].includes(order.state)"
        type="button"
        class="btn btn-small"
        :disabled="busy"
        @click="act('mail', 'It is mailed again.')"
      >
        Mail it again
      </button>
      <button type="button" class="btn btn-small" @click="print">Print</button>
      <template v-if="session.mayDesign">
        <template v-if="['placed', 'paid', 'expired'].includes(order.state)">
          <button v-if="sure !== 'cancel'" type="button" class="btn btn-small" @click="sure = 'cancel'">
            Cancel it…
          </button>
          <button
            v-else
            type="button"
            class="btn btn-small btn-spot"
            :disabled="busy"
            @click="act('cancel', 'It is cancelled, and what was on it is for sale again.')"
          >
            Cancel it{{ order.state === 'paid' ? ', and give back the money' : '' }}
          </button>
        </template>
        <template v-if="['paid', 'sent', 'owing'].includes(order.state)">
          <button v-if="sure !== 'refund'" type="button" class="btn btn-small" @click="sure = 'refund'">
            Give back the money…
          </button>
          <button
            v-else
            type="button"
            class="btn btn-small btn-spot"
            :disabled="busy"
            @click="act('refund', 'The money goes back.')"
          >
            Give back {{ money(order.total, order.currency) }}
          </button>
        </template>
      </template>
    </div>
    <p class="mt-3 text-xs text-soft">
      {{ counted(order.payments.length, 'payment')
      }}{{ order.payments.map((p) => `, ${p.state} at ${p.provider}`).join('') }}.
    </p>
  </div>
</template>
