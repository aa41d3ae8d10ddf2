/** A noun as it is called when there are so many of what it names. */
export function nounFor(count: number, one: string, many = `${one}s`): string {
  return count === 1 ? one : many
}

/** A number with its noun: `1 page`, `1,234 pages`. */
export function counted(count: number, one: string, many?: string): string {
  return `${count.toLocaleString('en')} ${nounFor(count, one, many)}`
}

/** Words that end a sentence, as its beginning. */
export const asSentence = (why: string): string => why.charAt(0).toUpperCase() + why.slice(1)

export const or = (items: readonly string[]): string => joined(items, 'or')
export const and = (items: readonly string[]): string => joined(items, 'and')

/** All of some facts: those that list several values of their own are set apart, so that no "or" runs on into an "and". */
export function andAlso(facts: readonly string[]): string {
  if (!facts.some((fact) => / (or|and) /.test(fact))) return and(facts)
  return facts.join(', and ')
}

/** Any of some things: those that say "and" or "or" themselves are set apart. */
export function anyOf(things: readonly string[]): string {
  if (things.length < 2 || !things.some((thing) => / (or|and) /.test(thing))) return and(things)
  return things.join('; or ')
}

function joined(items: readonly string[], word: string): string {
  return items.length < 2 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} ${word} ${items.at(-1)}`
}
