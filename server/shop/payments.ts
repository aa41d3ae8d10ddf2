/**
 * How orders are paid. To add a provider is to write one file that makes one of these, and to name it in
 * `server/shop/providers.ts`; `server/shop/stand-in.ts` is the example.
 */

/** What a provider is asked to take. */
export interface Asked {
  /** Ours for the payment: the same again is the same payment, and is taken once. */
  id: string
  /** In the smallest unit of the currency. */
  amount: number
  currency: string
  /** What the buyer knows it by. */
  reference: string
  /** Where the buyer is led afterwards, whatever came of it. */
  back: string
  /** Where notices of it are sent. */
  notify: string
}

/** What a notice says, once its signature was found right. */
export interface Notice {
  /** Our id of the payment. */
  payment: string
  state: 'paid' | 'refused'
  /** What was taken, in the smallest unit. */
  amount: number
  currency: string
}

export interface PaymentProvider {
  id: string
  /** What buyers choose it by. */
  label: string
  about: string
  /** Where the buyer has to go, if anywhere: its origin may be led to from the checkout. */
  origin: string
  /** Whether it runs on this machine, and hears and leads to where the server itself is heard; else to the site's own address. */
  near?: true
  /** Begins a payment; gives the page where the buyer pays, and by what the provider knows it. Throws when it is away. */
  begin(asked: Asked): Promise<{ page: string; remote: string }>
  /** How a payment stands. Throws when it is away. */
  state(remote: string): Promise<'open' | 'paid' | 'refused'>
  /** Gives money back; the same again gives nothing twice. Throws when it is away, or refuses. */
  refund(remote: string, amount: number): Promise<void>
  /** What a notice says; null where its signature is wrong, or it is too old. */
  read(headers: Readonly<Record<string, string>>, body: string): Notice | null
}
