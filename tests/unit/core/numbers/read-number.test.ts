import { decimalOf, isReadTwoWays, readNumber } from '#core/numbers'
import fc from 'fast-check'

/** What a person writes by the customs of a language, which `Intl.NumberFormat` writes as well, is read as that number. */

const LOCALES = [
  ...['en-GB', 'en-IN', 'de-DE', 'de-CH', 'fr-FR', 'es-ES', 'pl-PL', 'sv-SE', 'pt-BR', 'ru-RU', 'tr-TR', 'el-GR'],
  ...[
    'ja-JP',
    'ko-KR',
    'ar-EG',
    'ar-MA',
    'fa-IR',
    'he-IL',
    'hi-IN-u-nu-deva',
    'bn-BD',
    'mr-IN',
    'my-MM',
    'th-TH-u-nu-thai',
  ],
]

test.each(LOCALES)('numbers as they are written in %s are read', (locale) => {
  const write = (number: number, digits: number) =>
    new Intl.NumberFormat(locale, { minimumFractionDigits: digits, maximumFractionDigits: digits }).format(number)
  const decimal = decimalOf(locale)
  fc.assert(
    fc.property(
      fc.integer({ min: -99_999_999_999, max: 99_999_999_999 }),
      fc.integer({ min: 0, max: 4 }),
      (n, digits) => {
        const number = n / 10 ** digits
        expect([write(number, digits), readNumber(write(number, digits), decimal)]).toEqual([
          write(number, digits),
          number,
        ])
      },
    ),
  )
})

test('digits of every script are digits, and what stands between them counts as in the Latin one', () => {
  expect(readNumber('١٢٬٣٤٥٫٦', 'point')).toBe(12_345.6)
  expect(readNumber('۱۲۳', 'comma')).toBe(123)
  expect(readNumber('１２．５', 'point')).toBe(12.5)
  expect(readNumber('𝟙𝟚𝟡', 'point')).toBe(129)
  expect(readNumber('12,34,567', 'point')).toBe(1_234_567)
  expect(isReadTwoWays('١٬٢٥٠')).toBe(true)
  for (const none of ['١٢ ab', '1,23,45', '12,3,456', '٫', '½', '二', ''])
    expect([none, readNumber(none, 'point')]).toEqual([none, null])
})
