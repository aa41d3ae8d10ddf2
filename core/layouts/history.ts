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

/** Edits of the same property closer together than this are one step. */
const ONE_GO = 1500

function sameTarget(a: Edit, b: Edit): boolean {
  if (a.kind !== b.kind) return false
  if (a.kind === 'setProperty' && b.kind === 'setProperty') return a.id === b.id && a.property === b.property
  if (a.kind === 'setStyle' && b.kind === 'setStyle') {
    return a.id === b.id && a.property === b.property && a.step === b.step
  }
  return false
}

function inOrder(first: Edit, then: Edit): Edit {
  const edits = [first, then].flatMap((e) => (e.kind === 'batch' && e.label === 'step' ? e.edits : [e]))
  return { kind: 'batch', label: 'step', edits }
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
    if (before && before.last.does === 'edit' && oneGo(before.last, record)) {
      undo[undo.length - 1] = {
        ...before,
        edit: inOrder(record.inverse, before.edit),
        label: record.edit,
        last: record,
      }
    } else undo.push(step)
  }
  return { undo: undo.map(({ last: _, ...step }) => step), redo }
}

function oneGo(before: LogRecord, record: LogRecord): boolean {
  return record.at - before.at < ONE_GO && sameTarget(before.edit, record.edit)
}
