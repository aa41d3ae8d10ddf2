import { randomInt } from 'node:crypto'
import { foundSite } from '../../core/model'
import { fail } from '../../core/problems'
import { PLAIN_HOUSE } from '../../core/styles'
import type { FoundingInput } from '../../shared/api/types'
import { hasSite, writeSite } from '../database/content'
import { writeHouse } from '../database/frames'
import type { Database } from '../database/open'
import { insertUser } from '../database/users'
import { refuseWeak } from './password-policy'
import type { Passwords } from './passwords'

/** Letters and digits that are told apart when they are read aloud; eight of them are one in 10^12. */
const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789'
const SIGN_COUNT = 8

const newCode = () => Array.from({ length: SIGN_COUNT }, () => SIGNS[randomInt(SIGNS.length)]!).join('')
/** A code as it is read by people, and back: however it is spaced and written. */
const readable = (code: string) => `${code.slice(0, 4)}-${code.slice(4)}`
const plain = (code: string) => code.toUpperCase().replace(/[^A-Z0-9]/g, '')

/**
 * The first hour of a site: while an installation holds none, whoever knows the code that it told at its start may
 * found one and is its owner. The code lives as long as the process and is good once.
 */
export class Founding {
  private code: string | null = null

  constructor(
    private readonly db: Database,
    private readonly passwords: Pick<Passwords, 'hash'>,
  ) {}

  /** Asks whether a site is still to be founded; gives the code by which it is, or null. */
  async begin(): Promise<string | null> {
    this.code = (await hasSite(this.db)) ? null : newCode()
    return this.code && readable(this.code)
  }

  /** Takes over that another process has founded the site. */
  async follow(): Promise<void> {
    if (this.open && (await hasSite(this.db))) this.code = null
  }

  get open(): boolean {
    return this.code !== null
  }

  /** Whether this is the code. */
  knows(code: string): boolean {
    return this.code !== null && plain(code) === this.code
  }

  /** Makes the site and its owner; all of it or nothing. Two who do so at once: the second is refused. */
  async found({ code, site, beginning, owner }: FoundingInput): Promise<void> {
    if (!this.open) fail('founded-already')
    if (!this.knows(code)) fail('code-wrong')
    refuseWeak(owner.password, owner)
    const passwordHash = await this.passwords.hash(owner.password)
    await this.db.transaction().execute(async (trx) => {
      if (await hasSite(trx)) fail('founded-already')
      await writeSite(trx, foundSite(site, beginning))
      await writeHouse(trx, PLAIN_HOUSE, 1)
      await insertUser(trx, { name: owner.name.trim(), mail: owner.mail.trim(), role: 'owner', passwordHash })
    })
    this.code = null
  }
}
