import { CHANGED, accountSays, afterSignIn, signInSays } from '../../core/elements'
import { ProblemError } from '../../core/problems'
import { findUser, findUserByMail, updatePassword } from '../database/users'
import type { Database } from '../database/open'
import { type Answer, ledOn, sentenceOf } from './answer'
import { log } from './log'
import { weakness } from './password-policy'
import type { Passwords } from './passwords'
import type { Posts, Sent } from './asked'
import type { Sessions } from './sessions'
import type { Baskets } from '../shop'
import type { AttemptLimit } from './sign-in'

/** Signing in to the published site, and what whoever is signed in can do there. */

const GONE = 'This is not on this page any more. Go back and reload the page.'
const NEEDS_HTTPS =
  'Nobody can stay signed in here: browsers keep who is signed in over https only. Ask whoever runs this site.'
const [SHORTEST, LONGEST] = [12, 500]

const said = ({ values }: Sent, name: string): string => values[name]?.[0] ?? ''

export class Accounts {
  constructor(
    private readonly db: Database,
    private readonly passwords: Passwords,
    private readonly sessions: Sessions,
    private readonly attempts: AttemptLimit,
    private readonly baskets: Pick<Baskets, 'signIn' | 'signOut'>,
  ) {}

  readonly posts: Posts = {
    'sign-in': (sent) => this.signIn(sent),
    account: (sent) => this.account(sent),
  }

  private here({ page, path }: Sent): string {
    return encodeURI(page.address || path.replace(/^\/+/, '/'))
  }

  private async signOut(sent: Sent): Promise<Answer> {
    const { cookies, keepsCookies } = sent.asking
    const basket = await this.baskets.signOut(cookies, keepsCookies)
    return ledOn(this.here(sent), await this.sessions.end(cookies), basket)
  }

  private async signIn(sent: Sent): Promise<Answer> {
    const id = said(sent, 'of')
    const element = sent.element('sign-in', id)
    if (!element) return sentenceOf(422, GONE)
    if (said(sent, 'does') === 'out') return this.signOut(sent)
    if (!sent.asking.keepsCookies) return sentenceOf(409, NEEDS_HTTPS)
    const { scene, asking } = sent
    const again = (word: 'wrong' | 'often', status: number) =>
      // The password never comes back.
      sent.redraw(
        { id, values: { mail: sent.values.mail ?? [] }, problems: [], says: signInSays(element, scene, word) },
        status,
      )
    const [mail, password] = [said(sent, 'mail').slice(0, 200), said(sent, 'password').slice(0, LONGEST)]
    if (this.attempts.begin(mail, asking.place) > 0) return again('often', 429)
    const found = await findUserByMail(this.db, mail)
    const right = await this.unlessBusy(() => this.passwords.verify(found?.passwordHash, password))
    if (right === null) return again('often', 503)
    if (!found || !right) {
      log('warn', 'sign-in-failed', { place: asking.place })
      return again('wrong', 422)
    }
    this.attempts.succeed(mail, asking.place)
    log('info', 'signed-in', { user: found.id })
    const session = await this.sessions.begin(found.id)
    const basket = await this.baskets.signIn(found.id, asking.cookies, asking.keepsCookies)
    return ledOn(afterSignIn(element, scene), session, basket)
  }

  /** What comes of work on passwords; null where too many are worked on just now. */
  private async unlessBusy<T>(work: () => Promise<T>): Promise<T | null> {
    try {
      return await work()
    } catch (error) {
      if (error instanceof ProblemError) return null
      throw error
    }
  }

  private async account(sent: Sent): Promise<Answer> {
    const id = said(sent, 'of')
    const element = sent.element('account', id)
    if (!element) return sentenceOf(422, GONE)
    if (said(sent, 'does') === 'out') return this.signOut(sent)
    const { cookies } = sent.asking
    const user = await this.sessions.userOf(cookies)
    if (!user) return ledOn(this.here(sent))
    const again = (word: 'wrong' | 'often' | 'short', status: number) =>
      sent.redraw({ id, values: {}, problems: [], says: accountSays(element, sent.scene, word) }, status)
    const next = said(sent, 'next')
    if (next.length < SHORTEST || next.length > LONGEST || weakness(next, user) !== null) return again('short', 422)
    if (this.attempts.begin(user.mail, 'signed in') > 0) return again('often', 429)
    const stored = await findUser(this.db, user.id)
    const right = await this.unlessBusy(() =>
      this.passwords.verify(stored?.passwordHash, said(sent, 'current').slice(0, LONGEST)),
    )
    if (right === null) return again('often', 503)
    if (!right) return again('wrong', 422)
    this.attempts.succeed(user.mail, 'signed in')
    const hash = await this.unlessBusy(() => this.passwords.hash(next))
    if (hash === null) return again('often', 503)
    await updatePassword(this.db, user.id, hash)
    await this.sessions.endOf(user.id, cookies)
    log('info', 'password-changed', { user: user.id })
    return ledOn(`${this.here(sent)}?${CHANGED}=${encodeURIComponent(id)}#of-${encodeURIComponent(id)}`)
  }
}
