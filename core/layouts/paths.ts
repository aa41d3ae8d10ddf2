import equal from 'fast-deep-equal'
import { ProblemError } from '../problems'
import type { Id } from '../model'
import { type Fill, type Layout, type Setting, find } from '../tree'
import { attempt } from './apply'
import { orUnset } from './draft-values'
import { type Edit, editOfOther, fillBy, nodeOf } from './edits'
import { pathIn, pieceOf, placeOfPath } from './pieces'
import type { Trees } from './trees'

/** Edits that name something of a piece where it is drawn: said at its place, or in the piece itself. */

/** The path that an edit names, where it is about something of a piece; the first of them in a batch. */
export function pathNamed(edit: Edit): Id | null {
  if (edit.kind === 'batch') return edit.edits.map(pathNamed).find((p) => p !== null) ?? null
  const id = nodeOf(edit)
  return id !== null && placeOfPath(id) ? id : null
}

/** Where something of a piece that is drawn in a layout is kept: the innermost piece, and the id in it. */
export function keptIn(trees: Trees, layout: Layout, path: Id): { piece: Id; id: Id; prefix: Id } | null {
  let [tree, piece, rest] = [layout, null as Id | null, path]
  for (let at = placeOfPath(rest); at; at = placeOfPath(rest)) {
    const place = find(tree, at.place)?.node
    const document = trees.document((place?.kind === 'element' && pieceOf(place)) || '')
    if (!document) return null
    ;[tree, piece, rest] = [trees.madeOf(document).made, document.id, at.inside]
  }
  return piece === null ? null : { piece, id: rest, prefix: path.slice(0, path.length - rest.length - 1) }
}

/** An edit of what is drawn at a path as an edit of the piece in which that is kept; null where it is no single thing. */
export function asInPiece(edit: Edit, prefix: Id): Edit | null {
  if (edit.kind === 'batch') {
    const edits = edit.edits.map((one) => asInPiece(one, prefix))
    return edits.some((one) => one === null) ? null : { ...edit, edits: edits as Edit[] }
  }
  const about = nodeOf(edit)
  if (about === null || !about.startsWith(pathIn(prefix, ''))) return null
  return editOfOther(edit, about.slice(prefix.length + 1))
}

/** What an edit of a thing's values comes to as one whole value of it. */
function wholeValue(tree: Layout, edit: Extract<Edit, { id: Id; property: string }>): Fill | null {
  const property = 'within' in edit && edit.within ? edit.within.items : edit.property
  try {
    const { draft } = attempt(tree, edit)
    return { kind: 'setProperty', id: edit.id, property, ...orUnset(draft.node(edit.id)?.props[property]) }
  } catch (error) {
    if (error instanceof ProblemError) return null
    throw error
  }
}

function fillOf(tree: Layout, edit: Edit): Fill | null {
  const fill = fillBy(edit)
  return fill === 'whole value' ? wholeValue(tree, edit as Extract<Edit, { id: Id; property: string }>) : fill
}

/**
 * An edit of what is drawn of a piece in `tree` as what its place says itself; `saysPiece` gives what the piece says of
 * the same by itself. What comes to the same is said no more. Null where a place cannot say it.
 */
export function asFills(
  tree: Layout,
  edit: Edit,
  saysPiece: (fill: Fill) => Fill | null,
): Extract<Edit, { kind: 'batch' }> | Extract<Setting, { kind: 'setFill' }> | null {
  if (edit.kind === 'batch') {
    const edits = edit.edits.map((one) => asFills(tree, one, saysPiece))
    return edits.some((one) => one === null) ? null : { ...edit, edits: edits as Edit[] }
  }
  const fill = fillOf(tree, edit)
  const at = fill && placeOfPath(fill.id)
  if (!fill || !at) return null
  const same = equal(saysPiece(fill), fill)
  const said: Fill = { ...fill, id: at.inside }
  return { kind: 'setFill', id: at.place, fill: said, ...(same && { unset: true as const }) }
}
