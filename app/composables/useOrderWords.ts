import type { OrderState } from '#core/shop'
import { writeMoney } from '#core/selling'
import { useSite } from '~/stores/site'

/** What the states of orders are called, and how their money is written. */
export const ORDER_WORDS: Record<OrderState, string> = {
  placed: 'Not paid yet',
  paid: 'Paid',
  sent: 'Sent',
  expired: 'Expired',
  cancelled: 'Cancelled',
  owing: 'Money is owed',
  refunded: 'Refunded',
}

export function useOrderWords() {
  const site = useSite()
  const locale = computed(() => site.site?.settings.locale ?? 'en')
  const times = useTimes()
  return {
    money: (minor: number, currency: string) => writeMoney(minor, currency, locale.value),
    time: (at: number) => times.write(at),
    /** A day or a moment as the clocks of the site have it. */
    day: (on: string) => times.named(on),
    locale,
  }
}
