import type { Choosing } from '~/stores/bench'

/** What the keys held while something is pressed say about what was chosen before. */
export function howChosen(event: Pick<MouseEvent, 'shiftKey' | 'ctrlKey' | 'metaKey'>): Choosing {
  if (event.shiftKey) return 'through'
  return event.ctrlKey || event.metaKey ? 'also' : 'alone'
}
