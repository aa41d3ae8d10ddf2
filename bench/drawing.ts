import { performance } from 'node:perf_hooks'
import { type Result, median, round, sideBySide, sink } from './measure'
import { drawOurs } from './exhibit'
import { drawByHand, drawHandlebars, drawVue, normal } from './others'

/** Microseconds that one drawing by Vue takes, measured in rounds like the others; it answers by a promise. */
async function timeVue(rounds = 25): Promise<number> {
  const samples: number[] = []
  for (let i = -5; i < rounds; i++) {
    const start = performance.now()
    for (let k = 0; k < 8; k++) sink.bytes += (await drawVue()).length
    if (i >= 0) samples.push(((performance.now() - start) * 1000) / 8)
  }
  return median(samples)
}

/** One exhibit page of 60 elements and 20 dynamic fields, drawn four ways. */
export async function benchDrawing(): Promise<Result[]> {
  const ours = drawOurs()
  if (ours !== drawByHand())
    throw new Error('The page written by hand has other bytes than ours, so nothing can be compared.')
  if (normal(drawHandlebars()) !== normal(ours)) throw new Error('Handlebars draws another page than ours.')
  if (normal(await drawVue()) !== normal(ours)) throw new Error("Vue's server renderer draws another page than ours.")
  const time = sideBySide({ ours: drawOurs, byHand: drawByHand, handlebars: drawHandlebars })
  const vue = await timeVue()
  const line = (
    name: string,
    against: string,
    ratio: number,
    bound: string,
    holds: boolean,
    other: number,
  ): Result => ({
    name,
    value: `${round(ratio)} times`,
    against,
    bound,
    holds,
    data: { oursMicroseconds: round(time.ours, 1), otherMicroseconds: round(other, 1), ratio: round(ratio, 3) },
  })
  return [
    line(
      'Drawing a page: our time',
      'a template literal written by hand, same bytes',
      time.ours / time.byHand,
      'at most 2',
      time.ours / time.byHand <= 2,
      time.byHand,
    ),
    line(
      'Drawing a page: faster than',
      "Vue's server renderer",
      vue / time.ours,
      'at least 10',
      vue / time.ours >= 10,
      vue,
    ),
    line(
      'Drawing a page: faster than',
      'Handlebars, compiled',
      time.handlebars / time.ours,
      'at least 3',
      time.handlebars / time.ours >= 3,
      time.handlebars,
    ),
  ]
}
