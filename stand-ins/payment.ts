import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { type IncomingMessage, type Server, type ServerResponse, createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { Webhook } from 'standardwebhooks'
import { page, write } from './page'

/**
 * A payment provider that ships with the demo. It takes no money: whoever comes to its page chooses what happens. It
 * sends signed notices back (Standard Webhooks), and hears this machine alone.
 */

const LOOPBACK = '127.0.0.1'
const LARGEST = 20_000

/** What may happen, in the order of the page. */
export const CASES = {
  pays: 'Pay, and go back',
  refuses: 'Be refused, and go back',
  late: 'Pay, go back, and be heard of late',
  twice: 'Pay, go back, and be heard of twice',
  never: 'Pay, go back, and never be heard of',
  left: 'Pay, and close the window',
} as const
export type Case = keyof typeof CASES

interface Payment {
  id: string
  asked: { id: string; amount: number; currency: string; reference: string; back: string; notify: string }
  state: 'open' | 'paid' | 'refused'
  refunded: number
  at: number
}

export interface PaymentStandIn {
  address: string
  /** Whether it answers anything. */
  setDown(down: boolean): void
  close(): Promise<void>
}

export interface PaymentOptions {
  port?: number
  /** After how many milliseconds a late notice comes. */
  late?: number
  /** Where it keeps what was paid; else that ends with it. */
  folder?: string
}

class Desk {
  private readonly payments = new Map<string, Payment>()
  private readonly byAsked = new Map<string, Payment>()
  private readonly timers = new Set<NodeJS.Timeout>()
  private readonly words: Webhook
  down = false
  private readonly file: string | null

  constructor(
    private readonly secret: string,
    private readonly late: number,
    folder: string | null,
  ) {
    this.file = folder === null ? null : join(folder, 'payments.json')
    for (const payment of this.kept()) this.hold(payment)
    this.words = new Webhook(Buffer.from(secret).toString('base64'))
  }

  private kept(): Payment[] {
    if (!this.file || !existsSync(this.file)) return []
    try {
      return JSON.parse(readFileSync(this.file, 'utf8')) as Payment[]
    } catch {
      return []
    }
  }

  private hold(payment: Payment): void {
    this.payments.set(payment.id, payment)
    this.byAsked.set(payment.asked.id, payment)
  }

  /** What was paid outlives a restart. */
  keep(): void {
    if (!this.file) return
    writeFileSync(`${this.file}.new`, JSON.stringify([...this.payments.values()]))
    renameSync(`${this.file}.new`, this.file)
  }

  isKnown(request: IncomingMessage): boolean {
    return request.headers.authorization === `Bearer ${this.secret}`
  }

  /** The same asked again is the same payment. */
  begin(asked: Payment['asked']): Payment {
    const known = this.byAsked.get(asked.id)
    if (known) return known
    const id = randomBytes(9).toString('hex')
    const made: Payment = { id, asked, state: 'open', refunded: 0, at: Date.now() }
    this.hold(made)
    this.keep()
    return made
  }

  get(id: string): Payment | undefined {
    return this.payments.get(id)
  }

  all(): Payment[] {
    return [...this.payments.values()].reverse()
  }

  /** What somebody chose on the page; gives where they go. */
  choose(payment: Payment, chosen: Case): string | null {
    const { back } = payment.asked
    if (payment.state === 'open') {
      payment.state = chosen === 'refuses' ? 'refused' : 'paid'
      this.keep()
      const notice = `msg_${randomBytes(9).toString('hex')}`
      const tell = (after: number) => this.later(after, () => this.tell(payment, notice))
      if (chosen === 'late' || chosen === 'left') tell(this.late)
      else if (chosen !== 'never') tell(0)
      if (chosen === 'twice') tell(50)
    }
    return chosen === 'left' ? null : back
  }

  private later(after: number, work: () => Promise<void>): void {
    const timer = setTimeout(() => {
      this.timers.delete(timer)
      work().catch(() => undefined)
    }, after)
    this.timers.add(timer)
  }

  /** Sends a notice; it is sent again a few times where nobody takes it. */
  private async tell(payment: Payment, id: string, tries = 0): Promise<void> {
    const { asked, state } = payment
    const body = JSON.stringify({
      type: 'payment',
      payment: asked.id,
      state,
      amount: asked.amount,
      currency: asked.currency,
    })
    const at = new Date()
    const headers = {
      'content-type': 'application/json',
      'webhook-id': id,
      'webhook-timestamp': String(Math.floor(at.getTime() / 1000)),
      'webhook-signature': this.words.sign(id, at, body),
    }
    const taken = await fetch(asked.notify, { method: 'POST', headers, body, signal: AbortSignal.timeout(5000) }).then(
      (response) => response.ok,
      () => false,
    )
    if (!taken && tries < 6) this.later(500 * 2 ** tries, () => this.tell(payment, id, tries + 1))
  }

  end(): void {
    for (const timer of this.timers) clearTimeout(timer)
  }
}

async function readBody(request: IncomingMessage): Promise<string> {
  let body = ''
  for await (const chunk of request as AsyncIterable<Buffer>) {
    body += String(chunk)
    if (body.length > LARGEST) throw new Error('too large')
  }
  return body
}

const amount = ({ asked }: Payment): string => {
  const format = new Intl.NumberFormat('en-GB', { style: 'currency', currency: asked.currency })
  return format.format(asked.amount / 10 ** (format.resolvedOptions().maximumFractionDigits ?? 2))
}

function payPage(payment: Payment): string {
  const { id, asked, state } = payment
  const buttons = Object.entries(CASES).map(
    ([value, label]) => write`<button name="case" value="${value}">${label}</button>`,
  )
  const body =
    state === 'open'
      ? write`<form method="post" action="/pay/${id}">` + `${buttons.join('')}</form>`
      : write`<p>This payment is ${state}.</p><p><a href="${asked.back}">Go back</a></p>`
  return page(
    'Pay',
    write`<h1>Pay ${amount(payment)}</h1><p>For order ${asked.reference}. This is a stand-in: no money is taken. Choose what happens.</p>` +
      body,
  )
}

function listPage(desk: Desk): string {
  const rows = desk
    .all()
    .map((p) => write`<li>${p.asked.reference}: ${amount(p)}, ${p.state}${p.refunded ? ', given back' : ''}</li>`)
  return page(
    'The stand-in for payments',
    '<h1>The stand-in for payments</h1>' +
      `<form method="post" action="/down"><button name="down" value="${desk.down ? 'no' : 'yes'}">${desk.down ? 'Let it answer again' : 'Let it be away'}</button></form>` +
      (rows.length > 0 ? `<ul>${rows.join('')}</ul>` : '<p>Nothing was paid yet.</p>'),
  )
}

type Send = (status: number, type: string, body: string, headers?: Record<string, string>) => void

async function answer(desk: Desk, address: () => string, request: IncomingMessage, send: Send): Promise<void> {
  const { pathname } = new URL(request.url ?? '/', 'http://stand-in')
  const html = (status: number, body: string) => send(status, 'text/html; charset=utf-8', body)
  const json = (status: number, body: object) => send(status, 'application/json', JSON.stringify(body))
  const post = request.method === 'POST'
  if (pathname === '/') return html(200, listPage(desk))
  if (pathname === '/down' && post) {
    desk.down = (await readBody(request)).includes('yes')
    return send(303, 'text/plain', '', { location: '/' })
  }
  const paying = desk.get(/^\/pay\/(\w+)$/.exec(pathname)?.[1] ?? '')
  if (paying && !post) return html(200, payPage(paying))
  if (paying) {
    const chosen = new URLSearchParams(await readBody(request)).get('case')
    if (!chosen || !Object.hasOwn(CASES, chosen)) return html(422, page('Pay', '<p>Choose what happens.</p>'))
    const to = desk.choose(paying, chosen as Case)
    if (to === null) return html(200, page('Pay', '<p>You closed the window.</p>'))
    return send(303, 'text/plain', '', { location: to })
  }
  // From here on only whoever knows the secret is heard, and nobody while it is away.
  if (desk.down) return json(503, { error: 'away' })
  if (!desk.isKnown(request)) return json(401, { error: 'who are you' })
  if (pathname === '/payments' && post) {
    const { id } = desk.begin(JSON.parse(await readBody(request)) as Payment['asked'])
    return json(200, { id, page: `${address()}pay/${id}` })
  }
  const [, of = '', refund] = /^\/payments\/(\w+)(\/refund)?$/.exec(pathname) ?? []
  const payment = desk.get(of)
  if (!payment) return json(404, { error: 'no such payment' })
  if (!refund) return json(200, { state: payment.state, refunded: payment.refunded })
  const { amount: back } = JSON.parse(await readBody(request)) as { amount: number }
  if (payment.state !== 'paid' || back > payment.asked.amount) return json(409, { error: 'nothing to give back' })
  payment.refunded = Math.max(payment.refunded, back)
  desk.keep()
  json(200, { refunded: payment.refunded })
}

function listen(server: Server, port: number): Promise<void> {
  return new Promise((done) => server.listen(port, LOOPBACK, done))
}

export async function openPaymentStandIn(
  secret: string,
  { port = 0, late = 8000, folder }: PaymentOptions = {},
): Promise<PaymentStandIn> {
  if (folder) mkdirSync(folder, { recursive: true, mode: 0o700 })
  const desk = new Desk(secret, late, folder ?? null)
  const address = () => `http://${LOOPBACK}:${(server.address() as AddressInfo).port}/`
  const server = createServer((request: IncomingMessage, response: ServerResponse) => {
    const send: Send = (status, type, body, headers = {}) =>
      void response.writeHead(status, { 'content-type': type, 'cache-control': 'no-store', ...headers }).end(body)
    answer(desk, address, request, send).catch(() => {
      if (!response.headersSent) send(400, 'text/plain', 'This cannot be read.\n')
    })
  })
  await listen(server, port)
  return {
    address: address(),
    setDown(down) {
      desk.down = down
    },
    async close() {
      desk.end()
      server.closeAllConnections()
      await new Promise((done) => server.close(done))
    },
  }
}
