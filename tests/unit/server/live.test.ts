import { Live } from '../../../server/services/live'
import type { LiveEvent } from '#shared/api/types'

const record = (revision: number, edit: unknown = {}) => ({
  revision,
  id: `e${revision}`,
  edit,
  inverse: {},
  does: 'edit' as const,
  at: 0,
})

let users = 0
function windowOf(live: Live, document: string, id: string, name: string) {
  const told: LiveEvent[] = []
  let ended = false
  const leave = live.join(document, {
    id,
    user: users++,
    name,
    tell: (event) => told.push(event),
    end: () => (ended = true),
  })
  return { told, leave, ended: () => ended, last: () => told.at(-1) }
}

describe('windows over one document', () => {
  test('are told who else is there, what they have in hand, and when they leave', () => {
    const live = new Live()
    const ada = windowOf(live, 'L', 'a', 'Ada')
    expect(ada.last()).toEqual({ kind: 'people', people: [] })
    const orla = windowOf(live, 'L', 'o', 'Orla')
    const elsewhere = windowOf(live, 'M', 'm', 'Mina')
    live.at('L', 'o', 'heading')
    expect(ada.last()).toEqual({ kind: 'people', people: [{ window: 'o', name: 'Orla', node: 'heading' }] })
    expect(orla.last()).toEqual({ kind: 'people', people: [{ window: 'a', name: 'Ada', node: null }] })
    expect(elsewhere.told).toHaveLength(1)
    orla.leave!()
    expect(ada.last()).toEqual({ kind: 'people', people: [] })
  })

  test('are told all of them when the content or the shelf is another', () => {
    const live = new Live()
    const windows = [windowOf(live, 'L', 'a', 'Ada'), windowOf(live, 'M', 'm', 'Mina')]
    live.changed('content')
    expect(windows.map((w) => w.last())).toEqual(windows.map(() => ({ kind: 'changed', what: 'content' })))
    windows[1]!.leave!()
    live.changed('shelf')
    expect(windows[0]!.last()).toEqual({ kind: 'changed', what: 'shelf' })
    expect(windows[1]!.last()).toEqual({ kind: 'changed', what: 'content' })
  })

  test('are told what was done, and that it was too much to be told', () => {
    const live = new Live()
    const ada = windowOf(live, 'L', 'a', 'Ada')
    live.edited('L', [record(4), record(5)], 'Orla')
    expect(ada.last()).toMatchObject({ kind: 'edits', revision: 5, records: [{ id: 'e4', by: 'Orla' }, { id: 'e5' }] })
    live.edited('L', [record(6, { text: 'x'.repeat(300_000) })], 'Orla')
    expect(ada.last()).toEqual({ kind: 'edits', revision: 6, records: [] })
    const before = ada.told.length
    live.edited('L', [], 'Orla')
    live.edited('nobody', [record(1)], 'Orla')
    expect(ada.told).toHaveLength(before)
    live.removed('L', 'Orla')
    expect(ada.last()).toEqual({ kind: 'removed', by: 'Orla' })
  })

  test('of one person are forty at most, over all documents', () => {
    const live = new Live()
    const join = (i: number) =>
      live.join(`D${i % 7}`, { id: `w${i}`, user: 9, name: 'Ada', tell: () => undefined, end: () => undefined })
    const leaves = Array.from({ length: 41 }, (_, i) => join(i))
    expect(leaves.filter(Boolean)).toHaveLength(40)
    expect(live.hasRoom('D0', 9)).toBe(false)
    expect(live.hasRoom('D0', 10)).toBe(true)
    leaves[0]!()
    expect(live.hasRoom('D0', 9)).toBe(true)
  })

  test('are ended when the server stops, and too many are not taken in', () => {
    const live = new Live()
    const windows = Array.from({ length: 60 }, (_, i) => windowOf(live, 'L', `w${i}`, 'W'))
    expect(windowOf(live, 'L', 'late', 'W').leave).toBeNull()
    live.end()
    expect(windows.every((w) => w.ended())).toBe(true)
  })
})
