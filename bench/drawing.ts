import { type Result, round, sideBySide } from './measure'
import { drawOurs } from './exhibit'
import { drawByHand, drawHandlebars, drawVue, normal } from './others'

/** One exhibit page of 60 elements and 20 dynamic fields, drawn four ways. */
export async function benchDrawing(): Promise<Result[]> {
  const ours = drawOurs()
  if (ours !== drawByHand())
    throw new Error('The page written by hand has other bytes than ours, so nothing can be compared.')
  if (normal(drawHandlebars()) !== normal(ours)) throw new Error('Handlebars draws another page than ours.')
  if (normal(await drawVue()) !== normal(ours)) throw new Error("Vue's server renderer draws another page than ours.")
  const time = await sideBySide({ ours: drawOurs, byHand: drawByHand, handlebars: drawHandlebars, vue: drawVue })
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
      time.vue / time.ours,
      'at least 10',
      time.vue / time.ours >= 10,
      time.vue,
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
