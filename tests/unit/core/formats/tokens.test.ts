import fc from 'fast-check'
import { MOST_TOKENS, editBetween, readHouseTokens, writeHouseTokens } from '#core/formats'
import { HOUSE_EDITING, type SiteStyle, PLAIN_HOUSE, houseShape, sizeOf } from '#core/styles'
import { refuse } from '#core/shape'

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

test('what a house is written to gives it back, on another house too', () => {
  const house: SiteStyle = {
    ...PLAIN_HOUSE,
    palette: [...PLAIN_HOUSE.palette, { id: 'night', name: 'Night sky', value: '#203040', dark: '#8090a0' }],
    headingFamily: 'Fraunces',
    textSize: 18,
    gap: 24,
    ink: '@night',
  }
  const file = plain(writeHouseTokens(house))
  expect(readHouseTokens(file, house)).toMatchObject({ untaken: [] })
  expect(readHouseTokens(file, house)!.house).toEqual(house)
  const other = readHouseTokens(file, PLAIN_HOUSE)!
  expect(other.house).toMatchObject({
    palette: house.palette,
    headingFamily: 'Fraunces',
    textSize: 18,
    gap: 24,
    ink: '@night',
  })
  expect(sizeOf(other.house, 'h1')).toBe(sizeOf(house, 'h1'))
})

test('the file has types, values with units and aliases, each as text that any program can put into CSS', () => {
  expect(writeHouseTokens(PLAIN_HOUSE)).toMatchObject({
    palette: { accent: { $type: 'color', $value: '#2b5a68', $description: 'Accent' } },
    colour: { link: { $type: 'color', $value: '{palette.accent}' } },
    size: { text: { $type: 'dimension', $value: '17px' } },
    family: { heading: { $type: 'fontFamily', $value: ['Newsreader'] } },
    weight: { heading: { $type: 'fontWeight', $value: 600 } },
  })
})

test('colours of other tools are taken into the palette: every space, groups with a type, aliases of aliases', () => {
  const file = {
    brand: {
      $type: 'color',
      sea: { $value: '#0a6c74' },
      wave: { $value: '{brand.sea}', $description: 'As the sea' },
      foam: { $value: '{brand.wave}' },
      grass: { $value: { colorSpace: 'oklch', components: [0.7, 0.15, 140] } },
      half: { $value: { colorSpace: 'hsl', components: [120, 100, 25] } },
    },
    blur: { $type: 'duration', $value: { value: 2, unit: 's' } },
  }
  const { house, untaken, taken } = readHouseTokens(file, PLAIN_HOUSE)!
  const found = (id: string) => house.palette.find((c) => c.id === id)
  expect(found('brand-sea')).toMatchObject({ value: '#0a6c74', name: 'brand sea' })
  expect(found('brand-wave')).toMatchObject({ value: '#0a6c74', name: 'As the sea' })
  expect(found('brand-foam')).toMatchObject({ value: '#0a6c74' })
  expect(found('brand-half')).toMatchObject({ value: '#008000' })
  expect(found('brand-grass')!.value).toMatch(/^#[0-9a-f]{6}$/)
  expect(taken).toBe(5)
  expect(untaken).toEqual([{ path: 'blur', why: 'the house style has no place for it' }])
})

test('loops, aliases to nothing and values that are none are told, and everything else is taken', () => {
  const file = {
    a: { $type: 'color', $value: '{b}' },
    b: { $type: 'color', $value: '{c}' },
    c: { $type: 'color', $value: '{b}' },
    self: { $type: 'color', $value: '{self}' },
    gone: { $type: 'color', $value: '{not.there}' },
    odd: { $type: 'color', $value: { colorSpace: 'srgb', components: ['x', 1, 2] } },
    good: { $type: 'color', $value: '#123456' },
    size: {
      text: { $type: 'dimension', $value: { value: 1e9, unit: 'px' } },
      h1: { $value: '3rem', $type: 'dimension' },
    },
  }
  const read = readHouseTokens(file, PLAIN_HOUSE)!
  expect(read.untaken.map((u) => u.path).sort()).toEqual(['a', 'b', 'c', 'gone', 'odd', 'self', 'size.text'])
  expect(read.house.palette.at(-1)).toMatchObject({ id: 'good', value: '#123456' })
  expect(sizeOf(read.house, 'h1')).toBe(48)
})

test('ten thousand tokens, and more, are read in bounds', () => {
  const many = Object.fromEntries(
    Array.from({ length: MOST_TOKENS + 50 }, (_, i) => [
      `t${i}`,
      { $type: 'color', $value: i ? `{t${i - 1}}` : '#abcdef' },
    ]),
  )
  const read = readHouseTokens(many, PLAIN_HOUSE)!
  expect(read.house.palette).toHaveLength(60)
  expect(read.taken + read.untaken.length).toBeLessThanOrEqual(MOST_TOKENS + 1)
  let deep: Record<string, unknown> = { $value: '#000000', $type: 'color' }
  for (let i = 0; i < 3000; i++) deep = { inner: deep }
  expect(readHouseTokens(deep, PLAIN_HOUSE)).toMatchObject({ taken: 0, untaken: [{ why: 'it is nested too deep' }] })
})

test('whatever is read, a house comes of it; and the edit that takes it can be undone', () => {
  const leaf = fc.oneof(fc.string(), fc.double(), fc.constant('#ff0000'), fc.constant('{a.b}'), fc.constant(null))
  const node = fc.letrec((tie) => ({
    any: fc.oneof(
      { maxDepth: 4 },
      leaf,
      fc.dictionary(
        fc.constantFrom('$value', '$type', 'palette', 'size', 'text', 'a', 'b', 'colour', 'ink', 'radius'),
        tie('any'),
      ),
    ),
  })).any
  fc.assert(
    fc.property(node, (file) => {
      const read = readHouseTokens(file, PLAIN_HOUSE)
      if (!read) return
      expect(refuse(houseShape, read.house)).toBeNull()
      const edit = editBetween(PLAIN_HOUSE, read.house, 'Tokens')
      if (!edit) return expect(read.house).toEqual(PLAIN_HOUSE)
      const done = HOUSE_EDITING.apply(PLAIN_HOUSE, edit)
      expect(done).toMatchObject({ ok: true, document: read.house })
      if (done.ok) expect(HOUSE_EDITING.apply(done.document, done.inverse)).toMatchObject({ document: PLAIN_HOUSE })
    }),
  )
})
