import type { Editing } from './editing'
import { type LogRecord, goesOn } from './history'

/** Something that was done: one edit, or a run of them, with the edit that takes all of it back. */
export interface Done<E> {
  /** The revision that it led to. */
  revision: number
  edit: E
  inverse: E
  does: LogRecord<E>['does']
  at: number
  by?: string
}

/** What a log tells was done, oldest first. A run whose beginning is not in it, and all before that, is left out. */
export function stepsDone<E>(log: readonly LogRecord<E>[]): Done<E>[] {
  const done: Done<E>[] = []
  let before: LogRecord<E> | undefined
  for (const record of log) {
    const { revision, edit, inverse, does, at, by } = record
    const last = done.length - 1
    if (last >= 0 && goesOn(before, record)) done[last] = { ...done[last]!, revision, edit, at }
    else if (inverse === null) done.length = 0
    else done.push({ revision, edit, inverse, does, at, ...(by !== undefined && { by }) })
    before = record
  }
  return done
}

/** A document as it was before the last so many steps; null when the steps do not lead back from it. */
export function before<D, E>(editing: Editing<D, E>, document: D, steps: readonly Done<E>[], count: number): D | null {
  let current = document
  for (const step of steps.slice(steps.length - count).reverse()) {
    const result = editing.applyJudged(current, step.inverse)
    if (!result.ok) return null
    current = result.document
  }
  return current
}
