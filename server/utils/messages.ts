import type { MessagesAsked } from '../../shared/api/types'
import { MESSAGE_STATES } from '../database/messages'

const words = (value: unknown, most: number): string => (typeof value === 'string' ? value.slice(0, most) : '')

/** Which messages an address asks for; what it asks otherwise is left out. */
export function askedOf(query: Readonly<Record<string, unknown>>): MessagesAsked {
  const state = MESSAGE_STATES.find((one) => one === query.state)
  const before = Number(query.before)
  const [form, asked] = [words(query.form, 200), words(query.words, 200)]
  return {
    ...(state && { state }),
    ...(form && { form }),
    ...(asked && { words: asked }),
    ...(Number.isSafeInteger(before) && before > 0 && { before }),
  }
}
