import { createHash, createHmac, timingSafeEqual } from 'node:crypto'
import { SENT, TRAP, daysKept, formOf, nextOf } from '../../core/elements'
import { type AskedForm, type FormWord, type Judged, type Message, isHeld, isOpen, judge } from '../../core/forms'
import type { Page } from '../../core/site'
import { endMessages, insertMessage } from '../database/messages'
import type { Database } from '../database/open'
import { type Answer, redirectTo, sentenceOf, withHeaders } from './answer'
import { log } from './log'
import type { Sent } from './published'

/** What visitors send by forms: proved, judged, and kept. Nothing of what they say is ever in the log. */

const MINUTE = 60_000
const DAY = 24 * 60 * MINUTE
/** The same words from the same place within so long are one message. */
const TWICE = 10 * MINUTE
/** So much may come from one place, */
const FROM_PLACE = { most: 20, within: 10 * MINUTE }
/** and so much to one form before what comes is held. */
const TO_FORM = { most: 1200, within: 10 * MINUTE }
const MOST_KEPT = 20_000

/** Counts what happened lately, by keys. */
class Lately {
  private readonly times = new Map<string, number[]>()

  constructor(
    private readonly limit: { most: number; within: number },
    private readonly now: () => number,
  ) {}

  /** Counts one more; gives whether that is too many. */
  tooMany(key: string): boolean {
    const now = this.now()
    const times = (this.times.get(key) ?? []).filter((t) => t > now - this.limit.within)
    if (times.length >= this.limit.most) return true
    // What happened last stands last: the oldest are forgotten first.
    this.times.delete(key)
    this.times.set(key, [...times, now])
    for (const oldest of this.times.keys()) {
      if (this.times.size <= MOST_KEPT) break
      this.times.delete(oldest)
    }
    return false
  }
}

export class Forms {
  private readonly fromPlaces: Lately
  private readonly toForms: Lately

  constructor(
    private readonly db: Database,
    /** Seals the proofs. */
    private readonly secret: string,
    private readonly now: () => number = Date.now,
  ) {
    this.fromPlaces = new Lately(FROM_PLACE, now)
    this.toForms = new Lately(TO_FORM, now)
  }

  /** Proves that a form was drawn on a page here in an hour. */
  proof(page: Pick<Page, 'key'>, form: string, hour: number): string {
    const sealed = createHmac('sha256', `forms ${this.secret}`)
      .update(`${hour} ${page.key} ${form}`)
      .digest('base64url')
    return `${hour.toString(36)}.${sealed}`
  }

  private isProved(page: Page, form: string, proof: string): boolean {
    const hour = Number.parseInt(proof.split('.')[0] ?? '', 36)
    if (!Number.isSafeInteger(hour) || !isOpen(hour, this.now())) return false
    const [given, right] = [Buffer.from(proof), Buffer.from(this.proof(page, form, hour))]
    return given.length === right.length && timingSafeEqual(given, right)
  }

  /** Answers what a form sent. What cannot be taken comes back with all that was answered, and says why. */
  readonly take = async (sent: Sent): Promise<Answer> => {
    const { page, values, scene, asking } = sent
    const id = values.of?.[0] ?? ''
    const element = sent.element('form', id)
    if (!element) return sentenceOf(422, 'This form is not on this page any more. Go back and reload the page.')
    const form = formOf(element, scene)
    const judged = judge(form, values)
    const again = (word: FormWord, status: number, problems: Judged['problems'] = []): Answer =>
      sent.redraw({ id, values, problems, says: form.words[word] }, status)
    if (judged.problems.length > 0) return again('wrong', 422, judged.problems)
    if (!this.isProved(page, id, values.proof?.[0] ?? '')) return again('stale', 409)
    if (this.fromPlaces.tooMany(asking.place)) return again('often', 429)
    await this.keep(form, sent, judged, daysKept(element))
    const next = nextOf(element, scene)
    // A path of several slashes would lead to another site.
    const path = page.address || sent.path.replace(/^\/+/, '/')
    const here = `${encodeURI(path)}?${SENT}=${encodeURIComponent(id)}#of-${encodeURIComponent(id)}`
    return withHeaders(redirectTo(next ?? here, 303), { 'cache-control': 'no-store' })
  }

  private async keep(
    form: AskedForm,
    { page, values, asking }: Sent,
    { answers }: Judged,
    days: number,
  ): Promise<void> {
    const message: Message = {
      format: 1,
      form: form.name.slice(0, 200),
      page: page.key,
      title: page.title.slice(0, 1000),
      answers,
    }
    const held = isHeld(answers, values[TRAP]?.[0] ?? '') || this.toForms.tooMany(form.id)
    const at = this.now()
    const digest = createHash('sha256')
      .update(JSON.stringify([asking.place, form.id, message]))
      .digest('base64url')
    const made = { message, state: held ? ('held' as const) : ('unread' as const), at, ends: at + days * DAY, digest }
    const id = await insertMessage(this.db, made, at - TWICE)
    log('info', 'message-kept', { id, form: form.id, held })
  }

  /** Takes away what was kept for long enough. */
  async endOld(): Promise<void> {
    const count = await endMessages(this.db, this.now())
    if (count > 0) log('info', 'messages-ended', { count })
  }
}
