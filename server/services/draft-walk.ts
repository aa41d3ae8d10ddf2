import { createHash, randomBytes } from 'node:crypto'
import { parse, serialize } from 'cookie-es'
import { sql } from 'kysely'
import { fail } from '../../core/problems'
import type { Page } from '../../core/model'
import type { DraftLink, NewDraftLink } from '../../shared/api/types'
import type { Database } from '../database/open'
import { type Answer, answerOf, redirectTo, sentenceOf } from './answer'
import type { Posts } from './asked'
import type { Content, Stale } from './content'
import type { Draft } from './draft'
import { Published } from './published'

/** The draft walked by its links, before a release, by whoever has the address: also on a phone, until the link ends. */

export const DRAFT_COOKIE = 'outer-frame-draft'
/** Where a link leads, and where one leaves the draft again. */
export const DRAFT_ADDRESS = '/_of/draft/'
const LEAVE = 'leave'
const HOUR = 60 * 60_000

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')
const hashOfText = (text: string): string => createHash('sha256').update(text).digest('base64')

/** Stands below every page of the draft, so that nobody takes it for the site. */
const BAR_CSS =
  '.of-draft{position:fixed;inset:auto 0 0;margin:0;padding:8px 16px;background:#23262b;color:#fbfaf6;font:14px/1.4 system-ui,sans-serif;z-index:2147483647;display:flex;gap:16px;justify-content:space-between}.of-draft a{color:inherit}body{padding-bottom:40px}'
const BAR =
  `<style>${BAR_CSS}</style><p class="of-draft" role="note">This is the draft as it stands now, not what visitors see. Forms can be tried: nothing is stored.` +
  `<a href="${DRAFT_ADDRESS}${LEAVE}">Leave it</a></p>`

/** Answers what the draft does not try: it would be done for good. */
export const onTheSiteAlone = (): Promise<Answer> =>
  Promise.resolve(
    sentenceOf(
      409,
      'This is the draft: baskets, orders and signing in work on the published site alone. Nothing was changed. Go back.',
    ),
  )

export class DraftWalk {
  private shown: { stamp: string; published: Published } | null = null

  constructor(
    private readonly db: Database,
    private readonly draft: Pick<Draft, 'design'>,
    private readonly content: Content,
    /** What is done with what forms of the draft send. */
    private readonly posts: Posts = {},
    /** Proves that a form was drawn on a page here, at about a moment. */
    private readonly proof: (page: Page, form: string, at: number) => string = () => '',
    private readonly now: () => number = Date.now,
  ) {}

  async make(hours: number, by: string): Promise<NewDraftLink> {
    const token = randomBytes(24).toString('base64url')
    const [made_at, ends_at] = [this.now(), this.now() + hours * HOUR]
    await this.db.deleteFrom('draft_links').where('ends_at', '<', this.now()).execute()
    const { id } = await this.db
      .insertInto('draft_links')
      .values({ token_hash: hashOf(token), by, made_at, ends_at })
      .returning('id')
      .executeTakeFirstOrThrow()
    return { id, by, madeAt: made_at, endsAt: ends_at, address: DRAFT_ADDRESS + token }
  }

  async list(): Promise<DraftLink[]> {
    const rows = await this.db.selectFrom('draft_links').selectAll().where('ends_at', '>=', this.now()).execute()
    return rows.map(({ id, by, made_at, ends_at }) => ({ id, by, madeAt: made_at, endsAt: ends_at }))
  }

  async end(id: number): Promise<void> {
    const { numDeletedRows } = await this.db.deleteFrom('draft_links').where('id', '=', id).executeTakeFirst()
    if (numDeletedRows !== 1n) fail('draft-link-unknown')
  }

  private async endsAt(token: string): Promise<number | null> {
    const row = await this.db
      .selectFrom('draft_links')
      .select('ends_at')
      .where('token_hash', '=', hashOf(token))
      .executeTakeFirst()
    return row && row.ends_at >= this.now() ? row.ends_at : null
  }

  /** Answers the address of a link: the browser walks the draft from then on, until it leaves or the link ends. */
  async enter(path: string, secure: boolean): Promise<Answer> {
    const token = path.slice(DRAFT_ADDRESS.length)
    const to = (value: string, maxAge: number): Answer => {
      const cookie = serialize(DRAFT_COOKIE, value, { httpOnly: true, secure, sameSite: 'lax', path: '/', maxAge })
      return answerOf(302, { location: '/', 'set-cookie': cookie, 'cache-control': 'no-store' }, Buffer.alloc(0))
    }
    if (token === LEAVE) return to('', 0)
    const ends = await this.endsAt(token)
    if (ends === null)
      return sentenceOf(410, 'This link to the draft has ended. Ask whoever gave it to you for a new one.')
    return to(token, Math.ceil((ends - this.now()) / 1000))
  }

  /** The draft as pages, where the cookies of a request carry a link that has not ended; else null. */
  async walkedBy(cookies: string | undefined): Promise<Published | null> {
    const token = parse(cookies ?? '')[DRAFT_COOKIE]
    return token && (await this.endsAt(token)) !== null ? this.standing() : null
  }

  /** The draft as it stands, compiled once for each state of it. */
  private async standing(): Promise<Published> {
    const { rows } = await sql<{ stamp: string }>`select
      (select count(*) || '.' || coalesce(sum(revision), 0) || '.' || coalesce(sum(removed), 0) from layouts) || ' ' ||
      (select count(*) || '.' || coalesce(sum(revision), 0) || '.' || coalesce(sum(removed), 0) from frames) || ' ' ||
      (select coalesce(max(id), 0) from document_edits) as stamp`.execute(this.db)
    const { stamp } = rows[0]!
    if (this.shown?.stamp !== stamp) {
      const published = new Published(this.content, this.posts, undefined, this.proof)
      published.swap(await this.draft.design())
      this.shown = { stamp, published }
    }
    return this.shown.published
  }

  /** Takes over a change of content. */
  refresh(stale: Stale): void {
    this.shown?.published.refresh(stale)
  }

  /** A page of the draft, marked as one: nobody keeps it, and no engine lists it. */
  static marked(answer: Answer): Answer {
    const type = answer.headers['content-type'] ?? ''
    if (!type.startsWith('text/html')) return answer.status === 308 ? redirectTo(answer.headers.location!, 302) : answer
    const policy = answer.headers['content-security-policy']
    return answerOf(
      answer.status,
      {
        ...answer.headers,
        ...(policy && {
          'content-security-policy': policy.replace("style-src '", `style-src 'sha256-${hashOfText(BAR_CSS)}' '`),
        }),
        'cache-control': 'private, no-store',
        'x-robots-tag': 'noindex',
      },
      Buffer.from(answer.body.toString('utf8').replace('</body>', `${BAR}</body>`)),
    )
  }
}
