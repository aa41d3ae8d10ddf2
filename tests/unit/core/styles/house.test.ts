import fc from 'fast-check'
import { existsSync } from 'node:fs'
import {
  FAMILIES,
  FILLED,
  HOUSE_EDITING,
  type SiteStyle,
  PLAIN_HOUSE,
  SHIPPED,
  baseCss,
  familyNamed,
  houseShape,
  houseUpToDate,
  inTheDark,
  lacksLetters,
  lengthCss,
  lettersOf,
  namedRules,
  refuseLength,
  rulesCss,
  sizeOf,
  typedLength,
} from '#core/styles'
import { refuse } from '#core/shape'
import type { PlainEdit } from '#core/edits'

const LATIN = lettersOf('en')
const own: SiteStyle = {
  ...PLAIN_HOUSE,
  fonts: [
    {
      id: 'f1',
      name: 'Tower',
      faces: [{ id: 'a', file: 'x1', fileName: 'tower.woff2', style: 'normal', weight: '400' }],
    },
  ],
}

/** As it was kept before the second format. */
const FIRST = {
  format: 1,
  palette: [{ id: 'ink', name: 'Ink', value: '#101010' }],
  headingFamily: 'Newsreader',
  textFamily: 'Spline Sans Mono',
  textSize: 16,
  lineHeight: 1.5,
  headingWeight: 700,
  headingSizes: [44, 30, 22, 18],
  contentWidth: 1000,
  gap: 20,
  edge: 20,
  flow: 12,
  radius: 4,
  ink: '@ink',
  paper: '#ffffff',
  link: '#003366',
  button: { background: '#550000', colour: '#eeeeee', radius: 7 },
}

test('a house of the first format is brought up to date, and looks as it did', () => {
  const house = houseUpToDate(FIRST) as SiteStyle
  expect(refuse(houseShape, house)).toBeNull()
  expect((['h1', 'h2', 'h3', 'h4'] as const).map((step) => sizeOf(house, step))).toEqual([44, 30, 22, 18])
  expect(house.links.colour).toBe('#003366')
  const css = rulesCss(house.looks.flatMap(namedRules))
  expect(css).toMatch(/\.of-l-filled\{[^}]*color:#eeeeee;[^}]*background-color:#550000/)
  expect(css).toMatch(/\.of-l-outlined\{[^}]*border-radius:7px/)
  expect(houseUpToDate(house)).toBe(house)
  for (const odd of [null, 3, 'x', [], { format: 9 }]) expect(houseUpToDate(odd)).toBe(odd)
})

test('what is spoilt in the first format is spoilt in the second, and never throws', () => {
  for (const key of Object.keys(FIRST))
    for (const odd of [null, undefined, 7, 'x', [], {}])
      expect(() => refuse(houseShape, houseUpToDate({ ...FIRST, [key]: odd }))).not.toThrow()
  expect(refuse(houseShape, houseUpToDate({ ...FIRST, headingSizes: ['big'] }))).not.toBeNull()
  expect(refuse(houseShape, houseUpToDate({ ...FIRST, button: null }))).not.toBeNull()
})

test('sizes go by the ratio, unless they are said by hand', () => {
  const scaled = { textSize: 16, scale: { ratio: 1.5, byHand: { h3: 20 } } }
  expect(sizeOf(scaled, 'h4')).toBe(16)
  expect(sizeOf(scaled, 'h3')).toBe(20)
  expect(sizeOf(scaled, 'h2')).toBe(36)
  expect(sizeOf(scaled, 'h1')).toBe(54)
  expect(sizeOf(scaled, 'small')).toBe(10.7)
})

test('only the families that are used are sent, those of one’s own by the file that was brought', () => {
  const css = baseCss({ ...own, headingFamily: '+f1' }, ['Caveat'], LATIN)
  expect(css).toContain(
    `font-family:'of-f1';font-style:normal;font-weight:400;font-display:swap;src:url(/files/x1/tower.woff2)`,
  )
  expect(css).toContain('/_of/fonts/caveat/')
  expect(css).not.toContain('/_of/fonts/newsreader/')
  expect(familyNamed('+gone', own).name).toBe('System sans')
})

test('a browser is offered the letters that the language of the site is written in, and Latin ones of any name', () => {
  const css = (locale: string) => baseCss({ ...PLAIN_HOUSE, textFamily: 'EB Garamond' }, [], lettersOf(locale))
  const offered = (locale: string) =>
    [...new Set([...css(locale).matchAll(/eb-garamond-([a-z-]+)-wght/g)].map((m) => m[1]))].sort()
  expect(offered('en-GB')).toEqual(['latin', 'latin-ext'])
  expect(offered('pl')).toEqual(['latin', 'latin-ext'])
  expect(offered('vi')).toEqual(['latin', 'latin-ext', 'vietnamese'])
  expect(offered('uk')).toEqual(['cyrillic', 'cyrillic-ext', 'latin', 'latin-ext'])
  expect(offered('sr-Latn')).toEqual(['latin', 'latin-ext'])
  expect(offered('el')).toEqual(['greek', 'greek-ext', 'latin', 'latin-ext'])
  expect(offered('no language')).toEqual(['latin', 'latin-ext'])
  const lacks = (name: string, locale: string) => lacksLetters(familyNamed(name), lettersOf(locale))
  expect([lacks('Besley', 'ru'), lacks('Lora', 'ru'), lacks('Besley', 'cs'), lacks('System sans', 'ru')]).toEqual([
    true,
    false,
    false,
    false,
  ])
})

test('letters of a language are in a file that the browser fetches for them', () => {
  const covers = (range: string, letter: string) =>
    range.split(',').some((part) => {
      const [from, to = from] = part
        .slice(2)
        .split('-')
        .map((hex) => parseInt(hex, 16)) as [number, number?]
      return letter.codePointAt(0)! >= from && letter.codePointAt(0)! <= to
    })
  for (const [locale, text] of [
    ['pl', 'Łódź'],
    ['tr', 'İğde'],
    ['vi', 'Đồng hồ'],
    ['ru', 'Часы'],
    ['uk', 'Ґанок'],
    ['el', 'Ρολόι'],
    ['he', 'שעון'],
  ] as const) {
    const css = baseCss({ ...PLAIN_HOUSE, textFamily: 'Open Sans' }, [], lettersOf(locale))
    const ranges = [...css.matchAll(/open-sans-[a-z-]+-wght-normal\.woff2[^}]*unicode-range:([^}]+)\}/g)]
    for (const letter of text.replace(' ', ''))
      expect([locale, letter, ranges.some(([, range]) => covers(range!, letter))]).toEqual([locale, letter, true])
  }
})

test('every family that ships has its files', () => {
  expect(SHIPPED).toHaveLength(40)
  expect(new Set(FAMILIES.map((f) => f.name)).size).toBe(FAMILIES.length)
  for (const { faces } of FAMILIES)
    for (const { address } of faces) {
      const [, folder, file] = /^\/_of\/fonts\/([^/]+)\/(.+)$/.exec(address)!
      expect([address, existsSync(`node_modules/@fontsource-variable/${folder}/files/${file}`)]).toEqual([
        address,
        true,
      ])
    }
})

test('who sees it dark is asked of the system, or of nobody', () => {
  const palette = [{ id: 'ink', name: 'Ink', value: '#111111', dark: '#eeeeee' }]
  const css = (dark: SiteStyle['dark']) => baseCss({ ...PLAIN_HOUSE, palette, dark }, [], LATIN)
  expect(css('never')).not.toContain('#eeeeee')
  expect(css('system')).toContain('@media (prefers-color-scheme:dark){:root{--c-ink:#eeeeee;color-scheme:dark}}')
  expect(css('always')).toContain('}:root{--c-ink:#eeeeee;color-scheme:dark}')
  expect(inTheDark({ ...PLAIN_HOUSE, palette }).palette).toEqual([{ id: 'ink', name: 'Ink', value: '#eeeeee' }])
})

test('a look that is no look, a colour that is none and a font that is none never get in', () => {
  const set = (at: string[], value: unknown) => HOUSE_EDITING.apply(own, { kind: 'set', at, value }).ok
  expect(set(['looks', 'filled', 'styles'], { background: { wide: '@accent' } })).toBe(true)
  expect(set(['looks', 'filled', 'styles'], { background: { wide: 'url(x)' } })).toBe(false)
  expect(set(['looks', 'filled', 'styles'], { nothing: { wide: 1 } })).toBe(false)
  expect(set(['looks', 'filled', 'looks'], { ':hover': { size: { wide: '@h2' } } })).toBe(true)
  expect(set(['looks', 'filled', 'looks'], { ':nowhere': {} })).toBe(false)
  expect(set(['looks', 'filled', 'for'], 'Button"')).toBe(false)
  expect(set(['links', 'hover'], '@accent')).toBe(true)
  expect(set(['links', 'hover'], null)).toBe(false)
  expect(set(['fonts', 'f1', 'faces', 'a', 'fileName'], 'a"b.woff2')).toBe(false)
  expect(set(['fonts', 'f1', 'faces', 'a', 'weight'], '400;x')).toBe(false)
  expect(set(['scale', 'byHand', 'h9'], 20)).toBe(false)
  expect(set(['headingFamily'], 'Comic')).toBe(false)
})

test('random edits of a house, undone, give back the house', () => {
  const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`)
  const colourId = fc.constantFrom('ink', 'paper', 'soft', 'one', 'two')
  const edit: fc.Arbitrary<PlainEdit> = fc.oneof(
    fc.record({
      kind: fc.constant('set' as const),
      at: fc.constantFrom(['palette', 'ink', 'value'], ['links', 'hover'], ['ink']),
      value: hex,
    }),
    fc.record({
      kind: fc.constant('set' as const),
      at: fc.constantFrom(['links', 'hover'], ['palette', 'ink', 'dark'], ['tables', 'head']),
      unset: fc.constant(true as const),
    }),
    fc.record({
      kind: fc.constant('set' as const),
      at: fc.constantFrom(['textSize'], ['scale', 'byHand', 'h1'], ['gap']),
      value: fc.integer({ min: 6, max: 100 }),
    }),
    fc.record({
      kind: fc.constant('insert' as const),
      at: fc.constant(['palette']),
      index: fc.nat(6),
      item: fc.record({ id: colourId, name: fc.constant('New'), value: hex }),
    }),
    fc.record({
      kind: fc.constant('remove' as const),
      at: fc.constantFrom(['palette'], ['looks']),
      id: fc.oneof(colourId, fc.constant('outlined')),
    }),
    fc.record({ kind: fc.constant('move' as const), at: fc.constant(['palette']), id: colourId, index: fc.nat(5) }),
    fc.record({
      kind: fc.constant('insert' as const),
      at: fc.constant(['looks']),
      index: fc.nat(2),
      item: fc.constant({ ...FILLED, id: 'quiet', name: 'Quiet' }),
    }),
  )
  fc.assert(
    fc.property(fc.array(edit, { maxLength: 30 }), (edits) => {
      let [house, undo] = [PLAIN_HOUSE, [] as PlainEdit[]]
      for (const one of edits) {
        const done = HOUSE_EDITING.apply(house, one)
        if (!done.ok) continue
        expect(refuse(houseShape, done.document)).toBeNull()
        expect(
          () => baseCss(done.document, [], LATIN) + rulesCss(done.document.looks.flatMap(namedRules)),
        ).not.toThrow()
        house = done.document
        undo = [done.inverse, ...undo]
      }
      for (const one of undo) {
        const done = HOUSE_EDITING.apply(house, one)
        expect(done.ok).toBe(true)
        if (done.ok) house = done.document
      }
      expect(house).toEqual(PLAIN_HOUSE)
    }),
  )
})

test('lengths: numbers in px, units, steps of the scale, and fluid from one to another', () => {
  const bounds = { min: 8, max: 200, steps: true as const }
  for (const good of [8, 200, '1.5em', '2rem', '10%', '4vw', '@h2', '@small', '16..40'])
    expect([good, refuseLength(bounds, good)]).toEqual([good, null])
  for (const bad of [7, 201, Number.NaN, '', 'calc(1px)', '1px;color:red', '20em', '@h9', '1..900', null, {}])
    expect([bad, refuseLength(bounds, bad)]).not.toEqual([bad, null])
  expect(refuseLength({ min: 0, max: 200 }, '@h2')).not.toBeNull()
  expect(lengthCss(12)).toBe('12px')
  expect(lengthCss('1.5em')).toBe('1.5em')
  expect(lengthCss('@h2')).toBe('var(--h2)')
  // 390 px windows have 16, 1280 px windows have 40.
  const css = lengthCss('16..40')
  const [, base, slope] = /clamp\(16px,(-?[\d.]+)px \+ (-?[\d.]+)vw,40px\)/.exec(css)!
  expect(Number(base) + 3.9 * Number(slope)).toBeCloseTo(16, 1)
  expect(Number(base) + 12.8 * Number(slope)).toBeCloseTo(40, 1)
  expect(typedLength(' 2 EM ')).toBe('2em')
  expect(typedLength('16px')).toBeNull()
  expect(typedLength('24*2')).toBeNull()
})
