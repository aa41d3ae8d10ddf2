import { createHash, randomBytes } from 'node:crypto'
import { parse, serialize } from 'cookie-es'
import { LRUCache } from 'lru-cache'
import type { Database } from '../database/open'
import {
  countSessions,
  deleteSession,
  deleteSessions,
  deleteSessionsBefore,
  insertSession,
  noteSession,
  readSession,
} from '../database/sessions'
import type { StoredUser } from '../database/users'

export const SESSION_COOKIE = '__Host-outer-frame'
const HOUR = 60 * 60_000
/** A session ends when nothing was asked in it for so long; whoever works goes on. */
const IDLE = 7 * 24 * HOUR
/** It is noted at most so often that somebody is at work, and the cookie is sent anew then. */
const NOTED = HOUR
const LASTS = IDLE

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')

/**
 * Who is signed in, kept on the server: a cookie carries a random word and no more, and ending the session makes
 * every copy of it worthless.
 */
export class Sessions {
  constructor(
    private readonly db: Database,
    private readonly now: () => number = Date.now,
  ) {}

  /** Begins a session; gives the cookie that carries it. */
  async begin(user: number): Promise<string> {
    const token = randomBytes(32).toString('base64url')
    await deleteSessionsBefore(this.db, this.now() - LASTS)
    await insertSession(this.db, hashOf(token), user, this.now())
    this.sentAt.set(token, this.now())
    return cookieOf(token, LASTS / 1000)
  }

  /** Whoever is signed in by the cookies of a request; null when nobody is. Who asks is at work, and the session goes on. */
  async userOf(cookies: string | undefined): Promise<StoredUser | null> {
    const token = tokenIn(cookies)
    if (!token) return null
    const found = await readSession(this.db, hashOf(token), this.now() - LASTS)
    if (found && found.seenAt < this.now() - NOTED) await noteSession(this.db, hashOf(token), this.now())
    return found?.user ?? null
  }

  /** The cookie that carries a session on, where it is time to send it anew; null where it is not. */
  renewed(cookies: string | undefined): string | null {
    const token = tokenIn(cookies)
    if (!token) return null
    const sent = this.sentAt.get(token) ?? 0
    if (sent > this.now() - NOTED) return null
    this.sentAt.set(token, this.now())
    return cookieOf(token, LASTS / 1000)
  }

  private readonly sentAt = new LRUCache<string, number>({ max: 5000 })

  /** Ends the session that cookies carry; gives the cookie that takes it away. */
  async end(cookies: string | undefined): Promise<string> {
    const token = tokenIn(cookies)
    if (token) await deleteSession(this.db, hashOf(token))
    return cookieOf('', 0)
  }

  /** Ends all sessions of a user, but the one that cookies carry when they are given. */
  async endOf(user: number, keep?: string): Promise<void> {
    const token = tokenIn(keep)
    await deleteSessions(this.db, user, token ? hashOf(token) : undefined)
  }

  /** In how many places each user is signed in. */
  count(): Promise<Map<number, number>> {
    return countSessions(this.db, this.now() - LASTS)
  }

  async endAll(): Promise<void> {
    await deleteSessions(this.db)
  }
}

function tokenIn(cookies: string | undefined): string | null {
  const token = cookies && cookies.includes(SESSION_COOKIE) ? parse(cookies)[SESSION_COOKIE] : undefined
  return token && /^[\w-]{43}$/.test(token) ? token : null
}

function cookieOf(token: string, maxAge: number): string {
  return serialize(SESSION_COOKIE, token, { httpOnly: true, secure: true, sameSite: 'lax', path: '/', maxAge })
}
