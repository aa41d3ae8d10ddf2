/** Escaping for where a value stands. Everything that is not our own markup goes through one of these. */

const MARKS = /[&<>"']/
const NAMES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' }

/** For text and for quoted attributes alike. */
export function escapeHtml(text: string): string {
  return MARKS.test(text) ? text.replace(/[&<>"']/g, (mark) => NAMES[mark]!) : text
}

/** An attribute with a leading blank; nothing for null or undefined. */
export function attribute(name: string, value: string | number | null | undefined): string {
  return value === null || value === undefined ? '' : ` ${name}="${escapeHtml(String(value))}"`
}
