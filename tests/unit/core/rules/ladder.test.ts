import type { DisplayRule } from '#core/design'
import { CompiledRules, equalsOf, frameLabels, ladderOf, rivalsOf, usesOfLayouts, tabulate } from '#core/rules'
import { namesFrom } from '#core/targets'
import { NO_WORK, VISITOR, frame, observatory } from '../../../fixtures'

const catalogue = observatory()
const names = namesFrom(catalogue)
const EVERY = { kind: 'every' } as const
const TOOLS = { kind: 'type', type: 'tool' } as const
const EAST = {
  kind: 'entries' as const,
  type: 'tool',
  where: [{ kind: 'term' as const, taxonomy: 'dome', terms: ['east'], below: true }],
}
const use = (layout: string) => ({ kind: 'use' as const, layout })
const layoutRegions = new Map([
  ['B1', 'body'],
  ['B2', 'body'],
  ['H', 'header'],
] as const)
const compiled = (frames: DisplayRule[]) => new CompiledRules({ frames, layoutRegions, work: NO_WORK }, catalogue)
const member = { onlyWhen: [{ kind: 'role' as const, roles: ['member'] }] }

describe('the ladder', () => {
  test('shows the real rank inside a heading, not the order alone', () => {
    const frames = [
      frame('wide', [EVERY], {}, { ...member, order: 0 }),
      frame('narrow', [EAST], {}, { ...member, order: 9 }),
      frame('twice', [EVERY], {}, { onlyWhen: [...member.onlyWhen, { kind: 'signed-in', yes: true }], order: 5 }),
    ]
    const [group] = ladderOf(frames)
    expect(group).toMatchObject({ group: 'circumstances', frames: [{ id: 'narrow' }, { id: 'twice' }, { id: 'wide' }] })
  })

  test('lets a frame be moved only among those that nothing but order tells apart', () => {
    const frames = [
      frame('a', [TOOLS], {}),
      frame('b', [{ kind: 'type', type: 'note' }], {}, { order: 2 }),
      frame('c', [EVERY], {}),
    ]
    expect(equalsOf(frames[0]!, frames).map((f) => f.id)).toEqual(['a', 'b'])
    expect(equalsOf(frames[2]!, frames).map((f) => f.id)).toEqual(['c'])
  })
})

describe('rivals', () => {
  test('a frame that ties with another is told so, with on how many pages', () => {
    const frames = [frame('a', [TOOLS], { body: use('B1') }), frame('b', [TOOLS], { body: use('B2') }, { order: 1 })]
    expect(rivalsOf(compiled(frames), 'b')).toEqual({
      ties: [{ frame: 'a', pages: 2 }],
      decides: false,
      covers: true,
      shadowedBy: ['a'],
    })
    expect(rivalsOf(compiled(frames), 'a')).toMatchObject({ decides: true, ties: [{ frame: 'b', pages: 2 }] })
  })

  test('a frame that decides nothing names what stands before it; frames of other circumstances are not in its way', () => {
    const frames = [
      frame('a', [EAST], { body: use('B1') }),
      frame('b', [EVERY], { body: use('B2') }, { on: true, except: [] }),
    ]
    expect(rivalsOf(compiled(frames), 'b')).toMatchObject({ decides: true, ties: [], shadowedBy: [] })
    const outranked = [
      frame('top', [EVERY], { body: use('B1') }, { outranks: true }),
      frame('b', [EAST], { body: use('B2') }),
    ]
    expect(rivalsOf(compiled(outranked), 'b')).toMatchObject({ decides: false, shadowedBy: ['top'] })
    const sometimes = [frame('top', [EVERY], { body: use('B1') }, member), frame('b', [EAST], { body: use('B2') })]
    expect(rivalsOf(compiled(sometimes), 'b')).toMatchObject({ decides: true, shadowedBy: [] })
    expect(
      rivalsOf(compiled([frame('x', [{ kind: 'page', page: 'entry:gone' }], { body: use('B1') })]), 'x'),
    ).toMatchObject({ covers: false })
  })
})

test('frames of the same words are told apart by what they say, or counted', () => {
  const labels = (frames: DisplayRule[]) => [...frameLabels(frames, names, (id) => `layout ${id}`).values()]
  expect(labels([frame('a', [TOOLS], { body: use('B1') }), frame('b', [EVERY], {})])).toEqual(['tools', 'Every page'])
  expect(labels([frame('a', [TOOLS], { body: use('B1') }), frame('b', [TOOLS], { body: use('B2') })])).toEqual([
    'tools (body: layout B1)',
    'tools (body: layout B2)',
  ])
  expect(labels([frame('a', [TOOLS], {}), frame('b', [TOOLS], {})])).toEqual(['tools (1)', 'tools (2)'])
})

test('each layout names the frames that show it, with on how many pages', () => {
  const frames = [
    frame('site', [EVERY], { body: use('B1'), header: use('H') }),
    frame('east', [EAST], { body: use('B2') }),
  ]
  const uses = usesOfLayouts(tabulate(compiled(frames), VISITOR))
  const total = catalogue.pages.length
  expect(uses.get('H')).toEqual([{ frame: 'site', pages: total }])
  expect(uses.get('B1')).toEqual([{ frame: 'site', pages: total - 2 }])
  expect(uses.get('B2')).toEqual([{ frame: 'east', pages: 2 }])
})
