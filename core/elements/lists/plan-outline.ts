import { escapeHtml } from '../../drawing'
import { type Bounds, type Floor, type FloorPlan, type FloorShape, type Point, boundsOf } from '../../model'

/** Units that a drawn floor is wide: about as many as pixels, so that its words can be read. */
const WIDTH = 600
const EDGE = 14
/** Of what is drawn: no higher than so many times its width. */
const MOST_HEIGHT = 3
/** Plans no wider than so many units that lie on the globe are measured in degrees (RFC 7946, 4). */
const DEGREES = 2

/** How points of a plan come to stand on paper: y grows downwards there. */
export interface Paper {
  width: number
  height: number
  at(point: Point): [number, number]
  /** The point of the plan that stands at a place of the paper. */
  pointAt(x: number, y: number): Point
}

/** Degrees of longitude are the shorter the farther north they are; other units are as long either way. */
function narrowing({ left, right, low, high }: Bounds): number {
  const onGlobe = left >= -180 && right <= 180 && low >= -90 && high <= 90
  return onGlobe && right - left <= DEGREES && high - low <= DEGREES
    ? Math.cos((((low + high) / 2) * Math.PI) / 180)
    : 1
}

const PAPERS = new WeakMap<FloorPlan, Paper>()

/** The paper of a plan: the same for all its floors, so that what lies above one another does so there. */
export function paperOf(plan: FloorPlan): Paper {
  let paper = PAPERS.get(plan)
  if (!paper) PAPERS.set(plan, (paper = newPaper(boundsOf(plan.floors.flatMap((f) => f.shapes)))))
  return paper
}

function newPaper(bounds: Bounds): Paper {
  const across = narrowing(bounds)
  const wide = Math.max((bounds.right - bounds.left) * across, (bounds.high - bounds.low) / MOST_HEIGHT, 1e-9)
  const scale = (WIDTH - 2 * EDGE) / wide
  const height = Math.ceil((bounds.high - bounds.low) * scale) + 2 * EDGE
  return {
    width: WIDTH,
    height,
    at: ([x, y]) => [
      Math.round(EDGE + (x - bounds.left) * across * scale),
      Math.round(height - EDGE - (y - bounds.low) * scale),
    ],
    pointAt: (x, y) => [bounds.left + (x - EDGE) / scale / across, bounds.low + (height - EDGE - y) / scale],
  }
}

/** A line through points, without those that fall on the one before. */
function pathOf(points: readonly Point[], paper: Paper, end: string): string {
  let path = ''
  let last = ''
  for (const point of points) {
    const at = paper.at(point).join(' ')
    if (at !== last) path += `${path ? 'L' : 'M'}${at}`
    last = at
  }
  return path + end
}

/** Shapes as one path of SVG. */
export const outline = (shapes: readonly FloorShape[], paper: Paper): string =>
  shapes
    .flatMap(({ kind, paths }) =>
      kind === 'spot' ? [] : paths.map((p) => pathOf(p, paper, kind === 'area' ? 'Z' : '')),
    )
    .join('')

/** Where a shape says its name: below the middle of its upper edge; a spot says it where it is. */
const LINE = 26
const nameAt = (shape: FloorShape, paper: Paper): Point => {
  const { left, right, high } = boundsOf([shape])
  const [x, y] = paper.at([(left + right) / 2, high])
  return [x, shape.kind === 'spot' ? y : y + LINE]
}

/** How much of the paper a floor takes from top to bottom: its first unit, and how many. */
export function stripOf(floor: Floor, paper: Paper): [from: number, height: number] {
  const { left, low, high } = boundsOf(floor.shapes)
  const top = Math.max(0, paper.at([left, high])[1] - EDGE)
  const bottom = Math.min(paper.height, Math.max(paper.at([left, low])[1], top + LINE) + EDGE)
  return floor.shapes.length === 0 ? [0, paper.height] : [top, bottom - top]
}

/** What areas and spots are called, and where they say it. */
export const namedOn = (floor: Floor, paper: Paper): { name: string; at: Point }[] =>
  floor.shapes
    .filter((shape) => shape.name !== '' && shape.kind !== 'line')
    .map((shape) => ({ name: shape.name, at: nameAt(shape, paper) }))

/** The names on a floor, as SVG. */
export const namesOn = (floor: Floor, paper: Paper): string =>
  namedOn(floor, paper)
    .map(({ name, at }) => `<text x="${at[0]}" y="${at[1]}">${escapeHtml(name)}</text>`)
    .join('')
