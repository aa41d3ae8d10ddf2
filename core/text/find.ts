const PLAIN = /^[\x20-\x7e]*$/

/** Letters without their accents and capitals: as people type what they look for. */
export const folded = (text: string): string =>
  PLAIN.test(text) ? text.toLowerCase() : text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

/**
 * Items that have every word typed, wherever it stands and whatever its case or accents: those whose label begins
 * with what was typed come first, then those with all of it in their label, then those that have some of it only
 * in `about`. Within each the order stays. Nothing typed finds everything.
 */
export function findByWords<T>(
  items: readonly T[],
  typed: string,
  label: (item: T) => string,
  about: (item: T) => string = () => '',
): T[] {
  const text = folded(typed.trim())
  const words = text.split(/\s+/).filter(Boolean)
  if (words.length === 0) return [...items]
  const [begins, has, around]: [T[], T[], T[]] = [[], [], []]
  for (const item of items) {
    const name = folded(label(item))
    if (name.startsWith(text)) begins.push(item)
    else if (words.every((w) => name.includes(w))) has.push(item)
    else {
      const all = `${name} ${folded(about(item))}`
      if (words.every((w) => all.includes(w))) around.push(item)
    }
  }
  return [...begins, ...has, ...around]
}
