import { Webhook, WebhookVerificationError } from 'standardwebhooks'
import { exact, oneOf, refuse, text, whole } from '../../core/shape'
import type { Asked, Notice, PaymentProvider } from './payments'

/** The provider that ships with the demo: it speaks to `stand-ins/payment.ts`, whose notices follow Standard Webhooks. */

const PATIENCE = 4000

const noticeShape = exact({
  type: oneOf(['payment']),
  payment: text(60),
  state: oneOf(['paid', 'refused']),
  amount: whole(0, 1e12),
  currency: text(3),
})

export function standInProvider(at: string, secret: string): PaymentProvider {
  const call = async (method: 'GET' | 'POST', path: string, body?: object): Promise<Record<string, unknown>> => {
    const response = await fetch(new URL(path, at), {
      method,
      headers: { authorization: `Bearer ${secret}`, 'content-type': 'application/json' },
      signal: AbortSignal.timeout(PATIENCE),
      ...(body && { body: JSON.stringify(body) }),
    })
    if (!response.ok) throw new Error(`the stand-in answers ${response.status}`)
    return (await response.json()) as Record<string, unknown>
  }
  const words = new Webhook(Buffer.from(secret).toString('base64'))
  return {
    id: 'stand-in',
    label: 'By card',
    about: 'At a stand-in, which takes no money',
    origin: new URL(at).origin,
    near: true,
    async begin(asked: Asked) {
      const { page, id } = await call('POST', '/payments', asked)
      return { page: String(page), remote: String(id) }
    },
    async state(remote) {
      const { state } = await call('GET', `/payments/${encodeURIComponent(remote)}`)
      return state === 'paid' || state === 'refused' ? state : 'open'
    },
    async refund(remote, amount) {
      await call('POST', `/payments/${encodeURIComponent(remote)}/refund`, { amount })
    },
    read(headers, body): Notice | null {
      try {
        const said = words.verify(body, headers)
        if (refuse(noticeShape, said) !== null) return null
        const { payment, state, amount, currency } = said as Notice
        return { payment, state, amount, currency }
      } catch (error) {
        if (error instanceof WebhookVerificationError || error instanceof SyntaxError) return null
        throw error
      }
    },
  }
}
