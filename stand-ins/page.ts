/** The pages of the stand-ins: plain, without script, in no way those of the site. */

const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' }

const safe = (text: string): string => text.replace(/[&<>"']/g, (sign) => SIGNS[sign]!)

/** HTML in which every value is text. */
export const write = (parts: TemplateStringsArray, ...values: string[]): string =>
  parts.reduce((html, part, i) => html + safe(values[i - 1] ?? '') + part)

const CSS =
  'body{font:16px/1.5 system-ui,sans-serif;max-width:44rem;margin:2rem auto;padding:0 1rem;color:#222;background:#f4f4f2}' +
  'pre{white-space:pre-wrap;background:#fff;padding:1rem;border:1px solid #bbb;overflow-wrap:anywhere}' +
  'dt{font-weight:600}dd{margin:0 0 .4rem;overflow-wrap:anywhere}ul{padding-left:1.2rem}li{margin:.4rem 0;overflow-wrap:anywhere}' +
  'button{font:inherit;padding:.5rem .9rem;margin:.2rem .4rem .2rem 0}'

export const page = (title: string, body: string): string =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">` +
  `${write`<title>${title}</title>`}<style>${CSS}</style><body>${body}</body></html>`
