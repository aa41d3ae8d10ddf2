import { groupOf } from '#core/lists'
import { Catalogue } from '#core/catalogue'
import { entry, smallSite } from '../../../fixtures'

/** Under which letter a title is looked for, by the language of the site. */

function letters(locale: string, ...titles: string[]): (string | undefined)[] {
  const site = smallSite(titles.map((title, i) => entry(`e${i}`, 'tool', { title })))
  const catalogue = new Catalogue({ ...site, settings: { ...site.settings, locale } }, 0)
  const of = groupOf(catalogue, { by: 'letter', field: '', down: false })
  return titles.map((_, i) => of(catalogue.entries.get(`e${i}`)!)?.key)
}

test.each<[string, string[], string[]]>([
  ['de', ['Äther', 'Uhr', 'ölig', 'Straße'], ['A', 'U', 'O', 'S']],
  ['sv', ['Ängel', 'ål', 'Öl', 'Urverk', 'élan'], ['Ä', 'Å', 'Ö', 'U', 'E']],
  ['es', ['ñandú', 'Álamo'], ['Ñ', 'A']],
  ['tr', ['ışık', 'iğne', 'Çan'], ['I', 'İ', 'Ç']],
  ['da', ['ærlig', 'Østerbro'], ['Æ', 'Ø']],
  ['ru', ['часы', 'Ёлка'], ['Ч', 'Е']],
  ['el', ['ώρα'], ['Ω']],
  ['ja', ['時計'], ['時']],
  ['en', ['1812', '“Quoted”', '  spaced', 'e\u0301clair'], ['#', '#', 'S', 'E']],
])('in %s', (locale, titles, wanted) => expect(letters(locale, ...titles)).toEqual(wanted))
