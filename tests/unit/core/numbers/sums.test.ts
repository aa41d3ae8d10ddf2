import fc from 'fast-check'
import { readSum } from '#core/numbers'

const UNITS = { px: 1, rem: 16 }

test.each([
  ['24', 24],
  [' 24 px', 24],
  ['24*2', 48],
  ['24 x 2', 48],
  ['1.5rem + 4', 28],
  ['1,5', 1.5],
  ['-5', -5],
  ['(2+3)*4', 20],
  ['10/4', 2.5],
  ['2 - -3', 5],
  ['.5', 0.5],
])('%s comes to %d', (text, value) => {
  expect(readSum(text, UNITS)).toBe(value)
})

test.each([
  '',
  'wide',
  '24em',
  '2*',
  '(2',
  '2)',
  '1/0',
  '2 3 x',
  '--',
  '1e9',
  'constructor',
  '5constructor',
  '9'.repeat(201),
])('“%s” is no number', (text) => {
  expect(readSum(text, UNITS)).toBeNull()
})

test('whatever is typed gives a number or nothing', () => {
  fc.assert(
    fc.property(fc.string(), (text) => {
      const value = readSum(text, UNITS)
      expect(value === null || Number.isFinite(value)).toBe(true)
    }),
  )
})

test('sums of whole numbers are those of arithmetic', () => {
  fc.assert(
    fc.property(fc.integer({ min: -999, max: 999 }), fc.nat(999), fc.nat(99), (a, b, c) => {
      expect(readSum(`${a} + ${b} * ${c}`)).toBe(a + b * c)
      expect(readSum(`(${a}) - ${b}`)).toBe(a - b)
    }),
  )
})
