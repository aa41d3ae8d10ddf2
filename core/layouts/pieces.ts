import { givenWithin } from '../elements'
import { ProblemError, fail } from '../problems'
import { cascade } from '../styles'
import type { Id } from '../model'
import {
  type Column,
  type Fill,
  type Layout,
  type LayoutElement,
  type Row,
  type Setting,
  type TreeNode,
  childrenOf,
  find,
  tally,
  walk,
} from '../tree'
import { applyTo } from './apply'
import { checkWritten } from './check'
import { LayoutDraft } from './draft'

/** Shared pieces, written out where they are placed; see `docs/pieces.md` for the rules. */

/** Why nothing is drawn of a place. */
export type Unplaced = 'missing' | 'loop' | 'deep' | 'large'

/** What of one place does not hold: why it draws nothing, or what it says that cannot be said as its piece is now. */
export interface PlaceState {
  /** The place, and its piece. */
  node: Id
  piece: Id
  because: Unplaced | null
  waiting: readonly Fill[]
}

/** How many things may be drawn of one layout with all of its pieces. */
export const MOST_DRAWN_NODES = 12_000

export const isPlace = (node: TreeNode): node is LayoutElement => node.kind === 'element' && node.type === 'piece'
/** The piece that a place names; null while it names none. */
export const pieceOf = ({ props }: LayoutElement): Id | null => (typeof props.piece === 'string' ? props.piece : null)

const POINT = '.'
/** The id of something of a piece where it is drawn. */
export const pathIn = (place: Id, id: Id): Id => place + POINT + id
/** The place, and the id or the path in its piece, of something that is drawn; null for what is the layout's own. */
export function placeOfPath(path: Id): { place: Id; inside: Id } | null {
  const at = path.indexOf(POINT)
  return at < 0 ? null : { place: path.slice(0, at), inside: path.slice(at + 1) }
}

const countPlaces = tally((node) => (isPlace(node) ? 1 : 0))
const countDrawn = tally(() => 1)

const PLACES = new WeakMap<Layout, readonly LayoutElement[]>()

/** The places of pieces in a tree, in the order of the page. */
export function placesIn(tree: Layout): readonly LayoutElement[] {
  const known = PLACES.get(tree)
  if (known) return known
  const found: LayoutElement[] = []
  const look = (node: Layout | TreeNode): void => {
    if (countPlaces(node) > 0) for (const child of childrenOf(node)) look(child)
    if (node.kind !== 'layout' && isPlace(node)) found.push(node)
  }
  for (const row of tree.children) look(row)
  PLACES.set(tree, found)
  return found
}

const isEmpty = (record: object | undefined): boolean => !record || Object.keys(record).length === 0
/** Whether a row or a column says nothing of its own. */
const isPlain = ({ props, styles, when, gives, look }: Row | Column): boolean =>
  isEmpty(props) && isEmpty(styles) && isEmpty(gives) && !when && !look

/** The place that is all there is in a row which says nothing of its own; null for any other row. */
export function aloneIn(row: Row): LayoutElement | null {
  const [column, beside] = row.children
  const [place, another] = column?.children ?? []
  if (!column || beside || !place || another || !isPlain(row) || !isPlain(column)) return null
  return isPlace(place) ? place : null
}

/** What stands in a piece that is drawn as its elements; null for one that is drawn as its rows. */
function elementsOnly({ defaults, children }: Layout): readonly (LayoutElement | Row)[] | null {
  const [row, another] = children
  const [column, beside] = row?.children ?? []
  if (!row || another || !column || beside || !isEmpty(defaults)) return null
  return isPlain(row) && isPlain(column) ? column.children : null
}

/** Whether a piece is drawn as its elements, in the column in which it is placed, and not as its rows. */
export const drawnAsElements = (piece: Layout): boolean => elementsOnly(piece) !== null

/** What is open in what is drawn at a place, in the order of the page, by paths. */
export function drawnOpen(tree: Layout, place: Id): { path: Id; property: string }[] {
  const inside = (id: Id) => id.startsWith(pathIn(place, ''))
  return [...walk(tree)].flatMap(({ id, open = [] }) =>
    inside(id) ? open.map((property) => ({ path: id, property })) : [],
  )
}

/** What a place says may be said: a value is one that the piece leaves open. */
function refuseClosed(tree: Layout, edit: Setting): void {
  if (edit.kind !== 'setProperty') return
  const { property, within } = edit
  const open = find(tree, edit.id)?.node.open?.includes(within ? within.items : property)
  if (!open) fail('not-open', { property })
}

/** A piece with what is said of it at a place. What cannot be said waits. */
function filled<S extends Setting & { id: Id }>(piece: Layout, said: readonly S[]): { tree: Layout; waiting: S[] } {
  const held = new Set<S>()
  for (;;) {
    const draft = new LayoutDraft(piece)
    const waits = new Set(held)
    for (const one of said) {
      if (held.has(one)) continue
      try {
        refuseClosed(piece, one)
        applyTo(draft, one)
      } catch (error) {
        if (!(error instanceof ProblemError)) throw error
        waits.add(one)
      }
    }
    const broken = checkWritten(draft)
    const last = said.findLast((one) => broken.has(one.id) && !waits.has(one))
    if (!last) return { tree: draft.layout, waiting: said.filter((one) => waits.has(one)) }
    held.add(last)
  }
}

/** What a place says as edits of the piece as it is edited: what is said of pieces in it is said at their places. */
const asEdits = (fills: readonly Fill[]) =>
  fills.map((fill): Fill | Extract<Setting, { kind: 'setFill' }> => {
    const path = placeOfPath(fill.id)
    return path ? { kind: 'setFill', id: path.place, fill: { ...fill, id: path.inside } } : fill
  })

/** What a layout has of its own where a piece was placed; `piece` is what is edited of it. Nothing in it is open. */
export function ownOf(place: LayoutElement, piece: Layout): (Row | LayoutElement)[] {
  const { tree } = filled<Fill | Extract<Setting, { kind: 'setFill' }>>(piece, asEdits(place.fills ?? []))
  const nodes = elementsOnly(tree) ?? tree.children
  return nodes.map((node) => outerFor(place, tree.defaults, closed(node)))
}

function closed<N extends TreeNode>(node: N): N {
  const { open: _, ...rest } = node
  return (node.children ? { ...rest, children: (node.children as TreeNode[]).map(closed) } : rest) as N
}

interface Filled {
  tree: Layout
  waiting: readonly Fill[]
}

const FILLED = new WeakMap<readonly Fill[], { piece: Layout; made: Filled }>()

function filledOnce(piece: Layout, fills: readonly Fill[] | undefined): Filled {
  if (!fills) return { tree: piece, waiting: [] }
  const known = FILLED.get(fills)
  if (known?.piece === piece) return known.made
  const made: Filled = filled<Fill>(piece, fills)
  FILLED.set(fills, { piece, made })
  return made
}

const COPIES = new WeakMap<TreeNode, Map<Id, TreeNode>>()

/** A thing of a piece as it is drawn at a place: with paths for ids. The same for the same thing and place. */
function copyAt<N extends TreeNode>(place: Id, node: N): N {
  let copies = COPIES.get(node)
  if (!copies) COPIES.set(node, (copies = new Map()))
  let copy = copies.get(place) as N | undefined
  if (!copy) {
    copy = { ...node, id: pathIn(place, node.id) }
    if (node.children) copy.children = (node.children as TreeNode[]).map((c) => copyAt(place, c)) as never
    copies.set(place, copy)
  }
  return copy
}

const OUTER = new WeakMap<TreeNode, { place: LayoutElement; defaults: Layout['defaults']; made: TreeNode }>()

/** One of a piece's outermost things at a place: asked also what the place asks, and with what the piece gives. */
function outerAt<N extends TreeNode>(place: LayoutElement, defaults: Layout['defaults'], node: N): N {
  const copy = copyAt(place.id, node)
  const known = OUTER.get(copy)
  if (known?.place === place && known.defaults === defaults) return known.made as N
  const made = outerFor(place, defaults, copy)
  OUTER.set(copy, { place, defaults, made })
  return made
}

function outerFor<N extends TreeNode>(place: LayoutElement, defaults: Layout['defaults'], node: N): N {
  const made = { ...node }
  if (place.when) made.when = [...place.when, ...(node.when ?? [])]
  if (made.kind === 'row' && !isEmpty(defaults)) {
    made.gives = givenWithin(defaults, made.gives)
    if (defaults.row) made.styles = cascade(defaults.row, made.styles)
  }
  return made
}

/** What is drawn where a piece is placed; `piece` is what is drawn of it by itself. */
function drawnAt(place: LayoutElement, piece: Layout) {
  const { tree, waiting } = filledOnce(piece, place.fills)
  const elements = elementsOnly(tree)
  const outer = <N extends TreeNode>(nodes: readonly N[]) => nodes.map((n) => outerAt(place, tree.defaults, n))
  return elements
    ? { elements: outer(elements), rows: null, waiting }
    : { elements: null, rows: outer(tree.children), waiting }
}

type DrawnAt = ReturnType<typeof drawnAt>

/** Writes pieces out in one tree. */
class Writing {
  readonly states: PlaceState[] = []
  private readonly drawn = new Map<LayoutElement, DrawnAt>()

  constructor(
    private readonly tree: Layout,
    pieces: readonly (Layout | Unplaced)[],
  ) {
    let count = countDrawn(tree)
    placesIn(tree).forEach((place, i) => {
      const piece = pieces[i]!
      const size = typeof piece === 'string' ? 0 : countDrawn(piece)
      const because = typeof piece === 'string' ? piece : count + size > MOST_DRAWN_NODES ? 'large' : null
      const at = because === null ? drawnAt(place, piece as Layout) : null
      if (at) {
        count += size
        this.drawn.set(place, at)
      }
      // A place that names no piece yet is nothing to be told of.
      const named = pieceOf(place)
      if (named !== null && (because || at!.waiting.length > 0))
        this.states.push({ node: place.id, piece: named, because, waiting: at?.waiting ?? [] })
    })
  }

  written(): Layout {
    return this.drawn.size === 0 ? this.tree : { ...this.tree, children: this.rows(this.tree.children) }
  }

  private rows(rows: readonly Row[]): Row[] {
    return rows.flatMap((row) => this.rowsOf(row) ?? [this.inside(row)])
  }

  /** The rows of the piece of which a row holds nothing but the place; null for any other row. */
  private rowsOf(row: Row): readonly Row[] | null {
    const place = aloneIn(row)
    return (place && this.drawn.get(place)?.rows) ?? null
  }

  private inside<N extends TreeNode>(node: N): N {
    if (countPlaces(node) === 0) return node
    const children =
      node.kind === 'column'
        ? node.children.flatMap((child) => this.inColumn(child))
        : node.kind === 'place'
          ? this.rows(node.children)
          : (node.children as TreeNode[]).map((child) => this.inside(child))
    return { ...node, children }
  }

  private inColumn(child: LayoutElement | Row): readonly (LayoutElement | Row)[] {
    if (child.kind === 'row') return this.rowsOf(child) ?? [this.inside(child)]
    const at = this.drawn.get(child)
    return at ? (at.elements ?? at.rows) : [this.inside(child)]
  }
}

interface Written {
  tree: Layout
  states: readonly PlaceState[]
}

const WRITTEN = new WeakMap<Layout, { pieces: readonly (Layout | Unplaced)[]; written: Written }>()

/** A tree with its pieces written out. `pieces` are those of its places, in their order, or why there is none. */
export function writtenOut(tree: Layout, pieces: readonly (Layout | Unplaced)[]): Written {
  const known = WRITTEN.get(tree)
  if (known && known.pieces.length === pieces.length && known.pieces.every((p, i) => p === pieces[i]))
    return known.written
  const writing = new Writing(tree, pieces)
  const written = { tree: writing.written(), states: writing.states }
  WRITTEN.set(tree, { pieces, written })
  return written
}
