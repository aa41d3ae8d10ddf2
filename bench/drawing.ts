import { type Result, round, sideBySide } from './measure'
import { drawOurs, drawOursOf, exhibits } from './exhibit'
import { drawStrict } from './strict'
import { drawByHand, drawHandlebars, drawVue, normal } from './others'

/** Asks for one page after the other. */
function inTurn(draw: (i: number) => string): () => string {
  let i = 0
  return () => draw(i++)
}

/** One exhibit page of 120 elements and 40 dynamic fields, drawn four ways; and the pages of all exhibits, two ways. */
export async function benchDrawing(): Promise<Result[]> {
  const ours = drawOurs()
  if (ours !== drawByHand())
    throw new Error('The page written by hand has other bytes than ours, so nothing can be compared.')
  if (normal(drawHandlebars()) !== normal(ours)) throw new Error('Handlebars draws another page than ours.')
  if (normal(await drawVue()) !== normal(ours)) throw new Error("Vue's server renderer draws another page than ours.")
  const time = await sideBySide({ ours: drawOurs, byHand: drawByHand, handlebars: drawHandlebars, vue: drawVue })
  for (const [i] of exhibits.entries())
    if (drawOursOf(i) !== drawStrict(i))
      throw new Error(`The strict page has other bytes than ours: ${exhibits[i]!.address}`)
  const turn = await sideBySide({ ours: inTurn(drawOursOf), strict: inTurn(drawStrict) })
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
    {
      name: 'Drawing all exhibits in turn: our time',
      value: `${round(turn.ours / turn.strict)} times`,
      against: 'written by hand, formatted values kept, same bytes',
      bound: 'at most 1.5',
      holds: turn.ours / turn.strict <= 1.5,
      data: {
        oursMicroseconds: round(turn.ours, 1),
        otherMicroseconds: round(turn.strict, 1),
        ratio: round(turn.ours / turn.strict, 3),
      },
    },
  ]
}
