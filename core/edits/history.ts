/** Ids of documents, edits and runs. */
export type Id = string

/** One applied edit as the log keeps it. `of` names the first revision of the step that an undo or redo is about. */
export interface LogRecord<E> {
  revision: number
  /** Given by whoever made the edit, so that sending it twice applies it once. */
  id: Id
  edit: E
  inverse: E
  does: 'edit' | 'undo' | 'redo'
  of?: number
  /**
   * The first edit of the run that this one belongs to: edits of one thing made in one go. Whether they are is
   * decided once, by the window that makes them, from its own clock; the log keeps the answer.
   */
  run?: Id
  /** Milliseconds since 1970. */
  at: number
}

/** What one undo takes back: an edit, or a run of edits to the same property made in one go. */
export interface HistoryStep<E> {
  of: number
  /** Applied as one edit, takes the step back (or, on the redo side, does it again). */
  edit: E
  label: E
}

export interface History<E> {
  undo: HistoryStep<E>[]
  redo: HistoryStep<E>[]
}

/** What can be undone and redone, latest last, read from the log alone; so it survives a reload. */
export function historyOf<E>(log: readonly LogRecord<E>[]): History<E> {
  const undo: (HistoryStep<E> & { last: LogRecord<E> })[] = []
  const redo: HistoryStep<E>[] = []
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

function isOneRun(before: LogRecord<unknown>, record: LogRecord<unknown>): boolean {
  return before.does === 'edit' && before.run !== undefined && before.run === record.run
}
