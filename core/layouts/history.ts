import type { Id } from '../site'
import type { Edit } from './edits'

/** One applied edit as the log keeps it. `of` names the first revision of the step that an undo or redo is about. */
export interface LogRecord {
  revision: number
  /** Given by whoever made the edit, so that sending it twice applies it once. */
  id: Id
  edit: Edit
  inverse: Edit
  does: 'edit' | 'undo' | 'redo'
  of?: number
  /** The first edit of the run that this one belongs to: edits of one property made in one go. */
  run?: Id
  /** Milliseconds since 1970. */
  at: number
}

/** What one undo takes back: an edit, or a run of edits to the same property made in one go. */
export interface HistoryStep {
  of: number
  /** Applied as one edit, takes the step back (or, on the redo side, does it again). */
  edit: Edit
  label: Edit
}

export interface History {
  undo: HistoryStep[]
  redo: HistoryStep[]
}

/**
 * True when an edit sets what the one before it set, so that both can be one step. Whether they are is decided once,
 * by the window that makes them, from its own clock; the log keeps the answer.
 */
export function sameTarget(a: Edit, b: Edit): boolean {
  if (a.kind !== b.kind) return false
  if (a.kind === 'setProperty' && b.kind === 'setProperty') return a.id === b.id && a.property === b.property
  if (a.kind === 'setStyle' && b.kind === 'setStyle') {
    return a.id === b.id && a.property === b.property && a.step === b.step
  }
  return false
}

/** What can be undone and redone, latest last, read from the log alone; so it survives a reload. */
export function historyOf(log: readonly LogRecord[]): History {
  const undo: (HistoryStep & { last: LogRecord })[] = []
  const redo: HistoryStep[] = []
  for (const record of log) {
    const step = { of: record.of ?? record.revision, edit: record.inverse, label: record.edit, last: record }
    if (record.does === 'undo') {
      const at = undo.findIndex((s) => s.of === record.of)
      const label = at >= 0 ? undo.splice(at, 1)[0]!.label : record.edit
      redo.push({ of: step.of, edit: record.inverse, label })
      continue
    }
    if (record.does === 'redo') {
      const at = redo.findIndex((s) => s.of === record.of)
      if (at >= 0) redo.splice(at, 1)
      undo.push(step)
      continue
    }
    redo.length = 0
    const before = undo.at(-1)
    // All edits of a run set the same thing, so the oldest inverse takes all of them back.
    if (before && isOneRun(before.last, record)) {
      undo[undo.length - 1] = { ...before, label: record.edit, last: record }
    } else undo.push(step)
  }
  return { undo: undo.map(({ last: _, ...step }) => step), redo }
}

function isOneRun(before: LogRecord, record: LogRecord): boolean {
  return before.does === 'edit' && before.run !== undefined && before.run === record.run
}
