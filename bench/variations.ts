import { makeDemo } from '../demo'
import { compareDesigns } from '../core/releases'
import { newElement } from '../core/elements'
import { type Edit, Trees, applyEdit, changesBetween, layoutEditing, treesOf } from '../core/layouts'
import { CompiledDesign, programOf } from '../core/render'
import { Formats, fill, sceneOf } from '../core/drawing'
import type { Design } from '../core/design'
import { Catalogue } from '../core/catalogue'
import { type Layout, type LayoutDocument, type Variation, elementsOf, walk } from '../core/tree'
import { PLAIN_HOUSE } from '../core/styles'
import { largeLayout } from './bench'
import { LAYOUTS, makeLarge, request } from './large'
import { type Result, median, round, timed } from './measure'

/** A base with many variations: what an edit of the base costs, and what visitors pay for it. */

const VARIATIONS = 200
const ROUNDS = 10

/** A variation with a score of own changes. */
function variationOf(base: Layout, n: number): Variation {
  const { kind, format, region } = base
  const tree = { ...base, id: `v${n}` }
  const elements = elementsOf(tree)
  const at = (i: number) => elements[(n * 7 + i * 11) % elements.length]!
  const column = [...walk(tree)].find((node) => node.kind === 'column')!
  const edits: Edit[] = Array.from({ length: 17 }, (_, i) => {
    return { kind: 'setStyle', id: at(i).id, property: 'marginTop', step: 'wide', value: i }
  })
  edits.push({ kind: 'insert', parent: column.id, index: 2, node: newElement('divider', () => `own${n}`) })
  edits.push({ kind: 'move', id: at(18).id, parent: column.id, index: 0 })
  edits.push({ kind: 'remove', id: at(19).id })
  const made = applyEdit(tree, { kind: 'batch', label: 'own', edits })
  if (!made.ok) throw new Error(made.problem.sentence)
  const changes = changesBetween(tree, made.document)
  return { kind, format, id: `v${n}`, name: `Variation ${n}`, region, follows: { base: base.id, changes } }
}

/** What the bench does with an edit: it applies it, asks for what is drawn, and compiles that. */
function editing(documents: readonly LayoutDocument[], base: LayoutDocument) {
  let shelf = documents
  let current = base
  const edits = layoutEditing(() => new Trees(shelf))
  const element = elementsOf(base as Layout)[40]!.id
  return (n: number): number =>
    timed(() => {
      const result = edits.apply(current, {
        kind: 'setStyle',
        id: element,
        property: 'size',
        step: 'wide',
        value: 20 + n,
      })
      if (!result.ok) throw new Error(result.problem.sentence)
      current = result.document
      shelf = shelf.map((l) => (l.id === current.id ? current : l))
      programOf(new Trees(shelf).tree(current.id)!, { ids: true })
    })
}

function anew(base: Layout, variations: readonly Variation[], n: number): number {
  const element = elementsOf(base)[60]!.id
  const edited = applyEdit(base, { kind: 'setStyle', id: element, property: 'size', step: 'wide', value: 30 + n })
  if (!edited.ok) throw new Error(edited.problem.sentence)
  const trees = new Trees([edited.document, ...variations])
  return timed(() => variations.forEach((v) => trees.tree(v.id)))
}

/** How long pages of the museum's turret exhibits take, with their layout as a variation, and written out. */
function drawings(): { followed: number[]; written: number[] } {
  const { site, design } = makeDemo()
  const catalogue = new Catalogue(site)
  const formats = new Formats(site.settings)
  const pages = catalogue.pages.filter((p) => p.type === 'exhibit' && p.kind === 'entry')
  const trees = treesOf(design)
  const of = (layouts: LayoutDocument[]) => new CompiledDesign({ ...design, layouts, house: PLAIN_HOUSE })
  const both = [
    of(design.layouts),
    of(design.layouts.map((l) => JSON.parse(JSON.stringify(trees.of(l).tree)) as Layout)),
  ]
  const draw = (compiled: CompiledDesign) =>
    timed(() => {
      for (let i = 0; i < 8; i++)
        for (const page of pages)
          fill(compiled.program('turret-exhibit')!.chunks, sceneOf(catalogue, formats, page, { cards: compiled.cards }))
    })
  const times: [number[], number[]] = [[], []]
  for (let round = 0; round < ROUNDS + 3; round++)
    both.forEach((compiled, i) => {
      const took = draw(compiled)
      if (round >= 3) times[i]!.push(took)
    })
  return { followed: times[0], written: times[1] }
}

const spread = (values: readonly number[]): number => (Math.max(...values) - Math.min(...values)) / median(values)

/** Two designs over 10,000 pages, with a layout and a frame changed between them; in a worker, so it blocks nobody. */
function comparing(): number[] {
  const { catalogue, rules } = makeLarge(10_000)
  const layouts = LAYOUTS.map(([id, region]): LayoutDocument => {
    const { children, ...body } = largeLayout(id, 120)
    return { ...body, region, children: region === 'body' ? children : children.slice(0, 1) }
  })
  const before: Design = { format: 1, layouts, frames: [...rules.frames], house: PLAIN_HOUSE }
  return Array.from({ length: 5 }, (_, i) => {
    const after = JSON.parse(JSON.stringify(before)) as Design
    const [first] = (after.layouts[2 * 20 + i] as Layout).children
    first!.styles.marginTop = { wide: i }
    after.frames[i]!.on = !after.frames[i]!.on
    return timed(() => compareDesigns(JSON.parse(JSON.stringify(before)) as Design, after, catalogue, request))
  })
}

export async function benchVariations(): Promise<Result[]> {
  const base = largeLayout('base', 440)
  const variations = Array.from({ length: VARIATIONS }, (_, i) => variationOf(base, i))
  const [alone, followed] = [editing([base], base), editing([base, ...variations], base)]
  const times = { alone: [] as number[], followed: [] as number[], anew: [] as number[] }
  for (let i = 0; i < 5 * ROUNDS; i++) {
    times.alone.push(alone(i))
    times.followed.push(followed(i))
  }
  for (let i = 0; i < ROUNDS; i++) times.anew.push(anew(base, variations, i))
  const more = median(times.followed) - median(times.alone)
  const all = median(times.anew)
  const { followed: drawn, written } = drawings()
  const compared = median(comparing())
  const ratio = median(drawn) / median(written)
  const noise = Math.max(spread(drawn), spread(written))
  return [
    {
      name: `An edit of a base of 500 nodes with ${VARIATIONS} variations, compiled for the bench`,
      value: `${round(median(times.followed))} ms`,
      against: `without variations: ${round(median(times.alone))} ms`,
      bound: 'at most 5 ms more',
      holds: more <= 5,
      data: { more },
    },
    {
      name: `All ${VARIATIONS} variations known anew after it`,
      value: `${round(all)} ms`,
      against: `${round(all / VARIATIONS)} ms each`,
      bound: 'under 300 ms',
      holds: all < 300,
      data: { all },
    },
    {
      name: 'Two releases compared over 10,000 pages, 1,000 frames',
      value: `${round(compared)} ms`,
      against: 'every page and region, 80 layouts',
      bound: 'under 3 s',
      holds: compared < 3000,
      data: { compared },
    },
    {
      name: 'Pages drawn by a variation',
      value: `${round(ratio)} times`,
      against: 'the same tree written out, ten rounds in turn',
      bound: 'within the spread of the rounds',
      holds: Math.abs(ratio - 1) <= noise,
      data: { ratio, noise },
    },
  ]
}
