import type { SubscribersAsked } from '../../shared/api/types'

/** Which of those who asked for a newsletter an address asks for. */
export function subscribersAsked(query: Readonly<Record<string, unknown>>): SubscribersAsked {
  const before = Number(query.before)
  return {
    ...(typeof query.list === 'string' && query.list && { list: query.list.slice(0, 80) }),
    ...(typeof query.words === 'string' && query.words && { words: query.words.slice(0, 200) }),
    ...(Number.isSafeInteger(before) && before > 0 && { before }),
  }
}
