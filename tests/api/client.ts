import type { TestServer } from '../server'

/** What tests read of an answer; which of it is there depends on what was asked. */
export interface Answer extends Record<string, unknown> {
  problem: { code: string; sentence: string }
  layout: { name: string }
  revision: number
  user: { role: string } | null
  waiting: unknown[]
}

/** Talks to the server as the studio does: with its cookies and the token of the page it was given. */
export class Client {
  private readonly cookies = new Map<string, string>()
  private token = ''

  constructor(private readonly server: TestServer) {}

  /** Opens the studio, as a browser would, for its cookie and token. */
  async open(): Promise<this> {
    const html = await (await this.fetch('/studio/sign-in')).text()
    this.token = /name="csrf-token" content="([^"]+)"/.exec(html)?.[1] ?? ''
    return this
  }

  async fetch(path: string, init: RequestInit = {}): Promise<Response> {
    const cookie = [...this.cookies].map(([k, v]) => `${k}=${v}`).join('; ')
    const headers = {
      ...(cookie && { cookie }),
      ...(this.token && { 'csrf-token': this.token }),
      ...(init.headers as object),
    }
    // After long work a connection may have been closed without anybody having looked.
    await new Promise((looked) => setImmediate(looked))
    const answer = await fetch(this.server.origin + path, { redirect: 'manual', ...init, headers })
    for (const line of answer.headers.getSetCookie()) {
      const [pair] = line.split(';')
      const at = pair!.indexOf('=')
      this.cookies.set(pair!.slice(0, at), pair!.slice(at + 1))
    }
    return answer
  }

  async call(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<{ status: number; body: Answer; headers: Headers }> {
    const text = typeof body === 'string' ? body : body === undefined ? undefined : JSON.stringify(body)
    const answer = await this.fetch(`/api${path}`, {
      method,
      body: text,
      headers: { 'content-type': 'application/json', ...headers },
    })
    const said = await answer.text()
    return { status: answer.status, headers: answer.headers, body: (said ? JSON.parse(said) : null) as Answer }
  }

  async signIn(who: string, password = 'wind-me-on-sunday') {
    return this.call('POST', '/session', { mail: `${who}@quillmere.example.org`, password })
  }

  setToken(token: string): void {
    this.token = token
  }

  get csrf(): string {
    return this.token
  }

  allCookies(): [string, string][] {
    return [...this.cookies]
  }

  setCookie(name: string, value: string): void {
    this.cookies.set(name, value)
  }

  cookie(name: string): string | undefined {
    return this.cookies.get(name)
  }
}

/** One of no role and one of each, from the least that may be done to the most. */
export const ALL_ROLES = ['nobody', 'mina', 'wim', 'ada', 'orla']

/** A client for each of them, signed in. */
export async function everyone(server: TestServer): Promise<Record<string, Client>> {
  const who: Record<string, Client> = {}
  for (const name of ALL_ROLES) {
    who[name] = await new Client(server).open()
    if (name !== 'nobody') await who[name].signIn(name)
  }
  return who
}

/** What a visitor gets at an address, without being led on. */
export async function visit(server: TestServer, path: string) {
  const answer = await fetch(server.origin + path, { redirect: 'manual' })
  const { headers, status } = answer
  return { status, to: headers.get('location'), type: headers.get('content-type'), text: await answer.text() }
}
