import { type Editing, spliceBetween } from '../edits'
import { type Layout, type Value, find } from '../tree'
import { applyEdit, applyJudged } from './apply'
import type { Edit, Within } from './edits'

/** Values told in fewer characters than this are sent as they are. */
const LONG = 300

const path = (...names: (string | undefined)[]) => names.filter((n) => n !== undefined).join('/')

/** What an edit sets, each by a name; see `Editing`. */
function targets(edit: Edit): string[] {
  switch (edit.kind) {
    case 'setProperty':
    case 'spliceProperty':
      return [path('value', edit.id, edit.property, edit.within?.item)]
    case 'setStyle':
      return [path('look', edit.id, edit.at ?? '', edit.property, edit.step)]
    case 'setDefault':
      return [path('default', edit.box ?? '', edit.of, edit.property, edit.step)]
    case 'setSpans':
      return [path('spans', edit.row)]
    case 'setWhen':
      return [path('when', edit.id)]
    case 'rename':
      return [path('name', edit.id)]
    case 'describe':
      return ['about']
    case 'hidePart':
      return [path('part', edit.id, edit.part)]
    case 'batch': {
      const all = edit.edits.map(targets)
      // What also puts, moves or takes away is no mere setting of values.
      return all.every((t) => t.length > 0) ? [...new Set(all.flat())] : []
    }
    default:
      return []
  }
}

/** The value of something, or of one of the items that a property of it holds; undefined where none is set. */
export function valueIn(
  layout: Layout,
  { id, property, within }: { id: string; property: string; within?: Within },
): Value | undefined {
  const props = find(layout, id)?.node.props
  if (!props || !within) return props?.[property]
  const items = props[within.items]
  return Array.isArray(items) ? items.find((i) => i.id === within.item)?.props[property] : undefined
}

function spliceOf(before: Value | undefined, after: Value) {
  const json = JSON.stringify(after)
  if (before === undefined || json.length < LONG) return null
  const splice = spliceBetween(JSON.stringify(before), json)
  return splice.put.length + 100 < json.length ? splice : null
}

function slim(layout: Layout, edit: Edit): Edit {
  if (edit.kind !== 'setProperty' || edit.value === undefined) return edit
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

/** How layouts are edited. */
export const LAYOUT_EDITING: Editing<Layout, Edit> = { apply: applyEdit, applyJudged, targets, slim, whole }
