/** Attributes of parts, put together. */

const CLASS = / class="([^"]*)"/

/** The attributes of one part with the classes of another before its own, so that the styles of both hold. */
export function withClassesOf(attributes: string, other: string): string {
  const more = CLASS.exec(other)?.[1]
  if (!more) return attributes
  if (!CLASS.test(attributes)) return `${attributes} class="${more}"`
  return attributes.replace(
    CLASS,
    (_, own: string) => ` class="${[...new Set([...more.split(' '), ...own.split(' ')])].join(' ')}"`,
  )
}
