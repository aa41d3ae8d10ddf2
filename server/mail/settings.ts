import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto'
import type { MailServer } from '../../core/forms'
import type { MailWay } from '../../shared/api/types'
import { readMailServer, writeMailServer } from '../database/mails'
import type { Database } from '../database/open'

/** By which server mail leaves: what the owner set, or the stand-in of a demo. */

export interface Reached extends MailServer {
  password: string
  /** Whether it is the one that ships with the demo. */
  standIn: boolean
}

const CIPHER = 'aes-256-gcm'

/** Passwords are kept so that whoever has the database alone, a backup of it, cannot read them. */
export class Sealing {
  private readonly key: Buffer

  constructor(secret: string) {
    this.key = Buffer.from(hkdfSync('sha256', secret, '', 'passwords of other servers', 32))
  }

  seal(text: string): string {
    const iv = randomBytes(12)
    const cipher = createCipheriv(CIPHER, this.key, iv)
    const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()])
    return Buffer.concat([iv, cipher.getAuthTag(), sealed]).toString('base64url')
  }

  /** What was sealed; null where it was sealed by another secret, or changed since. */
  open(sealed: string): string | null {
    const bytes = Buffer.from(sealed, 'base64url')
    if (bytes.length < 28) return null
    const cipher = createDecipheriv(CIPHER, this.key, bytes.subarray(0, 12))
    cipher.setAuthTag(bytes.subarray(12, 28))
    try {
      return Buffer.concat([cipher.update(bytes.subarray(28)), cipher.final()]).toString('utf8')
    } catch {
      return null
    }
  }
}

/** Where mail is taken in a demo, and where one can look at what came. */
export interface MailStandIn {
  smtp: number
  inbox: string
}

/** A password is for one name at one server. */
const isSame = (a: MailServer, b: MailServer): boolean => a.host === b.host && a.user === b.user && a.port === b.port

export class MailSettings {
  private readonly sealing: Sealing

  constructor(
    private readonly db: Database,
    secret: string,
    private readonly standIn: MailStandIn | null,
    private readonly from: () => { name: string; host: string },
  ) {
    this.sealing = new Sealing(secret)
  }

  private standInServer({ smtp }: MailStandIn): Reached {
    const { name, host } = this.from()
    const [user, password] = ['', '']
    const from = `post@${/^[\w-]+(\.[\w-]+)+$/.test(host) ? host : 'site.example.org'}`
    return { format: 1, host: '127.0.0.1', port: smtp, security: 'none', user, password, from, name, standIn: true }
  }

  /** What is set, without any password. */
  async state(): Promise<MailWay> {
    const kept = await readMailServer(this.db)
    if (kept) {
      const spoilt = kept.password !== '' && this.sealing.open(kept.password) === null
      return { kind: 'set', server: kept.server, password: kept.password !== '', spoilt }
    }
    if (!this.standIn) return { kind: 'none' }
    return { kind: 'stand-in', inbox: this.standIn.inbox }
  }

  /** By which server mail leaves now; null where there is none, or its password cannot be read any more. */
  async reached(): Promise<Reached | null> {
    const kept = await readMailServer(this.db)
    if (!kept) return this.standIn && this.standInServer(this.standIn)
    const password = kept.password === '' ? '' : this.sealing.open(kept.password)
    return password === null ? null : { ...kept.server, password, standIn: false }
  }

  /** A server that is to be tried before it is set; without a password, with the one that is kept for it. */
  async tried(server: MailServer | null, password?: string): Promise<Reached | null> {
    if (!server) return this.reached()
    const kept = password === undefined ? await readMailServer(this.db) : null
    const word = password ?? (kept && isSame(kept.server, server) ? this.sealing.open(kept.password) : '')
    return { ...server, password: word ?? '', standIn: false }
  }

  /** Sets the server, or with null none. Without a password, the one that is kept stays, for the same server and name. */
  async set(server: MailServer | null, password?: string): Promise<void> {
    if (!server) return writeMailServer(this.db, null)
    const kept = await readMailServer(this.db)
    const same = kept && isSame(kept.server, server)
    const sealed = password !== undefined ? password && this.sealing.seal(password) : same ? kept.password : ''
    await writeMailServer(this.db, { server, password: sealed })
  }
}
