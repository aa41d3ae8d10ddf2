import type { PageType } from '../model'

/** Which field says when entries of a type take place. */

/** The first field of a type with a moment. */
export const momentField = (type: PageType | undefined): string | null =>
  type?.fields.find((f) => f.kind === 'moment')?.id ?? null

/** The one that its type tells it from, else its first with a moment. */
export function startField(type: PageType | undefined): string | null {
  const told = type?.fields.find((f) => f.id === type.tells?.from?.starts)
  return told && (told.kind === 'moment' || told.kind === 'date') ? told.id : momentField(type)
}
