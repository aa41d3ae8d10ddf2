/** Which lines of a rule are equal: those that say the same, whatever the order of their values and keys. */

/** What a line says, as one text; a value that is named several times counts once. */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${[...new Set(value.map(canonical))].sort().join()}]`
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null'
  const pairs = Object.entries(value)
    .filter(([, v]) => v !== undefined)
    .map(([key, v]) => `${JSON.stringify(key)}:${canonical(v)}`)
  return `{${pairs.sort().join()}}`
}

/** How many different lines there are (`docs/frames.md`): equal ones count once. */
export function countDistinct(lines: readonly object[]): number {
  return lines.length < 2 ? lines.length : new Set(lines.map(canonical)).size
}
