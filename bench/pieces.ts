import { Trees, applyEdit, layoutEditing } from '../core/layouts'
import { newPlace } from '../core/editor'
import { programOf } from '../core/render'
import { type Layout, type LayoutDocument, elementsOf } from '../core/tree'
import { largeLayout } from './bench'
import { type Result, median, round, timed } from './measure'

/** A shared piece in many layouts: what an edit of the piece costs, and how soon all of them are known anew. */

const LAYOUTS = 300
const ROUNDS = 10

/** A piece of some forty things, with looks of its own, so that it is drawn as its rows. */
function pieceOf(): Layout {
  const { children, ...rest } = largeLayout('piece', 30)
  const [row, ...others] = children
  return {
    ...rest,
    region: 'piece',
    children: [{ ...row!, styles: { ...row!.styles, paddingTop: { wide: 12 } } }, ...others],
  }
}

/** A layout of 500 nodes with a place of the piece in its first column. */
function placing(n: number): Layout {
  const layout = { ...largeLayout(`l${n}`, 440) }
  const place = newPlace('piece', () => `place${n}`)
  const parent = layout.children[0]!.children[0]!.id
  const made = applyEdit(layout, { kind: 'insert', parent, index: 0, node: place })
  if (!made.ok) throw new Error(made.problem.sentence)
  return made.document
}

/** What the bench of a piece does with an edit: it applies it, asks for what is drawn, and compiles that. */
function editing(piece: Layout, others: readonly LayoutDocument[]) {
  let current: LayoutDocument = piece
  const edits = layoutEditing(() => new Trees([current, ...others]))
  const { id } = elementsOf(piece)[3]!
  return (n: number): { took: number; piece: LayoutDocument } => {
    const took = timed(() => {
      const result = edits.apply(current, { kind: 'setStyle', id, property: 'size', step: 'wide', value: 14 + n })
      if (!result.ok) throw new Error(result.problem.sentence)
      current = result.document
      programOf(new Trees([current, ...others]).tree('piece')!, { ids: true })
    })
    return { took, piece: current }
  }
}

export async function benchPieces(): Promise<Result[]> {
  const piece = pieceOf()
  const layouts = Array.from({ length: LAYOUTS }, (_, i) => placing(i))
  const [alone, placed] = [editing(piece, []), editing(piece, layouts)]
  const times = { alone: [] as number[], placed: [] as number[], anew: [] as number[], one: [] as number[] }
  new Trees([piece, ...layouts]).tree('l0')
  for (let i = 0; i < ROUNDS; i++) {
    times.alone.push(alone(i).took)
    const { took, piece: edited } = placed(i)
    times.placed.push(took)
    const trees = new Trees([edited, ...layouts])
    times.one.push(timed(() => trees.tree('l0')))
    times.anew.push(timed(() => layouts.forEach((l) => trees.tree(l.id))))
  }
  const more = median(times.placed) - median(times.alone)
  const all = median(times.anew)
  return [
    {
      name: `An edit of a piece that stands in ${LAYOUTS} layouts of 500 nodes, compiled for the bench`,
      value: `${round(median(times.placed))} ms`,
      against: `standing nowhere: ${round(median(times.alone))} ms`,
      bound: 'at most 5 ms more',
      holds: more <= 5,
      data: { more },
    },
    {
      name: `All ${LAYOUTS} layouts known anew after it`,
      value: `${round(all)} ms`,
      against: `the first of them: ${round(median(times.one))} ms`,
      bound: 'under 300 ms',
      holds: all < 300,
      data: { all },
    },
  ]
}
