/** Escaping for where a value stands. Everything that is not our own markup goes through one of these. */

const NAMES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' }

/** Most texts hold no mark, and most are short: looking at them one by one is faster than an expression. */
function hasMark(text: string): boolean {
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    // " & ' < > are all below 63.
    if (code < 63 && (code === 34 || code === 38 || code === 39 || code === 60 || code === 62)) return true
  }
  return false
}

/** For text and for quoted attributes alike. */
export function escapeHtml(text: string): string {
  return hasMark(text) ? text.replace(/[&<>"']/g, (mark) => NAMES[mark]!) : text
}

/** An attribute with a leading blank; nothing for null or undefined. */
export function attribute(name: string, value: string | number | null | undefined): string {
  return value === null || value === undefined ? '' : ` ${name}="${escapeHtml(String(value))}"`
}
