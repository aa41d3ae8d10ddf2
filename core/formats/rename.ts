import { propertiesOf } from '../elements'
import type { Frame } from '../frames'
import type { Id } from '../site'
import {
  type Change,
  type Fill,
  type LayoutDocument,
  type Setting,
  type TreeNode,
  type Value,
  isVariation,
  rewriteProps,
} from '../tree'
import type { Parcel } from './parcel'

/** Things of a parcel under other ids, so that they come beside what is here: with all that names them. */

type Renamed = (id: Id) => Id

function renamedNode<N extends TreeNode>(node: N, to: Renamed): N {
  const thing = (kind: string, id: Id): Id => (kind === 'card' || kind === 'piece' ? to(id) : id)
  const fills = node.kind === 'element' && node.fills?.map((fill) => renamedSetting(fill, to))
  const own = { ...node, props: rewriteProps(node.props, propertiesOf(node), { thing }), ...(fills && { fills }) }
  if (!node.children) return own
  return { ...own, children: (node.children as TreeNode[]).map((child) => renamedNode(child, to)) }
}

/** A value that is set: a card or a piece is named by its id, and by nothing else. */
const CARDS: ReadonlySet<string> = new Set(['card', 'firstCard', 'everyCard', 'piece'])
const renamedValue = (property: string, value: Value | undefined, to: Renamed): Value | undefined =>
  CARDS.has(property) && typeof value === 'string' ? to(value) : value

function renamedSetting<S extends Setting | Fill>(edit: S, to: Renamed): S {
  if (edit.kind === 'setFill') return { ...edit, fill: renamedSetting(edit.fill, to) }
  if (edit.kind !== 'setProperty' || edit.value === undefined) return edit
  return { ...edit, value: renamedValue(edit.property, edit.value, to) }
}

/** An own change; `from` and `as` are the ids of the variation, which is what its outermost things stand in. */
function renamedChange(change: Change, from: Id, as: Id, to: Renamed): Change {
  if (change.kind === 'set') return { ...change, edit: renamedSetting(change.edit, to) }
  if (change.kind !== 'put' && change.kind !== 'move') return change
  const parent = change.parent === from ? as : change.parent
  return change.kind === 'put' ? { ...change, parent, node: renamedNode(change.node, to) } : { ...change, parent }
}

/** A layout by another id, if it is one of those that get one, and with the others named as they are called then. */
export function renamedLayout(layout: LayoutDocument, to: Renamed): LayoutDocument {
  const id = to(layout.id)
  if (!isVariation(layout)) return { ...layout, id, children: layout.children.map((row) => renamedNode(row, to)) }
  const changes = layout.follows.changes.map((change) => renamedChange(change, layout.id, id, to))
  return { ...layout, id, follows: { base: to(layout.follows.base), changes } }
}

function renamedFrame(frame: Frame, id: Id, to: Renamed): Frame {
  const regions = Object.entries(frame.regions).map(([region, say]) => [
    region,
    say.kind === 'use' ? { ...say, layout: to(say.layout) } : say,
  ])
  return { ...frame, id, regions: Object.fromEntries(regions) as Frame['regions'] }
}

/**
 * A parcel of which some layouts and frames (`layout ID`, `frame ID`) come beside those that are here, under ids by
 * `newId` and names that say where they are from.
 */
export function beside(parcel: Parcel, both: ReadonlySet<string>, newId: () => Id): Parcel {
  const ids = new Map(parcel.layouts.filter((l) => both.has(`layout ${l.id}`)).map((l) => [l.id, newId()]))
  const to: Renamed = (id) => ids.get(id) ?? id
  const named = (name: string) => `${name.slice(0, 90)}, ${parcel.from}`.slice(0, 120)
  return {
    ...parcel,
    layouts: parcel.layouts.map((layout) => {
      const made = renamedLayout(layout, to)
      return made.id === layout.id ? made : { ...made, name: named(layout.name) }
    }),
    frames: parcel.frames.map((f) => renamedFrame(f, both.has(`frame ${f.id}`) ? newId() : f.id, to)),
  }
}
