/** Ids of documents, edits and runs. */
export type Id = string

/** One applied edit as the log keeps it. `of` names the first revision of the step that an undo or redo is about. */
export interface LogRecord<E> {
  revision: number
  /** Given by whoever made the edit, so that sending it twice applies it once. */
  id: Id
  edit: E
  /** Takes the edit back; null for one that goes on with a run, of which the first takes back all. */
  inverse: E | null
  does: 'edit' | 'undo' | 'redo'
  of?: number
  /**
   * The first edit of the run that this one belongs to: edits of one thing made in one go. Whether they are is
   * decided once, by the window that makes them, from its own clock; the log keeps the answer.
   */
  run?: Id
  /** Milliseconds since 1970. */
  at: number
  /** Who made it, by name, where that is known. */
  by?: string
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

/**
 * What can be undone and redone, latest last, read from the log alone; so it survives a reload. With `by`, what others
 * did is theirs to take back; what nobody is named for is anybody's.
 */
export function historyOf<E>(log: readonly LogRecord<E>[], by?: string): History<E> {
  const undo: (HistoryStep<E> & { last: LogRecord<E> })[] = []
  const redo: HistoryStep<E>[] = []
  for (const record of log) {
    if (by !== undefined && record.by !== undefined && record.by !== by) continue
    const { of = record.revision, edit: label, inverse: edit } = record
    if (record.does === 'edit') redo.length = 0
    const before = undo.at(-1)
    // All edits of a run set the same thing, so its first inverse takes all of them back.
    if (before && goesOn(before.last, record)) {
      undo[undo.length - 1] = { ...before, label, last: record }
      continue
    }
    // The beginning of its run is no longer known: it cannot be taken back.
    if (edit === null) continue
    if (record.does === 'undo') {
      const at = undo.findLastIndex((s) => s.of === of)
      redo.push({ of, edit, label: at >= 0 ? undo.splice(at, 1)[0]!.label : label })
      continue
    }
    if (record.does === 'redo') {
      const at = redo.findLastIndex((s) => s.of === of)
      if (at >= 0) redo.splice(at, 1)
    }
    undo.push({ of, edit, label, last: record })
  }
  return { undo: undo.map(({ last: _, ...step }) => step), redo }
}

/** Whether an edit goes on with the run of the one made just before it, and is one step with it. */
export function goesOn(before: StepMark | undefined, record: StepMark | undefined): boolean {
  if (before?.does !== 'edit' || record?.does !== 'edit') return false
  return before.run !== undefined && before.run === record.run
}

/** What tells to which step an edit belongs. */
export type StepMark = Pick<LogRecord<unknown>, 'does' | 'run'>
