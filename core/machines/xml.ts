/** XML as it is written by hand: elements, attributes and texts, each escaped where it stands. */

/** Characters that XML 1.0 (§2.2) does not know, escaped or not. */
const UNKNOWN =
  // eslint-disable-next-line no-control-regex
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g

const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }

export const xmlText = (text: string): string => text.replace(UNKNOWN, '').replace(/[&<>"]/g, (c) => ESCAPES[c]!)

/** An element with what stands in it, which is written already. */
export function xml(name: string, attributes: Readonly<Record<string, string>>, ...inside: string[]): string {
  const said = Object.entries(attributes).map(([key, value]) => ` ${key}="${xmlText(value)}"`)
  const content = inside.join('')
  return content ? `<${name}${said.join('')}>${content}</${name}>` : `<${name}${said.join('')}/>`
}

export const xmlDocument = (root: string): string => `<?xml version="1.0" encoding="utf-8"?>\n${root}\n`
