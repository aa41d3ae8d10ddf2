import { exact, judged, oneOf, shapeOf } from '../shape'

/** How many entries the page lists, or the search has found: at least, at most, or both. */
export interface CountTest {
  kind: 'count'
  least: number | null
  most: number | null
}

const MOST = 1_000_000
const bound = judged<number | null>((v) =>
  v === null || (Number.isInteger(v) && (v as number) >= 0 && (v as number) <= MOST)
    ? null
    : `A number of entries is a whole number up to ${MOST}`,
)

export const countTestShape = shapeOf<CountTest>()(
  exact({ kind: oneOf(['count']), least: bound, most: bound })
    .test('some', 'Say how many entries there must be', (v) => {
      const { least, most } = v as Partial<CountTest>
      return least !== null || most !== null
    })
    .test('order', 'At least is more than at most', (v) => {
      const { least, most } = v as CountTest
      return least === null || most === null || least <= most
    }),
)

export const countHolds = ({ least, most }: CountTest, count: number): boolean =>
  (least === null || count >= least) && (most === null || count <= most)

/** As the end of a sentence. */
export function countWords({ least, most }: CountTest): string {
  const entries = (n: number) => (n === 1 ? '1 entry' : `${n} entries`)
  if (most === 0) return 'when there are no entries'
  if (least === null) return `when there are at most ${entries(most!)}`
  if (most === null) return least === 1 ? 'when there are entries' : `when there are at least ${entries(least)}`
  return least === most ? `when there are just ${entries(least)}` : `when there are ${least} to ${entries(most)}`
}
