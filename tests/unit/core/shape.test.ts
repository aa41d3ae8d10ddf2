import {
  exact,
  kinds,
  list,
  maybe,
  oneOf,
  optional,
  orNull,
  orNothing,
  record,
  refuse,
  shapeOf,
  text,
  whole,
} from '#core/shape'

/**
 * A document's type and its shape are one statement: the compiler refuses a difference. Each line that it must refuse
 * stands under `@ts-expect-error`, which is an error itself where the compiler passes the line over.
 */

interface Clock {
  kind: 'clock' | 'watch'
  name: string
  made?: number
  keeper: string | null
  parts: { id: string; spare?: true }[]
  says: Record<string, number>
}

const parts = list(exact({ id: text(10), spare: optional(oneOf<never>([])) }), 3)
const same = {
  kind: oneOf(['clock', 'watch']),
  name: text(20),
  made: optional(whole(1, 9999)),
  keeper: orNull(text(20)),
  parts: list(exact({ id: text(10) }), 3),
  says: record(/^\w+$/, whole(0, 9), 5),
}
type Plain = Omit<Clock, 'parts'> & { parts: { id: string }[] }

test('a shape of the same keys is taken, and one that differs in a key, a kind or what may be left out is not', () => {
  const plain = shapeOf<Plain>()(exact(same))
  expect(refuse(plain, { kind: 'clock', name: 'Tall', keeper: null, parts: [{ id: 'a' }], says: { a: 1 } })).toBeNull()
  // @ts-expect-error the shape has no `name`
  shapeOf<Plain>()(exact({ ...same, name: undefined! }))
  const { made: _, ...unmade } = same
  // @ts-expect-error the shape lacks a key that may be left out
  shapeOf<Plain>()(exact(unmade))
  // @ts-expect-error the shape has a key that the type does not have
  shapeOf<Plain>()(exact({ ...same, more: optional(text(1)) }))
  // @ts-expect-error what may be left out is asked for
  shapeOf<Plain>()(exact({ ...same, made: whole(1, 2) }))
  // @ts-expect-error what is asked for may be left out
  shapeOf<Plain>()(exact({ ...same, name: optional(text(20)) }))
  // @ts-expect-error what may be null may not
  shapeOf<Plain>()(exact({ ...same, keeper: text(20) }))
  // @ts-expect-error one of the words is missing
  shapeOf<Plain>()(exact({ ...same, kind: oneOf(['clock']) }))
  // @ts-expect-error there is a word too many
  shapeOf<Plain>()(exact({ ...same, kind: oneOf(['clock', 'watch', 'dial']) }))
  // @ts-expect-error things in the list differ
  shapeOf<Plain>()(exact({ ...same, parts: list(exact({ id: text(1), spare: optional(text(1)) }), 3) }))
  // @ts-expect-error values in the record differ
  shapeOf<Plain>()(exact({ ...same, says: record(/^\w+$/, text(1), 5) }))
  // @ts-expect-error a list that the type does not have
  shapeOf<Clock>()(exact({ ...same, parts }))
})

test('one of several kinds has the shapes of all of them, and no other', () => {
  type Way = { by: 'road'; wheels: number } | { by: 'sea'; boat: string | null }
  const table = {
    road: exact({ by: oneOf(['road']), wheels: whole(1, 9) }),
    sea: exact({ by: oneOf(['sea']), boat: orNothing(text(9)) }),
  }
  const way = shapeOf<Way>()(kinds(table, 'by'))
  expect(refuse(way, { by: 'sea', boat: null })).toBeNull()
  expect(refuse(way, { by: 'air' })).toContain('air')
  // @ts-expect-error one of the kinds is missing
  shapeOf<Way>()(kinds({ road: table.road }, 'by'))
  // @ts-expect-error there is a kind too many
  shapeOf<Way>()(kinds({ ...table, air: exact({ by: oneOf(['air']) }) }, 'by'))
})

test('what may be left out and what may be null, whatever it is made of', () => {
  const shape = exact({ a: maybe(text(3)), b: orNothing(text(3)), c: maybe(orNothing(text(3))) })
  for (const fine of [{ b: null }, { a: 'x', b: 'y', c: null }, { b: 'y', c: 'z' }])
    expect(refuse(shape, fine)).toBeNull()
  for (const wrong of [{}, { a: null, b: null }, { a: 'long', b: null }, { b: 5 }, { b: null, c: 7 }])
    expect(refuse(shape, wrong)).not.toBeNull()
})
