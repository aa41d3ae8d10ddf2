import { ADDED, ORDER, STEP, asksFor, seenInStep, stepAsked, stepsAmong } from '../../core/elements'
import type { Scene } from '../../core/drawing'
import type { LayoutElement } from '../../core/tree'
import {
  type Basket,
  type CheckoutProblems,
  type CheckoutWord,
  type SeenLine,
  type Shopping,
  caughtUp,
  checkoutFields,
  judgeCheckout,
  looked,
  putBack,
  putIn,
  quantityOf,
  setCount,
  takeOut,
} from '../../core/shop'
import type { Catalogue } from '../../core/catalogue'
import type { StoredBasket } from '../database/baskets'
import type { Database } from '../database/open'
import { type StoredOrder, readOrder } from '../database/orders'
import { type Answer, ledOn, sentenceOf } from '../services/answer'
import { Lately } from '../services/lately'
import type { Posts, Sent } from '../services/asked'
import { type Baskets, countSaid } from './baskets'
import type { Orders } from './orders'
import { type About, Showing } from './showing'
import type { Till } from './till'

/** What is done with what visitors send to the shop. */

const MINUTE = 60_000
const CODES = { most: 12, within: 10 * MINUTE }
const ORDERS = { most: 30, within: 10 * MINUTE }
const BASKETS = { most: 600, within: 10 * MINUTE }

export class Desk {
  private readonly showing: Showing
  private readonly codes: Lately
  private readonly orderings: Lately
  private readonly puttings: Lately

  constructor(
    private readonly db: Database,
    private readonly catalogue: () => Catalogue,
    private readonly baskets: Baskets,
    private readonly orders: Orders,
    private readonly till: Till,
    now: () => number = Date.now,
  ) {
    this.showing = new Showing(db, catalogue, baskets, orders, till, now)
    this.codes = new Lately(CODES, now)
    this.orderings = new Lately(ORDERS, now)
    this.puttings = new Lately(BASKETS, now)
  }

  readonly posts: Posts = {
    buy: (sent) => this.buy(sent),
    shop: (sent) => this.take(sent),
  }

  /** How many things cookies say are in the basket. */
  readonly count = countSaid

  get leadsTo(): readonly string[] {
    return this.till.ways.map((w) => w.origin)
  }

  /** What a visitor is shown of the shop on a page. */
  shopping(about: About, scene: Scene): Promise<Shopping> {
    return this.showing.shopping(about, scene)
  }

  private here({ page, path, scene }: Sent, more: Record<string, string> = {}, hash = ''): string {
    const given = Object.entries(scene.request.parameters).flatMap(([name, values]) =>
      name === ADDED || Object.hasOwn(more, name) ? [] : values.map((value): [string, string] => [name, value]),
    )
    const query = new URLSearchParams([...given, ...Object.entries(more)]).toString()
    return `${encodeURI(page.address || path.replace(/^\/+/, '/'))}${query && `?${query}`}${hash}`
  }

  private led(to: string, { asking }: Sent, stored?: StoredBasket): Answer {
    return ledOn(to, stored && this.baskets.cookie(stored.id, stored.basket, asking.keepsCookies))
  }

  /** Puts something into the basket; where there is none yet, one begins. */
  private async buy(sent: Sent): Promise<Answer> {
    const { values, asking } = sent
    const element = sent.element('buy', values.of?.[0] ?? '')
    if (!element) return sentenceOf(422, 'This is not on this page any more. Go back and reload the page.')
    const count = quantityOf(values.count?.[0])
    if (count === null)
      return sentenceOf(422, 'Say how many as a whole number from 1 on. Nothing was put into the basket.')
    const [entry = '', offer = null] = [values.entry?.[0], values.offer?.[0] || null]
    const goods = this.showing.goods(entry, offer)
    if (!goods || goods.left === 0)
      return sentenceOf(
        409,
        'This cannot be bought any more. Nothing was put into the basket. Go back and reload the page.',
      )
    if (this.puttings.tooMany(asking.place))
      return sentenceOf(429, 'Too much was put into baskets from your place. Please try again in a few minutes.')
    const id = this.baskets.idIn(asking.cookies) ?? this.baskets.newId()
    const stored = await this.baskets.change(id, (basket) => putIn(basket, goods, count, this.baskets.newId))
    const basket = this.catalogue().page('basket')
    if (element.props.then === 'basket' && basket) return this.led(basket.address, sent, stored)
    return this.led(this.here(sent, { [ADDED]: entry }, `#of-${encodeURIComponent(element.id)}-${entry}`), sent, stored)
  }

  private about({ scene, asking, elements }: Sent): About {
    return { catalogue: scene.catalogue, request: scene.request, asking, elements }
  }

  /** The page once more, with what is wrong. */
  private async again(
    sent: Sent,
    stored: StoredBasket,
    says: CheckoutWord | null,
    problems: CheckoutProblems,
    status: number,
    more: Partial<Shopping> = {},
  ): Promise<Answer> {
    const order = await this.orders.byToken(sent.scene.request.parameters[ORDER]?.[0])
    const about = this.about(sent)
    const shopping = await this.showing.shoppingOf(about, sent.scene, stored.basket, order, { says, problems, ...more })
    const { request } = sent.scene
    return sent.redraw({ id: '', values: {}, problems: [], says: '' }, status, { shopping, request })
  }

  /** What a page says of the visitor: what was typed is kept, whatever comes of the rest. */
  private saidIn({ values, elements, scene }: Sent, basket: Basket): { basket: Basket; problems: CheckoutProblems } {
    const seen = seenInStep(elements, stepAsked(scene, stepsAmong(elements).length))
    const first = Object.fromEntries(Object.entries(values).map(([name, [value = '']]) => [name, value]))
    const said = { ...basket.said, ...checkoutFields(first, (name) => asksFor(elements, name)) }
    const problems: Record<string, CheckoutWord> = {}
    let next = basket
    for (const [name, [value = '']] of Object.entries(values)) {
      if (!name.startsWith('n.')) continue
      const count = quantityOf(value, 0)
      if (count === null) problems[name] = 'quantity'
      else next = setCount(next, name.slice(2), count)
    }
    // What is not ticked is not sent, and what stands in another step is not either.
    for (const name of Object.keys(said))
      if (name.startsWith('agree.') && !values[name] && asksFor(seen, name)) delete said[name]
    return { basket: { ...next, said }, problems }
  }

  /** The same with its page at a step. */
  private atStep(sent: Sent, step: number): Sent {
    const { request } = sent.scene
    const parameters = { ...request.parameters, [STEP]: [String(step + 1)] }
    return { ...sent, scene: { ...sent.scene, request: { ...request, parameters } } }
  }

  /** What was sent, with its page at the step from which it was: it may stand at the address of another. */
  private whence(sent: Sent): Sent {
    const at = Number(sent.values[STEP]?.[0] ?? 0)
    return at > 0 && at <= stepsAmong(sent.elements).length ? this.atStep(sent, Math.floor(at) - 1) : sent
  }

  /** Goes to a step: on only where nothing is wrong in what was said here. */
  private step(sent: Sent, stored: StoredBasket, to: number): Promise<Answer> | Answer {
    const here = stepAsked(sent.scene, stepsAmong(sent.elements).length)
    if (to > here) {
      const problems = this.problemsIn(sent, stored, seenInStep(sent.elements, here))
      if (Object.keys(problems).length > 0) return this.again(sent, stored, 'wrong', problems, 422)
    }
    return this.led(this.here(sent, { [STEP]: String(to + 1) }), sent, stored)
  }

  /** What is wrong with what some of a page's elements ask. */
  private problemsIn(sent: Sent, stored: StoredBasket, elements: readonly LayoutElement[]): CheckoutProblems {
    const lines = looked(stored.basket, this.showing.goods)
    const { problems } = judgeCheckout(this.showing.askedOf(this.about(sent), lines), stored.basket.said)
    return Object.fromEntries(Object.entries(problems).filter(([name]) => asksFor(elements, name)))
  }

  /** What is wrong stands where it is asked: at the first step that has any of it. */
  private wrong(sent: Sent, stored: StoredBasket, problems: CheckoutProblems): Promise<Answer> {
    const steps = stepsAmong(sent.elements)
    const names = Object.keys(problems)
    const first = steps.findIndex((inside) => names.some((name) => asksFor(inside, name)))
    if (first < 0) return this.again(sent, stored, 'wrong', problems, 422)
    const seen = seenInStep(sent.elements, first)
    const here = Object.fromEntries(Object.entries(problems).filter(([name]) => asksFor(seen, name)))
    return this.again(this.atStep(sent, first), stored, 'wrong', here, 422)
  }

  private async take(given: Sent): Promise<Answer> {
    const sent = this.whence(given)
    const { values, asking, scene } = sent
    const [does = 'update'] = values.does ?? []
    const order = await this.orders.byToken(scene.request.parameters[ORDER]?.[0])
    if (does === 'pay') return this.pay(sent, order)
    const had = this.baskets.idIn(asking.cookies)
    if (!had) return this.led(this.here(sent), sent)
    let problems: CheckoutProblems = {}
    const stored = await this.baskets.change(had, (basket) => {
      const said = this.saidIn(sent, basket)
      problems = said.problems
      return this.done(does, values.code?.[0] ?? '', said.basket, basket)
    })
    if (Object.keys(problems).length > 0) return this.again(sent, stored, 'wrong', problems, 422)
    if (does === 'place') return this.canOrderAt(sent) ? this.place(sent, stored) : this.toCheckout(sent, stored)
    if (does === 'look') return this.looked(sent, stored)
    const step = /^step\.([1-9])$/.exec(does)
    if (step) return this.step(sent, stored, Number(step[1]) - 1)
    if (does === 'code') {
      if (this.codes.tooMany(asking.place)) {
        const without = await this.baskets.change(had, (basket) => ({ ...basket, code: '' }))
        return this.again(sent, without, null, {}, 429, { tooManyCodes: true })
      }
      const { why } = await this.showing.codeFor(stored.basket.code)
      if (why) return this.again(sent, stored, null, {}, 422)
    }
    // What the visitor was shown of what has changed, they have seen.
    const seen = await this.baskets.change(had, (basket) => caughtUp(basket, looked(basket, this.showing.goods)))
    return this.led(this.here(sent), sent, seen)
  }

  /** An order is placed where the checkout stands and is drawn with all that it asks, and nowhere else. */
  private canOrderAt({ page, elements }: Sent): boolean {
    return page.kind === 'checkout' && elements.some((e) => e.type === 'place-order')
  }

  private toCheckout(sent: Sent, stored: StoredBasket): Answer {
    const checkout = this.catalogue().page('checkout')
    return this.led(checkout?.address ?? this.here(sent), sent, stored)
  }

  /** The page with what is wrong so far, for whoever is still typing; nothing is said above it. */
  private async looked(sent: Sent, stored: StoredBasket): Promise<Answer> {
    const lines = looked(stored.basket, this.showing.goods)
    const { said } = stored.basket
    const { problems } = judgeCheckout(this.showing.askedOf(this.about(sent), lines), said)
    // What nobody has come to yet is not wrong.
    const typed = Object.fromEntries(Object.entries(problems).filter(([name]) => said[name]))
    return this.again(sent, stored, null, typed, 200)
  }

  private done(does: string, code: string, basket: Basket, before: Basket): Basket {
    if (does.startsWith('out.')) return takeOut(basket, does.slice(4))
    if (does === 'back') return putBack({ ...basket, removed: before.removed })
    if (does === 'code') return { ...basket, code: code.trim().slice(0, 60) }
    return does === 'no-code' ? { ...basket, code: '' } : basket
  }

  private async place(sent: Sent, stored: StoredBasket): Promise<Answer> {
    const about = this.about(sent)
    const lines = looked(stored.basket, this.showing.goods)
    if (lines.length === 0) return this.placed(sent, stored)
    if (lines.every((l) => l.count === 0)) return this.changed(sent, stored, lines)
    if (this.orderings.tooMany(sent.asking.place)) return this.again(sent, stored, 'often', {}, 429)
    const asked = this.showing.askedOf(about, lines)
    const { agreed, problems } = judgeCheckout(asked, stored.basket.said)
    if (Object.keys(problems).length > 0) return this.wrong(sent, stored, problems)
    const { code, why } = await this.showing.codeFor(stored.basket.code)
    if (why) return this.again(sent, stored, 'wrong', {}, 422)
    const user = (await sent.asking.session())?.id ?? null
    const made = await this.orders.place(stored.id, agreed, code, { user, place: sent.asking.place })
    if (made.kind === 'empty') return this.again(sent, stored, 'empty', {}, 422)
    if (made.kind === 'held') return this.again(sent, stored, 'held', {}, 409)
    if (made.kind === 'code') return this.again(sent, stored, 'wrong', {}, 422, { codeWhy: 'over' })
    if (made.kind === 'changed') return this.changed(sent, stored, made.lines)
    return this.onward(sent, made.order, { ...stored, basket: { ...stored.basket, lines: [] } })
  }

  /** It is shown as it has changed, and is ordered so when it is pressed again. */
  private async changed(sent: Sent, stored: StoredBasket, lines: readonly SeenLine[]): Promise<Answer> {
    const gone = new Set(lines.filter((l) => l.count === 0).map((l) => l.line.id))
    await this.baskets.change(stored.id, (basket) => {
      const next = caughtUp(basket, lines)
      return gone.size > 0 ? { ...next, lines: next.lines.filter((l) => !gone.has(l.id)) } : next
    })
    return this.again(sent, stored, 'changed', {}, 409, { lines })
  }

  /** A basket that is empty because it was ordered just now leads to its order. */
  private async placed(sent: Sent, stored: StoredBasket): Promise<Answer> {
    const order = stored.placed === null ? null : await readOrder(this.db, stored.placed)
    if (stored.basket.lines.length > 0 || !order) return this.again(sent, stored, 'empty', {}, 422)
    return this.onward(sent, order, stored)
  }

  private receipt(order: StoredOrder): string {
    const page = this.catalogue().page('receipt')
    return `${page?.address ?? '/'}?${ORDER}=${this.orders.token(order.id)}`
  }

  /** To where an order is paid, or to its receipt. */
  private async onward(sent: Sent, order: StoredOrder, stored?: StoredBasket): Promise<Answer> {
    const page = await this.till.begin(order, this.orders.numberOf(order.id))
    return this.led(page ?? this.receipt(order), sent, stored)
  }

  private async pay(sent: Sent, order: StoredOrder | null): Promise<Answer> {
    if (!order) return this.led(this.here(sent), sent)
    if (this.orderings.tooMany(sent.asking.place)) return sentenceOf(429, 'Please try again in a few minutes.')
    // Whoever has paid already, and was not heard of, pays no more.
    await this.till.ask(order.id)
    const page = await this.till.begin((await readOrder(this.db, order.id)) ?? order, this.orders.numberOf(order.id))
    return this.led(page ?? this.here(sent), sent)
  }
}
