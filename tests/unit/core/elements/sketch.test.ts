import { ELEMENTS, sketchOf } from '#core/elements'

test.each(ELEMENTS.map((spec) => [spec.type, spec] as const))(
  '%s has a drawing of its own that stays on its sheet',
  (_, spec) => {
    const marks = sketchOf(spec)
    expect(marks.length).toBeGreaterThan(0)
    for (const { x, y, width, height } of marks) {
      expect(Math.min(x, y, width, height)).toBeGreaterThan(0)
      expect([x + width <= 48, y + height <= 32]).toEqual([true, true])
    }
  },
)

test('what an element holds shows in it', () => {
  const kinds = (type: string) => new Set(sketchOf(ELEMENTS.find((e) => e.type === type)!).map((m) => m.kind))
  expect(kinds('image')).toContain('picture')
  expect(kinds('field')).toContain('chip')
  expect(kinds('button')).toContain('button')
  expect(kinds('heading')).toContain('title')
  expect(kinds('sections')).toContain('box')
})
