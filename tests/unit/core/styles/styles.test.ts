import {
  FAMILIES,
  PLAIN_HOUSE,
  STYLE_PROPERTIES,
  baseCss,
  cascade,
  colourCss,
  colourHex,
  contrastBetween,
  leastContrast,
  nearestReadable,
  opacityOf,
  seenThrough,
  withOpacity,
  familyNamed,
  lettersOf,
  isColour,
  refuseStyle,
  mediaOf,
  ruleOf,
  rulesCss,
  steppedAt,
  stepAt,
  styleProperty,
  stylePropertiesOn,
} from '#core/styles'

const property = (name: string) => styleProperty(name)!

test('every look property writes CSS for a value that it accepts, and has a name of its own', () => {
  expect(new Set(STYLE_PROPERTIES.map((p) => p.name)).size).toBe(STYLE_PROPERTIES.length)
  for (const p of STYLE_PROPERTIES) {
    const value =
      p.ask.kind === 'colour'
        ? '@ink'
        : p.ask.kind === 'family'
          ? '@heading'
          : p.ask.kind === 'choice'
            ? p.ask.options[0]!.value
            : p.ask.max
    expect(refuseStyle(p, value)).toBeNull()
    for (const { css } of p.css(value)) expect(css).toMatch(/^[a-z-]+:[^{}<]+$/)
  }
})

test.each([
  ['size', 'large'],
  ['size', 1000],
  ['size', Number.NaN],
  ['marginTop', -401],
  ['paddingTop', -1],
  ['colour', 'red'],
  ['colour', '#12'],
  ['colour', '@Ink;'],
  ['colour', 'url(x)'],
  ['family', 'Comic Sans'],
  ['align', 'justify-all'],
  ['weight', '700'],
])('%s refuses %j', (name, value) => {
  expect(refuseStyle(property(name), value)).toEqual(expect.any(String))
})

test('margins may be negative, and stand on everything', () => {
  expect(refuseStyle(property('marginTop'), -40)).toBeNull()
  for (const owner of ['row', 'column', 'element'] as const)
    expect(stylePropertiesOn(owner).map((p) => p.name)).toContain('marginLeft')
  expect(stylePropertiesOn('element').map((p) => p.name)).not.toContain('gap')
})

test('equal looks are one rule, and steps are written from wide to narrow', () => {
  const a = ruleOf({ rest: { size: { wide: 20, narrow: 16 }, colour: { wide: '@ink' } } })!
  const b = ruleOf({ rest: { colour: { wide: '@ink' }, size: { narrow: 16, wide: 20 } } })!
  expect(a.name).toBe(b.name)
  expect(rulesCss([a, b])).toBe(
    `.${a.name}{font-size:20px;color:var(--c-ink)}@media (max-width:639.98px){.${a.name}{font-size:16px}}`,
  )
  expect(ruleOf({ rest: {} })).toBeNull()
  expect(ruleOf({ rest: { unknown: { wide: 1 } } })).toBeNull()
})

test('a row at full width keeps its content to the content width', () => {
  const rule = ruleOf({ rest: { width: { wide: 'band' } } })!
  expect(rulesCss([rule])).toBe(`.${rule.name}{max-width:none}.${rule.name}>.of-in{max-width:var(--w)}`)
})

test('own looks go over the defaults step by step', () => {
  expect(cascade({ size: { wide: 20, narrow: 14 } }, undefined, { size: { wide: 24 } })).toEqual({
    size: { wide: 24, narrow: 14 },
  })
})

test('the house style is custom properties, and only families that are used are fetched', () => {
  const css = baseCss(PLAIN_HOUSE, [], lettersOf('en'))
  expect(css).toContain('--c-ink:#1f2328')
  expect(css).toContain('newsreader-latin-wght-normal.woff2')
  expect(css).not.toContain('spline-sans-mono')
  expect(baseCss(PLAIN_HOUSE, ['Spline Sans Mono'], lettersOf('en'))).toContain('spline-sans-mono')
  expect(familyNamed('nothing').name).toBe('System sans')
  expect(FAMILIES.length).toBeGreaterThan(3)
})

test('colours are palette entries or hex codes', () => {
  expect(['#fff', '#12ab9f', '#12ab9f80', '@ink'].every(isColour)).toBe(true)
  expect([null, 7, '#ggg', 'rgb(0,0,0)', '@', '@a b'].some(isColour)).toBe(false)
  expect(colourCss('@ink')).toBe('var(--c-ink)')
  expect(colourHex('@ink', PLAIN_HOUSE)).toBe('#1f2328')
  expect(colourHex('@gone', PLAIN_HOUSE)).toBeNull()
})

test.each([
  [320, 'narrow'],
  [639, 'narrow'],
  [640, 'medium'],
  [1023, 'medium'],
  [1024, 'wide'],
] as const)('a window of %i pixels is %s, for the studio as for the media query', (width, step) => {
  expect(stepAt(width)).toBe(step)
  if (step !== 'wide') expect(Number(/max-width:([\d.]+)px/.exec(mediaOf(step))![1])).toBeGreaterThanOrEqual(width)
})

describe('what holds at one width alone', () => {
  const css = (shown: Record<string, string>) => {
    const rule = ruleOf({ rest: { shown } })
    return rule ? rulesCss([rule]) : ''
  }

  test('a thing hidden on wide screens comes back on narrower ones that say so', () => {
    const written = css({ wide: 'hidden', narrow: 'shown' })
    expect(written).toContain('@media (min-width:1024px){')
    expect(written).toContain('@media (min-width:640px) and (max-width:1023.98px){')
    expect(written).not.toContain('@media (max-width:639.98px){')
    expect(written.match(/display:none/g)).toHaveLength(2)
  })

  test('shown everywhere is nothing to write', () => {
    expect(css({ wide: 'shown' })).toBe('')
    expect(steppedAt({ wide: 'shown', medium: 'hidden' }, 'narrow')).toBe('hidden')
    expect(steppedAt(undefined, 'wide')).toBeUndefined()
  })
})

describe('colours that words are read on', () => {
  const { palette } = PLAIN_HOUSE

  test('contrast is that of the guidelines, and none with what is no colour', () => {
    expect(contrastBetween('#000000', '#ffffff')).toBe(21)
    expect(contrastBetween('#767676', '#fff')).toBe(4.5)
    expect(contrastBetween('nothing', '#fff')).toBe(1)
    expect(leastContrast('#ffffff', ['#000000', '#ffffff', '#767676'])).toBe(1)
    expect(leastContrast('#ffffff', [])).toBe(21)
  })

  test('layers are seen through one another, white behind them all', () => {
    expect(seenThrough([])).toBe('#ffffff')
    expect(seenThrough(['rgba(0, 0, 0, 0)', '#123456', '#ff0000'])).toBe('#123456')
    expect(seenThrough(['#00000080', '#ffffff'])).toBe('#7f7f7f')
    expect(seenThrough(['rgb(0 0 0 / 0.5)', 'no colour'])).toBe('#808080')
  })

  test('of the palette, what looks most alike and can be read', () => {
    expect(nearestReadable('#7a8087', ['#ffffff'], palette)?.id).toBe('soft')
    expect(nearestReadable('#7a8087', ['#ffffff', '#1f2328'], palette)).toBeNull()
    expect(nearestReadable('#eeeeee', ['#ffffff'], [])).toBeNull()
  })

  test('how much of a colour is seen comes back as it was said', () => {
    for (let percent = 0; percent <= 100; percent++) expect(opacityOf(withOpacity('#2b5a68', percent))).toBe(percent)
    expect(withOpacity('#2b5a6880', 100)).toBe('#2b5a68')
    expect(withOpacity('#fff', -5)).toBe('#ffffff00')
    expect(isColour(withOpacity('#abc', 37))).toBe(true)
  })
})
