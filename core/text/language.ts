/** Scripts that are written from right to left (ISO 15924). */
const RTL: ReadonlySet<string> = new Set('Adlm Arab Hebr Mand Nkoo Rohg Samr Syrc Thaa'.split(' '))

/** In which direction a language is written, by the script that it is mostly written in or that its tag names. */
export function directionOf(locale: string): 'ltr' | 'rtl' {
  try {
    return RTL.has(new Intl.Locale(locale).maximize().script ?? '') ? 'rtl' : 'ltr'
  } catch (error) {
    if (error instanceof RangeError) return 'ltr'
    throw error
  }
}
