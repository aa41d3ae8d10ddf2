import { type Editing, spliceBetween } from '../edits'
import type { Layout, LayoutDocument, Value } from '../tree'
import { refuseEdit } from './apply'
import { valueIn } from './draft-values'
import { type Edit, setBy, withNeighbours } from './edits'
import { applyToDocument } from './following'
import type { Trees } from './trees'

/** Values told in fewer characters than this are sent as they are. */
const LONG = 300

function spliceOf(before: Value | undefined, after: Value) {
  const json = JSON.stringify(after)
  if (before === undefined || json.length < LONG) return null
  const splice = spliceBetween(JSON.stringify(before), json)
  return splice.put.length + 100 < json.length ? splice : null
}

function slim(layout: Layout, edit: Edit): Edit {
  if (edit.kind !== 'setProperty' || edit.value === undefined) return withNeighbours(layout, edit)
  const { id, property, within, value } = edit
  const splice = spliceOf(valueIn(layout, edit), value)
  return splice ? { kind: 'spliceProperty', id, property, ...(within && { within }), ...splice } : edit
}

function whole(after: Layout, edit: Edit): Edit {
  if (edit.kind !== 'spliceProperty') return edit
  const { id, property, within } = edit
  const value = valueIn(after, edit)
  return value === undefined ? edit : { kind: 'setProperty', id, property, ...(within && { within }), value }
}

/**
 * How layouts are edited, variations among them; `trees` gives the layouts that they may follow, as they stand when an
 * edit is applied.
 */
export function layoutEditing(trees: () => Trees): Editing<LayoutDocument, Edit> {
  const treeOf = (document: LayoutDocument) => trees().madeOf(document).made
  return {
    apply: (document, edit) => {
      const refused = refuseEdit(edit)
      return refused ? { ok: false, problem: refused } : applyToDocument(trees(), document, edit)
    },
    applyJudged: (document, edit) => applyToDocument(trees(), document, edit),
    targets: (edit) => [...setBy(edit)],
    slim: (document, edit) => slim(treeOf(document), edit),
    whole: (after, edit) => whole(treeOf(after), edit),
  }
}
