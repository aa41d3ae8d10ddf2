import { randomBytes } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdir, readFile, readdir, rename, rm } from 'node:fs/promises'
import { type IncomingMessage, type ServerResponse, createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { type ParsedMail, simpleParser } from 'mailparser'
import { SMTPServer } from 'smtp-server'
import { page, write } from './page'

/**
 * A mail server that ships with the demo: it takes all mail that is handed to it (SMTP, RFC 5321) and passes nothing
 * on. What came lies in a folder as it came, and can be looked at with a browser. It hears this machine alone.
 */

const LOOPBACK = '127.0.0.1'
const LARGEST = 60_000_000
/** The oldest go when there are more. */
const MOST = 2000
const NAME = /^[0-9]{13}-[0-9a-f]{8}\.eml$/

export interface MailInbox {
  /** The port at which mail is taken. */
  smtp: number
  /** Where to look at it. */
  inbox: string
  close(): Promise<void>
}

class Folder {
  constructor(private readonly path: string) {}

  async keep(from: NodeJS.ReadableStream): Promise<void> {
    const name = `${Date.now()}-${randomBytes(4).toString('hex')}.eml`
    const coming = join(this.path, `coming-${name}`)
    await pipeline(from, createWriteStream(coming, { mode: 0o600 }))
    await rename(coming, join(this.path, name))
    for (const old of (await this.names()).slice(MOST)) await rm(join(this.path, old), { force: true })
  }

  /** The newest first. */
  async names(): Promise<string[]> {
    return (await readdir(this.path))
      .filter((name) => NAME.test(name))
      .sort()
      .reverse()
  }

  async read(name: string): Promise<Buffer | null> {
    return NAME.test(name) ? readFile(join(this.path, name)).catch(() => null) : null
  }
}

const addressOf = (of: ParsedMail['to']): string =>
  (Array.isArray(of) ? of : of ? [of] : []).map((a) => a.text).join(', ')

const when = (date: Date | undefined): string => (date ? date.toISOString().slice(0, 16).replace('T', ' ') : '')

async function list(folder: Folder): Promise<string> {
  const rows: string[] = []
  for (const name of (await folder.names()).slice(0, 200)) {
    const source = await folder.read(name)
    if (!source) continue
    const mail = await simpleParser(source)
    rows.push(
      write`<li><a href="/${name}"><b>${mail.subject ?? '(no subject)'}</b></a><br>to ${addressOf(mail.to)}, ${when(mail.date)}</li>`,
    )
  }
  const what = rows.length > 0 ? `<ul>${rows.join('')}</ul>` : '<p>No mail has come yet.</p>'
  return page(
    'Inbox of the stand-in',
    `<h1>Inbox of the stand-in</h1><p>All mail of this demo ends here; nothing leaves this machine.</p>${what}`,
  )
}

function shown(name: string, mail: ParsedMail): string {
  const head: [string, string][] = [
    ['From', addressOf(mail.from)],
    ['To', addressOf(mail.to)],
    ['Answers to', addressOf(mail.replyTo)],
    ['Sent', when(mail.date)],
  ]
  const rows = head.filter(([, says]) => says).map(([label, says]) => write`<dt>${label}</dt><dd>${says}</dd>`)
  const files = mail.attachments.map(
    (a) => write`<li>${a.filename ?? 'a file'}, ${a.contentType}, ${String(a.size)} bytes</li>`,
  )
  return page(
    mail.subject ?? '',
    write`<p><a href="/">Inbox</a></p><h1>${mail.subject ?? '(no subject)'}</h1>` +
      `<dl>${rows.join('')}</dl>` +
      write`<pre>${mail.text ?? ''}</pre>` +
      (files.length > 0 ? `<h2>Files</h2><ul>${files.join('')}</ul>` : '') +
      write`<p><a href="/${name}?as=source">As it came</a></p>`,
  )
}

async function answer(folder: Folder, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const url = new URL(request.url ?? '/', 'http://inbox')
  const name = url.pathname.slice(1)
  const send = (status: number, type: string, body: string | Buffer) =>
    response
      .writeHead(status, { 'content-type': type, 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' })
      .end(body)
  if (name === '') return void send(200, 'text/html; charset=utf-8', await list(folder))
  const source = await folder.read(name)
  if (!source) return void send(404, 'text/plain; charset=utf-8', 'There is no such mail.\n')
  if (url.searchParams.get('as') === 'source') return void send(200, 'text/plain; charset=utf-8', source)
  send(200, 'text/html; charset=utf-8', shown(name, await simpleParser(source)))
}

const listening = (port: AddressInfo | string | null): number => (port as AddressInfo).port

/** Opens the stand-in over a folder; ports are free ones unless they are said. */
export async function openMailStandIn(path: string, ports: { smtp?: number; inbox?: number } = {}): Promise<MailInbox> {
  await mkdir(path, { recursive: true, mode: 0o700 })
  const folder = new Folder(path)
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    hideSMTPUTF8: false,
    size: LARGEST,
    disableReverseLookup: true,
    onData: (stream, session, done) => {
      folder.keep(stream).then(() => done(stream.sizeExceeded ? new Error('This is too large.') : null), done)
    },
  })
  // Whoever goes away in the middle is none of our trouble.
  smtp.on('error', () => undefined)
  await new Promise<void>((done) => smtp.listen(ports.smtp ?? 0, LOOPBACK, done))
  const web = createServer((request, response) => {
    answer(folder, request, response).catch(() => response.writeHead(500).end('The inbox cannot be read.\n'))
  })
  await new Promise<void>((done) => web.listen(ports.inbox ?? 0, LOOPBACK, done))
  return {
    smtp: listening(smtp.server.address()),
    inbox: `http://${LOOPBACK}:${listening(web.address())}/`,
    async close() {
      web.closeAllConnections()
      await Promise.all([new Promise((done) => web.close(done)), new Promise<void>((done) => smtp.close(done))])
    },
  }
}
