import type { TestServer } from './server'

/** What is said at the museum's checkout, and is right. */
export const RIGHT = {
  'c.name': 'Inez Dial',
  'c.mail': 'inez@example.org',
  'b.country': 'GB',
  'b.name': 'Inez Dial',
  'b.line1': '4 Bell Lane',
  'b.city': 'Quillmere',
  'b.code': 'SW1A 1AA',
}

let places = 0

/** Somebody with a basket: keeps the cookies that the site gives, and sends from a place of their own. */
export class Buyer {
  private readonly cookies = new Map<string, string>()
  private readonly from = `192.0.2.${++places}`

  constructor(private readonly server: Pick<TestServer, 'origin'>) {}

  get cookie(): string {
    return [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ')
  }

  set cookie(text: string) {
    this.cookies.clear()
    this.cookies.set(text.slice(0, text.indexOf('=')), text.slice(text.indexOf('=') + 1))
  }

  async send(path: string, values: Record<string, string>, headers: Record<string, string> = {}): Promise<Response> {
    const response = await fetch(this.server.origin + path, {
      method: 'POST',
      redirect: 'manual',
      headers: {
        'content-type': 'application/x-www-form-urlencoded',
        cookie: this.cookie,
        'x-forwarded-for': this.from,
        ...headers,
      },
      body: new URLSearchParams(values),
    })
    for (const given of response.headers.getSetCookie()) {
      const [pair = ''] = given.split(';')
      this.cookies.set(pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1))
    }
    return response
  }

  async page(path: string): Promise<string> {
    return (await fetch(this.server.origin + path, { headers: { cookie: this.cookie } })).text()
  }

  async put(path = '/tickets/day-ticket', count = '1', more: Record<string, string> = {}): Promise<Response> {
    const html = await this.page(path)
    const of = /name="form" value="buy"><input type="hidden" name="of" value="([^"]+)"/.exec(html)![1]!
    return this.send(path, { form: 'buy', of, entry: path.split('/').pop()!, count, ...more })
  }

  /** Presses a button of the shop's form. */
  press(path: string, does: string, values: Record<string, string> = {}): Promise<Response> {
    return this.send(path, { form: 'shop', does, ...values })
  }
}
