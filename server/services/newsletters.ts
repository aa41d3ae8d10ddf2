import { instantText } from '../../core/time'
import Papa from 'papaparse'
import { NEWS, NEWS_WORDS, type NewsWord, TRAP, newsSays } from '../../core/elements'
import { type Mail, addressIn } from '../../core/forms'
import { safeCell } from '../../core/formats'
import { askFor, comeIn, endWaiting, leave, readSubscribers } from '../database/subscribers'
import type { Database } from '../database/open'
import { escapeHtml } from '../../core/drawing'
import { type Answer, answerOf, ledOn, sentenceOf } from './answer'
import type { Forms } from './forms'
import { Lately } from './lately'
import { log } from './log'
import type { Sent } from './asked'
import { Seal } from './seal'

/**
 * Newsletters: whoever asks for one is sent a mail, and is on its list once they have said yes. What a mail leads to
 * changes nothing until a button there is pressed: programs look at links too.
 */

const HOUR = 60 * 60_000
const DAY = 24 * HOUR
/** So long one can say yes. */
const OPEN_DAYS = 7
/** So many mails one address is sent. */
const TO_ADDRESS = { most: 3, within: DAY }

type Does = 'yes' | 'leave'

/** Where one leaves a list, whatever page one came to it by. */
export const LEAVES = '/_of/leave/'

/** A page of one sentence, with a button that sends it once more where there is something to do. */
function pageOf(status: number, sentence: string, press?: string): Answer {
  const words = escapeHtml(sentence)
  const button = press ? `<form method="post"><button>${escapeHtml(press)}</button></form>` : ''
  const html =
    `<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><title>${words}</title>` +
    '<meta name="viewport" content="width=device-width"><meta name="robots" content="noindex"></head>' +
    `<body><main><p>${words}</p>${button}</main></body></html>`
  const headers = {
    'content-type': 'text/html; charset=utf-8',
    'cache-control': 'no-store',
    'content-security-policy': "default-src 'none'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'",
  }
  return answerOf(status, headers, Buffer.from(html))
}

export class Newsletters {
  private readonly toAddresses: Lately
  private readonly seals: Seal

  constructor(
    private readonly db: Database,
    secret: string,
    private readonly forms: Pick<Forms, 'isProved' | 'mayTake'>,
    private readonly put: (mails: readonly Mail[], about: string) => Promise<void>,
    private readonly origin: () => string,
    private readonly now: () => number = Date.now,
  ) {
    this.seals = new Seal(secret, 'newsletters')
    this.toAddresses = new Lately(TO_ADDRESS, now)
  }

  /** A seal by which somebody says yes, or leaves; it names them, and holds for their list alone. */
  private seal(does: Does, list: string, mail: string, at: number): string {
    const words = Buffer.from(JSON.stringify([at, mail])).toString('base64url')
    return `${words}.${this.seals.of(`${does}\n${list}\n${words}`)}`
  }

  private opened(does: Does, list: string, seal: string): { at: number; mail: string } | null {
    const [words = '', given = ''] = seal.split('.')
    if (!this.seals.fits(`${does}\n${list}\n${words}`, given)) return null
    const [at, mail] = JSON.parse(Buffer.from(words, 'base64url').toString()) as [number, string]
    return { at, mail }
  }

  /** The address by which somebody leaves a list, from wherever it is opened. */
  private leaveAddress(list: string, mail: string): string {
    const seal = this.seal('leave', list, mail, this.now())
    return `${this.origin()}${LEAVES}${Buffer.from(list).toString('base64url')}/${seal}`
  }

  /** Which list, and who, an address is for that was made here; null for any other. */
  private leaving(path: string): { list: string; mail: string } | null {
    const [list = '', seal = ''] = path.slice(LEAVES.length).split('/')
    const named = Buffer.from(list, 'base64url').toString()
    const opened = this.opened('leave', named, seal)
    return opened && { list: named, mail: opened.mail }
  }

  /** Answers at such an address: asks whoever opens it, and takes off the list whoever sends (RFC 8058). */
  async answerLeaving(path: string, method: string): Promise<Answer> {
    const found = this.leaving(path)
    if (!found) return sentenceOf(410, 'This address is not good any more. Nothing was changed.')
    if (method !== 'POST') return pageOf(200, `Unsubscribe from “${found.list}”?`, 'Unsubscribe')
    await leave(this.db, found.list, found.mail)
    log('info', 'newsletter-left', { list: found.list })
    return pageOf(200, `You are unsubscribed from “${found.list}”.`)
  }

  /** Answers what an element's form sent: somebody asks, says yes, or leaves. */
  readonly take = (sent: Sent): Promise<Answer> => this.answer(sent, (links) => this.done(sent, links))

  /** The same for a page of the draft: nobody is asked, and no list changes. */
  readonly rehearse = (sent: Sent): Promise<Answer> =>
    this.answer(sent, async () => (addressIn(sent.values.mail?.[0] ?? '') ? 'asked' : 'mail'))

  private async answer(sent: Sent, does: (links: Links) => Promise<NewsWord>): Promise<Answer> {
    const { values, scene, page, path } = sent
    const id = values.of?.[0] ?? ''
    const element = sent.element('newsletter', id)
    if (!element) return sentenceOf(422, 'This is not on this page any more. Go back and reload the page.')
    const list = newsSays(element, scene, 'list')
    const at = encodeURI(page.address || path.replace(/^\/+/, '/'))
    const address = (word: string) =>
      `${at}?${NEWS}=${encodeURIComponent(`${id}.${word}`)}#of-${encodeURIComponent(id)}`
    const say = (name: string) => newsSays(element, scene, name)
    const mail = (to: string, subject: string, text: string, out?: string): Mail => ({
      format: 1,
      to,
      replyTo: '',
      subject: say(subject).replace(/\s+/g, ' '),
      text,
      files: [],
      ...(out !== undefined && { leave: out }),
    })
    const links = { at: (word: string) => this.origin() + address(word), mail, say, list }
    const again = (word: NewsWord, status: number) =>
      sent.redraw({ id, values: { mail: values.mail ?? [] }, problems: [], says: NEWS_WORDS[word] }, status)
    const word = await does(links)
    if (word === 'asked' || word === 'in' || word === 'out') return ledOn(address(word))
    return again(word, { mail: 422, often: 429, stale: 409, over: 410 }[word])
  }

  private async done({ page, values, asking }: Sent, { at, mail, say, list }: Links): Promise<NewsWord> {
    const [does = '', ...rest] = (values.seal?.[0] ?? '').split('.')
    if (does === 'yes' || does === 'leave') {
      const named = this.opened(does, list, rest.join('.'))
      if (!named) return 'over'
      if (does === 'leave') {
        await leave(this.db, list, named.mail)
        log('info', 'newsletter-left', { list })
        return 'out'
      }
      if (named.at < this.now() - OPEN_DAYS * DAY) return 'over'
      const came = await comeIn(this.db, list, named.mail, this.now())
      if (came === 'gone') return 'over'
      if (came === 'joined') {
        const link = at(`leave.${this.seal('leave', list, named.mail, this.now())}`)
        await this.put(
          [
            mail(
              named.mail,
              'welcome',
              say('welcomeText').replaceAll('{leave}', () => link),
              this.leaveAddress(list, named.mail),
            ),
          ],
          'newsletter',
        )
        log('info', 'newsletter-joined', { list })
      }
      return 'in'
    }
    const to = addressIn(values.mail?.[0] ?? '')?.toLowerCase()
    if (!to) return 'mail'
    if (!this.forms.isProved(page, values.of?.[0] ?? '', values.proof?.[0] ?? '')) return 'stale'
    if (!this.forms.mayTake(asking.place)) return 'often'
    // Whoever is in already, fills what people do not see, or asks again and again, is told nothing else.
    if ((values[TRAP]?.[0] ?? '') !== '' || this.toAddresses.tooMany(`${list} ${to}`)) return 'asked'
    if (await askFor(this.db, list, to, this.now())) return 'asked'
    const link = at(`yes.${this.seal('yes', list, to, this.now())}`)
    await this.put(
      [
        mail(
          to,
          'subject',
          say('text').replaceAll('{yes}', () => link),
        ),
      ],
      'newsletter',
    )
    return 'asked'
  }

  /** Forgets those who never said yes. */
  endOld(): Promise<void> {
    return endWaiting(this.db, this.now() - OPEN_DAYS * DAY)
  }

  /** Whoever is on a list, as a table. */
  async table(list?: string): Promise<string> {
    const all = await readSubscribers(this.db, { ...(list !== undefined && { list }), most: 1_000_000 })
    const rows = all.map(({ mail, list: of, state, at }) =>
      // Whoever writes to them from elsewhere gives each their way out.
      [mail, of, state, instantText(at), this.leaveAddress(of, mail)].map(safeCell),
    )
    return Papa.unparse([['mail', 'list', 'state', 'since', 'leave'], ...rows])
  }
}

interface Links {
  /** The address at which a word is said. */
  at(word: string): string
  mail(to: string, subject: string, text: string, leave?: string): Mail
  say(name: string): string
  list: string
}
