import { benchCards } from './cards'
import { drawOursOf, exhibits } from './exhibit'
import { type Result, round, sideBySide } from './measure'
import { drawHandlebars, drawVue, normal } from './others'
import { drawStrict } from './strict'

/** Asks for one page after the other. */
function inTurn<T extends string | Promise<string>>(draw: (i: number) => T): () => T {
  let i = 0
  return () => draw(i++)
}

/** The pages of all exhibits in turn (120 elements, 40 dynamic fields), drawn four ways; and a list of cards, three ways. */
export async function benchDrawing(): Promise<Result[]> {
  for (const [i, { address }] of exhibits.entries()) {
    const ours = drawOursOf(i)
    if (ours !== drawStrict(i)) throw new Error(`The page written by hand has other bytes than ours: ${address}`)
    if (normal(drawHandlebars(i)) !== normal(ours)) throw new Error(`Handlebars draws another page: ${address}`)
    if (normal(await drawVue(i)) !== normal(ours))
      throw new Error(`Vue's server renderer draws another page: ${address}`)
  }
  const time = await sideBySide({
    ours: inTurn(drawOursOf),
    byHand: inTurn(drawStrict),
    handlebars: inTurn(drawHandlebars),
    vue: inTurn(drawVue),
  })
  const line = (against: string, other: number, bound: string, most: number): Result => ({
    name: 'Drawing all exhibits in turn: our time',
    value: `${round(time.ours / other)} times`,
    against,
    bound,
    holds: time.ours / other <= most,
    data: {
      oursMicroseconds: round(time.ours, 1),
      otherMicroseconds: round(other, 1),
      ratio: round(time.ours / other, 3),
    },
  })
  return [
    line('written by hand, values kept, same bytes', time.byHand, 'at most 2', 2),
    line('Handlebars, compiled, values kept', time.handlebars, 'at most 1', 1),
    line("Vue's server renderer, values kept", time.vue, 'at most 0.5', 0.5),
    ...(await benchCards()),
  ]
}
