import { createReadStream } from 'node:fs'
import { rootCertificates } from 'node:tls'
import { createTransport } from 'nodemailer'
import type { Mail } from '../../core/forms'
import {
  type StoredMail,
  claimDueMails,
  endMails,
  hurryMails,
  insertMails,
  retryMails,
  setMail,
} from '../database/mails'
import type { Database } from '../database/open'
import type { FileStore } from '../media/store'
import { log } from '../services/log'
import type { MailSettings, Reached } from './settings'

/**
 * Mail on its way out. What is to be sent is stored first, in one step with what it is about; it is tried until the
 * server has taken it, said that it never will, or three days are over. A server that is killed between sending and
 * noting that sends it twice, under one Message-ID, by which mail programs show it once.
 */

const SECOND = 1000
const HOUR = 3600 * SECOND
const DAY = 24 * HOUR
/** After so long it is given up. */
const GIVE_UP = 3 * DAY
/** It waits again for as long as it has waited, */
const [SHORTEST, LONGEST] = [10 * SECOND, HOUR]
const AT_ONCE = 50
/** Longer than the tries of so many take. What a server that ended had taken is tried by another after it. */
const CLAIM = 10 * 60 * SECOND
/** What was sent is kept for so long. */
const KEPT = 30 * DAY

/** What there is to send a mail by. */
export interface Sender {
  send(mail: Mail, id: string): Promise<void>
  close(): void
}

/** When something that is waiting since `at` and was not sent just now is tried again; null: it is given up. */
export function nextTry(at: number, now: number): number | null {
  const waited = now - at
  return waited >= GIVE_UP ? null : now + Math.min(Math.max(waited, SHORTEST), LONGEST)
}

interface Refusal {
  message?: string
  code?: string
  responseCode?: number
}

/** Whether a server said that it will never take this: a permanent answer (RFC 5321, 4.2.1) to the mail itself. */
const isForGood = ({ responseCode, code }: Refusal): boolean =>
  code !== 'EAUTH' && responseCode !== undefined && responseCode >= 500

/** What is said of certificates and sealing, in the words of TLS libraries. */
const CERTIFICATES: readonly [RegExp, string][] = [
  [/certificate has expired|CERT_HAS_EXPIRED/i, 'The certificate of the mail server has run out.'],
  [
    /not yet valid|CERT_NOT_YET_VALID/i,
    'The certificate of the mail server is not valid yet; or the clock here is wrong.',
  ],
  [
    /self.signed certificate|unable to (verify|get)|UNABLE_TO|DEPTH_ZERO|SELF_SIGNED/i,
    'The certificate of the mail server comes from an authority that is not known here. Give its certificate under “Own authority”.',
  ],
  [
    /altname|does not match certificate|ALTNAME/i,
    'The certificate of the mail server is for another name than the one set here.',
  ],
  [
    /wrong version number|packet length too long/i,
    'The mail server does not begin with TLS at this port. Choose STARTTLS, or another port.',
  ],
  [
    /STARTTLS/i,
    'The mail server does not offer STARTTLS, or does not go on with it. Choose TLS from the first byte on, or another port.',
  ],
  [
    /SMTPUTF8|internationalized mailbox/i,
    'The mail server does not take addresses with letters such as these before the @.',
  ],
]

/** What went wrong, as whoever looks after it can read it. */
export function whyNot(error: unknown): string {
  const { code, message } = error as Refusal
  const told: Record<string, string> = {
    ECONNREFUSED: 'The mail server does not answer.',
    ECONNECTION: 'The mail server does not answer.',
    ESOCKET: 'The mail server does not answer.',
    ETIMEDOUT: 'The mail server does not answer in time.',
    EDNS: 'There is no mail server of this name.',
    ENOTFOUND: 'There is no mail server of this name.',
    EAUTH: 'The mail server does not know this name and password.',
    ETLS: 'The mail server does not seal what is sent as it is set.',
  }
  const said = String(message ?? error)
  const sealed = CERTIFICATES.find(([pattern]) => pattern.test(said))
  if (sealed) return `${sealed[1]} (${said.replace(/\s+/g, ' ').slice(0, 300)})`
  const words = said.replace(/\s+/g, ' ').slice(0, 300)
  return code && Object.hasOwn(told, code) ? `${told[code]} (${words})` : words
}

const isAway = (error: unknown): boolean =>
  ['ECONNREFUSED', 'ECONNECTION', 'ESOCKET', 'ETIMEDOUT', 'EDNS', 'ENOTFOUND', 'EAUTH', 'ETLS', 'ECONNRESET'].includes(
    (error as Refusal).code ?? '',
  )

/** Sends by SMTP; a few connections are kept open while there is much to send. */
export function smtpSender(server: Reached, files: Pick<FileStore, 'path'>): Sender {
  const { host, port, security, user, password, from, name } = server
  const transport = createTransport({
    pool: true,
    maxConnections: 3,
    host,
    port,
    secure: security === 'tls',
    requireTLS: security === 'starttls',
    ...(server.authority && { tls: { ca: [...rootCertificates, server.authority] } }),
    ignoreTLS: security === 'none',
    ...(user && { auth: { user, pass: password } }),
    connectionTimeout: 10 * SECOND,
    greetingTimeout: 10 * SECOND,
    socketTimeout: 30 * SECOND,
    disableFileAccess: true,
    disableUrlAccess: true,
  })
  return {
    async send({ to, replyTo, subject, text, files: attached, leave }, id) {
      await transport.sendMail({
        from: { name, address: from },
        to: { name: '', address: to },
        ...(replyTo && { replyTo: { name: '', address: replyTo } }),
        subject,
        text,
        messageId: `<${id}@${from.split('@').pop()}>`,
        headers: {
          'Auto-Submitted': 'auto-generated',
          // By one press in the mail program (RFC 8058), which asks for a sealed way.
          ...(leave?.startsWith('https:') && { 'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click' }),
        },
        ...(leave && { list: { unsubscribe: leave } }),
        attachments: attached.map((file) => ({
          filename: file.name,
          contentType: file.mime,
          contentDisposition: 'attachment' as const,
          content: createReadStream(files.path(file.hash)),
        })),
      })
    },
    close: () => transport.close(),
  }
}

export class Outbox {
  private running: Promise<void> | null = null
  private again = false
  private ended = false

  constructor(
    private readonly db: Database,
    private readonly settings: Pick<MailSettings, 'reached'>,
    private readonly files: Pick<FileStore, 'path'>,
    private readonly now: () => number = Date.now,
    private readonly senderFor: (server: Reached, files: Pick<FileStore, 'path'>) => Sender = smtpSender,
  ) {}

  /** Sends what is due, if nothing is being sent just now; whoever put something in calls it. */
  readonly wake = (): void => {
    this.again = true
    void this.run().catch((error: unknown) => log('error', 'outbox-failed', { error: String(error) }))
  }

  /** Ends once all that is due was tried. */
  run(): Promise<void> {
    this.running ??= this.runAll().finally(() => (this.running = null))
    return this.running
  }

  private async runAll(): Promise<void> {
    do {
      this.again = false
      await endMails(this.db, this.now() - KEPT)
      await this.round()
    } while (this.again && !this.ended)
  }

  private async round(): Promise<void> {
    let due = await this.claim()
    if (due.length === 0) return
    const server = await this.settings.reached()
    if (!server) return this.delay(due, 'No mail server is set, or its password has to be set anew.')
    const sender = this.senderFor(server, this.files)
    let away = ''
    try {
      for (; due.length > 0 && !this.ended; due = await this.claim()) {
        // Where no server says a word, no mail is at fault: all of them wait, and are not tried one by one.
        if (away) await this.delay(due, away)
        else away = (await Promise.all(due.map((one) => this.one(sender, one)))).find(Boolean) ?? ''
      }
      if (away) log('warn', 'mail-server-away', { why: away })
    } finally {
      sender.close()
    }
  }

  /** Takes what is due for this process alone: two over one folder send no mail twice. */
  private claim(): Promise<StoredMail[]> {
    return claimDueMails(this.db, this.now(), this.now() + CLAIM, AT_ONCE)
  }

  private async delay(mails: readonly StoredMail[], why: string): Promise<void> {
    for (const { id, at, tries } of mails) {
      const then = nextTry(at, this.now())
      await setMail(this.db, id, {
        ...(then === null ? { state: 'failed' as const, then: this.now() } : { then }),
        tries: tries + 1,
        why,
      })
    }
  }

  /** Tries one; gives why no server was reached, or nothing. */
  private async one(sender: Sender, stored: StoredMail): Promise<string> {
    const { id, about, at, tries, mail } = stored
    try {
      await sender.send(mail, `${about.replace(/\W/g, '-')}.${id}.${at}`)
    } catch (error) {
      const why = whyNot(error)
      if (isAway(error)) {
        await this.delay([stored], why)
        return why
      }
      const then = isForGood(error as Refusal) ? null : nextTry(at, this.now())
      log('warn', 'mail-not-sent', { id, about, forGood: then === null })
      const next = then === null ? { state: 'failed' as const, then: this.now() } : { then }
      await setMail(this.db, id, { ...next, tries: tries + 1, why })
      return ''
    }
    await setMail(this.db, id, { state: 'sent', then: this.now(), tries: tries + 1, why: '' })
    log('info', 'mail-sent', { id, about })
    return ''
  }

  /** Has some tried at once, those too that were given up; gives how many. */
  async retry(ids: readonly number[]): Promise<number> {
    const tried = await retryMails(this.db, ids, this.now())
    this.wake()
    return tried
  }

  /** Has all that wait tried at once: the way is another one. */
  async hurry(): Promise<void> {
    await hurryMails(this.db, this.now())
    this.wake()
  }

  /** Puts something in by itself, and sends it. */
  async put(mails: readonly Mail[], about: string): Promise<void> {
    await insertMails(this.db, mails, { about, at: this.now() })
    this.wake()
  }

  /** Tries a server with one mail; gives why it was not taken, or nothing. */
  async test(server: Reached, to: string, site: string): Promise<string> {
    const sender = this.senderFor(server, this.files)
    const subject = `${site}: a mail to try the way`
    const text = 'This mail was sent to see whether mail leaves as it is set. It did.\n'
    const mail: Mail = { format: 1, to, replyTo: '', subject, text, files: [] }
    try {
      await sender.send(mail, `test.${this.now()}`)
      return ''
    } catch (error) {
      return whyNot(error)
    } finally {
      sender.close()
    }
  }

  /** Ends what is being sent; the rest waits for the next start. */
  async end(): Promise<void> {
    this.ended = true
    await this.running?.catch(() => undefined)
  }
}
